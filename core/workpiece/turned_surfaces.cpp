#include "core/workpiece/turned_surfaces.h"

#include "core/workpiece/axis_set_ups.h"
#include "core/workpiece/lid_sides.h"
#include "core/workpiece/reversed_parts.h"
#include "core/workpiece/sawn_cuts.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace vl {

bool TurnedSurfaces::holds(const Eigen::Vector3d& p, bool cutToo) const
{
    const double z = p.x(), r = p.tail<2>().norm();
    if (!(r <= radiusAt(outside, z))) return false;
    if (!back.undercut.empty() && back.undercut.holds({z, r})) return false;
    if (!inside.empty() && r < radiusAt(inside, z) && !(!back.standing.empty() && back.standing.holds({z, r})))
        return false;
    for (const HalfSpace& h : edges)
        if (h.beyond(p) > 0) return false;
    for (const TurnedAbout& axis : axes)
        if (!axis.keeps(p)) return false;
    return !cutToo || std::ranges::none_of(cuts, [&](const Cut& c) { return takes(c.solid, p); });
}

Region TurnedSurfaces::hollow() const
{
    const Region within = inside.empty() ? Region{} : Region::under(inside);
    return back.standing.empty() ? within : within - back.standing;
}

Region TurnedSurfaces::wood() const
{
    const Region all = Region::under(outside) - hollow();
    return back.undercut.empty() ? all : all - back.undercut;
}

double TurnedSurfaces::toOutside(const Point& p) const
{
    // What is bored right through meets a recess of the foot in an edge: no wall is measured there.
    const bool through = !inside.empty() && inside.front().x() <= outside.front().x() + 1e-6;
    if (through) return vl::distanceTo(outside, p);
    // Where an undercut opens the line of greatest radii is no surface; the way there leads through the undercut.
    return std::min(vl::distanceTo(outside, p), back.undercut.distanceTo(p));
}

double TurnedSurfaces::widest() const
{
    double most = 0;
    for (const Point& p : outside) most = std::max(most, p.y());
    return most;
}

std::vector<Range> woodAlong(const TurnedSurfaces& surfaces, const Eigen::Vector3d& from, const Eigen::Vector3d& way,
                             double far)
{
    constexpr double step = 0.5;  // mm
    std::vector<Range> out;
    auto wood = [&](double t) { return surfaces.holds(from + t * way, false); };
    auto change = [&](double low, double high, bool before) {
        for (int k = 0; k < 30; ++k) {
            const double mid = (low + high) / 2;
            (wood(mid) == before ? low : high) = mid;
        }
        return (low + high) / 2;
    };
    bool in = wood(0);
    double begun = 0;
    for (double t = 0; t < far; t += step) {
        const double next = std::min(far, t + step);
        const bool now = wood(next);
        if (now == in) continue;
        const double at = change(t, next, in);
        if (now)
            begun = at;
        else
            out.push_back({begun, at});
        in = now;
    }
    if (in) out.push_back({begun, far});
    return out;
}

RimEnd rimEnd(const TurnedSurfaces& surfaces)
{
    RimEnd rim{.radius = surfaces.outside.back().y()};
    for (const Undercut& u : undercutsOf(surfaces.back.outside))
        if (u.to == OpensTo::Rim && u.across.high > rim.radius)
            rim = {.radius = radiusBefore(surfaces.outside, u.along.high),
                   .post = surfaces.outside.back().x() - u.along.high};
    return rim;
}

double stationSeen(const TurnedSurfaces& surfaces, End from, double r)
{
    // Where either side crosses the radius; the wood begins at one of those places, or at an end of the piece.
    std::vector<double> at{surfaces.outside.front().x(), surfaces.outside.back().x()};
    for (const Polyline* side : {&surfaces.outside, &surfaces.inside, &surfaces.back.outside, &surfaces.back.inside})
        for (size_t i = 1; i < side->size(); ++i) {
            const Point &a = (*side)[i - 1], &b = (*side)[i];
            if ((a.y() - r) * (b.y() - r) > 0) continue;
            const double part = a.y() == b.y() ? 0 : (r - a.y()) / (b.y() - a.y());
            at.push_back(a.x() + part * (b.x() - a.x()));
        }
    std::ranges::sort(at);
    if (from == End::Tailstock) std::ranges::reverse(at);
    const double inwards = from == End::Tailstock ? -1 : 1;
    constexpr double just = 1e-4;  // mm
    for (const double z : at) {
        const Point in(z + inwards * just, r);
        if (!(r <= radiusAt(surfaces.outside, in.x())) || surfaces.back.undercut.holds(in)) continue;
        const double bore = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, in.x(), in.x()).low;
        if (!(r < bore) || surfaces.back.standing.holds(in)) return z;
    }
    return std::nan("");
}

namespace {

/// What is drawn beyond the rim is air.
void setDrawnInside(Polyline drawn, double rim, TurnedSurfaces& surfaces)
{
    if (!fallsBack(drawn)) {
        surfaces.inside = clipped(drawn, 0, rim);
        return;
    }
    for (Point& p : drawn) p.x() = std::min(p.x(), rim);
    surfaces.inside = greatestRadii(drawn);
    // The floor reaches to the axis under what stands on it.
    if (!surfaces.inside.empty() && surfaces.inside.front().y() > 0 && drawn.front().y() <= 0)
        surfaces.inside.insert(surfaces.inside.begin(), {surfaces.inside.front().x(), 0});
    surfaces.back.standing = (Region::under(surfaces.inside) - Region::under(drawn)).cleaned();
    surfaces.back.inside = std::move(drawn);
}

}  // namespace

TurnedSurfaces turnedSurfacesOf(const Piece& piece)
{
    TurnedSurfaces surfaces{.outside = flatten(piece.outside), .inside = {}, .axes = {}, .edges = edgesOf(piece)};
    if (fallsBack(surfaces.outside)) {
        surfaces.back.outside = surfaces.outside;
        surfaces.outside = greatestRadii(surfaces.outside);
        surfaces.back.undercut = besideOf(surfaces.back.outside);
    }
    for (AxisSetUp& s : axisSetUps(piece)) surfaces.axes.push_back(std::move(s.solid));
    const Hollow& h = piece.hollow;
    const double end = outlineHeight(piece);
    switch (h.rule) {
    case WallRule::Solid:
        break;
    case WallRule::Bored:
        surfaces.inside = {{0, h.bore / 2}, {end, h.bore / 2}};
        break;
    case WallRule::Drawn:
        setDrawnInside(flatten(h.inside), end, surfaces);
        break;
    case WallRule::Even:
        surfaces.inside = hollowFor(
            surfaces.outside, [&](double) { return h.rimWall; }, h.floor, h.floorRound);
        break;
    case WallRule::Tapered:
        surfaces.inside = hollowFor(
            surfaces.outside,
            [&](double z) {
                return h.baseWall + (h.rimWall - h.baseWall) * std::clamp((z - h.floor) / (end - h.floor), 0.0, 1.0);
            },
            h.floor, h.floorRound);
        break;
    }
    surfaces.inside = underLid(piece, std::move(surfaces.inside));
    surfaces.cuts = sawnCuts(piece);
    surfaces.holes = drilledHoles(piece, surfaces);
    for (const DrilledHole& hole : surfaces.holes)
        if (!hole.solid.profile.empty())
            (piece.holes[hole.hole].filled ? surfaces.filled : surfaces.cuts)
                .push_back({drillStep(piece, hole), hole.solid});
    std::ranges::move(insideOutCuts(piece, surfaces.outside), std::back_inserter(surfaces.cuts));
    std::ranges::move(workedCuts(piece, surfaces), std::back_inserter(surfaces.cuts));
    return surfaces;
}

}  // namespace vl
