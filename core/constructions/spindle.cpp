#include "core/constructions/construction.h"

#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/turn.h"

#include <cmath>

namespace vl {
namespace {

constexpr double shoulder = 3;  // mm of shoulder round a tenon at the least; common practice

void judge(const Site& site, const SpindleForm& f, BuiltLayer& b)
{
    double least = 2 * b.finishedOuter.high;
    if (b.tenon.below > 0) least = std::min(least, 2 * radiusAfter(site.surfaces.outside, b.z0));
    if (b.tenon.above > 0) least = std::min(least, 2 * radiusBefore(site.surfaces.outside, b.z1));
    const double most = least - 2 * shoulder;
    if ((b.tenon.below > 0 || b.tenon.above > 0) && f.tenon > most + 1e-9)
        b.cautions.push_back(
            {.kind = "tenon-wide",
             .level = f.tenon >= least ? Level::Stop : Level::Care,
             .measure = f.tenon,
             .limit = most,
             .unit = "mm",
             .message = says(words::tenonLeavesNoShoulder, Quantity{f.tenon}, Quantity{least}),
             .fixes = {layerFix(says(words::tenonOf, Quantity{std::max(3.0, std::floor(most))}), b.index,
                                [most](Layer& q) { q.as<SpindleForm>()->tenon = std::floor(most); })}});
}

void buildSpindle(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const auto& f = site.form<SpindleForm>();
    const double outer = wantedOuter(site, b), side = 2 * outer;
    const bool first = site.index == 0, last = site.index + 1 == site.piece.layers.size();
    b.tenon = {.radius = f.tenon / 2, .below = first ? 0 : f.below, .above = last ? 0 : f.above};
    b.stock = {1, side, 0};
    b.woods = {woodAt(site.layer(), 0)};
    b.corner = outer * std::sqrt(2.0);
    holdStraight(b, outer, 0);
    b.volume = side * side * (b.z1 - b.z0);
    b.density = b.woods[0]->density;
    Cell cell{b.woods[0], 0, segmentSeed(site.index, 0)};
    for (const double a : {0.0, 90.0, 180.0, 270.0}) cell.faces.push_back({outwards(a), outer, false});
    cell.board.axes.row(0) = Eigen::Vector3d::UnitX();
    cell.board.axes.row(1) = onwards(0);
    cell.board.axes.row(2) = outwards(0);
    cell.board.origin = {b.z0, 0, 0};
    b.lay(cell);
    b.planeTo = side;

    const EndWaste waste = setWaste(site, b);
    const double length = b.glued + b.tenon.below + b.tenon.above + waste.both();
    const Setting square{Resource::Saw, "square", side, Unit::Length, "Ø + 2 · allowance", planeArithmetic, 1};
    const Setting cutTo{Resource::Saw,   "length", length, Unit::Length, "height + tenons + what holds it",
                        planeArithmetic, 1};
    const Setting tenon{Resource::Lathe, "tenons, Ø", f.tenon, Unit::Length, "chosen", "", 1};
    const Setting body{Resource::Lathe,      "between the shoulders", b.glued, Unit::Length,
                       "the layer's height", planeArithmetic,         1};
    const Setting below{Resource::Lathe, "tenon below", b.tenon.below, Unit::Length, "chosen", "", 1};
    const Setting above{Resource::Lathe, "tenon above", b.tenon.above, Unit::Length, "chosen", "", 1};
    b.settings = {square, cutTo, tenon, body};
    if (b.tenon.below > 0) b.settings.push_back(below);
    if (b.tenon.above > 0) b.settings.push_back(above);
    judge(site, f, b);

    out.parts = {squarePart(site, {.id = "",
                                   .name = "spindle",
                                   .wood = b.woods[0],
                                   .length = length,
                                   .width = side,
                                   .thickness = side,
                                   .grain = "along the axis"})};
    out.steps = [=, tenons = b.tenon](Bench& bench, const WorkItems& parts) {
        const WorkItem blank = bench.step(Action::Cut, "cut", parts, "square",
                                          {.title = says(words::cutSpindle, bench.name()),
                                           .why = says(words::grainAlongStem),
                                           .how = says(words::squareAndLength, square, cutTo),
                                           .settings = {square, cutTo},
                                           .minutes = 8,
                                           .uses = {Resource::Saw}});
        if (tenons.below <= 0 && tenons.above <= 0) return blank;
        std::vector<Setting> settings{tenon, body};
        Text how = says(words::tenonsTo, tenon, body);
        if (tenons.below > 0) {
            how.also(says(words::lowerTenon, below));
            settings.push_back(below);
        }
        if (tenons.above > 0) {
            how.also(says(words::upperTenon, above));
            settings.push_back(above);
        }
        how.also(says(words::shouldersUndercut));
        const WorkItem held = bench.step(
            Action::Mount, "mount-tenons", {blank}, "mounted",
            {.title = says(words::mountCenters, bench.name()),
             .why = says(words::tenonsTrueToEachOther),
             .how = says(words::spurAndCup),
             .minutes = 5,
             .uses = {Resource::Lathe},
             .held = {
                 .set = true, .by = Hold::Centers, .diameter = 20, .depth = 5, .tailstock = true, .alongGrain = true}});
        return bench.step(Action::Turn, "flatten", {held}, "flat",
                          {.title = says(words::turnTenons, bench.name()),
                           .why = says(words::tenonsHoldStem),
                           .how = how,
                           .settings = settings,
                           .minutes = 20,
                           .uses = {Resource::Lathe}});
    };
}

std::vector<LayerHandle> spindleHandles(const Site& site, const BuiltLayer& b)
{
    return {{.name = "tenon, Ø",
             .at = {(b.z0 + b.z1) / 2, site.form<SpindleForm>().tenon / 2},
             .value = site.form<SpindleForm>().tenon,
             .drag = [](Layer& q, const Point& p) { q.as<SpindleForm>()->tenon = 2 * p.y(); }}};
}

}  // namespace

const Construction& constructionOf(const SpindleForm&)
{
    static constexpr Construction spindle{
        .build = buildSpindle, .segment = "spindle", .noun = "spindle", .handles = spindleHandles};
    return spindle;
}

}  // namespace vl
