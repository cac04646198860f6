#pragma once

#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// Whether a lid is planned: the piece is hollow, and its blank one piece of wood with the grain along the axis.
bool hasLid(const Piece& piece);

/// Height of the tenons at both ends that box and lid are held by, mm; common practice.
inline constexpr double endTenon = 6;

/// The joint between lid and box. Lengths mm.
struct LidJoint {
    double bore = 0;    ///< radius of the hollow where they meet
    double spigot = 0;  ///< radius of the spigot outside
    double recess = 0;  ///< radius of what it goes into
    double left = 0;    ///< wall left outside the recess; where the spigot is on the lid, the wall beside the bore
    double deep = 0;    ///< of the recess: half a millimeter more than the spigot is long
};
LidJoint lidJoint(const Piece& piece, const Fits& fits, const TurnedSurfaces& surfaces);

/// The inside with the lid on: closed under the lid's top.
Polyline underLid(const Piece& piece, Polyline inside);

/// Wood that making a lid takes beyond the piece's own height: the parting cut, the spigot, and the two tenons that
/// hold box and lid, mm.
double lidWaste(const Piece& piece);

/// Box and lid by themselves, where they stand in the closed piece.
struct BoxAndLid {
    TurnedSurfaces box, lid;
};
BoxAndLid apart(const Piece& piece, const Fits& fits, const TurnedSurfaces& surfaces);

}  // namespace vl
