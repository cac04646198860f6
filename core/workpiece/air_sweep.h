#pragma once

#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// Where half of a turn is air: from the radius inside which wood is met all round to the farthest corner, wing or high
/// place of a bark rim, mm. Both 0 for round work.
Range airSweep(const Piece& piece, const TurnedSurfaces& surfaces);

}  // namespace vl
