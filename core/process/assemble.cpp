#include "core/process/assemble.h"

#include "core/blank/insets.h"
#include "core/blank/sections.h"
#include "core/constructions/end_rings.h"
#include "core/constructions/shared_set_ups.h"
#include "core/process/stack_recipe.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace vl {

namespace {

/// Mean density of the wood in the turned wall and how much of the wall is wood, by asking on a grid which wood is at a
/// station, a radius and an angle: null in a gap.
template <class WoodAt> void weigh(BuiltLayer& b, const TurnedSurfaces& surfaces, WoodAt woodAt)
{
    double wood = 0, all = 0, mass = 0;
    for (const double share : {0.17, 0.5, 0.83}) {
        const double z = b.z0 + (b.z1 - b.z0) * share, outer = radiusAt(surfaces.outside, z),
                     bore = surfaces.inside.empty() ? 0 : radiusRange(surfaces.inside, z, z).low;
        if (std::isnan(outer)) continue;
        const double inner = std::isnan(bore) ? 0 : bore;
        for (int i = 0; i < 6; ++i) {
            const double r = inner + (outer - inner) * (i + 0.5) / 6;
            for (int k = 0; k < 120; ++k) {
                all += r;
                const Species* of = woodAt(z, r, 360.0 * (k + 0.5) / 120);
                if (!of) continue;
                wood += r;
                mass += r * of->density;
            }
        }
    }
    if (wood > 0) {
        b.density = mass / wood;
        b.fill = wood / all;
    } else
        b.density = b.woods[0]->density;
}

void weigh(BuiltLayer& b, const TurnedSurfaces& surfaces)
{
    weigh(b, surfaces, [&](double z, double r, double deg) {
        const Cell* cell = b.cellAt(z, r, deg);
        return cell ? cell->wood : nullptr;
    });
}

}  // namespace

namespace {

/// A layer's faces and what is turned of it, before its construction adds the rest.
BuiltLayer begun(const Layer& l, const TurnedSurfaces& surfaces, double z, double phase)
{
    BuiltLayer b;
    b.how = &constructionOf(l);
    b.z0 = z;
    b.z1 = z + l.thickness;
    b.glued = l.gluedThickness();
    b.planeTo = b.glued + 2 * l.sandingLoss;
    b.phaseDeg = phase;
    auto rangeOf = [](const Polyline& side) {
        if (side.empty()) return Range{};
        const auto [least, most] = std::ranges::minmax_element(side, {}, [](const Point& p) { return p.y(); });
        return Range{least->y(), most->y()};
    };
    b.finishedOuter = rangeOf(between(surfaces.outside, b.z0, b.z1));
    // Square work keeps its edges: its blank is no wider than they are, whatever the outline sweeps.
    double edge = 0;
    for (const HalfSpace& h : surfaces.edges) edge = std::max(edge, h.offset);
    if (edge > 0) b.finishedOuter = {std::min(b.finishedOuter.low, edge), std::min(b.finishedOuter.high, edge)};
    const Polyline hollowed = between(surfaces.inside, b.z0, b.z1);
    const bool bored = !hollowed.empty() && surfaces.inside.front().x() <= b.z0 + 1e-6;
    b.finishedInner = bored ? rangeOf(hollowed) : Range{};
    return b;
}

/// Puts the wood of a spindle's tenon into a layer, for `length` from the spindle's side: there it is bored no wider
/// than the tenon is, which fills it. Returns whether the tenon goes on into the next layer.
bool seatTenon(BuiltLayer& through, const BuiltLayer& spindle, double length, bool fromBelow,
               const TurnedSurfaces& surfaces)
{
    const double radius = spindle.tenon.radius, height = through.z1 - through.z0;
    if (through.tenon.radius > 0) return false;
    const BuiltLayer bare = through;  // in whose sectors a cell is found sooner
    const bool whole = length >= height - 1 - 1e-6;
    const double end = fromBelow ? through.z0 + length : through.z1 - length;
    const HalfSpace here =
        fromBelow ? HalfSpace{Eigen::Vector3d::UnitX(), end, false} : HalfSpace{-Eigen::Vector3d::UnitX(), -end, false};
    const HalfSpace beyond{-here.normal, -here.offset, false};
    std::vector<Cell> solid;  // what of the layer the tenon does not reach
    for (Cell& c : through.cells) {
        c.faces = through.sawnFaces(c);
        if (!whole) {
            solid.push_back(c);
            solid.back().bounds.push_back(beyond);
            c.bounds.push_back(here);
        }
        // A bored segment's inner face stands across the corners of what the drill leaves.
        if (through.segmented && c.faces.size() == 2 && !through.innerHold.empty())
            c.faces[1].offset = -std::max(radius * std::cos(through.stock.miterDeg() * degrees), -c.faces[1].offset);
        c.low = std::max(c.low, radius);
    }
    Cell core = spindle.cells[0];
    core.faces.clear();
    core.high = radius;
    core.segment = -1;
    if (!whole) core.bounds.push_back(here);
    through.lay(std::move(core));
    for (Cell& c : solid) through.lay(std::move(c));
    through.lattices.clear();
    through.sectors = 0;
    if (!through.innerHold.empty() && through.stockInnerRadius() <= radius) {
        const double bore = through.stock.innerCorner();
        const int n = through.stock.sides;
        through.volume += n / 2.0 * bore * bore * std::sin(2 * pi / n) * std::min(length, height);
        if (whole) through.innerHold.clear();
    }
    if (whole) through.fill = 1;
    weigh(through, surfaces, [&](double z, double r, double deg) {
        if (r < radius && (whole || (fromBelow ? z < end : z > end))) return spindle.cells[0].wood;
        const Cell* cell = bare.cellAt(z, r, deg);
        return cell ? cell->wood : nullptr;
    });
    return whole;
}

void seatTenons(std::vector<Building>& buildings, const TurnedSurfaces& surfaces)
{
    for (size_t i = 0; i < buildings.size(); ++i) {
        const BuiltLayer& s = buildings[i].layer;
        double left = s.tenon.below;
        for (size_t k = i; left > 0 && k-- > 0; left -= buildings[k].layer.z1 - buildings[k].layer.z0)
            if (!seatTenon(buildings[k].layer, s, left, false, surfaces)) break;
        left = s.tenon.above;
        for (size_t k = i + 1; left > 0 && k < buildings.size();
             left -= buildings[k].layer.z1 - buildings[k].layer.z0, ++k)
            if (!seatTenon(buildings[k].layer, s, left, true, surfaces)) break;
    }
}

/// Every layer by its own construction, one on another.
std::vector<Building> built(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces)
{
    std::vector<Building> buildings(piece.layers.size());
    double z = 0, phase = 0;
    for (size_t i = 0; i < piece.layers.size(); ++i) {
        const Layer& l = piece.layers[i];
        if (const Sectors* s = l.sectors()) phase = std::fmod(phase + (i ? s->turn * 360.0 / s->segments : 0), 360.0);
        Building& b = buildings[i];
        b.layer = begun(l, surfaces, z, phase);
        b.layer.index = static_cast<int>(i);
        b.layer.how->build({piece, shop, surfaces, i}, b);
        // Nipped before it is mounted.
        if (piece.edge.kind == Edge::Square && piece.edge.nipped > 0)
            b.layer.corner = std::min(b.layer.corner, piece.edge.nipped);
        if (!(b.layer.density > 0)) weigh(b.layer, surfaces);
        z = b.layer.z1;
        for (Part& p : b.parts) p.layer = static_cast<int>(i);
    }
    return buildings;
}

}  // namespace

Assembly assemble(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces)
{
    Assembly a;
    std::vector<Building> buildings = built(piece, shop, surfaces);
    std::vector<SharedSetUp> more(buildings.size());
    const bool shared = piece.choices.ends == EndMethod::PartedRing &&
                        endRings(piece, sectionsOf(piece, shop, surfaces)) == EndRings::Shared;
    const bool other = shared || piece.choices.setOnceWithin > 0;
    Piece made = other ? piece : Piece{};  // by measures that are not the piece's own; it outlives what is built of it
    if (shared) buildings = built(made = withSharedRing(std::move(made), buildings), shop, surfaces);
    if (piece.choices.setOnceWithin > 0) {
        more = sharedSetUps(made, buildings, piece.choices.setOnceWithin);
        if (shared) more.back() = more.front();
        buildings = built(made = withSharedSetUps(std::move(made), more), shop, surfaces);
    }
    for (size_t i = 0; i < buildings.size(); ++i) buildings[i].layer.sharedSetUps = more[i];
    if (shared) shareParts(buildings);
    seatTenons(buildings, surfaces);
    a.recipe = stackRecipe(other ? made : piece, shop, surfaces, buildings);
    for (Building& b : buildings) {
        std::ranges::move(b.parts, std::back_inserter(a.parts));
        a.layers.push_back(std::move(b.layer));
    }
    for (const Inset& i : insetsOf(piece, surfaces))
        for (BuiltLayer& l : a.layers)
            if (i.middle.x() + i.reach >= l.z0 && i.middle.x() - i.reach <= l.z1) l.insets.push_back(i);
    return a;
}

}  // namespace vl
