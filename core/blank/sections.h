#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// A run of layers that is built by itself, and its inside finished before the next joint closes it off.
struct Section {
    size_t first = 0, last = 0;              ///< layers
    double z0 = 0, z1 = 0;                   ///< mm
    bool fromBelow = false;                  ///< its inside is worked from its lower end: it is built upside down
    double meetOutside = 0, meetInside = 0;  ///< mm, diameters at its lower joint, where both sides must meet
};

/// A place on the inside that no straight tool comes to.
struct Unreached {
    double z = 0, r = 0;
    bool tooDeep = false;  ///< it can be seen, but lies further in than the tools reach
};

/// What of the inside between two stations the shop's straight tools, as thick as their shank and as long as their
/// reach, cannot come to through the opening at the upper station, or `fromBelow` at the lower one. Sight lines in the
/// plane of the axis, held no further off it than the tools can be: plane geometry.
std::vector<Unreached> unreached(const Polyline& inside, double z0, double z1, bool fromBelow, const Shop& shop);

/// The fewest sections, from the headstock on, whose insides can all be reached. One where nothing is hollow, where all
/// is reached, or where a layer alone cannot be.
std::vector<Section> sectionsOf(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces);

}  // namespace vl
