#pragma once

#include "core/constructions/construction.h"

namespace vl {

/// A measure read off the drawing, mm.
Setting measured(const char* name, double mm, int decimals = 1);

/// Whether the piece is one blank with its grain along the axis: it is held by its two ends, no block is glued on.
bool heldByItsEnds(const Piece& piece, const std::vector<Building>& buildings);

/// How a blank comes to be turned: held by its ends, on its block, or on its block with insides that are done already.
enum class Turning { BetweenCenters, OnBlock, InSections };

/// From the blank to the finished piece: mounted, turned, hollowed, sanded, finished, parted off, or parted into rings.
void turnRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, const WorkItem& blank,
                Turning how, Recipe& recipe);

/// Says how a depth gauge of block and rod is set for the floor, and adds its settings: with 2 mm left over the floor
/// on purpose (own value). Nothing where there is no floor.
void sayDepthRod(const TurnedSurfaces& surfaces, double rim, std::vector<Setting>& settings, Text& how);

}  // namespace vl
