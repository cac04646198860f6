#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Patterns worked backwards: what the turned surface will show, and how near that comes to what was asked.

inline constexpr Pattern squareBricks{"%1 rings of %2 segments, square on the wall"};
inline constexpr Pattern nearlySquare{"%1 rings of %2 segments, %3 % higher than wide on the wall"};
inline constexpr Pattern nearlySquareLow{"%1 rings of %2 segments, %3 % lower than wide on the wall"};
inline constexpr Pattern pointsMeet{"Points that meet: a rise of %1"};
inline constexpr Pattern pointsShort{"Points that meet at the wider end, %1 short at the other: a rise of %2"};
inline constexpr Pattern wedgesStay{"Wedges that stay to the last cut: a post of %1, a wrap of %2"};
inline constexpr Pattern wedgesGo{"Wedges that stay where it is thicker than Ø %1: a post of %2, a wrap of %3"};

}  // namespace vl::words
