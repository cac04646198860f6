#pragma once

#include "core/piece/piece.h"

#include <set>
#include <span>

namespace vl {

/// Changes to a piece, each a pure function from the piece before to the piece after.
/// Layers are named by their place in Piece::layers; an index out of range leaves the piece as it was.
namespace edit {

/// A new layer above `below` (−1: at the headstock), like its neighbour, half a segment on from it.
Piece addLayer(Piece piece, int below);
/// Without these layers; at least one stays.
Piece removeLayers(Piece piece, const std::set<int>& which);
/// The layer cut into two at `share` (0 … 1) of its thickness.
Piece splitLayer(Piece piece, int which, double share = 0.5);
/// The layer once more, above itself, half a segment on.
Piece copyLayer(Piece piece, int which);
/// The layer moved to another place in the stack.
Piece moveLayer(Piece piece, int from, int to);
/// The boundary between layer `below` and the next at station z: one grows as the other shrinks, neither below 1 mm.
/// The last layer's far face makes the stack longer or shorter.
Piece moveBoundary(Piece piece, int below, double z);
/// The height divided into a base disc of `base` mm and `rings` equal rings.
Piece divide(Piece piece, double base, int rings, int segments);
/// All layers' thicknesses in proportion, so that the stack is as high as the outline.
Piece fitLayers(Piece piece);
/// Each of these rings half a segment on from the one below it, to and fro.
Piece brickwork(Piece piece, const std::set<int>& which);

/// Another axis: three sides in the middle of the piece, a band of the round left between them.
Piece addAxis(Piece piece);
Piece removeAxis(Piece piece, int which);
/// The stations that an axis is turned between; its outline is stretched to them.
void stretchAxis(OffAxis& axis, double from, double to);
/// Its radius in the middle of them, mm, and the outline moved so that it has another.
double axisRadius(const OffAxis& axis);
void setAxisRadius(OffAxis& axis, double radius);

/// Another hole: into the side in the middle of the piece, through its near wall.
Piece addHole(Piece piece);
Piece removeHole(Piece piece, int which);
/// Another sawn curve: from below an arch over half the foot, from above a swept rim, from the sides wings.
Piece addSawn(Piece piece, Sawn::From from);
Piece removeSawn(Piece piece, int which);
/// A sawn curve that is `middle` mm at the axis and `end` mm where it runs out, `out` mm from the axis.
void shapeSawn(Sawn& sawn, double middle, double end, double out);
/// The bark line of a log from two heights: over the axis, and at the rim across the grain.
Piece barkFromHeights(Piece piece, double middle, double rim);

/// Something more worked by index: flutes or facets along the middle half of the piece, or legs under its floor.
Piece addWorked(Piece piece, Worked::Kind kind);
Piece removeWorked(Piece piece, int which);
/// Another decorated grid, on the upper half of the wall, or on the outer half of a face.
Piece addDecor(Piece piece);
Piece removeDecor(Piece piece, int which);
/// A cell of a grid worked in one way, or left plain again where it is already worked so.
Piece workCell(Piece piece, size_t decor, int ring, int spoke, GridCells::Work work, const std::string& colour);
/// Another flaw, in the middle of the wood.
Piece addFlaw(Piece piece);
Piece removeFlaw(Piece piece, int which);

/// Another form kept in the outline, in the middle of it.
Piece addForm(Piece piece, FormPart::Kind kind);
Piece removeForm(Piece piece, int which);

}  // namespace edit

/// A starting outline, with layers that fit it.
struct Start {
    const char* id;
    const char* name;
    const char* purpose;
    Piece (*make)();
};
std::span<const Start> starts();

}  // namespace vl
