#pragma once

#include "core/measure/text.h"

namespace vl::words {

// What the shop itself has learned, and what is done when the work asks for it.

inline constexpr Pattern learnedHere{"learned here: %1"};

inline constexpr Pattern crackSeal{"Seal round the crack with thin shellac or sealer, so that glue stains no wood"};
inline constexpr Pattern crackWait{"Let the sealer dry"};
inline constexpr Pattern crackBlow{"Blow the dust out of the crack; eyes covered"};
inline constexpr Pattern crackGlue{
    "Run medium CA into it from both sides until it stands proud, lathe at rest, window open, gloves"};
inline constexpr Pattern crackSet{"Let it set without accelerator"};
inline constexpr Pattern crackCut{
    "Cut it back level, a light cut or by hand, and look again: if it is open, once more"};
inline constexpr Pattern crackOn{
    "Sand on at the same grit; a crack that runs on is looked at by hand first, lathe at rest"};

}  // namespace vl::words
