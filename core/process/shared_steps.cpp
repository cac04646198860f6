#include "core/process/shared_steps.h"

#include "core/process/cut_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/split_recipe.h"
#include "core/process/worked_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/inlay.h"
#include "core/words/turn.h"

#include <algorithm>

namespace vl {
namespace {

Thing nipped(const Piece& piece, Bench& bench, const Thing& blank)
{
    if (piece.edge.kind != Edge::Square || piece.edge.nipped <= 0) return blank;
    const Setting to = lengthAt("bandsaw", "corners nipped to", piece.edge.nipped);
    return bench.step(Action::Cut, "nip", {blank}, "nipped",
                      {.title = says(words::nipCorners, to),
                       .why = says(words::clearTheBed),
                       .how = says(words::nipWay),
                       .settings = {to},
                       .minutes = 8,
                       .uses = {"bandsaw"}});
}

/// Tenons that go into holes of something else.
Thing fitTenons(const Piece& piece, Bench& bench, Thing now)
{
    constexpr double glueRoom = 1.5;  // mm the hole is deeper; common practice
    for (const FormPart& f : piece.forms) {
        if (f.kind != FormPart::Tenon) continue;
        const TenonShape t = tenonShape(f, piece.outside);
        const Setting hole = lengthAt("lathe", "hole, Ø", f.diameter),
                      root = lengthAt("lathe", "tenon at its shoulder, Ø", t.root, "hole − fit", 2),
                      tip = lengthAt("lathe", "tenon at its tip, Ø", t.tip, "shoulder's − 2 · length · tan(lean)", 2),
                      length = lengthAt("lathe", "tenon, long", t.to - t.from),
                      deep = lengthAt("drill", "its hole, deep", t.to - t.from + glueRoom, "tenon + 1.5 mm");
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
                          .uses = {"lathe"}});
    }
    return now;
}

}  // namespace

Thing onTheBlank(const Piece& piece, const Sides& sides, Bench& bench, const Thing& blank)
{
    return halved(piece, bench, letRodsIn(piece, sides, bench, nipped(piece, bench, sawBlank(piece, bench, blank))));
}

Thing beforeSanding(const Piece& piece, const Sides& sides, Bench& bench, const Thing& turned)
{
    return letIn(piece, sides, bench, drillHoles(piece, sides, bench, fitTenons(piece, bench, turned), false));
}

Thing onceSanded(const Piece& piece, const Sides& sides, Bench& bench, const Thing& sanded)
{
    return workGrids(piece, sides, bench, workByIndex(piece, sides, bench, sanded));
}

bool hasMoreOnceFree(const Piece& piece)
{
    const auto free = [](const Worked& w) { return w.kind == Worked::Legs || w.kind == Worked::Openings; };
    return !piece.sawn.empty() || piece.lean.angle > 0 || piece.split.on || std::ranges::any_of(piece.worked, free) ||
           std::ranges::any_of(piece.holes, [](const Hole& h) { return h.into == Hole::Foot && !h.early; });
}

Thing onceFree(const Piece& piece, const Shop& shop, const Sides& sides, Bench& bench, const Thing& freed, bool onRim)
{
    Thing now = drillHoles(piece, sides, bench, freed, true);
    now = makeLegs(piece, shop, sides, bench, now, onRim);
    now = sawTurned(piece, shop, bench, now);
    now = sawOpenings(piece, sides, bench, now);
    return turnedOn(piece, sides, bench, now);
}

std::string beforeFitting(const Piece& piece) { return piece.bought.empty() ? "piece" : "finished-piece"; }

Thing finished(const Piece& piece, const Shop& shop, Bench& bench, const Thing& bare)
{
    const Thing done = putOnFinish(piece, shop, bench, bare, beforeFitting(piece));
    return fitBought(piece, bench, done);
}

}  // namespace vl
