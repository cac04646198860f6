#include "core/turning/shape.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {
namespace {

constexpr double kgPerMm3 = 1e-9;  ///< times kg/m³

}  // namespace

std::vector<WallAt> wallAlong(const Sides& sides)
{
    std::vector<WallAt> walls;
    for (const Point& p : sides.inside) walls.push_back({distanceTo(sides.outside, p), p});
    return walls;
}

Shape measureShape(const Piece& piece, const Assembly& assembly, const Sides& sides)
{
    Shape s;
    s.height = outlineHeight(piece);
    s.leastDiameter = std::numeric_limits<double>::infinity();
    for (const Point& p : sides.outside) {
        if (2 * p.y() > s.greatestDiameter) s.greatestDiameter = 2 * p.y(), s.greatestAt = p.x();
        if (2 * p.y() < s.leastDiameter) s.leastDiameter = 2 * p.y(), s.leastAt = p.x();
    }
    for (const Point& p : sides.outside)
        if (p.x() < 0.25) s.footRadius = std::max(s.footRadius, p.y());
    s.solid = sides.inside.empty();

    double moment = 0;
    for (const BuiltLayer& layer : assembly.layers) {
        Revolved wood = revolved(clipped(sides.outside, layer.z0, layer.z1));
        if (!s.solid) wood = wood - revolved(clipped(sides.inside, layer.z0, layer.z1));
        const double density = layer.density * kgPerMm3;
        s.woodVolume += wood.volume * layer.fill;
        s.weight += wood.volume * layer.fill * density;
        moment += wood.momentZ * layer.fill * density;
        s.roughWeight += layer.volume * density;
    }
    if (s.weight > 0) s.gravityHeight = moment / s.weight;
    if (s.gravityHeight > 0) s.tipAngle = std::atan2(s.footRadius, s.gravityHeight) / degrees;

    s.floorThickness = s.height;
    if (!s.solid) {
        s.capacity = revolved(sides.inside).volume;
        const Point floor = sides.inside.front();
        // Bored through there is no floor.
        s.floorThickness =
            piece.hollow.rule == WallRule::Bored ? s.height : std::min(floor.x(), distanceTo(sides.outside, floor));
        s.thinnest.wall = std::numeric_limits<double>::infinity();
        const double wallFrom =
            floor.x() + (piece.hollow.rule == WallRule::Drawn || piece.hollow.rule == WallRule::Bored
                             ? 0
                             : piece.hollow.floorRound);
        for (const WallAt& w : wallAlong(sides)) {
            // The rim's own edge is no wall, and below the floor's rounding the wall is the floor's.
            if (w.inside.y() <= 0) continue;
            if (w.wall < s.thinnest.wall) s.thinnest = w;
            if (w.inside.x() >= wallFrom - 1e-6 && w.wall > s.thickest.wall) s.thickest = w;
        }
        if (!std::isfinite(s.thinnest.wall)) s.thinnest = {};
    }
    return s;
}

}  // namespace vl
