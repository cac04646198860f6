#include "core/geometry/fall_back.h"

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/linestring.hpp>
#include <boost/geometry/geometries/point_xy.hpp>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double sameStation = 1e-9;  // mm

/// The line in stretches whose stations run one way, each from its least station to its greatest.
std::vector<Polyline> runsOf(const Polyline& line)
{
    std::vector<Polyline> runs;
    int way = 0;
    for (size_t i = 1; i < line.size(); ++i) {
        const double dz = line[i].x() - line[i - 1].x();
        const int now = dz > 0 ? 1 : dz < 0 ? -1 : way;
        if (runs.empty() || (way != 0 && now != way)) runs.push_back({line[i - 1]});
        runs.back().push_back(line[i]);
        way = now;
    }
    for (Polyline& run : runs)
        if (run.back().x() < run.front().x()) std::ranges::reverse(run);
    return runs;
}

}  // namespace

bool fallsBack(const Polyline& line)
{
    return std::ranges::adjacent_find(
               line, [](const Point& a, const Point& b) { return b.x() < a.x() - sameStation; }) != line.end();
}

bool fallsBack(const Outline& outline)
{
    return std::ranges::adjacent_find(outline, [](const Node& a, const Node& b) { return b.z < a.z; }) != outline.end();
}

bool crossesItself(const Polyline& line)
{
    namespace bg = boost::geometry;
    using At = bg::model::d2::point_xy<double>;
    bg::model::linestring<At> run;
    for (const Point& p : line)
        if (run.empty() || std::hypot(p.x() - run.back().x(), p.y() - run.back().y()) > sameStation)
            run.emplace_back(p.x(), p.y());
    return run.size() > 2 && !bg::is_simple(run);
}

Polyline greatestRadii(const Polyline& line)
{
    if (!fallsBack(line)) return line;
    const std::vector<Polyline> runs = runsOf(line);
    std::vector<double> stations;
    for (const Point& p : line) stations.push_back(p.x());
    std::ranges::sort(stations);
    stations.erase(
        std::unique(stations.begin(), stations.end(), [](double a, double b) { return b - a < sameStation; }),
        stations.end());
    Polyline out;
    // Between two neighboring stations nothing crosses: the outermost run in the middle is the outermost all along.
    for (size_t i = 0; i + 1 < stations.size(); ++i) {
        const double z0 = stations[i], z1 = stations[i + 1];
        const Polyline* outermost = nullptr;
        double most = -1;
        for (const Polyline& run : runs)
            if (const double r = radiusAt(run, (z0 + z1) / 2); r > most) most = r, outermost = &run;
        if (!outermost) continue;
        for (const Point& p : {Point(z0, radiusAfter(*outermost, z0)), Point(z1, radiusBefore(*outermost, z1))})
            if (out.empty() || (p - out.back()).norm() > sameStation) out.push_back(p);
    }
    return out;
}

Region besideOf(const Polyline& line)
{
    if (!fallsBack(line)) return {};
    const Polyline most = greatestRadii(line);
    // Where the radii step from one stretch to another the line gets a point of its own: rounded to the grid apart, the
    // two would leave slivers between them as long as their pieces.
    Polyline shared;
    for (size_t i = 0; i < line.size(); ++i) {
        if (i > 0) {
            const Point &a = line[i - 1], &b = line[i];
            Polyline steps;
            for (size_t k = 1; k < most.size(); ++k)
                if (const double z = most[k].x();
                    z - most[k - 1].x() < sameStation && z > std::min(a.x(), b.x()) && z < std::max(a.x(), b.x()))
                    steps.emplace_back(z, a.y() + (b.y() - a.y()) * (z - a.x()) / (b.x() - a.x()));
            if (b.x() < a.x()) std::ranges::reverse(steps);
            shared.insert(shared.end(), steps.begin(), steps.end());
        }
        shared.push_back(line[i]);
    }
    return (Region::under(most) - Region::under(shared)).cleaned();
}

std::vector<Undercut> undercutsOf(const Polyline& outside)
{
    constexpr double hair = 1e-3;  // mm that its mouth is looked for beyond it
    std::vector<Undercut> all;
    if (!fallsBack(outside)) return all;
    const Region within = Region::under(greatestRadii(outside)), fallen = besideOf(outside);
    const Range reach = within.along();
    for (const Polyline& polygon : fallen.polygons()) {
        Undercut u{.air = Region({polygon})};
        u.across = u.air.across();
        u.along = u.air.along();
        if (u.air.area() < hair) continue;
        const auto opens = [&](double by) {
            Polyline moved = polygon;
            for (Point& p : moved) p.x() += by;
            // A mouth that is wider than a millimeter.
            return (Region({moved}) - within).area() > hair;
        };
        if (u.along.low <= reach.low + hair)
            u.to = OpensTo::Foot;
        else if (opens(hair))
            u.to = OpensTo::Rim;
        all.push_back(std::move(u));
    }
    std::ranges::sort(all, {}, [](const Undercut& u) { return u.along.low; });
    return all;
}

}  // namespace vl
