#include "core/geometry/turned_about.h"

#include "core/geometry/profile.h"

#include <Eigen/Geometry>
#include <boost/math/tools/roots.hpp>

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

namespace vl {
namespace {

constexpr double infinite = std::numeric_limits<double>::infinity();

/// Radius at a station, the same beyond the ends.
double held(const Polyline& line, double s) { return radiusAt(line, std::clamp(s, line.front().x(), line.back().x())); }

}  // namespace

TurnedAbout TurnedAbout::throughCentres(const Point& head, const Point& tail, double length, Polyline outline)
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

Point TurnedAbout::centreAt(double z) const
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
        return std::isnan(r) ? infinite : DiscRegion({{centreAt(z), r}}, {}).reach(inside, angleDeg);
    }
    const Eigen::Vector3d start(z, inside.x(), inside.y()), way(0, u.x(), u.y());
    if (z < this->from() || z > to()) return infinite;
    auto beyond = [&](double t) {
        const Eigen::Vector3d off = start + way * t - at;
        const double s = along.dot(off);
        return (off - along * s).norm() - held(outline, s);
    };
    // A tilted axis is nearly parallel: from where the circle about its passing would be left, a few secants find it.
    const Point off = centreAt(z) - inside;
    const double r = held(outline, (z - at.x()) / along.x()), forth = u.dot(off);
    double t0 = forth + std::sqrt(std::max(0.0, r * r - off.squaredNorm() + forth * forth)), t1 = t0 + 1e-3;
    double g0 = beyond(t0), g1 = beyond(t1);
    constexpr double close = 1e-10;  // mm
    for (int k = 0; k < 8 && g1 != g0; ++k) {
        const double t2 = t1 - g1 * (t1 - t0) / (g1 - g0);
        if (!(t2 > 0) || !(g1 - g0 > 0) == (t1 > t0)) break;
        t0 = std::exchange(t1, t2);
        g0 = std::exchange(g1, beyond(t2));
        if (std::abs(g1) < close) return t1;
    }
    if (beyond(0) > 0) return 0;
    double far = 2;
    while (beyond(far) <= 0 && far < 1e5) far *= 2;
    if (beyond(far) <= 0) return infinite;
    std::uintmax_t rounds = 60;
    const auto [a, b] =
        boost::math::tools::toms748_solve(beyond, 0.0, far, boost::math::tools::eps_tolerance<double>(40), rounds);
    return (a + b) / 2;
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
