#include "core/blank/assembly.h"

#include "core/blank/alike.h"
#include "core/blank/axis_set_ups.h"
#include "core/blank/end_rings.h"
#include "core/blank/insets.h"
#include "core/blank/inside_out.h"
#include "core/blank/lid_sides.h"
#include "core/blank/sawn_cuts.h"
#include "core/blank/stack_recipe.h"
#include "core/blank/worked_cuts.h"

#include <algorithm>
#include <cmath>

namespace vl {

double BuiltLayer::stockOuterRadius() const
{
    double least = outerHold.empty() ? 0 : outerHold.front().y();
    for (const Point& p : outerHold) least = std::min(least, p.y());
    return least;
}

double BuiltLayer::stockInnerRadius() const
{
    double most = 0;
    for (const Point& p : innerHold) most = std::max(most, p.y());
    return most;
}

size_t BuiltLayer::sectorAt(double angleDeg) const
{
    if (sectors < 2) return 0;
    const double turns = (angleDeg - phaseDeg) * sectors / 360.0 + 0.5;
    const long i = static_cast<long>(std::floor(turns)) % sectors;
    return static_cast<size_t>(i < 0 ? i + sectors : i);
}

const Cell* BuiltLayer::cellAt(double z, double r, double angleDeg) const
{
    const Eigen::Vector3d p = pointAt(z, r, angleDeg);
    for (auto i = insets.rbegin(); i != insets.rend(); ++i)
        if (i->holds(p, r, angleDeg)) return &i->cell;
    auto find = [&](size_t first, size_t count) -> const Cell* {
        for (size_t i = first; i < first + count; ++i)
            if (cells[i].spans(angleDeg) && cells[i].within(p, r)) return &cells[i];
        return nullptr;
    };
    if (!lattices.empty()) {
        const auto at = std::ranges::upper_bound(lattices, z, {}, &Lattice::z1);
        return find((at == lattices.end() ? lattices.back() : *at).at(p), 1);
    }
    if (sectors < 2) return find(0, cells.size());
    const auto n = static_cast<size_t>(sectors), each = cells.size() / n, k = sectorAt(angleDeg);
    if (each == 1 && cells[k].bounds.empty()) return &cells[k];
    // A spacer on the joint is shared by two sectors.
    for (const size_t s : {k, (k + n - 1) % n, (k + 1) % n})
        if (const Cell* cell = find(s * each, each)) return cell;
    return nullptr;
}

int BuiltLayer::segmentAt(double z, double r, double angleDeg) const
{
    if (radial() && !gaps && insets.empty() && cells.size() == static_cast<size_t>(sectors))
        return static_cast<int>(sectorAt(angleDeg));
    const Cell* cell = cellAt(z, r, angleDeg);
    return cell ? cell->segment : -1;
}

std::vector<HalfSpace> BuiltLayer::sawnFaces(const Cell& cell) const
{
    if (!cell.faces.empty() || !radial()) return cell.faces;
    const auto place = static_cast<size_t>(&cell - cells.data());
    const double mid =
        phaseDeg + 360.0 * static_cast<double>(place / (cells.size() / static_cast<size_t>(sectors))) / sectors;
    return {{outwards(mid), stock.apothem(), false},
            {-outwards(mid), -stock.innerCorner() * std::cos(stock.miterDeg() * degrees), false}};
}

BuiltLayer::Extent BuiltLayer::extentOf(const Cell& cell) const
{
    const auto place = static_cast<size_t>(&cell - cells.data());
    const auto lattice = std::ranges::find_if(lattices, [&](const Lattice& l) { return l.holds(place); });
    constexpr double far = 1e6;  // mm: the outermost layers take what stands beyond them
    if (lattice == lattices.end()) return {{-far, far}, {cell.low, cell.high}, cell.from, cell.to};
    const Lattice::Reach reach = lattice->reachOf(place);
    return {{lattice == lattices.begin() ? -far : lattice->z0, lattice + 1 == lattices.end() ? far : lattice->z1},
            {reach.low, reach.high},
            reach.from,
            reach.to};
}

std::vector<HalfSpace> BuiltLayer::body(const Cell& cell) const
{
    std::vector<HalfSpace> halves{{{-1, 0, 0}, -z0, false}, {{1, 0, 0}, z1, false}};
    halves.insert(halves.end(), cell.bounds.begin(), cell.bounds.end());
    const std::vector<HalfSpace> faces = sawnFaces(cell);
    halves.insert(halves.end(), faces.begin(), faces.end());
    const std::vector<HalfSpace> wedge = cell.wedge();
    halves.insert(halves.end(), wedge.begin(), wedge.end());
    if (std::isfinite(cell.high))
        for (int k = 0; k < 64; ++k) halves.push_back({outwards(k * 360.0 / 64), cell.high, false});
    return halves;
}

std::vector<Point> BuiltLayer::planOf(const Cell& cell, double z) const
{
    const double far = 3 * corner;
    Face face{{z, -far, -far}, {z, far, -far}, {z, far, far}, {z, -far, far}};
    for (const HalfSpace& h : body(cell)) face = clipped(face, h);
    std::vector<Point> out;
    for (const Eigen::Vector3d& p : face) out.emplace_back(-p.z(), p.y());
    return out;
}

Point BuiltLayer::middleOf(int segment, double z) const
{
    Point sum(0, 0);
    double area = 0;
    // Where a segment is in several places, the first of them.
    for (const Cell& cell : cells) {
        if (cell.segment != segment) continue;
        const std::vector<Point> plan = planOf(cell, z);
        for (size_t i = 1; i + 1 < plan.size(); ++i) {
            const Point u = plan[i] - plan[0], v = plan[i + 1] - plan[0];
            const double a = std::abs(u.x() * v.y() - u.y() * v.x()) / 2;
            sum += a * (plan[0] + plan[i] + plan[i + 1]) / 3;
            area += a;
        }
        if (area > 0) break;
    }
    if (area > 0) sum /= area;
    return {sum.norm(), std::atan2(-sum.x(), sum.y()) / degrees};
}

std::vector<int> Assembly::segmentCounts() const
{
    std::vector<int> counts;
    for (const BuiltLayer& l : layers) counts.push_back(l.count());
    return counts;
}

bool Assembly::hasInsets() const
{
    return std::ranges::any_of(layers, [](const BuiltLayer& l) { return !l.insets.empty(); });
}

size_t Assembly::layerAt(double z) const
{
    const auto it =
        std::upper_bound(layers.begin(), layers.end(), z, [](double v, const BuiltLayer& l) { return v < l.z1; });
    return it == layers.end() ? layers.size() - 1 : static_cast<size_t>(it - layers.begin());
}

bool Sides::holds(const Eigen::Vector3d& p, bool cutToo) const
{
    const double z = p.x(), r = p.tail<2>().norm();
    if (!(r <= radiusAt(outside, z))) return false;
    if (!inside.empty() && r < radiusAt(inside, z)) return false;
    for (const HalfSpace& h : edges)
        if (h.beyond(p) > 0) return false;
    for (const TurnedAbout& axis : axes)
        if (!axis.keeps(p)) return false;
    return !cutToo || std::ranges::none_of(cuts, [&](const Cut& c) { return takes(c.solid, p); });
}

double Sides::widest() const
{
    double most = 0;
    for (const Point& p : outside) most = std::max(most, p.y());
    return most;
}

std::vector<Range> woodAlong(const Sides& sides, const Eigen::Vector3d& from, const Eigen::Vector3d& way, double far)
{
    constexpr double step = 0.5;  // mm
    std::vector<Range> out;
    auto wood = [&](double t) { return sides.holds(from + t * way, false); };
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

Sides sidesOf(const Piece& piece)
{
    Sides sides{.outside = flatten(piece.outside), .inside = {}, .axes = {}, .edges = edgesOf(piece.edge)};
    for (AxisSetUp& s : axisSetUps(piece)) sides.axes.push_back(std::move(s.solid));
    const Hollow& h = piece.hollow;
    const double end = outlineHeight(piece);
    switch (h.rule) {
    case WallRule::Solid:
        break;
    case WallRule::Bored:
        sides.inside = {{0, h.bore / 2}, {end, h.bore / 2}};
        break;
    case WallRule::Drawn:
        // What is drawn beyond the rim is air.
        sides.inside = clipped(flatten(h.inside), 0, end);
        break;
    case WallRule::Even:
        sides.inside = hollowFor(
            sides.outside, [&](double) { return h.rimWall; }, h.floor, h.floorRound);
        break;
    case WallRule::Tapered:
        sides.inside = hollowFor(
            sides.outside,
            [&](double z) {
                return h.baseWall + (h.rimWall - h.baseWall) * std::clamp((z - h.floor) / (end - h.floor), 0.0, 1.0);
            },
            h.floor, h.floorRound);
        break;
    }
    sides.inside = underLid(piece, std::move(sides.inside));
    sides.cuts = sawnCuts(piece);
    sides.holes = drilledHoles(piece, sides);
    for (const DrilledHole& hole : sides.holes)
        if (!hole.solid.profile.empty())
            (piece.holes[hole.hole].filled ? sides.filled : sides.cuts).push_back({drillStep(piece, hole), hole.solid});
    std::ranges::move(insideOutCuts(piece, sides.outside), std::back_inserter(sides.cuts));
    std::ranges::move(workedCuts(piece, sides), std::back_inserter(sides.cuts));
    return sides;
}

namespace {

/// Mean density of the wood in the turned wall and how much of the wall is wood, by asking on a grid which wood is at a
/// station, a radius and an angle: null in a gap.
template <class WoodAt> void weigh(BuiltLayer& b, const Sides& sides, WoodAt woodAt)
{
    double wood = 0, all = 0, mass = 0;
    for (const double share : {0.17, 0.5, 0.83}) {
        const double z = b.z0 + (b.z1 - b.z0) * share, outer = radiusAt(sides.outside, z),
                     bore = sides.inside.empty() ? 0 : radiusRange(sides.inside, z, z).low;
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

void weigh(BuiltLayer& b, const Sides& sides)
{
    weigh(b, sides, [&](double z, double r, double deg) {
        const Cell* cell = b.cellAt(z, r, deg);
        return cell ? cell->wood : nullptr;
    });
}

}  // namespace

namespace {

/// A layer's faces and what is turned of it, before its construction adds the rest.
BuiltLayer begun(const Layer& l, const Sides& sides, double z, double phase)
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
    b.finishedOuter = rangeOf(between(sides.outside, b.z0, b.z1));
    // Square work keeps its edges: its blank is no wider than they are, whatever the outline sweeps.
    double edge = 0;
    for (const HalfSpace& h : sides.edges) edge = std::max(edge, h.offset);
    if (edge > 0) b.finishedOuter = {std::min(b.finishedOuter.low, edge), std::min(b.finishedOuter.high, edge)};
    const Polyline hollowed = between(sides.inside, b.z0, b.z1);
    const bool bored = !hollowed.empty() && sides.inside.front().x() <= b.z0 + 1e-6;
    b.finishedInner = bored ? rangeOf(hollowed) : Range{};
    return b;
}

/// Puts the wood of a spindle's tenon into a layer, for `length` from the spindle's side: there it is bored no wider
/// than the tenon is, which fills it. Returns whether the tenon goes on into the next layer.
bool seatTenon(BuiltLayer& through, const BuiltLayer& spindle, double length, bool fromBelow, const Sides& sides)
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
    through.cells.push_back(core);
    std::ranges::move(solid, std::back_inserter(through.cells));
    through.lattices.clear();
    through.sectors = 0;
    if (!through.innerHold.empty() && through.stockInnerRadius() <= radius) {
        const double bore = through.stock.innerCorner();
        const int n = through.stock.sides;
        through.volume += n / 2.0 * bore * bore * std::sin(2 * pi / n) * std::min(length, height);
        if (whole) through.innerHold.clear();
    }
    if (whole) through.fill = 1;
    weigh(through, sides, [&](double z, double r, double deg) {
        if (r < radius && (whole || (fromBelow ? z < end : z > end))) return spindle.cells[0].wood;
        const Cell* cell = bare.cellAt(z, r, deg);
        return cell ? cell->wood : nullptr;
    });
    return whole;
}

void seatTenons(std::vector<Building>& buildings, const Sides& sides)
{
    for (size_t i = 0; i < buildings.size(); ++i) {
        const BuiltLayer& s = buildings[i].layer;
        double left = s.tenon.below;
        for (size_t k = i; left > 0 && k-- > 0; left -= buildings[k].layer.z1 - buildings[k].layer.z0)
            if (!seatTenon(buildings[k].layer, s, left, false, sides)) break;
        left = s.tenon.above;
        for (size_t k = i + 1; left > 0 && k < buildings.size();
             left -= buildings[k].layer.z1 - buildings[k].layer.z0, ++k)
            if (!seatTenon(buildings[k].layer, s, left, true, sides)) break;
    }
}

/// Every layer by its own construction, one on another.
std::vector<Building> built(const Piece& piece, const Shop& shop, const Sides& sides)
{
    std::vector<Building> buildings(piece.layers.size());
    double z = 0, phase = 0;
    for (size_t i = 0; i < piece.layers.size(); ++i) {
        const Layer& l = piece.layers[i];
        if (const Sectors* s = l.sectors()) phase = std::fmod(phase + (i ? s->turn * 360.0 / s->segments : 0), 360.0);
        Building& b = buildings[i];
        b.layer = begun(l, sides, z, phase);
        b.layer.how->build({piece, shop, sides, i}, b);
        // Nipped before it is mounted.
        if (piece.edge.kind == Edge::Square && piece.edge.nipped > 0)
            b.layer.corner = std::min(b.layer.corner, piece.edge.nipped);
        if (!(b.layer.density > 0)) weigh(b.layer, sides);
        z = b.layer.z1;
        for (Part& p : b.parts) p.layer = static_cast<int>(i);
    }
    return buildings;
}

}  // namespace

Assembly assemble(const Piece& piece, const Shop& shop, const Sides& sides)
{
    Assembly a;
    std::vector<Building> buildings = built(piece, shop, sides);
    std::vector<Evened> more(buildings.size());
    const bool shared = piece.choices.ends == EndSchool::PartedRing &&
                        endRings(piece, sectionsOf(piece, shop, sides)) == EndRings::Shared;
    const bool other = shared || piece.choices.alike > 0;
    Piece made = other ? piece : Piece{};  // by measures that are not the piece's own; it outlives what is built of it
    if (shared) buildings = built(made = withSharedRing(std::move(made), buildings), shop, sides);
    if (piece.choices.alike > 0) {
        more = evened(made, buildings, piece.choices.alike);
        if (shared) more.back() = more.front();
        buildings = built(made = withEvened(std::move(made), more), shop, sides);
    }
    for (size_t i = 0; i < buildings.size(); ++i) buildings[i].layer.evened = more[i];
    if (shared) shareParts(buildings);
    seatTenons(buildings, sides);
    a.recipe = stackRecipe(other ? made : piece, shop, sides, buildings);
    for (Building& b : buildings) {
        std::ranges::move(b.parts, std::back_inserter(a.parts));
        a.layers.push_back(std::move(b.layer));
    }
    for (const Inset& i : insetsOf(piece, sides))
        for (BuiltLayer& l : a.layers)
            if (i.middle.x() + i.reach >= l.z0 && i.middle.x() - i.reach <= l.z1) l.insets.push_back(i);
    return a;
}

}  // namespace vl
