#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is done on the lathe, from the waste block to the finished piece.

inline constexpr Pattern forSection{" for section %1"};
inline constexpr Pattern wasteBlock{"Turn a waste block true on the faceplate%1"};
inline constexpr Pattern builtOnIt{"the whole stack is built on it; what is not flat here is not flat anywhere"};
inline constexpr Pattern scrapFlat{"scrap of even grain, flat across"};
inline constexpr Pattern partDown{"Part %1 down to %2"};
inline constexpr Pattern tooThinAlone{"a ring this thin cannot be flattened and glued by itself; thick, it can"};
inline constexpr Pattern partFromFarFace{
    "thin parting tool from the outside in, %1 from the far face; what comes off is the next thin ring"};
inline constexpr Pattern trueFace{"True the face of %1 on the lathe"};
inline constexpr Pattern squareFromFoot{"flat and square to the axis, to %1 from the foot"};
inline constexpr Pattern squareFromBlock{"flat and square to the axis, to %1 from the waste block"};
inline constexpr Pattern boardOnFace{"sanding board held against the turning face, check with a straightedge"};

inline constexpr Pattern turnInside{"Turn the inside of section %1"};
inline constexpr Pattern noToolLater{"once the next section is on, no straight tool comes here"};
inline constexpr Pattern insideFromBelow{
    "from %1 to %2; at its lower face the inside is %3 wide, to meet the section below"};
inline constexpr Pattern insideByStations{"from %1 to %2, wall by calliper at each station"};
inline constexpr Pattern sandInside{"Sand the inside of section %1"};
inline constexpr Pattern canBeFelt{"it cannot be seen later, but it can be felt"};
inline constexpr Pattern allGrits{"tool rest taken off first; all grits; dust extraction and mask"};
inline constexpr Pattern sealInside{"Seal the inside of section %1"};
inline constexpr Pattern pullsWall{"bare wood inside and finish outside pull the wall to one side"};
inline constexpr Pattern oneThinCoat{
    "one thin coat; mask the joint's face, glue does not hold on finish; fresh air, and gloves"};
inline constexpr Pattern partSectionBlock{"Part section %1's waste block off"};
inline constexpr Pattern footAlone{"from now on it runs from the foot's block alone"};
inline constexpr Pattern partingTailstock{"parting tool, tailstock up"};

inline constexpr Pattern roughOutside{"Turn the outside round and close to the template"};
inline constexpr Pattern strongestThick{"the stack is strongest while it is still thick inside"};
inline constexpr Pattern lowestSpeed{"lowest speed until round"};
inline constexpr Pattern boreThrough{"Bore through, %1"};
inline constexpr Pattern boreFirst{"before the outside is finished: the bore is what the outside is then made true to"};
inline constexpr Pattern fromBothEnds{"from both ends to the middle, clear the chips often, slow"};
inline constexpr Pattern hollow{"Hollow to the stations"};
inline constexpr Pattern bothRoughed{"both sides are roughed before either is finished: wood moves as it is opened"};
inline constexpr Pattern byCalliper{"wall by calliper at each station, from the rim inwards"};
inline constexpr Pattern finishWall{"Finish the wall to the template"};
inline constexpr Pattern shapeHasMoved{"the last cuts go on a shape that has already moved"};
inline constexpr Pattern lightCuts{"light cuts, sharp edge"};
inline constexpr Pattern sand{"Sand"};
inline constexpr Pattern throughGrits{"through the grits, none left out"};
inline constexpr Pattern restOff{"tool rest taken off first; dust extraction and mask"};
inline constexpr Pattern partRing{"Part ring %1, Ø %2 / %3"};
inline constexpr Pattern outermostFirst{"the outermost first: what is left stays held in the middle"};
inline constexpr Pattern groove{"groove outside Ø %1, %2 tool, in steps, widened a little so that the blade does not "
                                "bind; catch the ring on a dowel, "
                                "not by hand"};
inline constexpr Pattern putOnFinish{"Put on the finish"};
inline constexpr Pattern samePace{"inside and outside alike, so that both take up moisture at the same pace"};
inline constexpr Pattern oilyRags{"spread oily rags flat outdoors to dry: heaped, they can catch fire by themselves"};
inline constexpr Pattern partOff{"Part off from the waste block and finish the foot"};
inline constexpr Pattern blockHeldTrue{"last: until now the block held the piece true"};
inline constexpr Pattern partingThenHand{"parting tool, then hand sanding"};

}  // namespace vl::words
