#include "core/geometry/convex.h"

#include <Eigen/Geometry>

#include <algorithm>

namespace vl {

Face clipped(const Face& face, const HalfSpace& half)
{
    constexpr double on = 1e-9;
    Face out;
    for (size_t i = 0; i < face.size(); ++i) {
        const Eigen::Vector3d &p = face[i], &q = face[(i + 1) % face.size()];
        const double a = half.beyond(p), b = half.beyond(q);
        if (a <= on) out.push_back(p);
        if ((a > on && b < -on) || (a < -on && b > on)) out.push_back(p + (q - p) * (a / (a - b)));
    }
    if (out.size() < 3) out.clear();
    return out;
}

std::vector<Face> convexBody(const std::vector<HalfSpace>& halves, double reach)
{
    std::vector<HalfSpace> all = halves;
    for (int axis = 0; axis < 3; ++axis)
        for (const double sign : {1.0, -1.0}) all.push_back({sign * Eigen::Vector3d::Unit(axis), reach, false});
    std::vector<Face> faces;
    for (size_t i = 0; i < all.size(); ++i) {
        const Eigen::Vector3d n = all[i].normal, u = n.unitOrthogonal(), v = n.cross(u), middle = n * all[i].offset;
        const double far = 4 * reach;
        Face face{middle - u * far - v * far, middle + u * far - v * far, middle + u * far + v * far,
                  middle - u * far + v * far};
        for (size_t k = 0; k < all.size() && !face.empty(); ++k) {
            if (k == i) continue;
            // Of two planes that are the same only the first has the face.
            if (k < i && (all[k].normal - n).norm() < 1e-12 && std::abs(all[k].offset - all[i].offset) < 1e-9)
                face.clear();
            face = clipped(face, all[k]);
        }
        if (!face.empty()) faces.push_back(std::move(face));
    }
    return faces;
}

double volumeOf(const std::vector<Face>& faces)
{
    double sum = 0;
    for (const Face& f : faces)
        for (size_t i = 1; i + 1 < f.size(); ++i) sum += f[0].dot(f[i].cross(f[i + 1])) / 6;
    return sum;
}

}  // namespace vl
