#pragma once

#include "core/piece/document/piece.h"

#include <set>
#include <span>

namespace vl {

/// Changes to a piece, each a pure function from the piece before to the piece after.
/// Layers are named by their place in Piece::layers; an index out of range leaves the piece as it was.
namespace edit {

/// A new layer above `below` (−1: at the headstock), like its neighbor, half a segment on from it.
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
/// The stations that an axis is turned between; its outline is stretched to them.
void stretchAxis(OffAxis& axis, double from, double to);
/// Its radius in the middle of them, mm, and the outline moved so that it has another.
double axisRadius(const OffAxis& axis);
void setAxisRadius(OffAxis& axis, double radius);

/// Another hole: into the side in the middle of the piece, through its near wall.
Piece addHole(Piece piece);
/// Another sawn curve: from below an arch over half the foot, from above a swept rim, from the sides wings.
Piece addSawn(Piece piece, Sawn::From from);
/// A sawn curve that is `middle` mm at the axis and `end` mm where it runs out, `out` mm from the axis.
void shapeSawn(Sawn& sawn, double middle, double end, double out);
/// The bark line of a log from two heights: over the axis, and at the rim across the grain.
Piece barkFromHeights(Piece piece, double middle, double rim);

/// Something more worked by index: flutes or facets along the middle half of the piece, or legs under its floor.
Piece addWorked(Piece piece, Worked::Kind kind);
/// Another decorated grid, on the upper half of the wall, or on the outer half of a face.
Piece addDecor(Piece piece);
/// A cell of a grid worked in one way, or left plain again where it is already worked so.
Piece workCell(Piece piece, size_t decor, int ring, int spoke, GridCells::Work work, const std::string& color);
/// Another flaw, in the middle of the wood.
Piece addFlaw(Piece piece);

/// Something let into it: a groove in the rim or round the wall, or a crack in its middle.
Piece addInlay(Piece piece, Inlay::Kind kind);
/// A rod right through the blank, across the axis in the middle of the piece.
Piece addRod(Piece piece);
/// Something bought, and the hole in the foot or the rim that it goes into.
Piece addBought(Piece piece, Bought::Kind kind);
/// Split or whole; split, it gets the outline that its split asks for, one block with its grain along the axis, and the
/// waste that is glued.
Piece setSplit(Piece piece, const Split& split);

/// Another form kept in the outline, in the middle of it.
Piece addForm(Piece piece, FormPart::Kind kind);

/// Without one of a list; every id keeps its own.
template <class T> Piece removeFrom(Piece piece, std::vector<T> Piece::*list, int which)
{
    std::vector<T>& all = piece.*list;
    if (which >= 0 && which < static_cast<int>(all.size())) all.erase(all.begin() + which);
    return withForms(std::move(piece));
}

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
