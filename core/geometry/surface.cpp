#include "core/geometry/surface.h"

#include <Eigen/Geometry>

#include <map>

namespace vl {

Surface surfaceOf(const std::vector<std::vector<Eigen::Vector3d>>& faces)
{
    Surface out;
    std::map<std::array<double, 3>, std::uint32_t> places;
    for (const auto& face : faces) {
        std::vector<std::uint32_t> corners;
        for (const Eigen::Vector3d& p : face) {
            const std::array<double, 3> c{p.x(), p.y(), p.z()};
            const auto [it, fresh] = places.emplace(c, static_cast<std::uint32_t>(out.corners.size()));
            if (fresh) out.corners.push_back(c);
            corners.push_back(it->second);
        }
        for (size_t k = 2; k < corners.size(); ++k) out.faces.push_back({corners[0], corners[k - 1], corners[k]});
    }
    return out;
}

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
