#pragma once

#include <Eigen/Core>
#include <numbers>
#include <vector>

namespace vl {

/// A point of a section: x is z along the lathe's axis from the headstock face, y is r from the axis, both mm.
using Point = Eigen::Vector2d;
using Polyline = std::vector<Point>;

constexpr double pi = std::numbers::pi;
constexpr double degrees = pi / 180.0;  ///< one degree in radians

}  // namespace vl
