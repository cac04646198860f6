#pragma once

#include "core/plan/schedule/shop_hours.h"
#include "core/recipe/step.h"

#include <optional>

namespace vl {

/// A recipe in an order in which it can be done, in the shop's hours and with its clamps; times in minutes from the
/// start.
struct Schedule {
    std::vector<size_t> order;       ///< indices into the recipe, as the steps begin
    std::vector<double> start, end;  ///< by recipe index; end includes the waiting
    std::vector<std::vector<TimeSpan>>
        work;  ///< by recipe index: when hands are at it; more than one where closing time comes between
    std::vector<bool> critical;  ///< by recipe index: on the longest chain of steps that wait on one another
    std::vector<bool> done;      ///< by recipe index
    double begins = aMonday;     ///< minutes since 1970-01-01 00:00 of the shop's own clock at which time 0 is
    double workMinutes = 0;
    double length = 0;        ///< until the last step ends
    double criticalPath = 0;  ///< the longest chain by itself, closing times in it
    double lowerBound = 0;    ///< no schedule is shorter: critical path, or the busiest of hands, clamps and lathe
    std::string busiest;      ///< what the bound comes from: "chain", "hands", "lathe", "band clamp" …
};

/// Orders the steps so that each comes after what it needs (Boost.Graph topological sort) and times them by list
/// scheduling, the step with the longest chain behind it first (Kolisch's serial scheme), then again in other orders as
/// long as the lower bound is not reached. One pair of hands, in the shop's hours; work on glue is never broken off,
/// other work may go on the next day; a clamp, a plate and the lathe are held while glue sets in them, as many at once
/// as the shop has. Steps that are done stay when they were; the rest begins at `now` (minutes from the start) or when
/// the turner moved them to. Throws InputError where a step names one that is not there, or the steps need one another
/// in a circle.
Schedule scheduleRecipe(const Recipe& recipe, const Shop& shop = {}, const Progress& progress = {}, double now = 0);

}  // namespace vl
