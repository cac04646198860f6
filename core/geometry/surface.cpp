#include "core/geometry/surface.h"

#include <Eigen/Geometry>

namespace vl {

double volumeOf(const Surface& surface)
{
    auto at = [&](std::uint32_t i) {
        const auto& c = surface.corners[i];
        return Eigen::Vector3d(c[0], c[1], c[2]);
    };
    double sum = 0;
    for (const auto& f : surface.faces) sum += at(f[0]).dot(at(f[1]).cross(at(f[2]))) / 6;
    return sum;
}

}  // namespace vl
