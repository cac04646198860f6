#pragma once

#include "core/plan/schedule/schedule.h"

namespace vl {

/// What is done in the shop on one day.
struct Session {
    std::vector<size_t> steps;  ///< indices into the recipe, in their order
    TimeSpan time;              ///< from the first touch to the last, minutes from the schedule's start
    double workMinutes = 0;
};

/// The next day on which something is left to do: today, or a later one. Without steps where all is done.
Session nextSession(const Recipe& recipe, const Schedule& schedule);

}  // namespace vl
