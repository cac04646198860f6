#pragma once

#include "core/piece/document/piece.h"

#include <algorithm>
#include <cmath>

namespace vl::test {

/// A node with straight lines to both sides.
inline Node corner(double z, double r)
{
    Node n;
    n.z = z;
    n.r = r;
    n.span = Span::Line;
    n.smooth = false;
    return n;
}

/// A cylinder of one block: solid, or hollowed from the top with an even wall and a floor, no rounding between.
inline Piece plainCylinder(double radius, double height, BlockForm::Grain grain, double wall = 0, double floor = 10)
{
    Piece p;
    p.outside = {corner(0, radius), corner(height, radius)};
    p.hollow.rule = wall > 0 ? WallRule::Even : WallRule::Solid;
    if (wall > 0) p.hollow.rimWall = wall;
    p.hollow.floor = floor;
    p.hollow.floorRound = 0;
    Layer layer;
    layer.thickness = height;
    layer.woods = {"ash"};
    layer.form = BlockForm{};
    layer.as<BlockForm>()->grain = grain;
    p.layers = {layer};
    identifyLayers(p);
    return p;
}

/// Equal rings from one radius to another, straight between them.
inline Piece ringCone(double r0, double r1, double height, int rings, int segments)
{
    Piece p = plainCylinder(r0, height, BlockForm::Along);
    p.outside = {corner(0, r0), corner(height, r1)};
    Layer ring;
    ring.thickness = height / rings;
    ring.form = RingForm{};
    ring.sectors()->segments = segments;
    ring.woods = {"maple", "walnut"};
    p.layers.assign(static_cast<size_t>(rings), ring);
    identifyLayers(p);
    return p;
}

/// What two circles R and r, d apart, have in common (plane geometry of the lens).
inline double lens(double R, double r, double d)
{
    if (r <= 0 || R <= 0 || d >= R + r) return 0;
    if (d <= std::abs(R - r)) return pi * std::pow(std::min(R, r), 2);
    const double a = std::acos((d * d + r * r - R * R) / (2 * d * r)),
                 b = std::acos((d * d + R * R - r * r) / (2 * d * R));
    return r * r * (a - std::sin(2 * a) / 2) + R * R * (b - std::sin(2 * b) / 2);
}

}  // namespace vl::test
