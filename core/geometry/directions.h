#pragma once

#include <Eigen/Core>

namespace vl {

/// Directions in the world at an angle from 12 o'clock (degrees): out from the axis, and on round it. World: x along
/// the axis from the headstock face, y to 12 o'clock, z to 9 o'clock.
Eigen::Vector3d outwards(double angleDeg);
Eigen::Vector3d onwards(double angleDeg);
/// The point at a station, radius (mm) and angle (degrees).
Eigen::Vector3d pointAt(double z, double r, double angleDeg);

}  // namespace vl
