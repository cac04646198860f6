#pragma once

#include "core/blank/construction.h"

namespace vl {

/// A measure read off the drawing, mm.
Setting measured(const char* name, double mm, int decimals = 1);

/// Whether the piece is one blank with its grain along the axis: it is held by its two ends, no block is glued on.
bool heldByItsEnds(const Piece& piece, const std::vector<Building>& buildings);

/// How a blank comes to be turned: held by its ends, on its block, or on its block with insides that are done already.
enum class Turning { BetweenCentres, OnBlock, InSections };

/// From the blank to the finished piece: mounted, turned, hollowed, sanded, finished, parted off, or parted into rings.
void turnRecipe(const Piece& piece, const Shop& shop, const Sides& sides, const Thing& blank, Turning how,
                Recipe& recipe);

}  // namespace vl
