#include "core/blank/assembly.h"

#include <algorithm>
#include <cmath>

namespace vl {

size_t BuiltLayer::segmentAt(double angleDeg) const
{
    const int n = count();
    const double pitch = 360.0 / n;
    const double turns = (angleDeg - phaseDeg) / pitch + 0.5;
    const long i = static_cast<long>(std::floor(turns)) % n;
    return static_cast<size_t>(i < 0 ? i + n : i);
}

size_t Assembly::layerAt(double z) const
{
    const auto it = std::upper_bound(layers.begin(), layers.end(), z, [](double v, const BuiltLayer& l) { return v < l.z1; });
    return it == layers.end() ? layers.size() - 1 : static_cast<size_t>(it - layers.begin());
}

Sides sidesOf(const Piece& piece)
{
    Sides sides{flatten(piece.outside), {}};
    const Hollow& h = piece.hollow;
    const double end = outlineHeight(piece);
    switch (h.rule) {
    case WallRule::Solid:
        break;
    case WallRule::Drawn:
        sides.inside = flatten(h.inside);
        break;
    case WallRule::Even:
        sides.inside = hollowFor(
            sides.outside, [&](double) { return h.rimWall; }, h.floor, h.floorRound);
        break;
    case WallRule::Tapered:
        sides.inside = hollowFor(
            sides.outside, [&](double z) { return h.baseWall + (h.rimWall - h.baseWall) * std::clamp((z - h.floor) / (end - h.floor), 0.0, 1.0); }, h.floor, h.floorRound);
        break;
    }
    return sides;
}

}  // namespace vl
