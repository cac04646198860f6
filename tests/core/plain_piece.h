#pragma once

#include "core/piece/piece.h"

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

}  // namespace vl::test
