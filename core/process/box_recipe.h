#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// A box and its lid from one blank held by its ends: turned round, parted, the lid hollowed, the box fitted to it, the
/// outside turned as one, the fit eased, the foot last. For pieces that hasLid().
void boxRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, const WorkItem& blank,
               Recipe& recipe);

}  // namespace vl
