#pragma once

#include "core/piece/shop/shop.h"
#include "core/recipe/bench.h"
#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// A block from its first mount to the piece: outside and foot on the screw or between centers, reversed, hollowed,
/// reversed once more for the foot, in the order of the turner's method. `corner`: radius of the blank's farthest
/// corner, mm.
void blockRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, double corner,
                 const WorkItem& blank, Recipe& recipe);

}  // namespace vl
