#pragma once

#include "core/measure/text.h"

namespace vl::words {

// The usual cautions at machines, once a day, and of what a step does, every time. The machine's manual, local rules
// and hands-on instruction come first.

inline constexpr Pattern lathesDay{"Full face shield, dust mask when sanding. No rings, sleeves, loose hair or gloves. "
                                   "Rest and jaws tight, turned by hand "
                                   "first; jaws tightened again after the first cuts and after any catch. Stand out of "
                                   "its line when it starts. No hand "
                                   "inside a closed form, none beyond the rest."};
inline constexpr Pattern sawsDay{
    "Guard on, riving knife behind the blade, push stick within reach. Nothing short or narrow is held by fingers. "
    "Unplugged before anything is reached or changed. Stand beside the line of the cut."};
inline constexpr Pattern drillsDay{
    "Work clamped, never held. No gloves, sleeves or long hair near the spindle. Key out of the "
    "chuck. Slow for wide bits, chips cleared often."};
inline constexpr Pattern planersDay{
    "Nothing shorter than the machine's least length. Fingers off both ends of the board. Never "
    "look in while it runs."};
inline constexpr Pattern sandersDay{
    "Dust extraction and mask. Small parts against a stop or in a holder, never in the fingers "
    "alone. Hands behind the work."};
inline constexpr Pattern routersDay{
    "Bit tight, work clamped, cut against the way it turns. Unplugged to change the bit. Eye and "
    "ear protection."};
inline constexpr Pattern edgesDay{
    "Work held by a clamp or a vice, not by the hand. Both hands behind the edge; a sharp one needs no "
    "force."};
inline constexpr Pattern gluesDay{"Fresh air, gloves, eyes protected. Squeeze-out wiped before it sets."};
inline constexpr Pattern finishDay{"Fresh air, no flame, gloves. Rags flat outdoors to dry: heaped they catch fire."};

inline constexpr Pattern offCenterTurns{
    "What is off its center throws the lathe: lowest speed first, nobody in its line."};
inline constexpr Pattern firstStart{"Turned by hand all the way round before it is switched on."};
inline constexpr Pattern partedFalls{
    "The part that comes free is caught with the lathe at rest: the last bit is sawn by hand."};
inline constexpr Pattern bladeUnseen{"The blade comes out where it is not looked for: both hands behind the edge."};
inline constexpr Pattern restOffFirst{"Tool rest off before any sandpaper. No paper wrapped round a finger."};
inline constexpr Pattern smallAtSaw{
    "Small parts jump: a stop that is clear of the blade, a hold-down, the offcut left lying until "
    "the blade stands."};
inline constexpr Pattern bitsGrab{"Bits grab as they come through: scrap behind, slow at the end."};
inline constexpr Pattern gluesBond{"Thin glue runs and bonds skin at once; its fumes sting."};

}  // namespace vl::words
