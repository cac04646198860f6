#include "core/geometry/turned_about.h"

#include "core/geometry/profile.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <limits>

namespace vl {
namespace {

constexpr double infinite = std::numeric_limits<double>::infinity();

/// Radius at a station, the same beyond the ends.
double held(const Polyline& line, double s) { return radiusAt(line, std::clamp(s, line.front().x(), line.back().x())); }

}  // namespace

TurnedAbout TurnedAbout::throughCenters(const Point& head, const Point& tail, double length, Polyline outline)
{
    const Eigen::Vector3d from(0, head.x(), head.y()), to(length, tail.x(), tail.y());
    return {from, (to - from).normalized(), std::move(outline)};
}

TurnedAbout TurnedAbout::tilted(double tiltDeg, double directionDeg, double pivot, Polyline outline)
{
    const double t = tiltDeg * degrees;
    const Point out = polar(std::sin(t), directionDeg);
    const Eigen::Vector3d along(std::cos(t), out.x(), out.y());
    // Its stations are those of the true axis at the pivot.
    return {Eigen::Vector3d(pivot, 0, 0) - along * pivot, along, std::move(outline)};
}

bool TurnedAbout::parallel() const { return along.x() > 1 - 1e-14; }

double TurnedAbout::tiltDeg() const { return std::atan2(along.tail<2>().norm(), along.x()) / degrees; }

Point TurnedAbout::centerAt(double z) const
{
    const Eigen::Vector3d p = at + along * ((z - at.x()) / along.x());
    return {p.y(), p.z()};
}

double TurnedAbout::from() const { return at.x() + outline.front().x() * along.x(); }
double TurnedAbout::to() const { return at.x() + outline.back().x() * along.x(); }

double TurnedAbout::radiusNear(double z) const { return radiusAt(outline, (z - at.x()) / along.x()); }

bool TurnedAbout::keeps(const Eigen::Vector3d& p) const
{
    if (p.x() < from() || p.x() > to()) return true;
    const double s = along.dot(p - at);
    return (p - at - along * s).norm() <= held(outline, s);
}

double TurnedAbout::exit(double z, const Point& inside, double angleDeg) const
{
    const Point u = polar(1, angleDeg);
    if (parallel()) {
        const double r = radiusAt(outline, z - at.x());
        return std::isnan(r) ? infinite : DiscRegion({{centerAt(z), r}}, {}).reach(inside, angleDeg);
    }
    if (z < this->from() || z > to()) return infinite;
    const Eigen::Vector3d off = Eigen::Vector3d(z, inside.x(), inside.y()) - at, way(0, u.x(), u.y());
    // Along the ray the station and the way off the axis go on evenly: the ray walks from cone to cone.
    const double s0 = along.dot(off), ds = along.dot(way);
    const Eigen::Vector3d off0 = off - along * s0, step = way - along * ds;
    const auto last = static_cast<std::ptrdiff_t>(outline.size()) - 1;
    // Cone i lies between corners i − 1 and i; the first and the last go on for ever.
    std::ptrdiff_t cone =
        std::ranges::upper_bound(outline, s0, {}, [](const Point& p) { return p.x(); }) - outline.begin();
    double t = 0;
    for (;;) {
        const bool ends = cone == 0 || cone > last;
        const Point& a = outline[static_cast<size_t>(std::clamp<std::ptrdiff_t>(cone - 1, 0, last))];
        const Point& b = outline[static_cast<size_t>(std::min(cone, last))];
        const double length = b.x() - a.x(), slope = ends || !(length > 0) ? 0 : (b.y() - a.y()) / length;
        const double radius = a.y() + slope * (s0 - a.x()), growth = slope * ds;
        const double leaves = ds > 0   ? (cone > last ? infinite : (b.x() - s0) / ds)
                              : ds < 0 ? (cone == 0 ? infinite : (a.x() - s0) / ds)
                                       : infinite;
        // |off0 + step·t|² = (radius + growth·t)²: square·t² + 2·half·t + rest
        const double square = step.squaredNorm() - growth * growth, half = off0.dot(step) - radius * growth;
        const double rest = off0.squaredNorm() - radius * radius;
        constexpr double within = 1e-9;  // mm²: on the surface still counts as kept
        if (square * t * t + 2 * half * t + rest > within) return t;
        const double root = half * half - square * rest;
        double out = infinite;
        if (std::abs(square) < 1e-14)
            out = half > 0 ? -rest / (2 * half) : infinite;
        else if (root >= 0)
            out = (std::sqrt(root) - half) / square;
        if (out >= t && out <= leaves) return out;
        if (!std::isfinite(leaves)) return infinite;
        t = std::max(t, leaves);
        cone += ds > 0 ? 1 : -1;
    }
}

Eigen::Vector3d TurnedAbout::normalAt(const Eigen::Vector3d& p) const
{
    const Eigen::Vector3d off = p - at;
    const double s = along.dot(off);
    const Eigen::Vector3d out = (off - along * s).normalized();
    constexpr double step = 0.05;  // mm to each side
    const double slope = (held(outline, s + step) - held(outline, s - step)) / (2 * step);
    return (out - slope * along).normalized();
}

}  // namespace vl
