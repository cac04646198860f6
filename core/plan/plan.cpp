#include "core/plan/plan.h"

#include "core/plan/lessons.h"
#include "core/plan/progress.h"
#include "core/process/assemble.h"
#include "core/process/finish_recipe.h"
#include "core/words/cut.h"

#include <algorithm>

namespace vl {
namespace {

SpeedRange withinLathe(SpeedRange s, const Shop& shop)
{
    // Never raised to what the lathe can do: what it turns too fast for is a stop.
    const double high = std::min(s.high, shop.lathe.highestRpm);
    return {std::min(std::max(s.low, shop.lathe.lowestRpm), high), high, s.high > 0 ? s.rim * high / s.high : 0};
}

/// No faster than a mount bears.
void slowTo(const Mount& mount, SpeedRange& speed)
{
    if (speed.high <= mount.speed.high) return;
    speed.rim *= mount.speed.high / speed.high;
    speed.high = mount.speed.high;
    speed.low = std::min(speed.low, speed.high);
}

LathePlan planLathe(const Assembly& assembly, const TurnedSurfaces& surfaces, const Shape& shape,
                    const std::vector<Mount>& mounts, const Shop& shop)
{
    LathePlan l;
    // What keeps its edges, or is turned on other axes too, never runs as if it were round.
    const Balance finished = surfaces.round() ? Balance::Round : Balance::Corners;
    l.roughBalance = surfaces.edges.empty() ? Balance::Round : Balance::Corners;
    constexpr double corner = 2;  // mm that a corner stands out at the least
    l.roughRadius = assembly.cornerRadius();
    for (const BuiltLayer& b : assembly.layers) {
        double held = 0;
        for (const Point& p : b.outerHold) held = std::max(held, p.y());
        if (b.cornerRadius() > held + corner) l.roughBalance = Balance::Corners;
    }
    l.rough = withinLathe(speedRange(2 * l.roughRadius, l.roughBalance), shop);
    l.finished = withinLathe(speedRange(std::max(shape.greatestDiameter, 1.0), finished), shop);
    // What the mounts on the true axis bear is said here too: one number, wherever it is read.
    if (!mounts.empty()) slowTo(mounts.front(), l.rough);
    // What is mounted once, rough, is finished as it was mounted.
    const auto again = [](const Mount& m) { return m.held.round && m.held.setUp < 0 && !m.held.onlyBored; };
    const bool once = std::ranges::none_of(mounts, again);
    for (const Mount& m : mounts)
        if (again(m) || (once && m.held.setUp < 0)) slowTo(m, l.finished);
    l.swingClearance = shop.lathe.swingRadius - l.roughRadius;
    return l;
}

}  // namespace

bool Plan::mustStop() const
{
    return std::ranges::any_of(cautions, [](const Caution& c) { return c.level == Level::Stop; });
}

const RingCut* Plan::cutOf(int layer) const
{
    const auto it = std::ranges::find(cuts.rings, layer, &RingCut::layer);
    return it == cuts.rings.end() ? nullptr : &*it;
}

namespace {

/// Setting a machine and its trial cut take their time too; and what a trial ring has shown is said where the mitre is
/// set.
void settleSawSteps(const Piece& piece, const Shop& shop, const CutPlan& cuts, Recipe& recipe)
{
    for (Step& s : recipe) {
        const bool set =
            std::ranges::any_of(s.settings, [](const Setting& one) { return one.machine != Resource::None; });
        if (set && (s.action == Action::Cut || s.action == Action::Recut)) s.workMinutes += shop.setupMinutes;
    }
    for (const RingCut& r : cuts.rings) {
        if (r.correction == 0) continue;
        const std::string id = "cut-" + piece.layers[static_cast<size_t>(r.layer)].id;
        const auto step = std::ranges::find(recipe, id, &Step::id);
        if (step == recipe.end()) continue;
        const Setting miter{Resource::Saw,
                            "miter from square, corrected",
                            r.miter + r.correction,
                            Unit::Angle,
                            "180° / n + correction",
                            planeGeometry,
                            3};
        step->settings.push_back(miter);
        step->how.also(says(words::correctedMiter, miter));
    }
}

Drafted drafted(const Piece& piece, const Shop& shop)
{
    Drafted d;
    d.surfaces = turnedSurfacesOf(piece);
    d.assembly = assemble(piece, shop, d.surfaces);
    d.shape = measureShape(piece, d.assembly, d.surfaces);
    d.cuts = planCuts(piece, d.assembly);
    d.overlaps = overlapsOf(d.assembly, d.surfaces);
    Recipe& recipe = d.assembly.recipe;
    settleSawSteps(piece, shop, d.cuts, recipe);
    d.finish = sayFinish(piece, shop, d.assembly, d.surfaces, recipe);
    planRounds(piece.progress, recipe);
    for (Step& s : recipe) s.workMinutes *= shop.workFactor;
    sayLessons(shop, piece, d.assembly.layers, recipe);
    return d;
}

Equipped equipped(const Piece& piece, const Shop& shop, Drafted made, LengthStyle style)
{
    Equipped e{std::move(made), axisSetUps(piece), {}, {}};
    e.axes = axisReports(piece, e.surfaces, e.setUps);
    e.mounts = mountsOf(piece, shop, e.assembly, e.surfaces, e.shape, style);
    sayMounts(e.mounts, e.assembly.recipe);
    return e;
}

Glued glued(const Piece& piece, const Shop& shop, Equipped made)
{
    GluedRecipe glue = withGlue(piece, shop, std::move(made.assembly.recipe));
    made.assembly.recipe = std::move(glue.recipe);
    return {std::move(made), std::move(glue.joints)};
}

Scheduled scheduled(const Piece& piece, const Shop& shop, Glued made, double now)
{
    const double begins = std::max(0.0, now - piece.progress.start.value_or(aMonday));
    Schedule schedule = scheduleRecipe(made.assembly.recipe, shop, piece.progress, begins);
    return {std::move(made), std::move(schedule)};
}

}  // namespace

Plan makePlan(const Piece& piece, const Shop& shop, LengthStyle style, double now)
{
    checkPiece(piece);
    checkShop(shop);
    Plan p{scheduled(piece, shop, glued(piece, shop, equipped(piece, shop, drafted(piece, shop), style)), now),
           {},
           {},
           {}};
    p.stations = stationsOf(piece, p.assembly, p.surfaces);
    p.lathe = planLathe(p.assembly, p.surfaces, p.shape, p.mounts, shop);
    p.cautions = cautionsOf(piece, shop, p, style);
    return p;
}

}  // namespace vl
