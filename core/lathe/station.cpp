#include "core/lathe/station.h"

#include <algorithm>
#include <cmath>

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

}  // namespace

std::vector<Station> stationsOf(const Piece& piece, const Assembly& assembly, const Sides& sides)
{
    const double height = outlineHeight(piece);
    std::vector<double> at;
    if (piece.choices.stations == StationRule::Even) {
        const double gap = std::max(piece.choices.stationSpacing, height / 2000);
        for (int k = 0; k * gap < height - gap * 1e-6; ++k) at.push_back(k * gap);
        at.push_back(height);
    } else
        at = curveChanges(piece, sides.outside);
    std::ranges::sort(at);
    at.erase(std::unique(at.begin(), at.end(), [](double a, double b) { return b - a < 0.5; }), at.end());

    std::vector<Station> stations;
    for (const double z : at) {
        Station s;
        s.z = z;
        const double r = radiusAt(sides.outside, z);
        s.outside = 2 * r;
        const bool bored = !sides.inside.empty() && z > sides.inside.front().x() - 1e-9;
        const double bore = bored ? radiusRange(sides.inside, z, z).low : std::nan("");
        s.inside = 2 * bore;
        s.wall = std::isnan(bore) ? bore : distanceTo(sides.outside, {z, bore});
        s.parting = std::max(0.0, assembly.layers[assembly.layerAt(z)].stockOuterRadius() - r);
        stations.push_back(s);
    }
    return stations;
}

}  // namespace vl
