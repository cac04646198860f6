#include "core/geometry/directions.h"

#include "core/geometry/point.h"

#include <cmath>

namespace vl {

Eigen::Vector3d outwards(double angleDeg) { return {0, std::cos(angleDeg * degrees), std::sin(angleDeg * degrees)}; }
Eigen::Vector3d onwards(double angleDeg) { return {0, -std::sin(angleDeg * degrees), std::cos(angleDeg * degrees)}; }
Eigen::Vector3d pointAt(double z, double r, double angleDeg)
{
    return {z, r * std::cos(angleDeg * degrees), r * std::sin(angleDeg * degrees)};
}

}  // namespace vl
