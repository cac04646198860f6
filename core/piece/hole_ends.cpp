#include "core/piece/hole_ends.h"

#include "core/geometry/point.h"

#include <algorithm>
#include <cmath>

namespace vl {

HoleEnds holeEnds(const Hole& h, double r)
{
    const double aside = std::asin(std::clamp(h.beside / std::max(r, 1e-9), -1.0, 1.0)) / degrees;
    return {h.direction + aside, h.direction + 180 - aside};
}

void setHoleEnds(Hole& h, HoleEnds ends, double r)
{
    // Half of what the two ends are short of standing across from one another.
    const double most = 90 - leastApart / 2;
    const double aside = std::clamp(std::remainder(ends.enters - ends.leaves + 180, 360) / 2, -most, most);
    h.beside = r * std::sin(aside * degrees);
    h.direction = std::remainder(ends.enters - aside, 360);
}

}  // namespace vl
