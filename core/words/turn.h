#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is done on the lathe, from the waste block to the finished piece.

inline constexpr Pattern forSection{" for section %1"};
inline constexpr Pattern wasteBlock{"Turn a waste block true on the faceplate%1"};
inline constexpr Pattern builtOnIt{"the whole stack is built on it; what is not flat here is not flat anywhere"};
inline constexpr Pattern scrapFlat{
    "sound scrap of even grain, Ø %1, %2 thick, a tenon of Ø %3 and %4 high for the chuck; its face flat across"};
inline constexpr Pattern glueBlock{"Turn a glue block true on the faceplate%1"};
inline constexpr Pattern hardBlock{
    "hard even wood, Ø %1, %2 thick, a tenon of Ø %3 and %4 high for the chuck; its face dead flat, scraped "
    "clean: the whole of it must touch"};
inline constexpr Pattern tenonPiece{"Turn the tenon to be glued on%1"};
inline constexpr Pattern tenonShort{"a tenon in the chuck hangs over less than a block does"};
inline constexpr Pattern tenonHardwood{
    "hardwood, its grain across the axis as the foot's, Ø %1, %2 thick, a tenon of Ø %3 and %4 high for the jaws; "
    "its face flat"};
inline constexpr Pattern offGlueBlock{"Take the piece off its glue block and finish the foot"};
inline constexpr Pattern caughtBelow{
    "lathe at rest, a padded box or the other hand below it: when the joint lets go it drops; released as its glue "
    "asks; "
    "then the foot is scraped clean, or turned with the rim in a padded jam chuck and the tailstock up"};
inline constexpr Pattern blockLetGo{"lathe at rest, tailstock up: the block's joint released as its glue asks, the "
                                    "block caught; what is left of it turned "
                                    "off lightly"};
inline constexpr Pattern partOffTenon{"Part off from the tenon and finish the foot"};
inline constexpr Pattern mountCenters{"Mount %1 between centers"};
inline constexpr Pattern endsHold{"held by its two ends it runs true and can be turned end for end"};
inline constexpr Pattern spurAndCup{"spur driven in square to the grain on its mark, live cup at the other end; "
                                    "tailstock locked, turned by hand first"};
inline constexpr Pattern conesInBore{
    "cones in the bore at both ends, snug and no more: a cone wedges the wood apart; turned by hand first"};
inline constexpr Pattern boreForTube{
    "Clamp the blank upright in a vise at the drill press. Bore %1 through it, no faster than %2. Draw the bit back "
    "every 10 mm and clear the chips. Feed slowly where it comes out."};
inline constexpr Pattern glueTube{"Glue the tube into the bore"};
inline constexpr Pattern tubeCarries{"The tube carries the wall: it is in before that is turned thin."};
inline constexpr Pattern glueTubeWay{
    "Roughen the tube, %1, %2 long, with paper. Close its ends with wax. Spread glue in the bore and on the tube. Turn "
    "the tube as you push it in, until it stands %3 inside both ends."};
inline constexpr Pattern leaveTube{"Leave the tube to set"};
inline constexpr Pattern squareToTube{"Square both ends to the tube"};
inline constexpr Pattern endsRunTrue{"The bushings bear on the ends: what is not square turns out of round."};
inline constexpr Pattern squareWay{
    "Set a barrel trimmer with a pilot that fits the tube, or hold the barrel on a pin before a disc sander. Take wood "
    "off each end until the edge of the tube shines all round, and no further. Check with a square."};
inline constexpr Pattern mountOnMandrel{"Mount the barrel on its mandrel"};
inline constexpr Pattern trueToTube{"Held by its tube, it runs true to what goes into it."};
inline constexpr Pattern onMandrel{
    "Slide the barrel onto the mandrel between its bushings, %1 and %2. Tighten the nut by hand. Bring the live center "
    "up lightly: a mandrel that bows turns the barrel out of round. Spin the work by hand one full turn before you "
    "switch on."};
inline constexpr Pattern toBushings{"Stop where the wood is flush with the bushing at each end."};
inline constexpr Pattern boreBeforeMounting{
    "before it is mounted, while both ends are free: the bore is what the outside is then made true to"};
inline constexpr Pattern trimSheet{"Trim %1 flush and open its middle"};
inline constexpr Pattern centerFound{
    "the cone must find the center's mark that the sheet covers; a sheet is never faced"};
inline constexpr Pattern knifeAndAwl{
    "lathe at rest; knife along the edge from the sheet's face; the middle cut out down to the center's mark"};
inline constexpr Pattern fromFreeEnd{
    "from the free end, bit in the tailstock's chuck, down into the block; slow, clear the chips often"};
inline constexpr Pattern turnedOut{
    "too wide for a bit: a starting hole from the free end, then turned out in light cuts with the rest close"};
inline constexpr Pattern sawEnds{"Part the waste off both ends"};
inline constexpr Pattern endsHeldTrue{"last: until now the ends held the piece true"};
inline constexpr Pattern finishRings{"Finish the %1 rings, inside and edges"};
inline constexpr Pattern edgesAndInside{"the parted faces and the inside are rough, and the inside is what is felt"};
inline constexpr Pattern holdRingsOutside{"Hold each ring by its outside in padded jaws"};
inline constexpr Pattern ringsInJaws{
    "Line the jaws with leather or foam. Close them on the ring's outside, no harder than it takes to drive it. Spin "
    "the work by hand one full turn before you switch on."};
inline constexpr Pattern ringsInsideWay{
    "Round the inner edge, and sand the inside through the grits. Turn the ring over in the jaws for the other edge. "
    "Take the rings one after another."};
inline constexpr Pattern holdRingsInside{"Hold each ring from inside on an expanding mandrel"};
inline constexpr Pattern outsideWasHeld{"The jaws stood where the outer edges are."};
inline constexpr Pattern ringsOnMandrel{
    "Turn a wooden mandrel with a slit and a cone to fit the ring's inside. Open it until it drives the ring, and no "
    "harder. Bring the tailstock up against the cone."};
inline constexpr Pattern finishRingEdges{"Round the outer edges of the %1 rings"};
inline constexpr Pattern ringEdgesWay{
    "Round the outer edge, and sand it through the grits. Turn the ring over for the other edge. Take the rings one "
    "after another."};
inline constexpr Pattern partDown{"Part %1 down to %2"};
inline constexpr Pattern tooThinAlone{"a ring this thin cannot be flattened and glued by itself; thick, it can"};
inline constexpr Pattern partFromFarFace{
    "thin parting tool from the outside in, %1 from the far face; what comes off is the next thin ring"};
inline constexpr Pattern trueFace{"True the face of %1 on the lathe"};
inline constexpr Pattern squareFromBlock{"flat and square to the axis, to %1 from the waste block"};
inline constexpr Pattern boardOnFace{"sanding board held against the turning face, check with a straightedge"};

// A ring that gives both ends
inline constexpr Pattern otherFace{"Flatten the other face of %1, parallel to the first"};
inline constexpr Pattern tapeNeedsFlat{"tape holds only where the whole face touches"};
inline constexpr Pattern tapeBetween{"Tape %1 between the two blocks"};
inline constexpr Pattern bothCentered{
    "between headstock and tailstock both halves are centered and square before they part"};
inline constexpr Pattern freshTape{
    "fresh double-sided tape, all faces free of dust and unfinished; centered on the block in the headstock by a "
    "pencil "
    "circle, the other block centered on it by the live center in its middle; left pressed by the tailstock for five "
    "minutes, turned by hand first"};
inline constexpr Pattern partEndRings{"Part the ring through into %1 and %2"};
inline constexpr Pattern bothMounted{
    "each half stays on its own block: the first layer and the last, ready to be built on"};
inline constexpr Pattern partBetweenBlocks{
    "%1 from the headstock's block, %2 from the other, %3 tool between; lowest speed, tailstock up all the time, light "
    "cuts: the tape carries this and no more; stopped while a thin skin still holds, which is sawn through by hand "
    "with the lathe at rest and the far half held"};
inline constexpr Pattern halfToBlock{"Glue %1 to the block it stands on%2"};
inline constexpr Pattern tapeCarriesNoMore{"under truing, hollowing and a catch tape lets go: from here on glue holds"};
inline constexpr Pattern backBetweenStops{
    "three scraps stuck to the block with hot melt close round it keep its place; lifted off, tape peeled, both faces "
    "wiped clean of "
    "it; glued back between the scraps, pressed by the tailstock; then the scraps knocked off and the block turned "
    "down to the ring"};

// Spindles
inline constexpr Pattern turnTenons{"Turn %1 round and its tenons"};
inline constexpr Pattern tenonsHoldStem{"a tenon in a hole holds on long grain; end grain by itself does not"};
inline constexpr Pattern tenonsTo{"slowly until it is round; tenons Ø %1 by caliper, %2 between the shoulders"};
inline constexpr Pattern tenonsTrueToEachOther{"Between centers both tenons come on one axis."};
inline constexpr Pattern lowerTenon{"the lower %1 long"};
inline constexpr Pattern upperTenon{"the upper %1 long"};
inline constexpr Pattern shouldersUndercut{"shoulders a little hollow, so that their edges close"};
inline constexpr Pattern tenonToHole{"Turn the tenon at the %1 to fit its hole of %2"};
inline constexpr Pattern tenonFitsLast{"turned last it is still round and true when it is glued"};
inline constexpr Pattern tenonSizes{
    "Ø %1 at the shoulder, %2 at the tip, over %3: by caliper to a little over, then in light cuts"};
inline constexpr Pattern tenonTried{
    "tried in its own hole or in one drilled in scrap with the same bit: lathe at rest, tailstock drawn back, work "
    "between centers taken out; pushed on by hand, then back in the same place for the next cut"};
inline constexpr Pattern tenonTriedLater{"this end is held, nothing is tried on it here: by caliper alone, and tried "
                                         "once the piece is off the lathe, eased "
                                         "by hand with a file"};
inline constexpr Pattern holeDeeper{"the hole %1 deep at least, so that the glue has somewhere to go"};
inline constexpr Pattern tenonNotSanded{"no sandpaper on the tenon"};
inline constexpr Pattern drillForTenon{"Drill %1 for the tenon of %2"};
inline constexpr Pattern drillInPlace{
    "in place on the lathe the hole is true to the axis, whatever the layers below have done"};
inline constexpr Pattern drillBeforeStack{"the hole must be there before the layer is glued on"};
inline constexpr Pattern bitInTailstock{
    "bit of %1 in the tailstock's chuck, slowly, %2 deep by a mark on the bit, clear the chips often"};
inline constexpr Pattern bitAtPress{
    "work clamped at the drill press, bit of %1 on the center's mark, %2 deep from the face that goes onto the tenon"};

inline constexpr Pattern turnInside{"Turn the inside of section %1"};
inline constexpr Pattern noToolLater{"once the next section is on, no straight tool comes here"};
inline constexpr Pattern insideFromBelow{
    "from %1 to %2; at its lower face the inside is %3 wide, to meet the section below"};
inline constexpr Pattern insideByStations{"from %1 to %2, wall by caliper at each station"};
inline constexpr Pattern sandInside{"Sand the inside of section %1"};
inline constexpr Pattern canBeFelt{"it cannot be seen later, but it can be felt"};
inline constexpr Pattern sealInside{"Seal the inside of section %1"};
inline constexpr Pattern pullsWall{"bare wood inside and finish outside pull the wall to one side"};
inline constexpr Pattern oneThinCoat{
    "one thin coat; mask the joint's face, glue does not hold on finish; fresh air, and gloves"};
inline constexpr Pattern partSectionBlock{"Part section %1's waste block off"};
inline constexpr Pattern footAlone{"from now on it runs from the foot's block alone"};
inline constexpr Pattern partingTailstock{"parting tool, tailstock up"};

inline constexpr Pattern wasteStaysWide{"Leave the waste at the slender end %1 or wider: a center stands on it."};
inline constexpr Pattern roughOutside{"Turn the outside round and close to the template"};
inline constexpr Pattern strongestThick{"the work is strongest while it is still thick inside"};
inline constexpr Pattern lowestSpeed{
    "turned by hand first; the lathe's lowest speed until it is round, then raised until it shakes and backed off"};
inline constexpr Pattern boreThrough{"Bore through, %1"};
inline constexpr Pattern boreFirst{"before the outside is finished: the bore is what the outside is then made true to"};
inline constexpr Pattern fromBothEnds{"from both ends to the middle, clear the chips often, slow"};
inline constexpr Pattern depthReached{"the depth rod touches the floor it is set for"};
inline constexpr Pattern roughWet{"Turn it rough, wet, to Ø %1"};
inline constexpr Pattern wetMoves{"wet wood goes out of round as it dries: what is left is turned away then"};
inline constexpr Pattern bendsNotCracks{"slowly, thin wood bends instead of cracking"};
inline constexpr Pattern hollowWet{"Hollow it rough to a wall of %1"};
inline constexpr Pattern evenWallDries{"a wall that is even all over dries evenly and does not crack"};
inline constexpr Pattern floorAsThick{"floor and wall alike, %1; no thin place, no torn end grain left"};
inline constexpr Pattern wallIsEven{"the caliper finds the same wall from rim to floor"};
inline constexpr Pattern waxIt{"Wax it, weigh it and write wood, date and weight on it"};
inline constexpr Pattern waxWay{
    "end grain inside and outside waxed or painted, the rest left bare; on edge, air all round, no "
    "sun, no heater"};
inline constexpr Pattern bagIt{"Weigh it, write the weight on it and put it in a paper bag"};
inline constexpr Pattern bagWay{
    "the bag closed, its own shavings round it, turned inside out and dried every few days; looked "
    "at for mold"};
inline constexpr Pattern driesEvenly{"what dries faster outside than inside cracks"};
inline constexpr Pattern waitUntilDry{"Let it dry to %1 %"};
inline constexpr Pattern weighItWeekly{
    "about %1 days by the wood's thickness, and no longer than it takes: weighed every week, it is ready when it stays "
    "as heavy for two weeks and the meter says so"};
inline constexpr Pattern mountOval{"Hold the dried blank by its rim"};
inline constexpr Pattern driedOval{
    "it is oval now: foot and outside are turned round again before anything grips them"};
inline constexpr Pattern mountOvalWay{"its hollow over a jam chuck of Ø %1, no wider than the oval is narrow, with a "
                                      "soft pad, tailstock up in the tenon's own "
                                      "center; slowest speed, turned by hand first: it runs out of true"};
inline constexpr Pattern sandOval{"Sand it by hand"};
inline constexpr Pattern sandOvalWay{"off the lathe: it dried oval, and no turning paper follows that"};
inline constexpr Pattern hollow{"Hollow to the stations"};
inline constexpr Pattern bothRoughed{"both sides are roughed before either is finished: wood moves as it is opened"};
inline constexpr Pattern byCaliper{"wall by caliper at each station, from the rim inwards"};
inline constexpr Pattern depthRod{"depth: a straight block across the rim, a rod through it set to stand out %1; when "
                                  "it touches, %2 of wood are still "
                                  "left over the floor for the last cuts",
                                  Pattern::Check};
inline constexpr Pattern goNoGo{"a card notched %1 and %2: the first goes over it, the second does not",
                                Pattern::Check};
inline constexpr Pattern finishWall{"Finish the wall to the template"};
inline constexpr Pattern finishInside{"Finish the inside"};
inline constexpr Pattern shapeHasMoved{"the last cuts go on a shape that has already moved"};
inline constexpr Pattern postStands{
    "Leave a post of %1 standing in the middle, its end %2 below the rim. Measure the depth beside it."};
inline constexpr Pattern lightCuts{"light cuts, sharp edge"};
inline constexpr Pattern sand{"Sand"};
inline constexpr Pattern throughGrits{"through the grits, none left out"};
inline constexpr Pattern restOff{"tool rest taken off first; dust extraction and mask", Pattern::Safety};
inline constexpr Pattern partRing{"Part ring %1, Ø %2 / %3"};
inline constexpr Pattern outermostFirst{"the outermost first: what is left stays held in the middle"};
inline constexpr Pattern groove{
    "groove from Ø %1 in to Ø %2, %3 tool, in steps, widened a little so that the blade does not bind; "
    "stopped while a thin skin still holds the ring, which is cut through by hand with the lathe at rest"};
inline constexpr Pattern putOnFinish{"Put on the finish"};
inline constexpr Pattern samePace{"all its faces alike, so that they take up moisture at the same pace"};
inline constexpr Pattern oilyRags{"spread oily rags flat outdoors to dry: heaped, they can catch fire by themselves",
                                  Pattern::Safety};
inline constexpr Pattern partOff{"Part off from the waste block and finish the foot"};
inline constexpr Pattern tenonHeldTrue{"last: until now the tenon held the piece true"};
inline constexpr Pattern blockHeldTrue{"last: until now the block held the piece true"};
inline constexpr Pattern cutToBore{"light cuts square to the axis, not quite down to the bore; lathe at rest, the rest "
                                   "sawn by hand; then hand sanding"};
inline constexpr Pattern partingThenHand{"parting tool, tailstock up, until a neck as thick as a thumb is left; lathe "
                                         "at rest, the neck sawn by hand with the "
                                         "piece held in the other; then hand sanding"};

// One block, turned from both sides
inline constexpr Pattern leavesNothing{"leaves nothing: the tenon is turned off, the foot a little hollow"};
inline constexpr Pattern leavesRecess{"leaves the recess: kept as an ornament, or covered by a thin disc"};
inline constexpr Pattern leavesHoles{"leaves screw holes: turned off with the waste, or plugged"};
inline constexpr Pattern cornersSweep{
    "between a radius of %1 and %2 it is seen only as a shadow: rest clear of it, its sweep marked on the rest, hands "
    "behind the mark, never a finger near the edge while it turns",
    Pattern::Safety};
inline constexpr Pattern barkFlies{"Bark that is loose flies off: bind its edges with thin CA and let that set, or "
                                   "take the bark off, before you turn.",
                                   Pattern::Safety};
inline constexpr Pattern thinBand{"Bring what is half air to its thickness, from a radius of %1 to %2"};
inline constexpr Pattern tipBearsNoMore{
    "The wood further in is still solid and carries the wing. Once it is thin it bears no second cut."};
inline constexpr Pattern thinBandWay{
    "Cut the wing to its final thickness in this band, with its last cut, and leave everything further in thick. Take "
    "the lightest cuts, bevel rubbing, with a freshly sharpened tool."};
inline constexpr Pattern withinRadius{
    "Hollow only within a radius of %1: the wings further out are finished, and bear no second cut."};
inline constexpr Pattern lightCutsInwards{"Take light cuts with a sharp edge, from where the finished wings begin "
                                          "inwards. Only scrape the change from one to "
                                          "the other, lightly."};
inline constexpr Pattern mountScrew{"Mount the block on the worm screw"};
inline constexpr Pattern mountFaceCenters{"Mount the block between centers, its faces to them"};
inline constexpr Pattern outsideFirst{
    "the outside and the foot are turned first: everything later is held by the foot"};
inline constexpr Pattern screwInRim{
    "on the face that becomes the rim, in its middle, where the hollow takes the hole away; flange of %1 flat against "
    "the wood, hole %2 deep; tailstock up; turned by hand first, clear of rest and bed"};
inline constexpr Pattern spurInRim{
    "spur on the face that becomes the rim, live cup on the foot's; diagonals give the middle of a square face; "
    "tailstock locked, turned by hand first, clear of rest and bed"};
inline constexpr Pattern spurInBark{
    "on the bark side a flat for the spur, cut with a chisel or a wide bit through the bark into sound wood, in the "
    "middle of what becomes the rim; live cup on the flat face; tailstock locked; high and low places of the rim "
    "balanced by moving the spur; turned by hand first, clear of rest and bed; loose bark off, or bound with thin CA"};
inline constexpr Pattern mountVessel{"Mount the blank between centers, rim to the headstock"};
inline constexpr Pattern footThenFreeEnd{
    "The foot’s grip is turned here: from then on it holds the piece, and the rim’s end is free for the tools."};
inline constexpr Pattern spurInRimEnd{"Drive the spur square into the middle of the end that becomes the rim. Bring "
                                      "the live cup up at the foot’s end and "
                                      "lock the tailstock. Spin the work by hand one full turn before you switch on."};
inline constexpr Pattern startBore{"Bore the starting hole, Ø %1"};
inline constexpr Pattern endGrainFromMiddle{
    "End grain is hollowed from the middle out: the hole is where the tool begins, and it sets the depth."};
inline constexpr Pattern faceRimEnd{"Draw the tailstock back and turn %1 off the rim’s end, flat."};
inline constexpr Pattern startBoreWay{
    "Put a %1 bit in the tailstock’s chuck. Bore %2 deep by a mark on the bit, at %4 or slower, and clear the chips "
    "often. %3 of wood are left over the floor."};
inline constexpr Pattern fromHoleOutwards{
    "Cut from the hole outwards, a little deeper each time, with the rest close to the work. Stop the lathe to measure "
    "the wall by caliper at each station."};
inline constexpr Pattern hollowToWaste{
    "Stop %1 deep: %2 of waste still close the bore, and hold the ring until it is parted off."};
inline constexpr Pattern partRingOff{"Part the ring off its waste"};
inline constexpr Pattern wasteHasClosedBore{"Until now the waste closed the bore and held the piece."};
inline constexpr Pattern partRingWay{
    "Start at the lathe’s lowest speed. Part along the foot, %1 of waste on the chuck’s side, with a narrow tool. Stop "
    "while a thin skin still holds the piece. With the lathe at rest cut the skin through by hand."};
inline constexpr Pattern mountRingForFoot{"Hold the ring by its rim, foot outward"};
inline constexpr Pattern partedFaceRough{"The parted face is rough, and its edges are felt."};
inline constexpr Pattern ringInJam{"Turn a recess of %1 in a scrap disc and press the rim home. Tape over the joint "
                                   "all round. Spin the work by hand one "
                                   "full turn before you switch on."};
inline constexpr Pattern trueFoot{"True the foot and round its edges"};
inline constexpr Pattern trueFootWay{
    "Take light cuts at a low speed. Round both edges. Sand the face through the grits."};
inline constexpr Pattern turnFootTenon{"Turn the tenon on the foot"};
inline constexpr Pattern turnFootRecess{"Turn the recess in the foot"};
inline constexpr Pattern servesAllMounts{"one grip that serves every later mount keeps the piece true"};
inline constexpr Pattern footTenonTo{
    "%1, %2 high, its sides to the jaws' own angle; a flat shoulder round it for the jaws' faces: the shoulder, not "
    "the tenon's end, sits on the chuck"};
inline constexpr Pattern footRecessTo{
    "%1, %2 deep, its wall to the jaws' own angle, its floor flat; sound wood all round it"};
inline constexpr Pattern nubUnderCup{"Leave a nub of Ø %1 standing under the live cup."};
inline constexpr Pattern cutNub{"Cut the nub out of the recess"};
inline constexpr Pattern jawsNeedFloor{"The jaws go in where it stands."};
inline constexpr Pattern cutNubWay{
    "With the lathe at rest, draw the tailstock back. Cut the nub off with a chisel, down to the floor of the recess."};
inline constexpr Pattern finishOutside{"Finish the outside to the template"};
inline constexpr Pattern outsideReached{"once it is reversed the chuck stands where the foot has to be reached"};
inline constexpr Pattern sandOutside{"Sand the outside"};
inline constexpr Pattern sharpen{"Sharpen the gouge"};
inline constexpr Pattern lastCutsSharp{"the last cuts take off the marks of all before them: only a fresh edge does"};
inline constexpr Pattern byTheGrinder{"lathe at rest; eye protection at the grinder too", Pattern::Safety};
inline constexpr Pattern reverse{"Reverse the piece onto its foot"};
inline constexpr Pattern insideFree{"held by the foot, the rim and the whole inside are free"};
inline constexpr Pattern jawsOnFoot{
    "jaws closed on the tenon, %1, %2 high, its shoulder hard against them; brought up with the tailstock so that it "
    "sits square, tailstock left up while the middle stands; turned by hand first"};
inline constexpr Pattern withJaws{"in the %1"};
inline constexpr Pattern jawsInFoot{
    "jaws opened in the recess, %1, %2 deep: firmly, not hard, a recess splits; brought up with the tailstock; turned "
    "by hand first"};
inline constexpr Pattern onFaceplate{
    "faceplate on the foot, screws on a circle of %1, %2 into the wood that is turned off or plugged later; all holes "
    "used, screws for wood, not for plaster board"};
inline constexpr Pattern mountFaceplate{"Mount the blank on the faceplate by its foot"};
inline constexpr Pattern oneHoldForBoth{"The faceplate holds it for the outside and the inside: it is mounted once."};
inline constexpr Pattern tailstockForOutside{
    "Bring the tailstock up for the outside, and draw it back for the inside. Spin the work by hand one full turn "
    "before you switch on."};
inline constexpr Pattern thinLast{"thin wood moves and sings: what is thin is finished at once and not touched again"};
inline constexpr Pattern roomForPost{"Bore the middle of what holds it deeper than %1, so that the post hangs free."};
inline constexpr Pattern recessFoot{"Recess the foot"};
inline constexpr Pattern nubUnderCenter{"Leave a nub under the live center while you turn the recess."};
inline constexpr Pattern recessTheFoot{"Recess the foot to %1, %2 deep, from its ring inwards."};
inline constexpr Pattern standsInRecess{"Leave %1 standing in the middle of the recess."};
inline constexpr Pattern hollowRoundPost{"Hollow the dish round the post"};
inline constexpr Pattern hollowRimEnd{"Hollow the rim\u2019s end"};
inline constexpr Pattern roundPostWay{
    "Hollow from %1 towards the post, a little at a time. Leave the post at %2, and make its last cut while its foot "
    "is still thick."};
inline constexpr Pattern rimEndWay{"Hollow out to %1, a little at a time."};
inline constexpr Pattern toDepth{"The depth from the rim is %1.", Pattern::Check};
inline constexpr Pattern turnUnder{"Turn under the overhang, down to %1"};
inline constexpr Pattern turnUnderWay{
    "Turn away the wood under the overhang between stations %1 and %2, down to %3, with a bent or undercutting tool. "
    "Cut from the overhang\u2019s edge inwards. Stop the lathe to measure."};
inline constexpr Pattern mountForFoot{"Reverse the piece for the foot"};
inline constexpr Pattern tenonHasServed{"What held the foot has served."};
inline constexpr Pattern inJam{"rim in a recess turned to it in a scrap disc, %1, snug by hand, tape over the joint "
                               "all round; tailstock up with a "
                               "block over the tenon; light cuts at a low speed"};
inline constexpr Pattern onCushion{"inside over a rounded form with a cushion of foam or leather, rim %1; the "
                                   "tailstock alone holds it: it stays up to "
                                   "the end, light cuts at a low speed"};
inline constexpr Pattern inButtons{
    "buttons of the plate closed on the rim, %1; the plate's own speed limit, tailstock up as long as it can be; hands "
    "clear of the buttons: they cannot be seen as they turn"};
inline constexpr Pattern onVacuum{
    "rim on the seal, %1; gauge read before every start and watched; wood that is open in the pores or cracked leaks; "
    "tailstock up until the last"};
inline constexpr Pattern tenonOff{"Turn the tenon off and finish the foot"};
inline constexpr Pattern holesOff{"Turn the screw holes off and finish the foot"};
inline constexpr Pattern floorIsKnown{"last: the inside's floor is known now, and measured before the foot is cut"};
inline constexpr Pattern footALittleHollow{
    "Turn the foot a little hollow, so that the piece stands on its ring. Leave a nub under the live center."};
inline constexpr Pattern nubLast{"With the lathe at rest, saw the nub off by hand and pare its place level."};
inline constexpr Pattern nubForLegs{"The nub stays: it holds the work while the legs are hollowed."};

// Several axes
inline constexpr Pattern axisNamed{"%1"};
inline constexpr Pattern markCenters{"Mark all centers on both ends"};
inline constexpr Pattern centersBeforeRound{
    "both ends are flat and free now, and a center is only true on both of them"};
inline constexpr Pattern punchCenters{"the packet's two templates, full size, glued on with the true center on the "
                                      "true center and 12 o'clock to the same "
                                      "edge; head end and tail end marked; every center punched with an awl"};
inline constexpr Pattern firstCenter{"%1, first side: at the head %2 off, towards %3; at the tail %4 off, towards %5; "
                                     "from 12 o'clock, counterclockwise as "
                                     "seen from the tailstock"};
inline constexpr Pattern drawDepthLine{"Draw the depth line for %1"};
inline constexpr Pattern onlyWhileTrue{
    "only while the piece runs true can it be drawn; off its axis nothing shows how deep"};
inline constexpr Pattern pencilOnEnd{"pencil on the rest, lathe at its lowest speed"};
inline constexpr Pattern lineOnHead{"on the head end a circle with a radius of %1"};
inline constexpr Pattern lineOnTail{"on the tail end a circle with a radius of %1"};
inline constexpr Pattern noLineBetween{
    "each side is down to its line where the cut runs out over the end; in between a line would be cut away with the "
    "wood and show nothing"};
inline constexpr Pattern sidesNeedOutside{
    "The sides on other axes are measured from the finished outside, and cut while the blank is solid."};
inline constexpr Pattern mountAxis{"Mount for %1, side %2"};
inline constexpr Pattern axisMakesSide{"the side that stands farthest out is the one that this axis turns"};
inline constexpr Pattern onMarkedCenters{
    "head center %1, towards %2; tail center %3, towards %4; points well in their marks, tailstock locked; turned by "
    "hand first: rest clear of the widest sweep, the sweep's edge marked on the rest, hands behind it"};
inline constexpr Pattern onEccentric{
    "Close the eccentric chuck on the tenon, %1, %2 high, its shoulder flat against the jaws. Set the chuck %3 off. "
    "Tighten its screws. Bring the live center up where its point meets the other end. Spin the work by hand one full "
    "turn before you switch on: corners of the chuck and wood clear the rest."};
inline constexpr Pattern tiltedInJaws{
    "Tilt the tenon, %1, %2 high, in the jaws by %3 towards %4, about the place %5 along the piece. Tighten the jaws. "
    "Bring the tailstock's point up where it meets the other end. Spin the work by hand one full turn before you "
    "switch on."};
inline constexpr Pattern trueInChuck{
    "Close the chuck straight on the tenon, %1, %2 high, its shoulder flat against the jaws. Bring the live center up "
    "in its first mark. Spin the work by hand one full turn before you switch on."};
inline constexpr Pattern chuckAtZero{"Set the eccentric chuck back to 0."};
inline constexpr Pattern coneInBore{"Bring the live center's cone up in the hole"};
inline constexpr Pattern coneCarries{"bored, the piece stands out too far to be held by its tenon alone"};
inline constexpr Pattern coneInBoreWay{
    "Leave the jaws closed on the tenon, %1, %2 high. Bring the cone up snug and no more: forced in, it wedges the "
    "wood apart. Spin the work by hand one full turn before you switch on."};
inline constexpr Pattern chuckForBore{"Hold the tenon in the chuck"};
inline constexpr Pattern solidForSides{"bored now, not before: until now a center held each end"};
inline constexpr Pattern chuckForBoreWay{
    "Close the chuck straight on the tenon, %1, %2 high, its shoulder flat against the jaws. Draw the tailstock back. "
    "Nothing but the saw and the bit touch the work while it is held so."};
inline constexpr Pattern faceFreeEnd{"Saw the waste off the free end"};
inline constexpr Pattern noCenterAnyMore{"the center has served, and the hole begins in the finished face"};
inline constexpr Pattern centerHasServed{"The chuck holds it by its foot now: no center is needed there."};
inline constexpr Pattern faceFreeEndWay{
    "Lock the spindle. Saw %1 off the free end by hand, close to the line. Sand the face flat with a block."};
inline constexpr Pattern boreInChuck{
    "Set the bit in the tailstock's chuck. Bore %1 deep from the free end, no faster than %2. Draw the bit back every "
    "20 mm and clear the chips."};
inline constexpr Pattern boreBroken{"%1 of waste are left at the bore's end: they close it until they are cut off"};
inline constexpr Pattern indexHole{"%1 of %2"};
inline constexpr Pattern turnAxis{"Turn %1, side %2"};
inline constexpr Pattern caliperTells{"nothing that can be seen while it turns says how deep it is: the caliper does"};
inline constexpr Pattern mostlyAir{
    "from station %1 to %2; most of a turn is air: sharp tool, slow feed, light cuts, the lathe stopped often; done at "
    "a "
    "thickness of %3 across the piece, by caliper at station %4, lathe at rest; what stands out cannot be seen as it "
    "turns"};
inline constexpr Pattern sandAxis{"Sand %1, side %2"};
inline constexpr Pattern noWayBack{"before the axis moves: this side never runs true again, there is no coming back"};
inline constexpr Pattern blockNotFingers{
    "tool rest off; paper on a block, lathe at its lowest or at rest: fingers are caught by what stands out; dust "
    "extraction and mask",
    Pattern::Safety};
inline constexpr Pattern mountTrue{"Back on the true centers"};
inline constexpr Pattern restOnTrueAxis{"what is left to do is done on the true axis"};
inline constexpr Pattern ridgesStand{"head end to the head; turned by hand first: ridges stand out now"};
inline constexpr Pattern rimToHeadAgain{
    "Set the rim's end to the headstock, both centers in their first marks. Spin the work by hand one full turn before "
    "you switch on: ridges stand out now."};
inline constexpr Pattern mountBlockAgain{"Mount the piece on its block again"};
inline constexpr Pattern blockAgainWay{
    "Close the jaws on the block as they held it before, its shoulder flat against them. Spin the work by hand one "
    "full turn before you switch on: ridges stand out now."};
inline constexpr Pattern sweepsRadius{"the rest stands clear of a radius of %1, which it sweeps", Pattern::Safety};
inline constexpr Pattern speedBegin{"begin at %1, no faster than %2"};

}  // namespace vl::words
