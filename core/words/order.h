#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Why one operation comes before another.

inline constexpr Pattern roundFirst{"Nothing runs true on a blank that is not round yet."};
inline constexpr Pattern overhangWhileSolid{
    "The outside is finished while the wood under the overhang still carries it."};
inline constexpr Pattern weakPlacesFirst{
    "A weak place is filled and cured while the wood round it is still thick, and then turned to size with it."};
inline constexpr Pattern sandedAsItRuns{"It runs true now. Once more wood is gone it moves."};
inline constexpr Pattern sidesWhileSolid{
    "A side on another axis is struck at every turn: the wood that carries it must be solid."};
inline constexpr Pattern letInOnceShaped{"A hole or groove is measured from the finished surface."};
inline constexpr Pattern sandedOnceShaped{"No tool may cut what is sanded: the grit left in it dulls the edge."};
inline constexpr Pattern workedOnceSanded{"Turning paper would round the edges of what is cut by the index."};
inline constexpr Pattern easedLast{"Until now the snug fit has held both parts together on the lathe."};
inline constexpr Pattern finishedHeld{"The lathe holds the piece free all round while the finish goes on."};
inline constexpr Pattern heldToTheEnd{"Until now this wood has held the piece."};
inline constexpr Pattern driedWhenFree{"The foot cannot be turned true any more once the wood has dried oval."};
inline constexpr Pattern sandedWhenDry{"Wet wood clogs the paper and goes on moving."};
inline constexpr Pattern freeOfItsHold{"The wood that held the piece on the lathe is out of the way now."};
inline constexpr Pattern finishLast{"Glue does not hold on finish, and no tool may cut through it."};

inline constexpr Pattern comesAfter{"It comes after “%1”. %2"};
inline constexpr Pattern worksOnWhatGives{"It works on what “%1” gives."};

}  // namespace vl::words
