#pragma once

#include "core/geometry/surface.h"

namespace vl {

/// The convex hull of points in space: a closed surface of triangles, counterclockwise as seen from outside. Empty
/// where they all lie in a plane.
Surface hullOf(const std::vector<Eigen::Vector3d>& points);

}  // namespace vl
