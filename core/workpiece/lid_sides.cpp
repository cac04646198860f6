#include "core/workpiece/lid_sides.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double spare = 0.5;  // mm that a recess is deeper than its spigot is long; common practice

void drop(Polyline& line, double from, double to)
{
    std::erase_if(line, [&](const Point& p) { return p.x() >= from && p.x() <= to; });
}

}  // namespace

bool hasLid(const Piece& piece)
{
    if (!piece.lid.on || piece.layers.size() != 1 || piece.nest.on) return false;
    if (piece.hollow.rule == WallRule::Solid || piece.hollow.rule == WallRule::Bored) return false;
    const Layer& l = piece.layers[0];
    const BlockForm* block = l.as<BlockForm>();
    return block && block->alongAxis();
}

LidJoint lidJoint(const Piece& piece, const Fits& fits, const TurnedSurfaces& surfaces)
{
    LidJoint j;
    const Lid& lid = piece.lid;
    const double bore = radiusAt(surfaces.inside, lid.at), out = radiusAt(surfaces.outside, lid.at);
    if (!(bore > 0) || !(out > 0)) return j;
    const double clearance = clearanceOf(lid.fit, fits);
    j.bore = bore;
    j.deep = lid.spigot + spare;
    if (lid.joint == Lid::OnBox) {
        j.spigot = bore + lid.wall;
        j.recess = j.spigot + clearance / 2;
        j.left = out - j.recess;
    } else {
        j.recess = bore;
        j.spigot = bore - clearance / 2;
        j.left = out - bore;
    }
    return j;
}

Polyline underLid(const Piece& piece, Polyline inside)
{
    if (!hasLid(piece) || inside.empty()) return inside;
    const double ceiling = outlineHeight(piece) - piece.lid.top;
    if (ceiling <= inside.front().x()) return inside;
    inside = clipped(inside, inside.front().x(), ceiling);
    if (!inside.empty() && inside.back().y() > 0) inside.emplace_back(inside.back().x(), 0);
    return inside;
}

double lidWaste(const Piece& piece) { return hasLid(piece) ? piece.lid.parting + piece.lid.spigot + 2 * endTenon : 0; }

BoxAndLid apart(const Piece& piece, const Fits& fits, const TurnedSurfaces& surfaces)
{
    const Lid& lid = piece.lid;
    const LidJoint j = lidJoint(piece, fits, surfaces);
    const double end = outlineHeight(piece);
    BoxAndLid both{surfaces, surfaces};
    TurnedSurfaces &box = both.box, &cap = both.lid;
    box.outside = clipped(surfaces.outside, 0, lid.at);
    box.inside = clipped(surfaces.inside, surfaces.inside.front().x(), lid.at);
    cap.outside = clipped(surfaces.outside, lid.at, end);
    cap.inside = clipped(surfaces.inside, lid.at, surfaces.inside.back().x());
    // Its regions are each part's own; as lines what falls back is of the whole only.
    for (TurnedSurfaces* part : {&box, &cap}) {
        const Range own = part == &box ? Range{0, lid.at} : Range{lid.at, end};
        part->back = {.outside = {},
                      .inside = {},
                      .undercut = surfaces.back.undercut.between(own.low, own.high),
                      .standing = surfaces.back.standing.between(own.low, own.high)};
    }
    if (!(j.bore > 0)) return both;
    if (lid.joint == Lid::OnBox) {
        const double tip = lid.at + lid.spigot, deep = std::min(lid.at + j.deep, surfaces.inside.back().x());
        box.outside.emplace_back(lid.at, j.spigot);
        box.outside.emplace_back(tip, j.spigot);
        box.inside.emplace_back(tip, j.bore);
        const double above = radiusAt(cap.inside, deep);
        drop(cap.inside, lid.at, deep);
        cap.inside.insert(cap.inside.begin(), {Point(lid.at, j.recess), Point(deep, j.recess), Point(deep, above)});
    } else {
        const double tip = std::max(lid.at - lid.spigot, surfaces.inside.front().x()),
                     in = std::max(0.5, j.spigot - lid.wall);
        cap.outside.insert(cap.outside.begin(), {Point(tip, j.spigot), Point(lid.at, j.spigot)});
        cap.inside.insert(cap.inside.begin(), {Point(tip, in), Point(lid.at, in)});
        // The bore is straight as far as the spigot goes in.
        drop(box.inside, lid.at - j.deep, lid.at);
        const double below = box.inside.empty() ? 0 : box.inside.back().y();
        const double from =
            box.inside.empty() ? surfaces.inside.front().x() : std::max(box.inside.back().x(), lid.at - j.deep);
        box.inside.emplace_back(from, below);
        box.inside.emplace_back(from, j.recess);
        box.inside.emplace_back(lid.at, j.recess);
    }
    return both;
}

}  // namespace vl
