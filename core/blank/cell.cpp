#include "core/blank/cell.h"

#include "core/geometry/point.h"

#include <algorithm>
#include <cmath>

namespace vl {

bool Cell::within(const Eigen::Vector3d& p, double r) const
{
    return r >= low && r <= high &&
           std::ranges::all_of(bounds, [&](const HalfSpace& h) { return h.beyond(p) <= 1e-9; });
}

std::vector<HalfSpace> Cell::wedge() const
{
    if (round()) return {};
    return {{-onwards(from), 0, false}, {onwards(to), 0, false}};
}

bool Cell::spans(double angleDeg) const
{
    if (round()) return true;
    const double on = std::fmod(angleDeg - from, 360.0);
    // A place on the joint itself belongs to both neighbors, however the last digit falls.
    constexpr double joint = 1e-9;
    const double turned = on < 0 ? on + 360 : on;
    return turned <= to - from + joint || turned >= 360 - joint;
}

}  // namespace vl
