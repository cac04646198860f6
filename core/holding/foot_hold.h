#pragma once

#include "core/blank/shape.h"
#include "core/piece/document/piece.h"
#include "core/piece/shop/shop.h"
#include "core/recipe/step.h"

#include <string>

namespace vl {

/// What one block is held by at its foot once its outside is turned: chosen so that it serves every later mount, and
/// held against the floor above it.
struct FootHold {
    Hold by = Hold::Tenon;
    double diameter = 0, depth = 0;  ///< mm; of screws their circle and how deep they go
    double left = 0;                 ///< mm of wood between its end and the inside's floor
    std::string jaws{};              ///< that take it, where the shop has named them
    bool fits = true;                ///< the jaws take it
};
FootHold footHold(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces);

/// Whether a piece that two centers hold is held by a tenon too: for sides that a chuck swings, for a bore that may
/// weaken nothing before its sides are cut, or for a hole where the live center stands.
bool hasChuckTenon(const Piece& piece);
/// That tenon, in waste below the foot.
FootHold chuckTenon(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces);

/// Wood that the blank of a piece in one layer has beyond the piece's own height for holding it, mm: turned or parted
/// off last. 12 mm where a center's mark would stay (own cautious value), the foot's grip, and 6 mm over it where the
/// hollow goes right through: it closes the bore until the grip has served.
struct EndWaste {
    double foot = 0, rim = 0;
    double both() const { return foot + rim; }
};
EndWaste endWaste(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces);

/// Whether the piece is one piece of wood with its grain along the axis that two centers can hold to the end: solid, or
/// bored right through before it is mounted.
bool staysBetweenCenters(const Piece& piece);
/// Whether the piece is one piece of wood with its grain along the axis, hollowed from its free end: no center can
/// stand where the tool comes in. Not what is bored right through before it is mounted, nor what has a lid.
bool isVessel(const Piece& piece);
/// Whether the piece is one piece of wood that is turned from both sides: a block with its grain across the axis, or a
/// vessel.
bool isWholeBlock(const Piece& piece);

/// Whether a wet block can be turned twice, or once, with what the piece asks for. Turned once it is oval when it is
/// dry, so that nothing may be left to do by index, saw, drill or inlay, and no wall or floor may be thick. A blank
/// that is dried between is held by its rim.
bool canBeTurnedWet(const Piece& piece, const TurnedSurfaces& surfaces, BlockForm::Wet wet);

/// How thick the wall of a wet blank is left, mm: a tenth of its diameter, and no less than what the dry one is trued
/// from on both sides.
double wetWall(const TurnedSurfaces& surfaces);
/// What it is turned to then, mm: that wall lies half outside the finished one and half inside.
double roughDiameter(const TurnedSurfaces& surfaces);

}  // namespace vl
