#pragma once

#include "core/geometry/surface.h"
#include "core/picture/mesh.h"
#include "core/piece/document/piece.h"

#include <Eigen/Geometry>
#include <array>

namespace vl {

/// The two halves of a closed surface that is split through the axis, each closed; the second is turned on in the plane
/// of the split, about the piece's middle. Nothing where it cannot be cut.
std::array<Surface, 2> halvesOf(const Surface& surface);
/// What turns the second half on.
Eigen::Isometry3d turningOn(const Piece& piece);

Surface moved(Surface surface, const Eigen::Isometry3d& by);
Mesh moved(Mesh mesh, const Eigen::Isometry3d& by);

/// The greatest step at the joint of an outline with its own mirror image, once one half is turned on, mm. Points along
/// it against the other's line (plane geometry).
double stepAtJoint(const Polyline& outside, const Split& split);

}  // namespace vl
