#include "core/blank/insets.h"

#include "core/wood/figure.h"
#include "core/wood/filler.h"
#include "core/wood/own_wood.h"
#include "core/workpiece/decor_grid.h"
#include "core/workpiece/inlay_sides.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

const Eigen::Vector3d axis = Eigen::Vector3d::UnitX();
constexpr int flats = 48;  // round a bar: within a hundredth of its radius

/// With the ball that holds it: about the middle of a stretch, as wide as is said.
Inset inset(Cell cell, std::string step, const Eigen::Vector3d& from, const Eigen::Vector3d& to, double beside)
{
    return {std::move(cell), std::move(step), (from + to) / 2, (to - from).norm() / 2 + beside};
}

Inset ringInset(Cell cell, std::string step, double z0, double z1)
{
    const double reach = std::hypot(cell.high, (z1 - z0) / 2);
    return {std::move(cell), std::move(step), axis * (z0 + z1) / 2, reach};
}

void rods(const Piece& piece, const TurnedSurfaces& surfaces, std::vector<Inset>& out)
{
    const double far = 2 * (surfaces.widest() + surfaces.outside.back().x());
    for (const DrilledHole& h : surfaces.holes) {
        const Hole& hole = piece.holes[h.hole];
        if (!hole.filled || h.solid.profile.empty()) continue;
        const double low = -far, high = h.through ? far : h.full;
        out.push_back(inset(barCell(h.solid.from, h.solid.way, low, high, hole.diameter / 2, fillingOf(hole.fill)),
                            fillStep(hole), h.solid.from + h.solid.way * low, h.solid.from + h.solid.way * high,
                            hole.diameter));
        out.back().cell.seed = segmentSeed(h.hole + 700, static_cast<size_t>(h.which));
        if (hole.wide <= hole.diameter) continue;
        // Its shoulder, in the wider step at the mouth.
        const double deep = std::min(hole.wideDepth, high);
        out.push_back(inset(barCell(h.solid.from, h.solid.way, low, deep, hole.wide / 2, fillingOf(hole.fill)),
                            fillStep(hole), h.solid.from + h.solid.way * low, h.solid.from + h.solid.way * deep,
                            hole.wide));
        out.back().cell.seed = segmentSeed(h.hole + 700, static_cast<size_t>(h.which));
    }
}

/// What fills a groove or a crack, as far above the surface as it is wide: the surface may slope.
Cell filler(const Inlay& f, const InlayPlace& p)
{
    Cell c{&fillingOf(f.filler), -1, segmentSeed(800, 1)};
    c.bounds = {{-axis, -p.z0, false}, {axis, f.kind == Inlay::Rim ? p.z1 + f.width : p.z1, false}};
    if (f.kind == Inlay::Crack) {
        const Eigen::Vector3d across = onwards(f.direction), out = outwards(f.direction);
        c.bounds.push_back({across, f.width / 2, false});
        c.bounds.push_back({-across, f.width / 2, false});
        c.bounds.push_back({-out, -p.low, false});
        return c;
    }
    c.low = p.low;
    c.high = f.kind == Inlay::Rim ? p.high : p.high + f.width;
    return c;
}

Cell piece(const Inlay& f, const InlayPlace& p, const SetPiece& at)
{
    const Species& wood = fillingOf(f.wood);
    const bool rim = f.kind == Inlay::Rim;
    const double tall = f.depth + f.width;
    if (f.set == Inlay::Rounds)
        return rim ? barCell(pointAt(p.z0, at.radius, at.angleDeg), axis, 0, tall, f.piece / 2, wood)
                   : barCell(pointAt(at.z, p.low, at.angleDeg), outwards(at.angleDeg), 0, tall, f.piece / 2, wood);
    Cell c{&wood, -1, segmentSeed(810, static_cast<size_t>(std::abs(at.angleDeg)))};
    const Eigen::Vector3d across = onwards(at.angleDeg), out = outwards(at.angleDeg);
    const double half = (f.rows == Inlay::One ? f.width : f.width / 2) / 2;
    c.bounds = {{across, f.piece / 2, false}, {-across, f.piece / 2, false}};
    if (rim) {
        c.bounds.push_back({-axis, -p.z0, false});
        c.bounds.push_back({axis, p.z0 + tall, false});
        c.bounds.push_back({out, at.radius + half, false});
        c.bounds.push_back({-out, half - at.radius, false});
    } else {
        c.bounds.push_back({-out, -p.low, false});
        c.bounds.push_back({axis, at.z + half, false});
        c.bounds.push_back({-axis, half - at.z, false});
    }
    c.board.axes.row(0) = rim ? axis : out;
    c.board.axes.row(1) = across;
    c.board.axes.row(2) = rim ? out : Eigen::Vector3d(-axis);
    return c;
}

void grooves(const Piece& whole, const TurnedSurfaces& surfaces, std::vector<Inset>& out)
{
    for (const Inlay& f : whole.inlays) {
        const InlayPlace p = placeOf(f, surfaces);
        if (!p.meetsWood) continue;
        if (f.kind == Inlay::Crack) {
            const Eigen::Vector3d low = pointAt(p.z0, p.low, f.direction), high = pointAt(p.z1, p.high, f.direction);
            out.push_back(inset(filler(f, p), fillStep(f), low, high, f.width + f.depth));
        } else
            out.push_back(ringInset(filler(f, p), fillStep(f), p.z0, p.z1 + f.width));
        for (const SetPiece& at : piecesOf(f, p)) {
            const Eigen::Vector3d middle =
                f.kind == Inlay::Rim ? pointAt(p.z0, at.radius, at.angleDeg) : pointAt(at.z, p.low, at.angleDeg);
            out.push_back(inset(piece(f, p, at), fillStep(f), middle, middle, f.depth + 2 * f.width + 2 * f.piece));
        }
    }
}

const Species& inked(const std::string& color)
{
    OwnWood ink;
    ink.name = "colour";
    ink.light = ink.dark = color;
    return makeKnown(ink);
}

/// The skin of one cell of a grid, a little deep.
Inset cellInset(const GridOf& g, const Decor& d, const GridCell& at, const Species& ink, std::string step)
{
    constexpr double deep = 0.8;  // mm
    const GridRing& ring = g.rings[static_cast<size_t>(at.ring)];
    const double first = g.angleOf(d, at.spoke), next = g.angleOf(d, at.spoke + 1), from = std::min(first, next),
                 wide = std::fmod(std::max(first, next) - from + 360, 360), cosine = std::cos(wide / 2 * degrees);
    const auto [r0, r1] = std::minmax(ring.r0, ring.r1);
    const auto [z0, z1] = std::minmax(ring.z0, ring.z1);
    const Eigen::Vector3d out = outwards(from + wide / 2);
    Cell c{&ink, -1, 0.5f, from, from + wide};
    const bool face = d.on == Decor::Face;
    c.bounds = {{axis, face ? z1 + deep : z1, false}, {-axis, face ? deep - z0 : -z0, false}};
    if (face)
        c.bounds.insert(c.bounds.end(), {{out, r1 * cosine, false}, {-out, -r0 * cosine, false}});
    else if (d.on == Decor::Wall)
        c.bounds.push_back({-out, -(r0 - deep) * cosine, false});
    else
        c.bounds.push_back({out, r1 + deep, false});
    return inset(std::move(c), std::move(step), pointAt(z0, r0, from), pointAt(z1, r1, from + wide),
                 r1 * wide * degrees + 4 * deep);
}

void grids(const Piece& piece, const TurnedSurfaces& surfaces, std::vector<Inset>& out)
{
    for (const GridOf& g : gridsOf(piece, surfaces)) {
        const Decor& d = piece.decors[g.decor];
        for (const GridCell& at : g.worked) {
            const GridCells& how = d.cells[at.cells];
            const bool burned = how.work == GridCells::Burn;
            if (at.lost || !(burned || how.work == GridCells::Color)) continue;
            if (at.ring < 0 || at.ring >= static_cast<int>(g.rings.size())) continue;
            const Species& ink = inked(burned ? "#2b1d14" : how.color);
            out.push_back(cellInset(g, d, at, ink, workStep(d, how.work)));
        }
    }
}

}  // namespace

Cell barCell(const Eigen::Vector3d& from, const Eigen::Vector3d& way, double low, double high, double radius,
             const Species& wood)
{
    Cell c{&wood, -1, 0.5f};
    const Eigen::Vector3d right = way.unitOrthogonal(), up = way.cross(right);
    // Flats that touch a circle a little larger: as much stands over at their corners as is missing in their middles.
    const double half = pi / flats, off = radius * (1 + std::cos(half)) / 2;
    for (int k = 0; k < flats; ++k) {
        const double a = 2 * half * k;
        const Eigen::Vector3d n = std::cos(a) * right + std::sin(a) * up;
        c.bounds.push_back({n, n.dot(from) + off, false});
    }
    c.bounds.push_back({way, way.dot(from) + high, false});
    c.bounds.push_back({-way, -way.dot(from) - low, false});
    c.board.axes.row(0) = way;
    c.board.axes.row(1) = right;
    c.board.axes.row(2) = up;
    c.board.origin = from;
    return c;
}

std::vector<Cell> convexParts(const Cell& cell)
{
    if (cell.low <= 0 && !std::isfinite(cell.high)) return {cell};
    constexpr double step = 3;  // degrees
    const int n = std::max(1, static_cast<int>(std::ceil((cell.to - cell.from) / step)));
    const double each = (cell.to - cell.from) / n, cosine = std::cos(each / 2 * degrees);
    std::vector<Cell> parts;
    for (int k = 0; k < n; ++k) {
        Cell c = cell;
        c.from = cell.from + each * k;
        c.to = c.from + each;
        const Eigen::Vector3d out = outwards((c.from + c.to) / 2);
        if (std::isfinite(cell.high)) c.bounds.push_back({out, cell.high * cosine, false});
        if (cell.low > 0) c.bounds.push_back({-out, -cell.low * cosine, false});
        c.low = 0;
        c.high = std::numeric_limits<double>::infinity();
        parts.push_back(std::move(c));
    }
    return parts;
}

std::vector<Inset> insetsOf(const Piece& piece, const TurnedSurfaces& surfaces)
{
    std::vector<Inset> all;
    if (surfaces.outside.size() < 2) return all;
    rods(piece, surfaces, all);
    grooves(piece, surfaces, all);
    grids(piece, surfaces, all);
    return all;
}

}  // namespace vl
