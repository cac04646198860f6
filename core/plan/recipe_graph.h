#pragma once

#include "core/plan/schedule/schedule.h"

namespace vl {

/// Where the recipe's picture puts each step: parts flow from the left into rings, rings into sections, sections into
/// the piece.
struct RecipeGraph {
    std::vector<int> column;  ///< by recipe index: how many steps must come before, along the longest chain
    std::vector<int> row;  ///< by recipe index: the layer's row; what belongs to the stack lies in its own rows below
    std::vector<std::pair<size_t, size_t>> edges;  ///< from → to
    int columns = 0, rows = 0;
};

/// `layers` is how many the piece has. Steps on the stack are pulled left no further than what they need, so that a
/// ring's own work stands close to the joint that takes it in.
RecipeGraph layOut(const Recipe& recipe, int layers);

}  // namespace vl
