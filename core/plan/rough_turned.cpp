#include "core/plan/rough_turned.h"

#include "core/wood/drying.h"
#include "core/wood/moisture.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double saturated = 30, lengthwise = 0.1;  // %, from memory

double shrunk(double size, double percent, double wet, double dry)
{
    return size - movement(size, percent, std::max(0.0, std::min(wet, saturated) - std::min(dry, saturated)));
}

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
    r.wall = roughWall(plan.shape.greatestDiameter);
    // What the rough wall has more than the finished one lies half outside it and half inside.
    r.onceAlong = shrunk(plan.shape.greatestDiameter, lengthwise, block->moisture, target);
    r.onceAcross = shrunk(plan.shape.greatestDiameter, wood.shrinkTangential, block->moisture, target);
    const double rough = plan.shape.greatestDiameter + std::max(0.0, r.wall - plan.shape.thinnest.wall);
    r.rough = rough;
    r.along = shrunk(rough, lengthwise, block->moisture, target);
    r.across = shrunk(rough, wood.shrinkTangential, block->moisture, target);
    // What is left is the finished ring inside the oval ring: outside by the lesser, inside by the greater of its axes.
    const double hollow = rough - 2 * r.wall;
    r.holds = r.across >= plan.shape.greatestDiameter && shrunk(hollow, lengthwise, block->moisture, target) <=
                                                             plan.shape.greatestDiameter - 2 * plan.shape.thinnest.wall;
    return r;
}

double RoughTurned::months(Coat coat) const
{
    constexpr double month = 30;
    return daysInTheRoom(wall, wet, target, heatedRoom, density, slowedBy(coat)) / month;
}

}  // namespace vl
