#include "core/plan/drying/rough_turned.h"

#include "core/holding/foot_hold.h"
#include "core/wood/drying.h"

namespace vl {
namespace {

constexpr double lengthwise = 0.1;  // %, along the grain; from memory

}  // namespace

std::optional<RoughTurned> roughTurned(const Piece& piece, const Plan& plan, double target)
{
    if (piece.layers.size() != 1) return std::nullopt;
    const auto* block = piece.layers.front().as<BlockForm>();
    if (!block || block->alongAxis() || block->moisture <= target || plan.shape.solid) return std::nullopt;
    const Species& wood = *plan.assembly.layers.front().woods.front();
    RoughTurned r;
    r.wood = wood.name;
    r.wet = block->moisture;
    r.target = target;
    r.density = wood.density;
    r.wall = wetWall(plan.surfaces);
    r.onceAlong = driedSize(plan.shape.greatestDiameter, lengthwise, block->moisture, target);
    r.onceAcross = driedSize(plan.shape.greatestDiameter, wood.shrinkTangential, block->moisture, target);
    const double rough = roughDiameter(plan.surfaces);
    r.rough = rough;
    r.along = driedSize(rough, lengthwise, block->moisture, target);
    r.across = driedSize(rough, wood.shrinkTangential, block->moisture, target);
    // What is left is the finished ring inside the oval ring: outside by the lesser, inside by the greater of its axes.
    const double hollow = rough - 2 * r.wall;
    r.holds = r.across >= plan.shape.greatestDiameter && driedSize(hollow, lengthwise, block->moisture, target) <=
                                                             plan.shape.greatestDiameter - 2 * plan.shape.thinnest.wall;
    return r;
}

double RoughTurned::months(Coat coat) const
{
    constexpr double month = 30;
    return daysInTheRoom(wall, wet, target, heatedRoom, density, slowedBy(coat)) / month;
}

}  // namespace vl
