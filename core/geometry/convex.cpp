#include "core/geometry/convex.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <utility>

namespace vl {

namespace {

/// Cuts a polygon down to a half-space, in its own place: each corner is asked once, and what lies inside stays.
void clip(Face& face, const HalfSpace& half, std::vector<double>& beyond, Face& spare)
{
    constexpr double on = 1e-9;
    beyond.clear();
    bool out = false;
    for (const Eigen::Vector3d& p : face) {
        beyond.push_back(half.beyond(p));
        out = out || beyond.back() > on;
    }
    if (!out) return;
    spare.clear();
    for (size_t i = 0; i < face.size(); ++i) {
        const size_t next = i + 1 < face.size() ? i + 1 : 0;
        const double a = beyond[i], b = beyond[next];
        if (a <= on) spare.push_back(face[i]);
        if ((a > on && b < -on) || (a < -on && b > on))
            spare.push_back(face[i] + (face[next] - face[i]) * (a / (a - b)));
    }
    if (spare.size() < 3) spare.clear();
    std::swap(face, spare);
}

}  // namespace

Face clipped(const Face& face, const HalfSpace& half)
{
    Face out = face, spare;
    std::vector<double> beyond;
    clip(out, half, beyond, spare);
    return out;
}

std::vector<Face> convexBody(const std::vector<HalfSpace>& halves, double reach)
{
    std::vector<HalfSpace> all = halves;
    for (int axis = 0; axis < 3; ++axis)
        for (const double sign : {1.0, -1.0}) all.push_back({sign * Eigen::Vector3d::Unit(axis), reach, false});
    std::vector<Face> faces;
    std::vector<double> beyond;
    Face face, spare;
    for (size_t i = 0; i < all.size(); ++i) {
        const Eigen::Vector3d n = all[i].normal, u = n.unitOrthogonal(), v = n.cross(u), middle = n * all[i].offset;
        const double far = 4 * reach;
        face.assign({middle - u * far - v * far, middle + u * far - v * far, middle + u * far + v * far,
                     middle - u * far + v * far});
        for (size_t k = 0; k < all.size() && !face.empty(); ++k) {
            if (k == i) continue;
            // Of two planes that are the same only the first has the face.
            if (k < i && (all[k].normal - n).norm() < 1e-12 && std::abs(all[k].offset - all[i].offset) < 1e-9)
                face.clear();
            clip(face, all[k], beyond, spare);
        }
        if (!face.empty()) faces.push_back(face);
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
