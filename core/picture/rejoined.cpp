#include "core/picture/rejoined.h"

#include "core/geometry/boolean.h"
#include "core/geometry/cutter.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

// The split lies in the plane of the axis and 12 o'clock; its two halves to both sides of it.
const Eigen::Vector3d across = Eigen::Vector3d::UnitZ();

Surface halfOf(Surface whole, double side)
{
    const std::vector<Face> gone = facesOf(beyondPlane({-side * across, 0}), 0.1);
    if (!takeAway(whole, {gone})) takeAway(whole, {gone}, Corners::Exact);
    return whole;
}

}  // namespace

std::array<Surface, 2> halvesOf(const Surface& surface) { return {halfOf(surface, 1), halfOf(surface, -1)}; }

Eigen::Isometry3d turningOn(const Piece& piece)
{
    const Eigen::Vector3d middle = Eigen::Vector3d::UnitX() * splitMiddle(piece.split, outlineHeight(piece));
    Eigen::Isometry3d by = Eigen::Isometry3d::Identity();
    by.translate(middle);
    by.rotate(Eigen::AngleAxisd(2 * pi / piece.split.fold, across));
    by.translate(-middle);
    return by;
}

Surface moved(Surface surface, const Eigen::Isometry3d& by)
{
    for (auto& c : surface.corners) {
        const Eigen::Vector3d p = by * Eigen::Vector3d(c[0], c[1], c[2]);
        c = {p.x(), p.y(), p.z()};
    }
    return surface;
}

Mesh moved(Mesh mesh, const Eigen::Isometry3d& by)
{
    const auto through = [](std::array<float, 3>& v, const auto& change) {
        const Eigen::Vector3d p = change(Eigen::Vector3d(v[0], v[1], v[2]));
        v = {static_cast<float>(p.x()), static_cast<float>(p.y()), static_cast<float>(p.z())};
    };
    for (Vertex& v : mesh.vertices) {
        through(v.position, [&](const Eigen::Vector3d& p) -> Eigen::Vector3d { return by * p; });
        through(v.normal, [&](const Eigen::Vector3d& n) -> Eigen::Vector3d { return by.linear() * n; });
    }
    return mesh;
}

namespace {

double fromSegment(const Point& p, const Point& a, const Point& b)
{
    const Point way = b - a;
    const double length = way.squaredNorm(), share = length > 0 ? std::clamp((p - a).dot(way) / length, 0.0, 1.0) : 0;
    return (p - a - share * way).norm();
}

}  // namespace

double stepAtJoint(const Polyline& outside, const Split& split)
{
    if (outside.size() < 2) return 0;
    // The whole outline in the plane of the split, about its middle.
    const double first = outside.front().x(), middle = first + splitMiddle(split, outside.back().x() - first);
    Polyline ring;
    for (const Point& p : outside) ring.emplace_back(p.x() - middle, p.y());
    for (auto p = outside.rbegin(); p != outside.rend(); ++p) ring.emplace_back(p->x() - middle, -p->y());
    ring.push_back(ring.front());
    const double a = 2 * pi / split.fold, c = std::cos(a), s = std::sin(a);
    double most = 0;
    for (const Point& p : ring) {
        const Point on(p.x() * c - p.y() * s, p.x() * s + p.y() * c);
        double nearest = 1e9;
        for (size_t i = 1; i < ring.size(); ++i) nearest = std::min(nearest, fromSegment(on, ring[i - 1], ring[i]));
        most = std::max(most, nearest);
    }
    return most;
}

}  // namespace vl
