#pragma once

#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// A groove as it lies on the piece, or an opened crack. Lengths mm.
struct InlayPlace {
    bool meetsWood = false;
    double z0 = 0, z1 = 0;     ///< stations between which it lies
    double low = 0, high = 0;  ///< radii; `high` is the surface
    double volume = 0;         ///< mm³ to fill, the pieces taken out of it
    double gap = 0;            ///< chord between neighboring pieces; below 0 they do not fit
    double pieceLength = 0;    ///< that a piece is cut to: depth and what it stands proud
    double left = 0;           ///< wood below its bottom, or beside it to the next surface
};
InlayPlace placeOf(const Inlay& inlay, const TurnedSurfaces& surfaces);

/// Where the pieces of a groove stand: radius of the middle and angle (degrees), and station.
struct SetPiece {
    double radius = 0, angleDeg = 0, z = 0;
};
std::vector<SetPiece> piecesOf(const Inlay& inlay, const InlayPlace& place);

/// What is packed into it: the filler's mass in grams, so many parts of it solid (six tenths, our own value), and the
/// glue that runs into the rest.
struct Filling {
    double filler = 0, glue = 0;
};
Filling fillingOf(const Inlay& inlay, const InlayPlace& place);

/// What one is called, and the step after which it is full.
std::string nameOf(const Piece& piece, const Inlay& inlay);
std::string fillStep(const Inlay& inlay);
/// The step that glues a rod or a plug into a hole.
std::string fillStep(const Hole& hole);

}  // namespace vl
