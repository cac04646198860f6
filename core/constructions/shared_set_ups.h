#pragma once

#include "core/constructions/construction.h"

namespace vl {

/// What rings and discs are to be given so that stops, widths and thicknesses that differ by no more than `within` mm
/// are set once, in the fewest groups there are for each (piercing intervals): first the stops of one mitre, then the
/// widths that these leave, where the inside has as much to spare; and the thicknesses, by a millimeter at the most,
/// which the sander takes off again. By layer.
std::vector<SharedSetUp> sharedSetUps(const Piece& piece, const std::vector<Building>& built, double within);

/// The piece with these as allowances and losses of its layers, no further than their limits.
Piece withSharedSetUps(Piece piece, const std::vector<SharedSetUp>& more);

}  // namespace vl
