#include "core/process/shared_steps.h"

#include "core/holding/foot_hold.h"
#include "core/process/cut_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/split_recipe.h"
#include "core/process/worked_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/inlay.h"
#include "core/words/turn.h"
#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

WorkItem nipped(const Piece& piece, Bench& bench, const WorkItem& blank)
{
    if (piece.edge.kind != Edge::Square || piece.edge.nipped <= 0) return blank;
    const Setting to = lengthAt(Resource::Bandsaw, "corners nipped to", piece.edge.nipped);
    return bench.step(Action::Cut, "nip", {blank}, "nipped",
                      {.title = says(words::nipCorners, to),
                       .why = says(words::clearTheBed),
                       .how = says(words::nipWay),
                       .settings = {to},
                       .minutes = 8,
                       .uses = {Resource::Bandsaw}});
}

/// Tenons that go into holes of something else.
WorkItem fitTenons(const Piece& piece, Bench& bench, WorkItem now)
{
    constexpr double glueRoom = 1.5;  // mm the hole is deeper; common practice
    for (const FormPart& f : piece.forms) {
        if (f.kind != FormPart::Tenon) continue;
        const TenonShape t = tenonShape(f, piece.outside);
        const Setting hole = lengthAt(Resource::Lathe, "hole, Ø", f.diameter),
                      root = lengthAt(Resource::Lathe, "tenon at its shoulder, Ø", t.root, "hole − fit", 2),
                      tip = lengthAt(Resource::Lathe, "tenon at its tip, Ø", t.tip,
                                     "shoulder's − 2 · length · tan(lean)", 2),
                      length = lengthAt(Resource::Lathe, "tenon, long", t.to - t.from),
                      deep = lengthAt(Resource::Drill, "its hole, deep", t.to - t.from + glueRoom, "tenon + 1.5 mm");
        now = bench.step(Action::Turn, "tenon-" + f.id, {now}, "tenon-" + f.id + "-turned",
                         {.title = says(words::tenonToHole, f.end == FormPart::AtFoot ? "foot" : "rim", hole),
                          .why = says(words::tenonFitsLast),
                          .how = says(words::tenonSizes, root, tip, length)
                                     .also(says(f.end == FormPart::AtFoot ? words::tenonTriedLater : words::tenonTried))
                                     .also(says(words::shouldersUndercut))
                                     .also(says(words::holeDeeper, deep))
                                     .also(says(words::tenonNotSanded)),
                          .settings = {hole, root, tip, length, deep},
                          .minutes = 15,
                          .uses = {Resource::Lathe}});
    }
    return now;
}

}  // namespace

WorkItem onTheBlank(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& blank)
{
    return halved(piece, bench, letRodsIn(piece, surfaces, bench, nipped(piece, bench, sawBlank(piece, bench, blank))));
}

WorkItem beforeSanding(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned)
{
    WorkItem now = fitTenons(piece, bench, turned);
    // Between centers the live one stands there: it is drilled when that is drawn back.
    if (!hasChuckTenon(piece)) now = drillHoles(piece, surfaces, bench, now, HolesOf::RimsMiddle);
    return letIn(piece, surfaces, bench, drillHoles(piece, surfaces, bench, now, HolesOf::Filled));
}

WorkItem onceSanded(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& sanded)
{
    const WorkItem worked = workGrids(piece, surfaces, bench, workByIndex(piece, surfaces, bench, sanded));
    return drillHoles(piece, surfaces, bench, worked, HolesOf::Open);
}

void sayAirSweep(const Range& air, double sweeps, StepSpec& turning)
{
    if (!(air.high > 0)) return;
    const Setting from{.name = "wood all round to a radius of", .value = air.low, .decimals = 0},
        to{.name = "sweeps a radius of", .value = std::max(air.high, sweeps), .decimals = 1};
    turning.settings.insert(turning.settings.end(), {from, to});
    turning.how.also(says(words::cornersSweep, from, to));
}

WorkItem faceRim(double rim, double waste, const Pattern& why, Bench& bench, const WorkItem& turned)
{
    const Setting off = lengthAt(Resource::Lathe, "off the free end", waste, "the waste there");
    return bench.step(Action::Cut, "face-rim", {turned}, "faced",
                      {.title = says(words::faceFreeEnd),
                       .why = says(why),
                       .how = says(words::faceFreeEndWay, off),
                       .settings = {off},
                       .minutes = 6,
                       .uses = {Resource::Lathe},
                       .effect = effect::Turn{effect::Turn::Inside, Region::box({rim, rim + waste}, {0, farOut})}});
}

bool hasMoreOnceFree(const Piece& piece)
{
    const auto free = [](const Worked& w) { return w.kind == Worked::Legs || w.kind == Worked::Openings; };
    return !piece.sawn.empty() || piece.lean.angle > 0 || piece.split.on || std::ranges::any_of(piece.worked, free) ||
           std::ranges::any_of(piece.holes, [](const Hole& h) { return h.into == Hole::Foot && !h.early; });
}

WorkItem onceFree(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Bench& bench,
                  const WorkItem& freed, bool onRim)
{
    WorkItem now = drillHoles(piece, surfaces, bench, freed, HolesOf::Foot);
    now = makeLegs(piece, shop, surfaces, bench, now, onRim);
    now = sawTurned(piece, shop, bench, now);
    now = sawOpenings(piece, surfaces, bench, now);
    return turnedOn(piece, surfaces, bench, now);
}

std::string beforeFitting(const Piece& piece) { return fittedLast(piece).empty() ? "piece" : "finished-piece"; }

WorkItem finished(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& bare)
{
    const WorkItem done = putOnFinish(piece, shop, bench, bare, beforeFitting(piece));
    return fitBought(piece, bench, done);
}

}  // namespace vl
