#pragma once

#include "core/geometry/point.h"
#include "core/piece/document/cuts.h"

namespace vl {

/// Where a hole into the side, seen along the axis, enters a round and where its line leaves it again: degrees from 12
/// o'clock (plane geometry of a chord).
struct HoleEnds {
    double enters = 0, leaves = 180;
};
/// Of its first, in a round of radius `r` mm; a line that passes beside the round is taken to touch it.
HoleEnds holeEnds(const Hole& hole, double r);

/// The hole turned and moved beside the axis so that its line runs between these two places of a round of radius `r`
/// mm. Ends nearer to one another than `leastApart` are held that far apart.
void setHoleEnds(Hole& hole, HoleEnds ends, double r);
inline constexpr double leastApart = 20;  ///< degrees; nearer, a bit only scratches the side

/// Where the line of a hole into the side comes into the outside and leaves it again across the axis: stations and
/// radii, mm; nothing where it passes beside it (solid geometry of a line that crosses the axis's direction).
struct HoleStations {
    Point enters, leaves;
};
std::optional<HoleStations> holeStations(const Hole& hole, const Polyline& outside);

/// The hole moved and leant so that its line comes in at one station of the outside and leaves at the other, as far as
/// a hole may lean; unchanged where the outside has no such place.
void setHoleStations(Hole& hole, double enters, double leaves, const Polyline& outside);

}  // namespace vl
