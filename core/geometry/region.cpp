#include "core/geometry/region.h"

#include <polyclipping/clipper.hpp>

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {
namespace {

namespace cl = ClipperLib;

constexpr double grid = 1e4;  // steps a millimeter

cl::Paths onGrid(const std::vector<Polyline>& polygons)
{
    cl::Paths paths;
    paths.reserve(polygons.size());
    for (const Polyline& polygon : polygons) {
        cl::Path path;
        path.reserve(polygon.size());
        for (const Point& p : polygon)
            path.emplace_back(std::llround(p.x() * grid), std::llround(std::max(0.0, p.y()) * grid));
        paths.push_back(std::move(path));
    }
    return paths;
}

std::vector<Polyline> offGrid(const cl::Paths& paths)
{
    std::vector<Polyline> polygons;
    polygons.reserve(paths.size());
    for (const cl::Path& path : paths) {
        Polyline polygon;
        polygon.reserve(path.size());
        for (const cl::IntPoint& p : path)
            polygon.emplace_back(static_cast<double>(p.X) / grid, static_cast<double>(p.Y) / grid);
        polygons.push_back(std::move(polygon));
    }
    return polygons;
}

std::vector<Polyline> clip(cl::ClipType type, const std::vector<Polyline>& subject, const std::vector<Polyline>& by)
{
    cl::Clipper clipper;
    clipper.AddPaths(onGrid(subject), cl::ptSubject, true);
    clipper.AddPaths(onGrid(by), cl::ptClip, true);
    cl::Paths out;
    clipper.Execute(type, out, cl::pftEvenOdd, cl::pftEvenOdd);
    return offGrid(out);
}

/// Calls `see` with both ends of every edge.
template <class See> void eachEdge(const std::vector<Polyline>& polygons, See see)
{
    for (const Polyline& p : polygons)
        for (size_t i = 0; i < p.size(); ++i) see(p[i], p[(i + 1) % p.size()]);
}

}  // namespace

Region::Region(const std::vector<Polyline>& polygons) : polygons_(clip(cl::ctUnion, polygons, {})) {}

Region Region::box(Range z, Range r)
{
    if (!(z.high > z.low) || !(r.high > r.low)) return {};
    return Region({{{z.low, r.low}, {z.high, r.low}, {z.high, r.high}, {z.low, r.high}}});
}

Region Region::under(const Polyline& line)
{
    if (line.size() < 2) return {};
    Polyline closed = line;
    closed.emplace_back(line.back().x(), 0);
    closed.emplace_back(line.front().x(), 0);
    return Region({closed});
}

Region Region::operator|(const Region& other) const
{
    Region r;
    r.polygons_ = clip(cl::ctUnion, polygons_, other.polygons_);
    return r;
}

Region Region::operator&(const Region& other) const
{
    Region r;
    r.polygons_ = clip(cl::ctIntersection, polygons_, other.polygons_);
    return r;
}

Region Region::operator-(const Region& other) const
{
    Region r;
    r.polygons_ = clip(cl::ctDifference, polygons_, other.polygons_);
    return r;
}

double Region::area() const
{
    double twice = 0;
    eachEdge(polygons_, [&](const Point& a, const Point& b) { twice += a.x() * b.y() - b.x() * a.y(); });
    return twice / 2;
}

Revolved Region::revolved() const
{
    // ∫∫ 2πr dz dr round a polygon, anticlockwise, is the sum of −∫ πr² dz over its edges (Green's theorem).
    Revolved all;
    eachEdge(polygons_, [&](const Point& a, const Point& b) {
        const double dz = b.x() - a.x(), r0 = a.y(), r1 = b.y();
        all.volume -= pi * dz * (r0 * r0 + r0 * r1 + r1 * r1) / 3;
        const double atStart = (r0 * r0 + r0 * r1 + r1 * r1) / 3, further = (r0 * r0 + 2 * r0 * r1 + 3 * r1 * r1) / 12;
        all.momentZ -= pi * dz * (a.x() * atStart + dz * further);
    });
    return all;
}

Range Region::along() const
{
    Range all{1e300, -1e300};
    eachEdge(polygons_, [&](const Point& p, const Point&) {
        all = {std::min(all.low, p.x()), std::max(all.high, p.x())};
    });
    return empty() ? Range{} : all;
}

Range Region::across() const
{
    Range all{1e300, -1e300};
    eachEdge(polygons_, [&](const Point& p, const Point&) {
        all = {std::min(all.low, p.y()), std::max(all.high, p.y())};
    });
    return empty() ? Range{} : all;
}

Region Region::between(double z0, double z1) const
{
    return empty() ? *this : *this & box({z0, z1}, {0, across().high + 1});
}

std::vector<Range> Region::at(double z) const
{
    // A station on a corner belongs to the edge that begins there.
    std::vector<double> crossings;
    eachEdge(polygons_, [&](const Point& a, const Point& b) {
        if ((a.x() <= z) == (b.x() <= z)) return;
        crossings.push_back(a.y() + (b.y() - a.y()) * (z - a.x()) / (b.x() - a.x()));
    });
    std::ranges::sort(crossings);
    std::vector<Range> stretches;
    for (size_t i = 0; i + 1 < crossings.size(); i += 2)
        if (crossings[i + 1] > crossings[i]) stretches.push_back({crossings[i], crossings[i + 1]});
    return stretches;
}

Region Region::cleaned() const
{
    constexpr double thin = 3;  // steps of the grid
    cl::Paths paths = onGrid(polygons_);
    cl::CleanPolygons(paths, thin);
    std::erase_if(paths, [](const cl::Path& p) { return p.size() < 3; });
    Region r;
    r.polygons_ = offGrid(paths);
    return r;
}

bool Region::holds(const Point& p) const
{
    bool in = false;
    eachEdge(polygons_, [&](const Point& a, const Point& b) {
        if ((a.x() <= p.x()) == (b.x() <= p.x())) return;
        if (a.y() + (b.y() - a.y()) * (p.x() - a.x()) / (b.x() - a.x()) > p.y()) in = !in;
    });
    return in;
}

double Region::distanceTo(const Point& p) const
{
    double least = std::numeric_limits<double>::infinity();
    eachEdge(polygons_, [&](const Point& a, const Point& b) {
        if (a.y() <= 0 && b.y() <= 0) return;
        const Point way = b - a;
        const double long2 = way.squaredNorm(), part = long2 > 0 ? std::clamp((p - a).dot(way) / long2, 0.0, 1.0) : 0;
        least = std::min(least, (a + part * way - p).norm());
    });
    return least;
}

Region Region::inset(double mm) const
{
    if (empty() || mm == 0) return *this;
    // Mirrored at the axis, which is no border of what turns about it.
    std::vector<Polyline> whole = polygons_;
    for (const Polyline& p : polygons_) {
        Polyline other;
        for (auto it = p.rbegin(); it != p.rend(); ++it) other.emplace_back(it->x(), -it->y());
        whole.push_back(std::move(other));
    }
    cl::Paths paths;
    for (const Polyline& polygon : whole) {
        cl::Path path;
        for (const Point& p : polygon) path.emplace_back(std::llround(p.x() * grid), std::llround(p.y() * grid));
        paths.push_back(std::move(path));
    }
    cl::Clipper joined;
    joined.AddPaths(paths, cl::ptSubject, true);
    cl::Paths body;
    joined.Execute(cl::ctUnion, body, cl::pftNonZero, cl::pftNonZero);
    constexpr double chord = 0.005;  // mm that a rounded corner may be off
    cl::ClipperOffset offset(2, chord * grid);
    offset.AddPaths(body, mm > 0 ? cl::jtMiter : cl::jtRound, cl::etClosedPolygon);
    cl::Paths out;
    offset.Execute(out, -mm * grid);
    Region upper;
    upper.polygons_ = offGrid(out);
    const Range z = upper.along();
    return upper & box({z.low - 1, z.high + 1}, {0, upper.across().high + 1});
}

}  // namespace vl
