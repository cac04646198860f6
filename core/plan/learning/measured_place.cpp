#include "core/plan/learning/measured_place.h"

#include "core/geometry/profile.h"
#include "core/plan/learning/as_built.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

Polyline seatOnLayer(const BuiltLayer& layer, Measured::What what)
{
    const auto face = [&layer](double z) {
        return Polyline{{z, layer.stockInnerRadius()}, {z, layer.stockOuterRadius()}};
    };
    switch (what) {
    case Measured::Height:
        return face(layer.z1);
    case Measured::Overlap:
        return face(layer.z0);
    case Measured::Outside:
        return layer.outerHold;
    case Measured::Inside:
        return layer.innerHold;
    default:
        return {};
    }
}

}  // namespace

Polyline seatOf(const Piece& piece, const Plan& plan, const Measured& what)
{
    if (std::isnan(plannedOf(piece, plan, what))) return {};
    const TurnedSurfaces& surfaces = plan.surfaces;
    switch (what.what) {
    case Measured::Floor: {
        const double z = surfaces.inside.front().x();
        return {{z, 0}, {z, radiusAt(surfaces.inside, z)}};
    }
    case Measured::Wall: {
        const WallAcross across = wallAcross(surfaces, wallLine(surfaces), what.at);
        return across.inside.x() <= across.outside.x() ? Polyline{across.inside, across.outside}
                                                       : Polyline{across.outside, across.inside};
    }
    case Measured::Neck:
        return {{what.at, radiusAt(surfaces.outside, what.at)}};
    default:
        return seatOnLayer(plan.assembly.layers[static_cast<size_t>(placeOf(piece, what.layer))], what.what);
    }
}

std::vector<Measured> measurableAt(const Piece& piece, const Plan& plan, const Point& place, double step)
{
    const Point p(place.x(), std::abs(place.y()));
    const std::string& layer = piece.layers[plan.assembly.layerAt(p.x())].id;
    std::vector<std::pair<double, Measured>> all;
    const auto add = [&](Measured::What what, double station) {
        Measured m{.layer = isOfALayer(what) ? layer : std::string(), .what = what};
        if (isAtAStation(what)) m.at = step > 0 ? std::round(station / step) * step : station;
        m.value = plannedOf(piece, plan, m);
        constexpr double alike = 1e-6;  // mm
        if (!std::isnan(m.value))
            all.emplace_back(std::round(distanceTo(seatOf(piece, plan, m), p) / alike), std::move(m));
    };
    // Of two as near, the diameter goes before the wall: beside the wood the outside is meant.
    for (auto what = static_cast<size_t>(Measured::Neck) + 1; what-- > 0;)
        add(static_cast<Measured::What>(what), p.x());
    // The way across a leaning wall lies beside the station that it is measured at, on either of its sides.
    for (const Polyline& side : {wallLine(plan.surfaces), plan.surfaces.outside})
        if (!side.empty()) add(Measured::Wall, closestOn(side, p).x());
    std::ranges::stable_sort(all, {}, &std::pair<double, Measured>::first);
    std::vector<Measured> out;
    for (auto& [far, m] : all)
        if (std::ranges::find(out, m.what, &Measured::what) == out.end()) out.push_back(std::move(m));
    return out;
}

}  // namespace vl
