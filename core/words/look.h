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
inline constexpr Pattern spiral{
    "A spiral that climbs to the %1, rim up: each ring %2 of a segment on, %3° off the axis"};
inline constexpr Pattern toTheRight{"right"};
inline constexpr Pattern toTheLeft{"left"};
inline constexpr Pattern spiralUpsideDown{
    "rings %1 to %2 are stacked upside down and turn the same way, as seen on their open face"};
inline constexpr Pattern stripeAtRim{"%1 along the rim at its two sides: strips of %2"};
inline constexpr Pattern stripeInRim{
    "%1 in the middle of the rim at its two sides, other woods beside it: strips of %2"};

}  // namespace vl::words
