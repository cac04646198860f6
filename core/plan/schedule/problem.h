#pragma once

#include "core/plan/schedule/shop_hours.h"
#include "core/recipe/step.h"

#include <array>
#include <optional>
#include <string_view>

namespace vl {

/// The recipe as numbers: who comes after whom, and what is held how long.
struct Network {
    std::vector<std::vector<size_t>> before, after;
    std::vector<size_t> sorted;  // first things first
    std::vector<long> tied;      // the pure wait that follows a step at once, in the same clamp; −1
    std::vector<bool> tiedTo;    // is such a wait
    std::vector<double> tail;    // the chain that hangs on each step, itself in it
};

/// Throws InputError where an id is there twice or not at all, or steps need one another in a circle.
Network networkOf(const Recipe& recipe);

/// What glue sets in.
inline constexpr std::array held{Resource::Clamp, Resource::BandClamp, Resource::Plate, Resource::Lathe};

/// How many of a thing there are that glue can set in; 0: nothing is held.
int capacityOf(Resource use, const Shop& shop);

/// What is to be scheduled: the recipe's steps, whose times are fixed already, and the hours they may take.
/// Times in minutes from the start. Recipe and shop must outlive it.
struct ScheduleProblem {
    ScheduleProblem(const Recipe& recipe, const Shop& shop, const Progress& progress, double now);

    /// Whether a step may go on the next day.
    static bool breaks(const Step& s);

    const Recipe& recipe;
    const Shop& shop;
    Network net;
    double begins;
    ShopHours hours;
    std::vector<double> soonest;                ///< by step
    std::vector<std::optional<TimeSpan>> done;  ///< by step
};

}  // namespace vl
