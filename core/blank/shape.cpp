#include "core/blank/shape.h"

#include "core/blank/removed_volume.h"
#include "core/geometry/region.h"
#include "core/workpiece/cross_section.h"
#include "core/workpiece/nest.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace vl {
namespace {

constexpr double kgPerMm3 = 1e-9;  ///< times kg/m³

}  // namespace

Polyline wallLine(const TurnedSurfaces& surfaces)
{
    return surfaces.inside.empty() ? Polyline{}
                                   : between(surfaces.inside, surfaces.inside.front().x(), surfaces.inside.back().x());
}

double insideAt(const TurnedSurfaces& surfaces, double z)
{
    constexpr double same = 1e-9;
    if (surfaces.inside.empty() || z <= surfaces.inside.front().x() - same) return std::nan("");
    const Range in = radiusRange(surfaces.inside, z, z);
    return z <= surfaces.inside.front().x() + same ? in.high : in.low;
}

WallAcross wallAcross(const TurnedSurfaces& surfaces, const Polyline& wall, double z)
{
    const Point inside(z, insideAt(surfaces, z)), outside(z, radiusAt(surfaces.outside, z));
    if (std::isnan(inside.y()) || std::isnan(outside.y())) return {std::nan(""), inside, outside};
    if (isThrough(surfaces, z)) return {0, inside, outside};
    const Point across = closestOn(surfaces.outside, inside), back = wall.empty() ? inside : closestOn(wall, outside);
    const double out = (across - inside).norm(), in = (back - outside).norm();
    return wall.empty() || out <= in ? WallAcross{out, inside, across} : WallAcross{in, back, outside};
}

std::vector<WallAt> wallAlong(const TurnedSurfaces& surfaces)
{
    std::vector<WallAt> walls;
    if (surfaces.inside.empty()) return walls;
    // Between two lines of straight pieces the least distance is at a corner of one of them.
    for (const Point& p : surfaces.inside) walls.push_back({surfaces.toOutside(p), p});
    const double from = surfaces.inside.front().x(), to = surfaces.inside.back().x();
    const Polyline inside = wallLine(surfaces);
    if (!inside.empty())
        for (const Point& p : surfaces.outside) {
            const Point q = closestOn(inside, p);
            // The wall at its two ends is measured from there.
            if (q != inside.front() && q != inside.back()) walls.push_back({(q - p).norm(), q});
        }
    for (WallAt& w : walls)
        if (w.inside.y() > 0 && isThrough(surfaces, w.inside.x())) w.wall = 0;
    for (const Point& p : surfaces.outside)
        if (p.x() > from && p.x() < to && isThrough(surfaces, p.x()))
            walls.push_back({0, {p.x(), radiusRange(surfaces.inside, p.x(), p.x()).low}});
    std::ranges::stable_sort(walls, {}, [](const WallAt& w) { return w.inside.x(); });
    return walls;
}

bool isThrough(const TurnedSurfaces& surfaces, double z)
{
    for (const auto beside : {radiusBefore, radiusAfter})
        // On the axis both may come to nothing.
        if (const double in = beside(surfaces.inside, z); in > 0 && in >= beside(surfaces.outside, z)) return true;
    return false;
}

namespace {

/// The wood between two stations of a piece that is not round, by Simpson's rule over its sections: exact where a
/// section's area is of the third degree between two of them, as a cone's is.
Revolved faceted(const TurnedSurfaces& surfaces, double z0, double z1)
{
    Revolved sum;
    auto wood = [&](double z) {
        const CrossSection section(surfaces, z);
        const double bore = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, z, z).low;
        return std::max(0.0, section.area() - (bore > 0 ? section.areaWithin(bore) : 0));
    };
    constexpr double fine = 0.3;  // mm that a section may stray from what lies between its neighbors
    std::vector<double> at = sliceStations(surfaces, z0, z1, fine);
    // The inside's own stations, of a curve one a millimeter, and both sides of its floor and steps.
    constexpr double just = 1e-6, apart = 1;  // mm
    const Polyline& in = surfaces.inside;
    double last = -std::numeric_limits<double>::infinity();
    for (size_t i = 0; i < in.size(); ++i) {
        const double z = in[i].x();
        const bool step = i == 0 || i + 1 == in.size() || z - in[i - 1].x() < just || in[i + 1].x() - z < just;
        if (!step && z - last < apart) continue;
        last = z;
        for (const double beside : step ? std::vector{z - just, z + just} : std::vector{z})
            if (beside > z0 && beside < z1) at.push_back(beside);
    }
    std::ranges::sort(at);
    double before = wood(at.front());
    for (size_t i = 1; i < at.size(); ++i) {
        const double h = at[i] - at[i - 1], here = wood(at[i]);
        // Across a step there is nothing to weigh.
        const double middle = h < 3 * just ? (before + here) / 2 : wood((at[i] + at[i - 1]) / 2);
        const double v = h / 6 * (before + 4 * middle + here);
        sum.volume += v;
        sum.momentZ += at[i - 1] * v + h * h / 6 * (2 * middle + here);
        before = here;
    }
    return sum;
}

/// What other axes and edges leave: the widest and the narrowest of it, and the thinnest wall in its sections.
void measureFaceted(const TurnedSurfaces& surfaces, Shape& s)
{
    s.greatestDiameter = 0;
    s.leastDiameter = std::numeric_limits<double>::infinity();
    constexpr int looks = 20, round = 72;
    // Where the rim's own edge ends within the hollow there is no wall: the hollow runs out over it.
    std::array<bool, round> open{};
    for (int k = looks; k >= 0; --k) {
        const double z = s.height * k / looks;
        const CrossSection section(surfaces, z);
        if (section.empty()) continue;
        if (const double most = section.widest().across; most > s.greatestDiameter)
            s.greatestDiameter = most, s.greatestAt = z;
        if (const double least = section.narrowest().across; least < s.leastDiameter)
            s.leastDiameter = least, s.leastAt = z;
        const double bore = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, z, z).low;
        if (!(bore > 0) || z <= surfaces.inside.front().x()) continue;
        for (size_t a = 0; a < round; ++a) {
            const double wall = section.reachFrom({0, 0}, 360.0 / round * static_cast<double>(a)) - bore;
            if (k == looks && wall <= 0) open[a] = true;
            if (!open[a] && wall < s.thinnest.wall) s.thinnest = {std::max(0.0, wall), {z, bore}};
        }
    }
    if (!std::isfinite(s.leastDiameter)) s.leastDiameter = 0;
}

/// What nested rings leave of a piece that is turned round, between two stations.
Revolved inRings(const Nest& nest, const TurnedSurfaces& surfaces, double z0, double z1)
{
    const Region all = surfaces.wood();
    Revolved sum;
    for (const NestedRing& ring : nestedRings(nest)) {
        const Revolved one = (all & Region::box({z0, z1}, {ring.inner / 2, ring.outer / 2})).revolved();
        sum.volume += one.volume;
        sum.momentZ += one.momentZ;
    }
    return sum;
}

}  // namespace

Shape measureShape(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces)
{
    Shape s;
    s.height = outlineHeight(piece);
    s.leastDiameter = std::numeric_limits<double>::infinity();
    for (const Point& p : surfaces.outside) {
        if (2 * p.y() > s.greatestDiameter) s.greatestDiameter = 2 * p.y(), s.greatestAt = p.x();
        if (2 * p.y() < s.leastDiameter) s.leastDiameter = 2 * p.y(), s.leastAt = p.x();
    }
    s.footRadius = footRadiusOf(surfaces);
    s.solid = surfaces.inside.empty();

    double moment = 0;
    for (const BuiltLayer& layer : assembly.layers) {
        const double top = std::min(layer.z1, s.height);
        if (!surfaces.round() && layer.z0 >= top) continue;
        Revolved wood = surfaces.round() ? revolved(clipped(surfaces.outside, layer.z0, layer.z1))
                                         : faceted(surfaces, layer.z0, top);
        if (!s.solid && surfaces.round()) wood = wood - revolved(clipped(surfaces.inside, layer.z0, layer.z1));
        // What falls back lies about the axis, within flats and edges.
        if (!surfaces.back.undercut.empty())
            wood = wood - surfaces.back.undercut.between(layer.z0, layer.z1).revolved();
        if (!surfaces.back.standing.empty())
            wood = wood - (Revolved{} - surfaces.back.standing.between(layer.z0, layer.z1).revolved());
        // Where the inside lies outside there is no wood, not less than none.
        if (wood.volume < 0) wood = {};
        if (piece.nest.on && surfaces.round()) wood = inRings(piece.nest, surfaces, layer.z0, layer.z1);
        const double density = layer.density * kgPerMm3;
        s.woodVolume += wood.volume * layer.fill;
        s.weight += wood.volume * layer.fill * density;
        moment += wood.momentZ * layer.fill * density;
        s.roughWeight += layer.volume * density;
    }
    if (!surfaces.cuts.empty()) {
        const RemovedVolume taken = removedByCuts(assembly, surfaces);
        s.woodVolume = std::max(0.0, s.woodVolume - taken.volume);
        s.weight = std::max(0.0, s.weight - taken.mass);
        moment -= taken.moment;
    }
    // Where hardly anything is left the difference of two moments is as large as itself.
    if (s.weight > 0) s.gravityHeight = std::clamp(moment / s.weight, 0.0, s.height);
    if (s.gravityHeight > 0) s.tipAngle = std::atan2(s.footRadius, s.gravityHeight) / degrees;

    s.floorThickness = s.height;
    if (!s.solid) {
        s.capacity = revolved(surfaces.inside).volume - surfaces.back.standing.revolved().volume;
        const Point floor = surfaces.inside.front();
        // Bored through there is no floor.
        s.floorThickness =
            piece.hollow.rule == WallRule::Bored ? s.height : std::min(floor.x(), surfaces.toOutside(floor));
        s.thinnest.wall = std::numeric_limits<double>::infinity();
        const double wallFrom =
            floor.x() + (piece.hollow.rule == WallRule::Drawn || piece.hollow.rule == WallRule::Bored
                             ? 0
                             : piece.hollow.floorRound);
        s.walls = wallAlong(surfaces);
        for (const WallAt& w : s.walls) {
            // The rim's own edge is no wall, and below the floor's rounding the wall is the floor's.
            if (w.inside.y() <= 0) continue;
            if (w.wall < s.thinnest.wall) s.thinnest = w;
            if (w.inside.x() >= wallFrom - 1e-6 && w.wall > s.thickest.wall) s.thickest = w;
        }
    }
    if (!surfaces.round()) measureFaceted(surfaces, s);
    if (!s.solid && !std::isfinite(s.thinnest.wall)) s.thinnest = {};
    return s;
}

double thinnestWall(const TurnedSurfaces& surfaces)
{
    const std::vector<WallAt> walls = wallAlong(surfaces);
    const auto thin = std::ranges::min_element(walls, {}, &WallAt::wall);
    return thin == walls.end() ? 0 : thin->wall;
}

double thickestWall(const TurnedSurfaces& surfaces)
{
    if (surfaces.inside.empty()) return 0;
    const double floor = surfaces.inside.front().x();
    double most = floor - surfaces.outside.front().x();
    // The floor itself is measured down to the foot's face.
    for (const WallAt& w : wallAlong(surfaces))
        if (w.inside.x() > floor + 1e-6) most = std::max(most, w.wall);
    return most;
}

}  // namespace vl
