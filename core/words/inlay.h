#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is let in, filled, opened and fitted.

inline constexpr Pattern inTheBlank{"at station %1, marked on the blank's faces from the foot's end; clamped in a V "
                                    "cradle or between stops at the drill "
                                    "press, at every angle: never held by hand; a wedge for what does not lie square"};
inline constexpr Pattern whileItIsBlank{"what is turned through afterwards shows its own shape on the surface"};
inline constexpr Pattern rightThroughBlank{
    "right through the blank: from both faces to the middle, or with scrap clamped "
    "behind it"};
inline constexpr Pattern belowFinished{
    "%1 below the finished surface, and what the blank stands over it there; %2 stay "
    "under its point"};
inline constexpr Pattern glueRods{"Glue %1 into the holes of %2"};
inline constexpr Pattern curedFirst{"nothing is drilled across a rod before it has set: the bit would turn it"};
inline constexpr Pattern rodWay{
    "rod of Ø %1, measured, its end rounded and a groove down its side for the air; glue in the hole, not on the rod; "
    "metal roughened and wiped first; pushed in turning, cut %2 longer than its hole; sawn off flush before anything "
    "is "
    "turned, what stands out catches"};
inline constexpr Pattern leaveRods{"Leave the rods in %1 until they are held"};
inline constexpr Pattern leaveHalves{"Leave the halves in the clamp"};
inline constexpr Pattern inTheMiddle{
    "in the middle of its face: bit in the tailstock's chuck, lathe at its lowest speed, fed slowly, "
    "backed out often"};
inline constexpr Pattern middleOnPress{
    "Stand the piece rim down on a padded board at the drill press, its axis upright, and clamp it. Set the bit on the "
    "center's mark. Back the bit out often"};
inline constexpr Pattern mouthTowards{"its mouth towards the %1"};
inline constexpr Pattern soakedJoint{
    "thin CA run into its joint once it is cut flush: a rod that is turned through at a "
    "slant is held by little; fresh air, eye protection"};
inline constexpr Pattern packPlug{"Pack %1 into the holes of %2"};
inline constexpr Pattern nipCorners{"Nip the corners to a radius of %1"};
inline constexpr Pattern clearTheBed{"what does not turn clears the bed and the rest"};
inline constexpr Pattern nipWay{
    "a circle of that radius struck on the face; corners off at the bandsaw on the flat face, "
    "hands beside the line"};

inline constexpr Pattern turnGroove{"Turn the groove of %1"};
inline constexpr Pattern insideFirst{"before the last sanding, while its bottom can still be made flat"};
inline constexpr Pattern grooveInRim{
    "from Ø %1 to Ø %2, %3 deep; a narrow square scraper, rest close, straight in; %4 of "
    "wood stay beside or below it"};
inline constexpr Pattern grooveInWall{
    "from station %1 to station %2, %3 deep; parting tool straight in, its bottom flat; "
    "%4 of wood stay below it"};
inline constexpr Pattern openCrack{"Open %1"};
inline constexpr Pattern soundWood{
    "filler holds on sound wood only, and a crack runs on where its end is not opened. It is filled while the wall is "
    "thick: it carries load as the wall is turned to size"};
inline constexpr Pattern openWay{"lathe at rest; cutter or knife along it to %1 across, %2 long and %3 deep, both ends "
                                 "rounded; blown out, washed with a solvent that dries first; the wall lets %4 go in "
                                 "cutting back and still holds"};
inline constexpr Pattern seal{"Seal the wood round %1"};
inline constexpr Pattern noStain{"thin CA runs into porous end grain and stains it for good"};
inline constexpr Pattern sealWay{"thinned finish or sanding sealer on both sides of it, not on its bottom; dry first"};
inline constexpr Pattern cutPieces{"Cut the %1 pieces of %2"};
inline constexpr Pattern alikeAndProud{"they stand out alike and are cut back together"};
inline constexpr Pattern piecesWay{
    "dry wood or clean rod, %1 across, sawn off to a stop at %2 from one long length; the end that is cut off is never "
    "held by fingers: a holder with a hole of its size"};
inline constexpr Pattern roughenMetal{
    "metal roughened all round and wiped; wire twisted; filed flat later, not scraped"};
inline constexpr Pattern setPieces{"Set the pieces of %1"};
inline constexpr Pattern evenGaps{"even gaps close the circle without a last one that tells"};
inline constexpr Pattern setWay{
    "marked with dividers first: %1 from each piece to the next; a drop of CA each, square to the "
    "bottom, the first towards %2"};
inline constexpr Pattern inTwoRows{"against the two edges in turn"};
inline constexpr Pattern damTape{"Dam %1 with tape"};
inline constexpr Pattern runsOut{"glue finds every way out, and the other side is finished wood"};
inline constexpr Pattern damWay{
    "packing tape over it from behind and below, pressed along its edges; an opening at its "
    "highest end"};
inline constexpr Pattern packFiller{"Fill %1"};
inline constexpr Pattern nothingSinks{"nothing sinks in any more and it stands proud"};
inline constexpr Pattern noPits{"it lies in the surface and shows no pit"};
inline constexpr Pattern noVoid{"again until nothing sinks in: a void shows as a dark spot in the finish"};
inline constexpr Pattern fillThin{
    "coarse grains first, then fine, then dust, packed dry with a stick and a little over the surface; thin CA run in "
    "at the edge until it stands; %1 fillings as a rule, %2 of filler and %3 of glue in all; left to set, no "
    "accelerator: it foams and whitens"};
inline constexpr Pattern fillMedium{
    "filler and medium CA in layers no deeper than a pencil is thick; it stays where it is put; %1 fillings as a rule, "
    "%2 of filler and %3 of glue in all; accelerator on the last one only, from a hand's length"};
inline constexpr Pattern fumes{"fresh air and a mask for fumes, eye protection; no bare hand: it bonds skin at once",
                               Pattern::Safety};
inline constexpr Pattern fromRimDown{"from the rim down in stages, each set before the next"};
inline constexpr Pattern levelInlay{"Cut %1 back level"};
inline constexpr Pattern beforeGrits{"sandpaper alone takes the wood and leaves what is harder standing"};
inline constexpr Pattern levelWay{
    "slow, light cuts with a sharp scraper from both sides towards it, until it lies in the "
    "surface; dust mask: stone, shell and metal dust"};
inline constexpr Pattern levelMetal{
    "metal filed down with the lathe at rest, piece by piece; it gets hot and draws the glue "
    "off: stop and feel; the last grit is what metal asks for"};
inline constexpr Pattern refill{"pits are filled again and cut back once more; no finer grit until there are none"};

inline constexpr Pattern punchOpenings{"Lay out %1, %2 round the wall"};
inline constexpr Pattern insideIsDone{"turned and sanded inside and out: no cloth and no finger comes to this wall "
                                      "again while it turns"};
inline constexpr Pattern punchWay{
    "the packet's template wrapped round the wall, full size, its ends at stations %1 and %2; "
    "both ends of each punched"};
inline constexpr Pattern drillOpenings{"Drill the ends of %1"};
inline constexpr Pattern roundEnds{"a saw starts in a hole, and a crack does not start at a round end"};
inline constexpr Pattern drillOpeningsWay{"Ø %1, from outside until the point just shows, then from inside on its "
                                          "mark; a form that fits the inside, clamped; "
                                          "the piece in a padded cradle, never held by hand"};
inline constexpr Pattern sawOpenings{"Saw out %1"};
inline constexpr Pattern fromHoles{"from hole to hole along the line"};
inline constexpr Pattern sawOpeningsWay{
    "fine blade, teeth towards the handle, threaded through; the wall supported right beside the cut; the frame "
    "reaches "
    "%1 down from the rim; %2 of wood stay between two openings where they come nearest, at station %3"};
inline constexpr Pattern easeOpenings{"Ease the edges of %1"};
inline constexpr Pattern sharpEdges{"sharp edges splinter and hold no finish"};
inline constexpr Pattern easeWay{
    "a radius of %1, by file and paper round a dowel, with the grain out of every corner; never "
    "with the lathe running"};

inline constexpr Pattern fitBought{"Fit %1"};
inline constexpr Pattern afterFinish{"finish and glue spoil it; it goes in last"};
inline constexpr Pattern fitWay{
    "Ø %1, %2 long, measured on the part itself before its hole is drilled; pressed or glued as "
    "it asks"};

inline constexpr Pattern halveBlank{"Saw the blank in two along the plane of its split"};
inline constexpr Pattern planeOfSplit{"that plane goes through the axis, and is the joint at the end"};
inline constexpr Pattern halveWay{"marked on both ends through the middle, twelve to six o'clock; ripped with a fence "
                                  "and a push block, then both faces planed flat: no light between them"};
inline constexpr Pattern glueWaste{"Glue the halves in the waste at both ends"};
inline constexpr Pattern wasteHolds{"what is turned between must come apart clean; the waste holds it meanwhile"};
inline constexpr Pattern glueWasteWay{
    "glue on the last %1 at each end alone, tape or paper over all the rest; middle line on "
    "both ends marked, clamped evenly"};
inline constexpr Pattern truToTemplate{
    "first a cylinder; its Ø measured, and the template cut from that Ø, not from the drawing: %1 as drawn; sides with "
    "a "
    "radius of %2; turned until no light shows on both sides of the template, from both ends; a tenth of a mm off is a "
    "step of a tenth at the joint"};
inline constexpr Pattern straightTemplate{
    "first a cylinder; its Ø measured, and the tips laid out from that Ø, not from the drawing: %1 as drawn; sides "
    "straight, a ruler tells; no light under it from end to end; a tenth of a mm off is a step of a tenth at the "
    "joint"};
inline constexpr Pattern sandLightly{
    "sanded lightly, with a block, corners not at all: what is sanded round does not meet"};
inline constexpr Pattern sawWasteOff{"Saw the waste off both ends"};
inline constexpr Pattern onlyTapeNow{"only tape or paper holds the halves now"};
inline constexpr Pattern sawWasteWay{"fine saw in a cradle, a hair outside the tips, then pared"};
inline constexpr Pattern wedgeOpen{"Open the joint and clean both faces"};
inline constexpr Pattern turnOnWay{
    "warmed or softened with the solvent of its glue, away from flames; a thin wide blade in "
    "the joint, no twisting; both faces flat and bare"};
inline constexpr Pattern rodShoulder{
    "turned with a shoulder of Ø %1, %2 long, that sits in the wider step: it cannot be pushed through"};
inline constexpr Pattern rotateHalf{"Turn one half on by %1 and glue it"};
inline constexpr Pattern alikeUnderTurn{"the outline is alike under that turn, so the two halves meet all round"};
inline constexpr Pattern bandsRound{
    "dry first: tips on tips; then little glue, bands or tape all round, tips aligned by "
    "feel before it grabs"};
inline constexpr Pattern levelJoint{"Level the joint"};
inline constexpr Pattern fingerFeels{"a finger feels a step that no eye sees"};
inline constexpr Pattern levelJointWay{"card scraper across the joint, then a block along it"};

inline constexpr Pattern acrossAndLong{"Ø %1, %2 long"};
inline constexpr Pattern byMass{"%1"};

}  // namespace vl::words
