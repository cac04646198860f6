#include "core/plan/plan.h"

#include <algorithm>

namespace vl {
namespace {

SpeedRange withinLathe(SpeedRange s, const Shop& shop)
{
    const double high = std::clamp(s.high, shop.lowestRpm, shop.highestRpm);
    return {std::clamp(s.low, shop.lowestRpm, shop.highestRpm), high, s.high > 0 ? s.rim * high / s.high : 0};
}

LathePlan planLathe(const Assembly& assembly, const Shape& shape, const Shop& shop)
{
    LathePlan l;
    for (const BuiltLayer& b : assembly.layers) l.roughRadius = std::max(l.roughRadius, b.cornerRadius());
    l.rough = withinLathe(speedRange(2 * l.roughRadius), shop);
    l.finished = withinLathe(speedRange(std::max(shape.greatestDiameter, 1.0)), shop);
    l.swingClearance = shop.swingRadius - l.roughRadius;
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

Plan makePlan(const Piece& piece, const Shop& shop, LengthStyle style, double now)
{
    checkPiece(piece);
    checkShop(shop);
    Plan p;
    p.sides = sidesOf(piece);
    p.assembly = assemble(piece, shop, p.sides);
    p.shape = measureShape(piece, p.assembly, p.sides);
    p.cuts = planCuts(piece, p.assembly);
    p.overlaps = overlapsOf(p.assembly, p.sides);
    GluedRecipe glued = withGlue(piece, shop, std::move(p.assembly.recipe));
    p.assembly.recipe = std::move(glued.recipe);
    p.glues = std::move(glued.joints);
    p.schedule = scheduleRecipe(p.assembly.recipe, shop, piece.progress,
                                std::max(0.0, now - piece.progress.start.value_or(aMonday)));
    p.stations = stationsOf(piece, p.assembly, p.sides);
    p.lathe = planLathe(p.assembly, p.shape, shop);
    p.cautions = cautionsOf(piece, shop, p.assembly, p.sides, p.shape, p.cuts, p.overlaps, p.glues, style);
    return p;
}

}  // namespace vl
