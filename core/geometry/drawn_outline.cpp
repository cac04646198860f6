#include "core/geometry/drawn_outline.h"

#include "core/geometry/profile.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

double lengthOf(const Polyline& line)
{
    double sum = 0;
    for (size_t i = 1; i < line.size(); ++i) sum += (line[i] - line[i - 1]).norm();
    return sum;
}

std::pair<Point, Point> axisOf(const Drawing& drawing, DrawnAxis where, const Polyline& line)
{
    if (where == DrawnAxis::Own && drawing.axis && (drawing.axis->second - drawing.axis->first).norm() > 1e-6)
        return *drawing.axis;
    Point low = line[0], high = line[0];
    for (const Point& p : line) {
        low = low.cwiseMin(p);
        high = high.cwiseMax(p);
    }
    const bool upright = where == DrawnAxis::Left || where == DrawnAxis::Middle ||
                         (where == DrawnAxis::Own && high.y() - low.y() > high.x() - low.x());
    if (!upright) return {low, {high.x(), low.y()}};
    const double x = where == DrawnAxis::Middle ? (low.x() + high.x()) / 2 : low.x();
    return {{x, low.y()}, {x, high.y()}};
}

/// The greatest radius just beside a station; NaN where nothing is drawn there.
double mostAt(const Polyline& line, double z)
{
    double most = std::nan("");
    for (size_t i = 1; i < line.size(); ++i) {
        const auto [a, b] =
            std::minmax(line[i - 1], line[i], [](const Point& p, const Point& q) { return p.x() < q.x(); });
        if (z < a.x() || z > b.x() || b.x() - a.x() < 1e-12) continue;
        const double r = a.y() + (b.y() - a.y()) * (z - a.x()) / (b.x() - a.x());
        if (!(most >= r)) most = r;
    }
    return most;
}

}  // namespace

Outline outlineFrom(const Drawing& drawing, DrawnAxis where, double tolerance)
{
    const auto longest = std::ranges::max_element(drawing.lines, {}, lengthOf);
    if (longest == drawing.lines.end() || lengthOf(*longest) < 1)
        throw InputError("drawing", "no line", "a line of 1 mm or more is");
    const auto [from, to] = axisOf(drawing, where, *longest);
    const Point along = (to - from).normalized(), across(-along.y(), along.x());
    Polyline line;
    for (const Point& p : *longest) line.emplace_back(along.dot(p - from), std::abs(across.dot(p - from)));
    std::vector<double> stations;
    for (const Point& p : line) stations.push_back(p.x());
    std::ranges::sort(stations);
    constexpr double same = 1e-4, just = 1e-6;  // mm
    Polyline side;
    for (size_t i = 1; i < stations.size(); ++i) {
        if (stations[i] - stations[i - 1] < same) continue;
        // Both ends of every stretch: where the drawing has a step they differ.
        for (const double z : {stations[i - 1] + just, stations[i] - just})
            if (const double r = mostAt(line, z); !std::isnan(r)) side.emplace_back(z - stations.front(), r);
    }
    if (side.size() < 2 || side.back().x() - side.front().x() < 1)
        throw InputError("drawing", "a line across the axis", "one that runs 1 mm or more along it is");
    if (side.back().x() > 3000)
        throw InputError("drawing", exact(side.back().x()) + " mm along the axis", "up to 3000 mm are");
    constexpr size_t mostNodes = 150;
    Polyline few = simplified(side, tolerance);
    while (few.size() > mostNodes) few = simplified(side, tolerance *= 1.5);
    Outline outline;
    for (const Point& p : few) {
        Node n;
        n.z = std::max(0.0, std::round(p.x() * 1e5) / 1e5);
        n.r = p.y();
        n.span = Span::Line;
        n.smooth = false;
        if (outline.empty()) n.z = 0;
        if (!outline.empty()) n.z = std::max(n.z, outline.back().z);
        outline.push_back(n);
    }
    if (std::ranges::max_element(outline, {}, &Node::r)->r > 1000)
        throw InputError("drawing", "a radius above 1000 mm", "up to 1000 mm is");
    checkOutline(outline, "drawing", 200);
    return outline;
}

}  // namespace vl
