#pragma once

#include "core/measure/text.h"

namespace vl::words {

// What a list says that is walked at the machine.

inline constexpr Pattern atStation{"Station %1"};
inline constexpr Pattern holeOfPlate{"%1: mark %2 in hole %3"};
inline constexpr Pattern markAtAngle{"%1: mark %2 at %3"};
inline constexpr Pattern drillPoint{"%1: hole %2"};
inline constexpr Pattern setupFor{"Set the %1: %2 cuts"};
inline constexpr Pattern setupWhat{"Set the %1: %2"};
inline constexpr Pattern stripOfBoard{"Strip %1 of board %2"};
inline constexpr Pattern cutSoMany{"Cut %1: %2"};
inline constexpr Pattern openTime{"open time of %1"};
inline constexpr Pattern potLifeRuns{"what is mixed can be used"};
inline constexpr Pattern coatNumber{"%1: coat %2 of %3"};

}  // namespace vl::words
