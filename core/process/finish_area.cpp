#include "core/process/finish_area.h"

#include "core/workpiece/nest.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Area that a line sweeps as it turns about the axis (Pappus: 2π · length · radius of its middle).
double swept(const Polyline& line)
{
    double area = 0;
    for (size_t i = 1; i < line.size(); ++i)
        area += pi * (line[i].y() + line[i - 1].y()) * (line[i] - line[i - 1]).norm();
    return area;
}

/// The outside with the foot's and the rim's own faces, where no hollow opens them.
Polyline withFaces(const TurnedSurfaces& s)
{
    if (s.outside.empty()) return {};
    const bool bored = !s.inside.empty() && std::abs(s.inside.front().x() - s.outside.front().x()) < 1e-6;
    const Polyline& out = s.outsideAsItRuns();
    Polyline line{{out.front().x(), bored ? s.inside.front().y() : 0}};
    line.insert(line.end(), out.begin(), out.end());
    line.push_back({out.back().x(), s.inside.empty() ? 0 : s.inside.back().y()});
    return line;
}

/// A place just under a surface, and whether the tools leave wood there.
class Surfaces {
public:
    explicit Surfaces(const TurnedSurfaces& s) : s_(s) {}

    /// A line turned about an axis, as far as wood lies under it; `side`: 1 where that is towards the axis.
    double turned(const Polyline& line, double side, const Eigen::Vector3d& at, const Eigen::Vector3d& along) const
    {
        constexpr double pieces = 40;
        constexpr int round = 48;
        const Eigen::Vector3d up = along.unitOrthogonal(), right = along.cross(up);
        double length = 0, area = 0;
        for (size_t i = 1; i < line.size(); ++i) length += (line[i] - line[i - 1]).norm();
        for (size_t i = 1; i < line.size(); ++i) {
            const Point way = line[i] - line[i - 1];
            const double own = way.norm();
            if (own < 1e-9) continue;
            const Point under = Point{way.y(), -way.x()} / own * side * deep;
            const auto count = static_cast<int>(std::ceil(own / length * pieces));
            for (int k = 0; k < count; ++k) {
                const Point here = line[i - 1] + way * (k + 0.5) / count, place = here + under;
                for (int a = 0; a < round; ++a) {
                    const double angle = 2 * pi * (a + 0.5) / round;
                    const Eigen::Vector3d out = std::cos(angle) * up + std::sin(angle) * right;
                    if (s_.holds(at + along * place.x() + out * place.y()))
                        area += own / count * 2 * pi * here.y() / round;
                }
            }
        }
        return area;
    }
    /// A flat, from one corner along two ways.
    double flat(const Eigen::Vector3d& corner, const Eigen::Vector3d& one, const Eigen::Vector3d& other,
                const Eigen::Vector3d& under) const
    {
        constexpr int pieces = 48;
        const double each = one.cross(other).norm() / (pieces * pieces);
        double area = 0;
        for (int i = 0; i < pieces; ++i)
            for (int k = 0; k < pieces; ++k)
                if (s_.holds(corner + one * (i + 0.5) / pieces + other * (k + 0.5) / pieces + under * deep))
                    area += each;
        return area;
    }

private:
    static constexpr double deep = 0.02;  // mm under the surface

    const TurnedSurfaces& s_;
};

/// Edges of the blank that stay, sides on other axes, and what saws leave.
double facesOf(const TurnedSurfaces& s, const Surfaces& under)
{
    const double wide = s.widest(), z0 = s.outside.front().x(), z1 = s.outside.back().x();
    double area = 0;
    for (const HalfSpace& h : s.edges) {
        const Eigen::Vector3d across = h.normal.cross(Eigen::Vector3d::UnitX()).normalized() * 2 * wide;
        area += under.flat(h.normal * h.offset + Eigen::Vector3d(z0, 0, 0) - across / 2, across,
                           Eigen::Vector3d(z1 - z0, 0, 0), -h.normal);
    }
    for (const TurnedAbout& axis : s.axes) area += under.turned(axis.outline, 1, axis.at, axis.along);
    for (const Cut& cut : s.cuts) {
        const Sawed* saw = std::get_if<Sawed>(&cut.solid);
        if (!saw) continue;
        const double far = std::hypot(wide, std::max(std::abs(z0), std::abs(z1)));
        const Range reach{std::max(saw->reach.low, -far), std::min(saw->reach.high, far)};
        const auto world = [&](const Point& p) { return Eigen::Vector3d(saw->right * p.x() + saw->up * p.y()); };
        for (size_t i = 0, j = saw->outline.size() - 1; i < saw->outline.size(); j = i++) {
            const Point from = saw->outline[j].cwiseMax(-far).cwiseMin(far),
                        way = saw->outline[i].cwiseMax(-far).cwiseMin(far) - from;
            if (way.norm() < 1e-9) continue;
            // Counterclockwise: what it leaves lies to the right of each side.
            const Point beside = Point{way.y(), -way.x()} / way.norm();
            area += under.flat(world(from) + saw->along() * reach.low, world(way),
                               saw->along() * (reach.high - reach.low), world(beside));
        }
    }
    return area;
}

}  // namespace

FinishArea finishArea(const Piece& piece, const TurnedSurfaces& surfaces)
{
    if (surfaces.outside.empty()) return {};
    FinishArea a;
    if (piece.nest.on) {
        const double high = surfaces.outside.back().x() - surfaces.outside.front().x();
        for (const NestedRing& ring : nestedRings(piece.nest)) {
            const double out = ring.outer / 2, in = ring.inner / 2;
            a.outside += 2 * pi * out * high + 2 * pi * (out * out - in * in);
            a.inside += 2 * pi * in * high;
        }
        return a;
    }
    const Polyline inside = tubeInBore(piece) ? Polyline{} : surfaces.insideAsItRuns();
    const bool sawn =
        std::ranges::any_of(surfaces.cuts, [](const Cut& c) { return std::holds_alternative<Sawed>(c.solid); });
    const Polyline outside = withFaces(surfaces);
    if (surfaces.round() && !sawn) return {swept(outside), swept(inside)};
    const Surfaces under(surfaces);
    const Eigen::Vector3d at = Eigen::Vector3d::Zero(), along = Eigen::Vector3d::UnitX();
    a.outside = under.turned(outside, 1, at, along) + facesOf(surfaces, under);
    a.inside = under.turned(inside, -1, at, along);
    return a;
}

}  // namespace vl
