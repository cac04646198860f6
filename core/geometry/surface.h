#pragma once

#include <Eigen/Core>

#include <array>
#include <cstdint>
#include <vector>

namespace vl {

/// Triangles that share their corners, one corner for each place, mm; counterclockwise as seen from outside.
struct Surface {
    std::vector<std::array<double, 3>> corners;
    std::vector<std::array<std::uint32_t, 3>> faces;
};

/// Convex faces as a surface of triangles; corners of the very same numbers are one.
Surface surfaceOf(const std::vector<std::vector<Eigen::Vector3d>>& faces);

/// Volume that a closed surface encloses, mm³ (divergence theorem).
double volumeOf(const Surface& surface);

}  // namespace vl
