#pragma once

#include "core/workpiece/turned_surfaces.h"

#include <optional>

namespace vl {

/// One opening of a row round a wall, as it is drawn on the unrolled skin and as it lies on the surface. Lengths mm.
struct Opening {
    Polyline flat;           ///< on the skin: along it from the opening's middle, and round it; counterclockwise
    Polyline laid;           ///< the same as stations and distances from its middle plane
    double middle = 0;       ///< of it, mm along the skin from the foot
    double length = 0;       ///< along the skin, between its two ends
    double drill = 0;        ///< Ø of the holes at its ends
    double narrowest = 0;    ///< wood between two neighbors, round the skin
    double narrowestAt = 0;  ///< station of that
    double inner = 0;        ///< from the axis: the saw goes no nearer, inside the hollow
    double deepest = 0;      ///< from the rim down to its lower end: what the saw's frame must span
    double on = 0;           ///< how far its row is on from the first, in shares of a step
};
/// Empty where the wall is not there at both its ends. A length along the skin is the outline's own; a distance w round
/// it from the middle lies r · sin(w/r) beside the middle plane (plane geometry of the circle).
/// Of a lattice the lowest, with what all of them leave between them, and how far down the lowest reaches.
std::optional<Opening> openingOf(const Worked& worked, const TurnedSurfaces& surfaces);

/// One for each row, from the foot up: of a lattice each as wide and as long as its bars leave it there, of all else
/// one.
std::vector<Opening> openingsOf(const Worked& worked, const TurnedSurfaces& surfaces);

/// What an opening takes, in the direction of its middle from 12 o'clock: sawn straight through the near wall.
Sawed openingCut(const Opening& opening, double angleDeg);

}  // namespace vl
