#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Ways out when something went wrong: what each is called, and how it is done.

inline constexpr Pattern plugLetIn{"A plug of Ø %1 let into the floor"};
inline constexpr Pattern plugHow{
    "held by its rim, bored clean to Ø %1 through the floor of %2; a plug of the same wood, its "
    "grain along the floor's, turned %3 thinner, glued in, cut flush when it has cured"};
inline constexpr Pattern postLetIn{"A post with a shoulder, Ø %1 on Ø %2, over the hole"};
inline constexpr Pattern postHow{
    "held by its rim, bored to Ø %2 and %3 deep from the foot's face, then clean to Ø %1 through the floor; a post of "
    "the "
    "same wood turned to both, %4 thinner, glued in with its shoulder home, cut flush inside when it has cured: the "
    "shoulder covers what is torn and takes the glue"};
inline constexpr Pattern footAdded{"A foot of %1 glued under it"};
inline constexpr Pattern footHow{"the foot flattened, a disc of Ø %1 and %2 thick glued on in the clamp, turned to the "
                                 "outline when it has cured; the piece is that much higher, the hole is covered"};
inline constexpr Pattern wallEvened{"The wall thinned to %1 all over"};
inline constexpr Pattern wallEvenedHow{
    "light cuts with a fresh edge, inside only, from the rim down; a thin place in a thick "
    "wall is where it breaks"};
inline constexpr Pattern openedThere{"A row of openings sawn through it, from %1 to %2"};
inline constexpr Pattern openedHow{
    "lathe stopped for good as soon as the wall is open; what is thin lies in the middle of an "
    "opening, turned on by hand to its place"};
inline constexpr Pattern cutDown{"Cut down to %1"};
inline constexpr Pattern cutDownHow{
    "parted square at the new rim with the tailstock's support, lowest speed, the last bit sawn "
    "with the lathe at rest; the rim sanded anew"};
inline constexpr Pattern neckFollows{"The outline drawn in to Ø %1 there"};
inline constexpr Pattern neckHow{
    "both sides of it led down to what is left in one sweep; the tailstock stays up, light cuts, "
    "lower speed"};
inline constexpr Pattern baseAnew{"A new base of %1 glued under it"};
inline constexpr Pattern baseAnewHow{
    "held by its rim, the parted face flattened with a sanding board to station %1; a disc of "
    "Ø %2, %3 thick, in the clamp until it has cured, then turned to the outline as drawn"};
inline constexpr Pattern endsThere{"It ends there: %1 lower, a floor of %2"};
inline constexpr Pattern endsThereHow{
    "held by its rim, the parted face turned a little hollow and sanded: it is the new foot"};
inline constexpr Pattern ringAnew{"Another ring, Ø %1 as glued"};
inline constexpr Pattern ringAnewHow{
    "this one turned off down to the joint below, flat again by sanding board; the new "
    "ring's stop and strip follow in Cut"};
inline constexpr Pattern drawnIn{"The outline drawn in to Ø %1 over this ring"};
inline constexpr Pattern drawnInHow{
    "half a millimeter is left on the radius to clean up; the ring is kept, what was drawn "
    "changes by %1 at the most"};
inline constexpr Pattern allGoesOn{"Everything above goes on from where it stands, %1° on"};
inline constexpr Pattern allGoesOnHow{"the pattern leans by that much from here up; no later ring is set differently"};
inline constexpr Pattern putBack{"The next ring set back by %1°"};
inline constexpr Pattern putBackHow{"only this ring stands off; the next is laid where it was drawn, %1 back from this "
                                    "one's joints round its outside"};
inline constexpr Pattern jointFilledNote{"Layer %1: an open joint filled with dust and thin CA."};
inline constexpr Pattern jointFilled{"Filled: a gap of %1"};
inline constexpr Pattern jointFilledHow{
    "its own sanding dust packed in dry, thin CA drawn in, eyes covered, window open; cut "
    "back when it is hard; it shows as a thin line"};
inline constexpr Pattern jointAnew{"Sawn apart and glued anew, Ø %1 then"};
inline constexpr Pattern jointAnewHow{"flat face down on the saw, hands clear of its line, through this joint and the "
                                      "one across it with a kerf of %1, both halves flattened "
                                      "on one sanding board, dry-fitted, glued: the ring is that much smaller"};

// Ways on from what was measured.
inline constexpr Pattern outlineNudged{"The outline stretched by %1 to the stack"};
inline constexpr Pattern nextLayerChanged{"The outline kept, the next layer changed by %1"};
inline constexpr Pattern layersToComeChanged{"The outline kept, the layers to come changed by %1 in all"};
inline constexpr Pattern floorAsItIs{"The floor left as it is, %1"};

}  // namespace vl::words
