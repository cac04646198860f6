#include "core/holding/station.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace vl {
namespace {

double cross(const Point& a, const Point& b) { return a.x() * b.y() - a.y() * b.x(); }

std::vector<double> curveChanges(const Piece& piece, const Polyline& line)
{
    std::vector<double> z;
    for (const Node& n : piece.outside) z.push_back(n.z);
    double bend = 0;
    for (size_t i = 1; i + 1 < line.size(); ++i) {
        const Point before = line[i] - line[i - 1], after = line[i + 1] - line[i];
        if (before.y() * after.y() < 0) z.push_back(line[i].x());
        const double turn = cross(before, after) / (before.norm() * after.norm() + 1e-12);
        if (std::abs(turn) < 1e-6) continue;
        if (bend * turn < 0) z.push_back(line[i].x());
        bend = turn;
    }
    return z;
}

/// Both sides of every undercut, and of what stands within the inside, at a station: diameters, from without inwards.
std::vector<double> furtherIn(const TurnedSurfaces& surfaces, double z)
{
    std::vector<double> all;
    for (const Region* region : {&surfaces.back.undercut, &surfaces.back.standing})
        for (const Range& r : region->at(z))
            for (const double side : {r.low, r.high})
                // The axis is no surface, and what the outside and the inside have is said already.
                if (side > 0 && !(std::abs(side - insideAt(surfaces, z)) < 1e-3) &&
                    !(std::abs(side - radiusAt(surfaces.outside, z)) < 1e-3))
                    all.push_back(2 * side);
    std::ranges::sort(all, std::greater{});
    return all;
}

}  // namespace

std::vector<Station> stationsOf(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces)
{
    const double height = outlineHeight(piece);
    std::vector<double> at;
    if (piece.choices.stations == StationRule::Even) {
        const double gap = std::max(piece.choices.stationSpacing, height / 2000);
        for (int k = 0; k * gap < height - gap * 1e-6; ++k) at.push_back(k * gap);
        at.push_back(height);
    } else
        at = curveChanges(piece, surfaces.outside);
    // What must be found again whatever the rule: the rim, and the floor of the inside.
    at.push_back(height);
    const bool floored =
        !surfaces.inside.empty() && surfaces.inside.front().x() > 0 && surfaces.inside.front().x() < height;
    if (floored) at.push_back(surfaces.inside.front().x());
    std::ranges::sort(at);
    // Of stations closer than half a millimeter the floor's or the rim's stays.
    if (floored)
        std::erase_if(at, [&](double z) {
            const double floor = surfaces.inside.front().x();
            return z != floor && z != height && std::abs(z - floor) < 0.5;
        });
    std::erase_if(at, [&](double z) { return z != height && height - z < 0.5; });
    at.erase(std::unique(at.begin(), at.end(), [](double a, double b) { return b - a < 0.5; }), at.end());

    const Polyline wall = wallLine(surfaces);
    std::vector<Station> stations;
    for (const double z : at) {
        Station s;
        s.z = z;
        const double r = radiusAt(surfaces.outside, z);
        s.outside = 2 * r;
        s.inside = 2 * insideAt(surfaces, z);
        s.further = furtherIn(surfaces, z);
        s.fromRim = height - z;
        s.wall = wallAcross(surfaces, wall, z).wall;
        for (const BuiltLayer& b : assembly.layers)
            if (z >= b.z0 - 1e-6 && z <= b.z1 + 1e-6)
                s.parting = std::max(s.parting, radiusAt(b.outerHold, std::clamp(z, b.z0, b.z1)) - r);
        stations.push_back(s);
    }
    return stations;
}

}  // namespace vl
