#pragma once

#include "core/piece/shop/shop.h"
#include "core/recipe/bench.h"
#include "core/workpiece/sides.h"

namespace vl {

/// A block from its first mount to the piece: outside and foot on the screw or between centres, reversed, hollowed,
/// reversed once more for the foot, in the order of the turner's school. `corner`: radius of the blank's farthest
/// corner, mm.
void blockRecipe(const Piece& piece, const Shop& shop, const Sides& sides, double corner, const Thing& blank,
                 Recipe& recipe);

}  // namespace vl
