#include "core/geometry/cutter.h"

#include "core/geometry/boolean.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

bool takenBy(const Drilled& d, const Eigen::Vector3d& p)
{
    const Eigen::Vector3d off = p - d.from;
    const double along = d.way.dot(off);
    if (d.profile.empty() || along < d.profile.front().x() || along > d.profile.back().x()) return false;
    const double r = radiusAt(d.profile, along);
    return r > 0 && (off - along * d.way).squaredNorm() < r * r;
}

bool takenBy(const Sawed& s, const Eigen::Vector3d& p) { return takes(s, p); }

bool takenBy(const Between& b, const Eigen::Vector3d& p)
{
    return p.x() > b.along.low && p.x() < b.along.high &&
           std::ranges::none_of(b.kept, [&](const Drilled& d) { return takenBy(d, p); });
}

std::vector<Face> solidFaces(const Drilled& d, double tolerance)
{
    double widest = 0;
    for (const Point& p : d.profile) widest = std::max(widest, p.y());
    if (!(widest > 0)) return {};
    constexpr double fewest = 24, most = 120;
    const auto around =
        static_cast<size_t>(std::clamp(std::ceil(pi / std::acos(1 - std::min(0.5, tolerance / widest))), fewest, most));
    const Eigen::Vector3d right = d.way.unitOrthogonal(), up = d.way.cross(right);
    auto at = [&](const Point& p, size_t k) -> Eigen::Vector3d {
        const double a = 2 * pi * static_cast<double>(k) / static_cast<double>(around);
        return d.from + d.way * p.x() + (right * std::cos(a) + up * std::sin(a)) * p.y();
    };
    std::vector<Face> faces;
    auto cap = [&](const Point& p, bool last) {
        if (p.y() <= 0) return;
        faces.emplace_back();
        for (size_t k = 0; k < around; ++k) faces.back().push_back(at(p, last ? k : around - 1 - k));
    };
    cap(d.profile.front(), false);
    for (size_t i = 0; i + 1 < d.profile.size(); ++i) {
        const Point &p = d.profile[i], &q = d.profile[i + 1];
        if ((q - p).norm() < 1e-9 || (p.y() <= 0 && q.y() <= 0)) continue;
        for (size_t k = 0; k < around; ++k) {
            const size_t n = (k + 1) % around;
            Face face{at(p, p.y() > 0 ? k : 0)};
            if (p.y() > 0) face.push_back(at(p, n));
            face.push_back(at(q, q.y() > 0 ? n : 0));
            if (p.y() > 0 && q.y() > 0) face.push_back(at(q, k));
            if (p.y() <= 0) face.push_back(at(q, k));
            faces.push_back(std::move(face));
        }
    }
    cap(d.profile.back(), true);
    return faces;
}

std::vector<Face> solidFaces(const Sawed& s, double)
{
    const Eigen::Vector3d along = s.along();
    auto at = [&](const Point& p, double w) -> Eigen::Vector3d { return s.right * p.x() + s.up * p.y() + along * w; };
    std::vector<Face> faces(2);
    for (const Point& p : s.outline) faces[0].push_back(at(p, s.reach.high));
    for (auto p = s.outline.rbegin(); p != s.outline.rend(); ++p) faces[1].push_back(at(*p, s.reach.low));
    for (size_t i = 0; i < s.outline.size(); ++i) {
        const Point &p = s.outline[i], &q = s.outline[(i + 1) % s.outline.size()];
        faces.push_back({at(p, s.reach.low), at(q, s.reach.low), at(q, s.reach.high), at(p, s.reach.high)});
    }
    return faces;
}

/// A box as wide as the bodies and wider, less the bodies; nothing where that cannot be worked out.
std::vector<Face> solidFaces(const Between& b, double tolerance)
{
    double far = 10;
    std::vector<std::vector<Face>> bodies;
    for (const Drilled& d : b.kept) {
        bodies.push_back(solidFaces(d, tolerance));
        double widest = 0;
        for (const Point& p : d.profile) widest = std::max(widest, p.y());
        far = std::max(far, 2 * (d.from.tail<2>().norm() + widest));
    }
    const Sawed box{.right = Eigen::Vector3d::UnitY(),
                    .up = Eigen::Vector3d::UnitZ(),
                    .outline = {{-far, -far}, {far, -far}, {far, far}, {-far, far}},
                    .reach = b.along};
    Surface left = surfaceOf(solidFaces(box, tolerance));
    std::vector<Face> faces;
    if (!takeAway(left, bodies) && !takeAway(left, bodies, Corners::Exact)) return faces;
    const auto at = [&](std::uint32_t i) {
        return Eigen::Vector3d(left.corners[i][0], left.corners[i][1], left.corners[i][2]);
    };
    for (const auto& f : left.faces) faces.push_back({at(f[0]), at(f[1]), at(f[2])});
    return faces;
}

}  // namespace

Eigen::Vector3d Sawed::along() const { return right.cross(up); }

/// By how often a line to the right crosses it (even-odd rule).
bool takes(const Sawed& s, const Eigen::Vector3d& p)
{
    if (const double w = s.along().dot(p); !(w > s.reach.low && w < s.reach.high)) return false;
    const double x = s.right.dot(p), y = s.up.dot(p);
    bool inside = false;
    for (size_t i = 0, j = s.outline.size() - 1; i < s.outline.size(); j = i++) {
        const Point &a = s.outline[i], &b = s.outline[j];
        if ((a.y() > y) != (b.y() > y) && x < a.x() + (y - a.y()) / (b.y() - a.y()) * (b.x() - a.x())) inside = !inside;
    }
    return inside;
}

bool takes(const Cutter& cutter, const Eigen::Vector3d& p)
{
    return std::visit([&](const auto& c) { return takenBy(c, p); }, cutter);
}

std::vector<Face> facesOf(const Cutter& cutter, double tolerance)
{
    return std::visit([&](const auto& c) { return solidFaces(c, tolerance); }, cutter);
}

Sawed beyondPlane(const HalfSpace& kept)
{
    Sawed s;
    s.right = kept.normal;
    s.up = kept.normal.unitOrthogonal();
    s.outline = {{kept.offset, -beyondAll}, {beyondAll, -beyondAll}, {beyondAll, beyondAll}, {kept.offset, beyondAll}};
    return s;
}

}  // namespace vl
