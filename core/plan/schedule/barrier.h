#pragma once

#include "core/plan/schedule/schedule.h"

#include <optional>

namespace vl {

/// What a step waits for.
struct Barrier {
    size_t step = 0;         ///< by recipe index: the one that ends last of those that must be done first
    double free = 0;         ///< minutes from the start when that is over
    const PlacedBy* rule{};  ///< that places the step after it; null where it makes what the step works on
};

/// What keeps a step from beginning at a time (minutes from the start); nothing where it may.
std::optional<Barrier> barrierTo(const Recipe& recipe, const Schedule& schedule, size_t step, double minutes);

/// "It comes after …", with why; in whole sentences.
Text sayBarrier(const Recipe& recipe, const Barrier& barrier);

}  // namespace vl
