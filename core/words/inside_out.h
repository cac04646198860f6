#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is turned inside out.

inline constexpr Pattern cutParts{"Cut the %1 parts of %2 alike"};
inline constexpr Pattern windowsAlike{
    "every window is as wide as the parts are alike: a part that is off shows in two of "
    "them"};
inline constexpr Pattern squareParts{
    "planed square to %1 a side, all from one setting; ends square; pushed with a stick, "
    "nothing this narrow by hand"};
inline constexpr Pattern boardParts{
    "two boards planed to %1, all from one setting; as wide as both are thick together"};
inline constexpr Pattern rhombParts{
    "planed to %1 thick, ripped with the blade tilted %2 off square, both edges parallel, "
    "%3 wide on the face; a trial set closed dry"};
inline constexpr Pattern markParts{"Mark and number the parts of %1"};
inline constexpr Pattern neverMixed{"once they are reversed nothing else tells which faces belong together"};
inline constexpr Pattern numberFaces{
    "laid together as they will stand at the end, the best faces out: numbered on the ends in order round, an arrow to "
    "the headstock; the edge at the middle gets a cross: now it lies inside, at the end it lies outside"};
inline constexpr Pattern firstAssembly{"Put the parts of %1 together inside out"};
inline constexpr Pattern crossesTogether{
    "the edges with the cross stand outside now: what is turned of them becomes the "
    "windows and the hollow"};
inline constexpr Pattern paperBetween{
    "brown paper in every joint, glue on both sides of it, only as much as wets it; ends "
    "level, clamped evenly; let it set fully: paper holds turning, no catch"};
inline constexpr Pattern tapeBetweenParts{"fresh double-sided tape in every joint, free of dust; both ends bound with "
                                          "strapping tape outside the cut; gripped at both ends: slow, light cuts"};
inline constexpr Pattern hotMeltEnds{
    "hot melt in both ends outside the cut, strapping tape round them; hot glue burns: "
    "tool, not fingers; slow, light cuts"};
inline constexpr Pattern screwsInWaste{"screws across every joint in the waste at both ends, heads sunk, marked on the "
                                       "outside: no tool comes within reach "
                                       "of them"};
inline constexpr Pattern mountFirstAxis{"Mount %1 between centers for its first turning"};
inline constexpr Pattern jointsAreCenter{"the parts' common edge is the axis: both ends show it"};
inline constexpr Pattern cupOnJoint{"a cup center at both ends, no spur or cone: a point between the parts wedges them "
                                    "apart; ends bound; turned by hand first; nobody in line with it"};
inline constexpr Pattern turnFirst{"Turn the first outline of %1"};
inline constexpr Pattern becomesWindow{"what goes here is window and hollow at the end"};
inline constexpr Pattern firstOutline{
    "between station %1 and %2 only, Ø %3 there and Ø %4 in the middle; corners outside "
    "it stay square and sweep a radius of %5: rest clear, hands behind it"};
inline constexpr Pattern firstTemplate{
    "the template of the packet tells, edge on: what is off here is off in every window"};
inline constexpr Pattern sandFirst{"Sand and finish what becomes the inside"};
inline constexpr Pattern lastTimeSeen{"no sandpaper and no cloth comes in there again"};
inline constexpr Pattern maskJoints{"all grits by hand along it with the lathe off at the edges; finish on the turned "
                                    "surface only: the flat faces are masked, glue does not hold on finish"};
inline constexpr Pattern takeApart{"Take the parts of %1 apart"};
inline constexpr Pattern nothingLeft{"reversed they are turned to the outside"};
inline constexpr Pattern splitPaper{"a wide thin blade on the joint's line at an end, tapped along; paper scraped and "
                                    "planed off in one pass, the same from all"};
inline constexpr Pattern peelTape{
    "tape peeled; faces wiped with its solvent, fresh air, then dry; no more wood off than "
    "from the others"};
inline constexpr Pattern alcoholFrees{
    "alcohol run into the joint frees hot melt; away from flames; faces scraped clean"};
inline constexpr Pattern screwsOut{"screws out, counted"};
inline constexpr Pattern reassemble{"Reverse the parts of %1 and glue them"};
inline constexpr Pattern crossesInside{
    "each is turned about its own middle: the edges with the cross come together on the "
    "axis"};
inline constexpr Pattern jointsThatStay{
    "only the ends are joint: %1 square cm of glue face in all; these faces must close dry "
    "without pressure, and the window's edges stand opposite each other; little glue, "
    "none near a window, what squeezes out is picked off before it sets"};

inline constexpr Pattern windowsCome{
    "as the wall comes down to the windows the tool meets gaps that cannot be seen: sharp edge, "
    "lightest cuts, rest close, hands behind it"};
inline constexpr Pattern openWork{
    "lathe at rest: by hand with paper on a block or a stick, along every edge; no cloth, no paper and "
    "no finger at gaps that come round"};

}  // namespace vl::words
