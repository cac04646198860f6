#include "core/geometry/profile.h"

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/linestring.hpp>
#include <boost/geometry/geometries/point_xy.hpp>

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {

namespace {

constexpr double nan = std::numeric_limits<double>::quiet_NaN();
constexpr double same = 1e-6;  // mm: stations so close are one

/// The first point from station z on; stations never fall.
size_t firstFrom(const Polyline& line, double z)
{
    return static_cast<size_t>(std::ranges::lower_bound(line, z, {}, [](const Point& q) { return q.x(); }) -
                               line.begin());
}

}  // namespace

double radiusBefore(const Polyline& line, double z)
{
    const size_t i = firstFrom(line, z - same);
    if (i == 0 || i == line.size()) return nan;
    const Point &a = line[i - 1], &b = line[i];
    return b.y() + (a.y() - b.y()) * std::max(0.0, b.x() - z) / (b.x() - a.x());
}

double radiusAfter(const Polyline& line, double z)
{
    size_t i = firstFrom(line, z + same);
    if (i == 0 || i == line.size()) return nan;
    const Point &a = line[i - 1], &b = line[i];
    return a.y() + (b.y() - a.y()) * std::max(0.0, z - a.x()) / (b.x() - a.x());
}

double radiusAt(const Polyline& line, double z)
{
    // Between two stations, as nearly always, the one piece says it.
    const size_t i = firstFrom(line, z);
    if (i > 0 && i < line.size() && line[i].x() > z) {
        const Point &a = line[i - 1], &b = line[i];
        return a.y() + (b.y() - a.y()) * (z - a.x()) / (b.x() - a.x());
    }
    return radiusRange(line, z, z).high;
}

Range radiusRange(const Polyline& line, double z0, double z1)
{
    double low = std::numeric_limits<double>::infinity(), high = -low;
    auto take = [&](double r) {
        low = std::min(low, r);
        high = std::max(high, r);
    };
    for (size_t i = std::max<size_t>(firstFrom(line, z0), 1) - 1; i < line.size() && line[i].x() <= z1; ++i) {
        if (line[i].x() >= z0) take(line[i].y());
        if (i + 1 == line.size()) break;
        const double a = line[i].x(), b = line[i + 1].x();
        for (const double z : {z0, z1})
            if (a < z && z < b) take(line[i].y() + (line[i + 1].y() - line[i].y()) * (z - a) / (b - a));
    }
    return high < low ? Range{nan, nan} : Range{low, high};
}

Polyline clipped(const Polyline& line, double z0, double z1)
{
    Polyline out;
    auto add = [&](const Point& p) {
        if (out.empty() || (out.back() - p).squaredNorm() > 1e-18) out.push_back(p);
    };
    for (size_t i = 0; i + 1 < line.size(); ++i) {
        const Point &a = line[i], &b = line[i + 1];
        const double run = b.x() - a.x();
        if (std::abs(run) < 1e-12) {
            if (a.x() >= z0 && a.x() <= z1) {
                add(a);
                add(b);
            }
            continue;
        }
        double t0 = (z0 - a.x()) / run, t1 = (z1 - a.x()) / run;
        if (t0 > t1) std::swap(t0, t1);
        t0 = std::max(t0, 0.0);
        t1 = std::min(t1, 1.0);
        if (t0 > t1) continue;
        add(a + (b - a) * t0);
        add(a + (b - a) * t1);
    }
    return out;
}

Polyline between(const Polyline& line, double z0, double z1)
{
    const Polyline all = clipped(line, z0, z1);
    auto first = all.begin(), last = all.end();
    while (last - first > 1 && std::next(first)->x() <= z0 + same) ++first;
    while (last - first > 1 && std::prev(last, 2)->x() >= z1 - same) --last;
    // Nothing but a step in one of the two stations.
    if (last - first == 1 && (first->x() <= z0 + same || first->x() >= z1 - same)) return {};
    return {first, last};
}

Polyline simplified(const Polyline& line, double tolerance)
{
    namespace bg = boost::geometry;
    using Place = bg::model::d2::point_xy<double>;
    bg::model::linestring<Place> all, few;
    for (const Point& p : line) all.emplace_back(p.x(), p.y());
    bg::simplify(all, few, tolerance);
    Polyline out;
    for (const Place& p : few) out.emplace_back(p.x(), p.y());
    return out;
}

Polyline refined(const Polyline& line, double step)
{
    Polyline out;
    for (size_t i = 0; i + 1 < line.size(); ++i) {
        const int n = std::max(1, static_cast<int>(std::ceil((line[i + 1] - line[i]).norm() / step)));
        for (int k = 0; k < n; ++k) out.push_back(line[i] + (line[i + 1] - line[i]) * k / n);
    }
    out.push_back(line.back());
    return out;
}

Point closestOn(const Polyline& line, const Point& p)
{
    Point nearest = p;
    double best = std::numeric_limits<double>::infinity();
    auto look = [&](size_t i) {
        const Point d = line[i + 1] - line[i];
        const double length2 = d.squaredNorm();
        const double t = length2 > 0 ? std::clamp((p - line[i]).dot(d) / length2, 0.0, 1.0) : 0.0;
        const Point q = line[i] + d * t;
        if (const double away = (q - p).squaredNorm(); away < best) {
            best = away;
            nearest = q;
        }
    };
    if (line.size() == 1) return line[0];
    // Stations never fall: what lies further off along the axis than the best cannot be nearer.
    const size_t start = firstFrom(line, p.x());
    for (size_t i = start; i-- > 0;) {
        if (i + 1 >= line.size()) continue;
        if (line[i + 1].x() < p.x() && (p.x() - line[i + 1].x()) * (p.x() - line[i + 1].x()) > best) break;
        look(i);
    }
    for (size_t i = start; i + 1 < line.size(); ++i) {
        if (line[i].x() > p.x() && (line[i].x() - p.x()) * (line[i].x() - p.x()) > best) break;
        look(i);
    }
    return nearest;
}

double distanceTo(const Polyline& line, const Point& p)
{
    return line.empty() ? std::numeric_limits<double>::infinity() : (closestOn(line, p) - p).norm();
}

Revolved revolved(const Polyline& line)
{
    Revolved sum;
    for (size_t i = 0; i + 1 < line.size(); ++i) {
        const double z = line[i].x(), h = line[i + 1].x() - z, a = line[i].y(), b = line[i + 1].y();
        const double v = pi * h * (a * a + a * b + b * b) / 3;
        sum.volume += v;
        // ∫ t·(a + (b−a)t/h)² dt over 0…h = h²(a² + 2ab + 3b²)/12
        sum.momentZ += z * v + pi * h * h * (a * a + 2 * a * b + 3 * b * b) / 12;
    }
    return sum;
}

Polyline curvatureAlong(const Polyline& line)
{
    Polyline sparse, out;
    for (const Point& p : line)
        if (sparse.empty() || (p - sparse.back()).norm() >= 1) sparse.push_back(p);
    for (size_t i = 1; i + 1 < sparse.size(); ++i) {
        const Point a = sparse[i] - sparse[i - 1], b = sparse[i + 1] - sparse[i];
        const double product = a.norm() * b.norm() * (a + b).norm();
        // A corner has no curvature.
        if (a.dot(b) < 0.94 * a.norm() * b.norm()) continue;
        out.emplace_back(sparse[i].x(), product > 0 ? -2000 * (a.x() * b.y() - a.y() * b.x()) / product : 0);
    }
    return out;
}

namespace {

/// Rounds the corner where the floor meets the wall: a ball of this radius, or the largest below it that there is room
/// for, lies on the floor and touches the wall; below where it touches, its own surface is the wall.
void roundFloor(const std::vector<double>& z, std::vector<double>& radius, double floor, double most)
{
    struct Ball {
        double center;  // from the axis
        double touches;
    };
    auto resting = [&](double ball) {
        Ball at{std::numeric_limits<double>::infinity(), floor};
        for (size_t i = 0; i < z.size() && z[i] <= floor + 2 * ball; ++i) {
            const double up = z[i] - floor - ball, reach = std::sqrt(std::max(0.0, ball * ball - up * up));
            if (radius[i] - reach < at.center) at = {radius[i] - reach, z[i]};
        }
        return at;
    };
    double ball = std::min(most, (z.back() - floor) / 2), least = 0;
    if (resting(ball).center < 0) {  // too wide for the hollow
        for (int k = 0; k < 40; ++k) (resting((least + ball) / 2).center < 0 ? ball : least) = (least + ball) / 2;
        ball = least;
    }
    const Ball at = resting(ball);
    for (size_t i = 0; i < z.size() && z[i] < at.touches; ++i) {
        const double up = z[i] - floor - ball;
        radius[i] = std::min(radius[i], at.center + std::sqrt(std::max(0.0, ball * ball - up * up)));
    }
}

}  // namespace

namespace {

/// Where a line turns by more than a smooth curve's pieces do.
std::vector<Point> sharpCorners(const Polyline& line)
{
    std::vector<Point> out;
    constexpr double sharp = 0.94;  // cosine of 20°
    for (size_t i = 1; i + 1 < line.size(); ++i) {
        const Point a = line[i] - line[i - 1], b = line[i + 1] - line[i];
        if (a.norm() > 0 && b.norm() > 0 && a.dot(b) < sharp * a.norm() * b.norm()) out.push_back(line[i]);
    }
    return out;
}

}  // namespace

Polyline hollowFor(const Polyline& drawn, const std::function<double(double)>& wall, double floor, double floorRound)
{
    if (drawn.size() < 2) return {};
    // The wall may change along what is drawn as one straight line.
    const Polyline outside = refined(drawn, std::max(1.0, (drawn.back().x() - drawn.front().x()) / 150));
    const double end = outside.back().x();
    if (floor >= end) return {};
    std::vector<double> stations{floor};
    for (const Point& p : outside)
        if (p.x() > floor && p.x() > stations.back() + 1e-9) stations.push_back(p.x());
    const double gap = std::max(0.5, (end - floor) / 240);
    std::vector<double> fine;
    for (size_t i = 0; i < stations.size(); ++i) {
        fine.push_back(stations[i]);
        if (i + 1 == stations.size()) break;
        const int n = static_cast<int>(std::ceil((stations[i + 1] - stations[i]) / gap));
        for (int k = 1; k < n; ++k) fine.push_back(stations[i] + (stations[i + 1] - stations[i]) * k / n);
    }
    for (int k = 1; k < 12; ++k)
        if (floor + floorRound < end) fine.push_back(floor + floorRound * (1 - std::cos(k * pi / 24)));
    // Under a ledge or a sharp corner the inside goes round it in an arc, which begins and ends upright.
    for (const Point& p : sharpCorners(drawn)) {
        constexpr int parts = 48;
        constexpr double beside = 1e-6;  // mm
        const double w = wall(p.x());
        std::vector<double> arc{p.x() - w - beside, p.x() + w + beside};
        for (int k = 0; k <= parts; ++k) arc.push_back(p.x() + w * std::cos(k * pi / parts));
        for (const double z : arc)
            if (z > floor && z < end) fine.push_back(z);
    }
    std::sort(fine.begin(), fine.end());
    fine.erase(std::unique(fine.begin(), fine.end(), [](double a, double b) { return b - a < 1e-9; }), fine.end());

    std::vector<double> radius(fine.size(), std::numeric_limits<double>::infinity());
    auto over = [&](double z0, double z1, auto&& height) {
        for (auto it = std::lower_bound(fine.begin(), fine.end(), z0 - 1e-9); it != fine.end() && *it <= z1 + 1e-9;
             ++it) {
            double& r = radius[static_cast<size_t>(it - fine.begin())];
            r = std::min(r, height(*it));
        }
    };
    for (size_t i = 0; i < outside.size(); ++i) {
        const Point& p = outside[i];
        const double w = wall(p.x());
        over(p.x() - w, p.x() + w,
             [&](double z) { return p.y() - std::sqrt(std::max(0.0, w * w - (z - p.x()) * (z - p.x()))); });
        if (i + 1 == outside.size()) break;
        const Point d = outside[i + 1] - p;
        const double length = d.norm();
        if (length < 1e-9) continue;
        const Point inward(d.y() / length, -d.x() / length);
        const Point a = p + inward * w, b = outside[i + 1] + inward * wall(outside[i + 1].x());
        if (std::abs(b.x() - a.x()) < 1e-9) continue;
        over(std::min(a.x(), b.x()), std::max(a.x(), b.x()),
             [&](double z) { return a.y() + (b.y() - a.y()) * (z - a.x()) / (b.x() - a.x()); });
    }
    if (floorRound > 0) roundFloor(fine, radius, floor, floorRound);
    Polyline inside{{floor, 0.0}};
    for (size_t i = 0; i < fine.size(); ++i) inside.emplace_back(fine[i], std::max(0.0, radius[i]));
    return inside;
}

}  // namespace vl
