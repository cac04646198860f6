#include "core/blank/faces.h"
#include "core/constructions/ring.h"

#include "core/wood/figure.h"
#include "core/wood/moisture.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/glue.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Radius of the recess: the disc's, and the clearance all round.
double recess(const LetInForm& f) { return f.diameter / 2 + f.room(); }
/// Wider, a bit is not safe at the drill press: the hole is turned, mm; common practice.
constexpr double widestBit = 50;
/// What a plug that is glued all round may move at each side before its joint or the ring gives way, mm; own choice.
constexpr double plugMoves = 0.15;
/// What turning a plug round takes off its square, mm; own choice.
constexpr double turnedOff = 4;

/// Puts the disc into the ring that is built already. The joint's clearance is air, but too fine to draw: the disc is
/// shown up to the ring.
void layDisc(const Site& site, const LetInForm& f, BuiltLayer& b)
{
    for (Cell& c : b.cells) {
        c.low = recess(f);
        c.faces = b.sawnFaces(c);
    }
    Cell disc{&speciesOf(f.discWood), -1, segmentSeed(site.index, 900)};
    disc.high = recess(f);
    disc.board = flatFrame(b.z0, 0);
    b.lay(disc);
    b.sectors = 0;
    holdStraight(b, b.stock.apothem(), 0);
    b.volume = (b.stock.segmentArea() * b.stock.sides + pi * f.diameter * f.diameter / 4) * (b.z1 - b.z0);
    b.density = 0;
    b.fill = 1;
}

void judge(const LetInForm& f, double moves, BuiltLayer& b)
{
    const double room = f.plug ? plugMoves : f.clearance;
    if (room < moves)
        b.cautions.push_back({.kind = "let-in",
                              .measure = f.plug ? moves : room,
                              .limit = f.plug ? room : moves,
                              .unit = "mm",
                              .message = says(f.plug ? words::plugPushesRing : words::discPushesRing),
                              .fixes = {layerFix(says(f.plug ? words::freeDisc : words::moreClearance), b.index,
                                                 [to = std::ceil((moves + 0.05) * 10) / 10](Layer& q) {
                                                     q.as<LetInForm>()->plug = false;
                                                     q.as<LetInForm>()->clearance = to;
                                                 })}});
    if (b.gaps)
        b.cautions.push_back({.kind = "let-in-open",
                              .level = Level::Stop,
                              .measure = f.joint.width,
                              .limit = 0,
                              .unit = "mm",
                              .message = says(words::openLetIn),
                              .fixes = {layerFix(says(words::segmentsGlued), b.index,
                                                 [](Layer& q) { q.ring()->joint.kind = SegmentJoint::Glued; })}});
    constexpr double least = 4;  // mm of ring
    if (recess(f) + least > b.finishedOuter.high)
        b.cautions.push_back(
            {.kind = "let-in-wide",
             .level = Level::Stop,
             .measure = f.diameter,
             .limit = 2 * (b.finishedOuter.high - least - f.room()),
             .unit = "mm",
             .message = says(words::discLeavesNoRing, Quantity{.value = least, .decimals = 0}),
             .fixes = {layerFix(says(words::smallerDisc), b.index, [to = 2 * (b.finishedOuter.high * 0.75)](Layer& q) {
                 q.as<LetInForm>()->diameter = to;
             })}});
}

/// The disc or plug, pressed against a flat block by the tailstock and turned to its diameter.
WorkItem insetTurned(Bench& bench, const WorkItem& square, bool plug, const Setting& disc, double thick)
{
    const WorkItem cut = plug ? square
                              : bench.step(Action::Cut, "disc", {square}, "disc-cut",
                                           {.title = says(words::cutInset, bench.name()),
                                            .why = says(words::freeToMove),
                                            .how = says(words::circleSawn, disc),
                                            .settings = {disc},
                                            .minutes = 5,
                                            .uses = {Resource::Bandsaw}});
    const WorkItem pressed = bench.step(Action::Mount, "mount-disc", {cut}, "disc-mounted",
                                        {.title = says(plug ? words::pressPlug : words::pressInset, bench.name()),
                                         .why = says(words::noMarkOnIt),
                                         .how = says(words::pressWay),
                                         .minutes = 5,
                                         .uses = {Resource::Lathe},
                                         .held = {.set = true,
                                                  .by = Hold::Cushion,
                                                  .diameter = disc.value,
                                                  .depth = 0,
                                                  .overhang = thick,
                                                  .tailstock = true}});
    return bench.step(Action::Turn, plug ? "disc" : "true-disc", {pressed}, "inset",
                      {.title = says(plug ? words::turnPlug : words::turnInset, bench.name()),
                       .why = says(plug ? words::plugFillsPoints : words::freeToMove),
                       .how = says(plug ? words::plugToCaliper : words::insetToCaliper, disc),
                       .settings = {disc},
                       .minutes = plug ? 15.0 : 8.0,
                       .uses = {Resource::Lathe}});
}

WorkItem holeDrilled(Bench& bench, const WorkItem& ring, const Setting& hole)
{
    return bench.step(Action::Drill, "recess", {ring}, "recessed",
                      {.title = says(words::boreForPlug, bench.name()),
                       .why = says(words::bothSidesReached),
                       .how = says(words::ringAtPress, hole),
                       .settings = {hole},
                       .minutes = 15,
                       .uses = {Resource::Drill}});
}

/// The ring's hole, turned on a scrap disc that the ring is stuck to; `wide` and `thick`: of the ring, mm.
WorkItem recessTurned(Bench& bench, const WorkItem& ring, bool plug, const Setting& hole, const Setting& room,
                      double wide, double thick)
{
    const WorkItem stuck = bench.step(
        Action::Mount, "mount-recess", {ring}, "on-scrap",
        {.title = says(words::stickToScrap, bench.name()),
         .why = says(words::bothSidesReached),
         .how = says(words::ringOnScrap),
         .minutes = 8,
         .uses = {Resource::Lathe},
         .held = {
             .set = true, .by = Hold::GlueBlock, .diameter = wide, .depth = 0, .overhang = thick, .forNow = true}});
    Text way = plug ? says(words::boreToPlug, hole) : says(words::recessTo, hole, room);
    return bench.step(Action::Turn, "recess", {stuck}, "recessed",
                      {.title = says(plug ? words::boreForPlug : words::turnRecess, bench.name()),
                       .why = says(words::bothSidesReached),
                       .how = way.also(says(words::warmedOff)),
                       .settings = plug ? std::vector{hole} : std::vector{hole, room},
                       .minutes = 10,
                       .uses = {Resource::Lathe}});
}

void buildInlay(const Site& site, Building& out)
{
    const auto& f = site.form<LetInForm>();
    buildRing(site, std::max(0.0, recess(f) - site.layer().innerAllowance), out);
    BuiltLayer& b = out.layer;
    layDisc(site, f, b);
    const Species* wood = &speciesOf(f.discWood);
    const double change =
        equilibriumMoisture(20, site.shop.dampHumidity) - equilibriumMoisture(20, site.shop.dryHumidity);
    const double moves = std::abs(movement(f.diameter, wood->shrinkTangential, change)) / 2;
    const bool drilled = f.plug && f.diameter <= widestBit;
    const Setting hole{drilled ? Resource::Drill : Resource::Lathe,
                       drilled ? "bit, Ø" : "recess diameter",
                       2 * recess(f),
                       Unit::Length,
                       drilled ? "the plug's Ø" : "disc + 2 · clearance",
                       planeArithmetic};
    const Setting disc{f.plug ? Resource::Lathe : Resource::Bandsaw,
                       f.plug ? "plug, Ø" : "disc diameter",
                       f.diameter,
                       Unit::Length,
                       "chosen",
                       "",
                       1};
    const Setting room{Resource::Lathe, "clearance all round", f.clearance, Unit::Length, "chosen", ""};
    b.settings = {hole,
                  disc,
                  {Resource::None, f.plug ? "the plug moves, each side" : "the disc moves, each side", moves,
                   Unit::Length, "D · S / 30 % · ΔM / 2, across the grain", "Wood Handbook, ch. 13, from memory"}};
    judge(f, moves, b);

    out.parts.push_back(squarePart(site, {.id = "disc",
                                          .name = f.plug ? "plug" : "let-in disc",
                                          .wood = wood,
                                          .length = f.diameter + turnedOff,
                                          .width = f.diameter + turnedOff,
                                          .thickness = b.planeTo,
                                          .grain = "across the axis"}));

    // All of a plug's edge holds, end grain and long grain by turns; a disc has two spots.
    const GlueJoint joint{.faces = f.plug ? JointFaces::CrossGrain
                                          : facesOf(b.cells.back(), b.cells.front(), Eigen::Vector3d::UnitX()),
                          .area = f.plug ? pi * f.diameter * b.planeTo : 200,
                          .joints = f.plug ? 1 : 2,
                          .woods = {wood, b.woods[0]}};
    out.steps = [=, plug = f.plug, thick = b.planeTo, width = 2 * b.stockOuterRadius(),
                 ringSteps = std::move(out.steps)](Bench& bench, const WorkItems& parts) {
        // The ring's own last step yields the ring; the layer is ready when the disc is in it.
        const WorkItem ring = ringSteps(bench, {parts.begin(), parts.end() - 1});
        const WorkItem inset = insetTurned(bench, parts.back(), plug, disc, thick);
        const WorkItem recessed =
            drilled ? holeDrilled(bench, ring, hole) : recessTurned(bench, ring, plug, hole, room, width, thick);
        const WorkItem whole = bench.glue(
            "let-in", {recessed, inset}, "whole",
            {.title = says(plug ? words::glueInPlug : words::letIn, bench.name()),
             .why = says(plug ? words::plugAllRound : words::twoPoints),
             .how = says(plug ? words::plugPushedHome : words::twoSpots),
             .joint = joint,
             .minutes = 8,
             .uses = {Resource::Clamp},
             .waitTitle = says(words::leavePartInClamp, says(plug ? words::thePlug : words::theDisc), bench.name())});
        if (!plug) return whole;
        return bench.step(Action::Flatten, "flush", {whole}, "flush",
                          {.title = says(words::plugFlush, bench.name()),
                           .why = says(words::facesMeet),
                           .how = says(words::onlyThePlug),
                           .minutes = 4,
                           .uses = {Resource::SandingBoard}});
    };
}

std::vector<LayerHandle> inlayHandles(const Site& site, const BuiltLayer& b)
{
    const double d = site.form<LetInForm>().diameter;
    return {
        {.name = "let-in disc, Ø", .at = {(b.z0 + b.z1) / 2, d / 2}, .value = d, .drag = [](Layer& q, const Point& p) {
             q.as<LetInForm>()->diameter = 2 * p.y();
         }}};
}

}  // namespace

const Construction& constructionOf(const LetInForm&)
{
    static constexpr Construction letIn{.build = buildInlay, .segment = "segment", .handles = inlayHandles};
    return letIn;
}

}  // namespace vl
