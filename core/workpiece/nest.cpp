#include "core/workpiece/nest.h"

#include <cmath>
#include <limits>

namespace vl {

std::vector<NestedRing> nestedRings(const Nest& n)
{
    std::vector<NestedRing> rings;
    const double pitch = 2 * (n.wall + n.tool);
    for (double outer = n.largest; outer - 2 * n.wall >= n.smallest - 1e-9 && rings.size() < 500; outer -= pitch)
        rings.push_back({outer, outer - 2 * n.wall});
    return rings;
}

double bladeClearance(double radius, double below)
{
    return below > radius ? std::numeric_limits<double>::quiet_NaN()
                          : radius - std::sqrt(radius * radius - below * below);
}

}  // namespace vl
