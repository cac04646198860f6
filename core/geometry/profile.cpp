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
}

double radiusAt(const Polyline& line, double z) { return radiusRange(line, z, z).high; }

Range radiusRange(const Polyline& line, double z0, double z1)
{
    double low = std::numeric_limits<double>::infinity(), high = -low;
    auto take = [&](double r) {
        low = std::min(low, r);
        high = std::max(high, r);
    };
    for (size_t i = 0; i < line.size(); ++i) {
        if (line[i].x() >= z0 && line[i].x() <= z1) take(line[i].y());
        if (i + 1 == line.size()) break;
        const double a = line[i].x(), b = line[i + 1].x();
        for (const double z : {z0, z1})
            if ((a < z && z < b) || (b < z && z < a))
                take(line[i].y() + (line[i + 1].y() - line[i].y()) * (z - a) / (b - a));
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

double distanceTo(const Polyline& line, const Point& p)
{
    double best = std::numeric_limits<double>::infinity();
    for (size_t i = 0; i + 1 < line.size(); ++i) {
        const Point d = line[i + 1] - line[i];
        const double length2 = d.squaredNorm();
        const double t = length2 > 0 ? std::clamp((p - line[i]).dot(d) / length2, 0.0, 1.0) : 0.0;
        best = std::min(best, (line[i] + d * t - p).squaredNorm());
    }
    return std::sqrt(best);
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

/// The line with more points, none further than `step` apart.
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
    if (floorRound > 0 && floor + floorRound < end) {
        const auto at = std::lower_bound(fine.begin(), fine.end(), floor + floorRound) - fine.begin();
        const double top = radius[static_cast<size_t>(at)];
        const double round = std::min(floorRound, std::max(0.0, top));
        for (size_t i = 0; i < fine.size() && fine[i] < floor + round; ++i) {
            const double rise = round - (fine[i] - floor);
            radius[i] = std::min(radius[i], top - round + std::sqrt(std::max(0.0, round * round - rise * rise)));
        }
    }
    Polyline inside{{floor, 0.0}};
    for (size_t i = 0; i < fine.size(); ++i) inside.emplace_back(fine[i], std::max(0.0, radius[i]));
    return inside;
}

}  // namespace vl
