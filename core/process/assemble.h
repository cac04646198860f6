#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// The blank that the piece's layers give, one on another, each by its own construction.
Assembly assemble(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces);

}  // namespace vl
