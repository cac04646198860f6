#pragma once

#include <Eigen/Core>

#include <vector>

namespace vl {

/// One side of a plane: the points p with normal · p ≤ offset (mm; the normal is of length 1).
struct HalfSpace {
    Eigen::Vector3d normal{1, 0, 0};
    double offset = 0;
    bool open = false;  ///< a face with air behind it, not another part

    /// How far a point stands out of it, mm; negative inside.
    double beyond(const Eigen::Vector3d& p) const { return normal.dot(p) - offset; }
};

using Face = std::vector<Eigen::Vector3d>;

/// What of a flat convex polygon lies in the half-space (Sutherland–Hodgman); empty where nothing does.
Face clipped(const Face& face, const HalfSpace& half);

/// The faces of the convex body that the half-spaces leave of the box ±`reach` mm, corners counterclockwise as seen
/// from outside.
std::vector<Face> convexBody(const std::vector<HalfSpace>& halves, double reach);

/// Volume that closed faces enclose, mm³ (divergence theorem).
double volumeOf(const std::vector<Face>& faces);

}  // namespace vl
