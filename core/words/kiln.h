#pragma once

#include "core/measure/text.h"

namespace vl::words {

// The kiln: what is said of a load's schedule.

inline constexpr Pattern kilnPushed{
    "day %1: %2 at %3 °C while it is still at %4 %; %5 °C is as hot as it bears there, it may check"};
inline constexpr Pattern kilnHotter{
    "%1 at %2 °C while it is still at %3 %: %4 °C is as hot as it bears there, it may check"};
inline constexpr Pattern kilnMixed{"%1 holds the load back: by itself the rest could be dried hotter"};
inline constexpr Pattern kilnWall{"%1 is %2 thick and dries last: on the shelf with the most air"};
inline constexpr Pattern kilnOver{"over 50 °C resin runs and glue lets go: never with built-up work in it"};

}  // namespace vl::words
