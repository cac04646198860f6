#pragma once

#include "core/blank/recipe.h"

namespace vl {

/// A recipe in an order in which it can be done, with times in minutes from the start.
struct Schedule {
    std::vector<size_t> order;       ///< indices into the recipe
    std::vector<double> start, end;  ///< by recipe index; end includes the waiting
    double workMinutes = 0;
    double length = 0;        ///< until the last step ends
    double criticalPath = 0;  ///< the longest chain of steps that wait on one another
};

/// Orders the steps so that each comes after what it needs (Boost.Graph topological sort; among steps that are ready, the one
/// that the longest chain hangs on) and times them for one pair of hands: work is one step at a time, waiting runs beside.
/// Throws InputError where a step names one that is not there, or the steps need one another in a circle.
Schedule scheduleRecipe(const Recipe& recipe);

}  // namespace vl
