#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// What a piece needs that is no board: what is bought, rods, fillers.
struct Extra {
    std::string what;  ///< "rod", "filler", "a clock"
    std::string of;    ///< its material; empty where it is a thing of its own
    int count = 1;
    Text size;
};
std::vector<Extra> extrasOf(const Piece& piece, const TurnedSurfaces& surfaces);

}  // namespace vl
