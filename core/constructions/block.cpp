#include "core/constructions/construction.h"
#include "core/holding/foot_hold.h"
#include "core/piece/edits/log_middle.h"
#include "core/workpiece/lid_sides.h"

#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/turn.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr int roundFacets = 48;  // of what is sawn or grown round, where a solid of flat faces is asked for

/// Half of what the block measures across the axis: along 9 o'clock and along 12 o'clock, mm.
struct HalfSides {
    double along, across;
};

HalfSides halfSides(const Site& site, const BuiltLayer& b)
{
    const Edge& edge = site.piece.edge;
    const double outer = wantedOuter(site, b);
    if (edge.kind != Edge::Square) return {outer, outer};
    // Edges that stay are sawn to their size, and what sanding takes.
    return {edge.length / 2 + site.layer().sandingLoss, edge.width / 2 + site.layer().sandingLoss};
}

/// Half a log lies with its own middle along 9 o'clock; its flat face is one of the layer's.
void halfLog(const BlockForm& f, BuiltLayer& b, const HalfSides& half)
{
    const double radius = f.log / 2, flat = f.bark == BlockForm::AtFoot ? b.z1 : b.z0;
    const double up = f.bark == BlockForm::AtFoot ? -1 : 1;
    Cell& cell = b.cells[0];
    for (int k = 0; k <= roundFacets / 2; ++k) {
        const double a = 180.0 * k / (roundFacets / 2.0) * degrees;
        const Eigen::Vector3d normal =
            (outwards(0) * std::cos(a) + up * std::sin(a) * Eigen::Vector3d::UnitX()).normalized();
        cell.faces.push_back({normal, radius + normal.x() * flat, false});
    }
    for (const double a : {90.0, 270.0}) cell.faces.push_back({outwards(a), half.along, false});
    b.outerHold.clear();
    constexpr int looks = 24;
    for (int k = 0; k <= looks; ++k) {
        const double z = b.z0 + (b.z1 - b.z0) * k / looks, off = std::abs(z - flat);
        const double round = std::sqrt(std::max(0.0, radius * radius - off * off));
        // Where the bark is the rim, the rim is where the log ends: that is what is wanted of it.
        b.outerHold.push_back({z, f.bark == BlockForm::AtRim ? half.along : std::min(half.along, round)});
    }
    b.corner = std::hypot(half.along, radius);
}

void shapeOf(const Site& site, const BlockForm& f, BuiltLayer& b)
{
    const HalfSides half = halfSides(site, b);
    Cell& cell = b.cells[0];
    const bool edged = site.piece.edge.kind == Edge::Square;
    switch (f.shape) {
    case BlockForm::Square: {
        const std::array sides{half.across, half.along, half.across, half.along};
        for (size_t k = 0; k < 4; ++k) cell.faces.push_back({outwards(90.0 * static_cast<double>(k)), sides[k], false});
        b.corner = std::hypot(half.along, half.across);
        // Square work is turned out of the circle that its corners sweep.
        const double holds = edged ? b.corner : std::min(half.along, half.across);
        holdStraight(b, holds, 0);
        break;
    }
    case BlockForm::Round:
        for (int k = 0; k < roundFacets; ++k)
            cell.faces.push_back({outwards(k * 360.0 / roundFacets), half.along, false});
        b.corner = half.along / std::cos(pi / roundFacets);
        holdStraight(b, half.along, 0);
        break;
    case BlockForm::HalfLog:
        halfLog(f, b, half);
        break;
    case BlockForm::Log: {
        const double radius = f.log / 2, offset = logOffset(f);
        cell.faces = logFaces(f, roundFacets, false);
        b.corner = (radius + offset) / std::cos(pi / roundFacets);
        holdStraight(b, radius - offset, 0);
        break;
    }
    }
    const double most = std::ranges::max_element(b.outerHold, {}, [](const Point& p) { return p.y(); })->y();
    b.stock = {1, 2 * most, 0};
    b.volume = volumeOf(convexBody(b.body(cell), 3 * b.corner + b.z1));
}

void judge(const Site& site, const BlockForm& f, BuiltLayer& b)
{
    const bool twice = canBeTurnedWet(site.piece, site.surfaces, BlockForm::TurnedTwice);
    if (f.isWet() && !(f.wet != BlockForm::DriedFirst && canBeTurnedWet(site.piece, site.surfaces, f.wet)))
        b.cautions.push_back(
            {.kind = "wet-block",
             .measure = f.moisture,
             .limit = BlockForm::dry,
             .unit = "%",
             .message = says(words::wetBlock, Quantity{f.moisture, Unit::Count, 0}),
             .fixes = {layerFix(says(twice ? words::turnTwice : words::dryBlock), b.index, [twice](Layer& q) {
                 if (twice)
                     q.as<BlockForm>()->wet = BlockForm::TurnedTwice;
                 else
                     q.as<BlockForm>()->moisture = BlockForm::dry;
             })}});
    if (const double rough = roughDiameter(site.surfaces), has = 2 * b.stockOuterRadius();
        f.isWet() && f.wet == BlockForm::TurnedTwice && twice && has < rough)
        b.cautions.push_back({.kind = "rough-blank",
                              .measure = has,
                              .limit = rough,
                              .unit = "mm",
                              .message = says(words::roughNeedsMore, Quantity{has}, Quantity{rough}),
                              .fixes = {layerFix(says(words::thatMuchMore, Quantity{rough - has}), b.index,
                                                 [more = (rough - has) / 2](Layer& q) { q.outerAllowance += more; })}});
    if (f.pith && f.shape != BlockForm::Log)
        b.cautions.push_back(
            {.kind = "pith",
             .measure = 1,
             .limit = 0,
             .unit = "",
             .message = says(words::pithSplits),
             .fixes = {layerFix(says(words::pithOut), b.index, [](Layer& q) { q.as<BlockForm>()->pith = false; })}});
}

/// What the blank is looked over for, and what was found already.
Text inspected(const std::vector<Flaw>& flaws, std::vector<Setting>& settings)
{
    Text look = says(words::lookForDefects);
    for (const Flaw& f : flaws) {
        const auto add = [&](const char* name, double value, Unit unit = Unit::Length) {
            settings.push_back({.name = name, .value = value, .unit = unit, .formula = "found", .decimals = 0});
            return settings.back();
        };
        const Setting size = add("flaw, across", f.size), at = add("flaw's station", f.at),
                      out = add("flaw, from the axis", f.radius),
                      towards = add("flaw, towards", std::fmod(f.direction + 720, 360), Unit::Angle);
        look.also(says(words::foundFlaw, choices(f.kind)[static_cast<size_t>(f.kind)].words, size, at, out, towards,
                       choices(f.dealt)[static_cast<size_t>(f.dealt)].words));
    }
    return look;
}

void buildBlock(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const auto& f = site.form<BlockForm>();
    b.woods = {woodAt(site.layer(), 0)};
    b.density = b.woods[0]->density;
    Cell cell{b.woods[0], 0, segmentSeed(site.index, 0)};
    if (f.alongAxis()) {
        cell.board.axes.row(0) = Eigen::Vector3d::UnitX();
        cell.board.axes.row(1) = onwards(0);
        cell.board.axes.row(2) = outwards(0);
        cell.board.origin = {b.z0, 0, 0};
    } else
        cell.board = flatFrame(b.z0, 0);
    if (f.shape == BlockForm::Log || f.shape == BlockForm::HalfLog) {
        // Its years go round its own middle; half a log has that in its flat face.
        const Eigen::Vector3d middle =
            f.shape == BlockForm::Log
                ? Eigen::Vector3d(b.z0 * Eigen::Vector3d::UnitX() + logOffset(f) * outwards(logMiddleTowards(f)))
                : Eigen::Vector3d((f.bark == BlockForm::AtFoot ? b.z1 : b.z0) * Eigen::Vector3d::UnitX());
        const auto [across, through] = pithOf(cell.seed);
        cell.board.origin =
            middle - across * cell.board.axes.row(1).transpose() - through * cell.board.axes.row(2).transpose();
    }
    b.lay(cell);
    shapeOf(site, f, b);
    const HalfSides half = halfSides(site, b);
    const bool grown = f.shape == BlockForm::HalfLog || f.shape == BlockForm::Log;
    // A whole piece needs no flat faces; in a stack they are glued.
    const bool alone = site.piece.layers.size() == 1;
    const EndWaste waste = setWaste(site, b);
    const double high = alone ? b.glued + waste.both() : b.planeTo;
    b.planeTo = high;
    const double wide = grown ? f.log : 2 * half.across, wideAlong = f.shape == BlockForm::Log ? f.log : 2 * half.along;

    const double length = f.alongAxis() ? high : wideAlong, thickness = f.alongAxis() ? wideAlong : high;
    const bool edged = site.piece.edge.kind == Edge::Square;
    const char *const asHigh = "height, and what holding and parting take", *const asWide =
                                                                                edged ? "edge + what sanding takes"
                                                                                      : "Ø + 2 · allowance";
    const Setting thick{.machine = Resource::Saw,
                        .name = "thickness",
                        .value = thickness,
                        .formula = f.alongAxis() ? asWide : asHigh,
                        .decimals = 1};
    const Setting across{.machine = Resource::Saw, .name = "across the grain", .value = wide, .formula = asWide};
    const Setting along{.machine = Resource::Saw,
                        .name = "along the grain",
                        .value = length,
                        .formula = f.alongAxis() ? asHigh : asWide};
    b.settings = {thick, across, along};
    const Setting atFoot{
        .name = "of it waste at the foot", .value = waste.foot, .formula = "what holds it", .decimals = 1},
        atRim{.name = "of it waste at the rim", .value = waste.rim, .formula = "what holds it", .decimals = 1};
    if (waste.foot > 0) b.settings.push_back(atFoot);
    if (waste.rim > 0) b.settings.push_back(atRim);
    judge(site, f, b);

    out.parts = {squarePart(site, {.id = "",
                                   .name = "block",
                                   .wood = b.woods[0],
                                   .length = length,
                                   .width = wide,
                                   .thickness = thickness,
                                   .grain = f.alongAxis() ? "along the axis" : "across the axis"})};
    out.parts.back().grown = f.shape == BlockForm::Log;
    const bool round = f.shape == BlockForm::Round, standing = f.alongAxis(), lined = tubeInBore(site.piece);
    out.steps = [=, &layer = site.layer(), &flaws = site.piece.flaws](Bench& bench, const WorkItems& parts) {
        std::vector<Setting> found;
        Text look = inspected(flaws, found);
        const WorkItem sound = bench.step(Action::Inspect, "inspect", parts, "sound",
                                          {.title = says(words::inspectBlock, bench.name()),
                                           .why = says(words::crackLetsGo),
                                           .how = std::move(look),
                                           .settings = found,
                                           .minutes = 5});
        Text sawn = says(grown && standing   ? words::logCrosscut
                         : grown             ? words::logInCradle
                         : standing && round ? words::billetRound
                         : standing          ? words::billetSquare
                         : round             ? words::blockRound
                                             : words::blockSquare,
                         thick, across, along);
        std::vector<Setting> sizes{thick, across, along};
        if (waste.foot > 0) sizes.push_back(atFoot);
        if (waste.rim > 0) sizes.push_back(atRim);
        if (waste.foot > 0 && waste.rim > 0)
            sawn.also(says(lined ? words::wasteForSquaring : words::wasteInLength, atFoot, atRim));
        else if (waste.both() > 0)
            sawn.also(says(waste.foot > 0 ? words::wasteAtFoot : words::wasteAtRim, waste.foot > 0 ? atFoot : atRim));
        WorkItem blank = bench.step(Action::Cut, "cut", {sound}, "blank",
                                    {.title = says(grown ? words::cutLog : words::cutBlock, bench.name()),
                                     .why = says(words::blankNearRound),
                                     .how = std::move(sawn),
                                     .settings = std::move(sizes),
                                     .minutes = grown ? 20.0 : 10.0,
                                     .uses = {Resource::Saw}});
        return alone ? blank : flattenFaces(bench, blank, layer, 8);
    };
}

}  // namespace

const Construction& constructionOf(const BlockForm&)
{
    static constexpr Construction block{.build = buildBlock, .segment = "block", .noun = "block"};
    return block;
}

}  // namespace vl
