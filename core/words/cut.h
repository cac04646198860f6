#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is done at saws, planes and sanding boards, up to a layer that is ready for the stack.

// Faces
inline constexpr Pattern flattenBoth{"Flatten both faces of %1"};
inline constexpr Pattern facesMeet{"a glue joint holds only where the faces meet everywhere"};
inline constexpr Pattern sandNoMore{
    "drum sander or sanding board, %1 each face and no more: what is taken here is missing in the height"};
inline constexpr Pattern flattenOne{"Flatten one face of %1"};
inline constexpr Pattern oneFaceForStack{
    "the face that goes onto the stack; the other is trued on the lathe once it is there"};
inline constexpr Pattern sandTake{"drum sander or sanding board, take %1"};
inline constexpr Pattern flattenEnds{"Flatten both ends of %1"};
inline constexpr Pattern squareEnds{"Square both ends of %1 and mark the centers"};

// Discs and sheets
inline constexpr Pattern cutDisc{"Cut the disc of %1"};
inline constexpr Pattern oneBoardOneWay{"one board, planed to %1, so that the growth rings run one way across it"};
inline constexpr Pattern bandsawCircle{"bandsaw, %1 circle"};
inline constexpr Pattern cutSheet{"Cut the sheet of %1"};
inline constexpr Pattern sheetOversize{"square and oversize: its edge is turned with everything else"};
inline constexpr Pattern knife{"knife and straightedge, %1 square; tape over the cut so that it does not split"};

// Blocks
inline constexpr Pattern inspectBlock{"Look %1 over before it is mounted"};
inline constexpr Pattern crackLetsGo{
    "what a crack, loose bark or a dead knot lets go flies off at the speed of the rim"};
inline constexpr Pattern foundFlaw{"found: %1, %2 across, at station %3, %4 from the axis towards %5: %6"};
inline constexpr Pattern lookForDefects{
    "all faces and both ends, in raking light: cracks, loose bark, knots, rot, insect holes; a magnet along it for "
    "metal; tapped, a sound block rings; what can let go is sawn off, filled or bound, or the block is not turned"};
inline constexpr Pattern cutBlock{"Saw %1 to size"};
inline constexpr Pattern cutLog{"Saw %1 from the log"};
inline constexpr Pattern blankNearRound{"the nearer the blank is to round, the less it shakes when it is first turned"};
inline constexpr Pattern blockSquare{"%1 thick, %2 across the grain, %3 along it; faces square to one another"};
inline constexpr Pattern blockRound{"%1 thick; bandsaw, a circle in a square of %2 by %3, flat face down on the table"};
inline constexpr Pattern billetSquare{
    "Saw the blank %1 by %2, its grain along its length of %3. Crosscut both ends square."};
inline constexpr Pattern billetRound{
    "Saw the blank %1 by %2, its grain along its length of %3, and crosscut both ends square. Saw the four corners off "
    "lengthwise, the blank in a cradle or with the blade tilted to 45°: standing on end it tips into the blade."};
inline constexpr Pattern logCrosscut{"Crosscut the log, %2 through, to a length of %3. Hold it in a cradle or clamp "
                                     "it: on the table round wood rolls into "
                                     "the blade and takes the hand with it."};
inline constexpr Pattern wasteInLength{"Of this %1 at the foot and %2 at the rim are waste for holding it."};
inline constexpr Pattern wasteForSquaring{
    "Of this %1 at the foot and %2 at the rim come off as the ends are squared to the tube."};
inline constexpr Pattern wasteAtFoot{"Of this %1 at the foot are waste for holding it."};
inline constexpr Pattern wasteAtRim{"Of this %1 at the rim are waste for holding it."};
inline constexpr Pattern logInCradle{
    "%1 thick, %2 across, %3 along; round wood is sawn only in a cradle or clamped: on the table it rolls into the "
    "blade and takes the hand with it"};

// Rings
inline constexpr Pattern cutSegments{"Cut %1 segments of %2"};
inline constexpr Pattern oneSetUpMitres{
    "all of a ring in one set-up: the same error in every mitre is one that can be measured and taken out"};
inline constexpr Pattern miterGauge{"mitre gauge %1 from square, turn the strip over after each cut, stop at %2"};
inline constexpr Pattern wedgeSled{"wedge sled set to %1, same face up throughout, stop at %2"};
inline constexpr Pattern correctedMiter{"as the trial ring has shown, set %1 instead"};
inline constexpr Pattern slantFirst{"cross-cut the panel %1 from square every %2, rip both edges square to the ends to "
                                    "%3, turn every second blank over"};
inline constexpr Pattern cutBlanks{"Cut %1 half blanks of %2 from the panel"};
inline constexpr Pattern halvesMirrored{"two halves, one turned over on the other, make the diamond"};
inline constexpr Pattern trueBlanks{"True one long face of every half blank of %1"};
inline constexpr Pattern ripPanel{"Rip the strips of the panel for %1"};
inline constexpr Pattern stripsFirst{
    "strips first: the band's two joints are long and straight, easier to close than any joint of the ring"};
inline constexpr Pattern bandAndBeside{
    "plane the band's board to %1 and those beside it to %2, then rip all to %3; a trial cut before each width"};
inline constexpr Pattern dryFit{"Dry-fit %1 and ease the cut edges"};
inline constexpr Pattern gapSeenNow{"a gap seen now is a fence correction; seen after the glue it is a gap"};
inline constexpr Pattern onDrawnCircle{"lay the segments on the drawn circle"};
inline constexpr Pattern againstLight{"band round the dry ring, look against the light"};
inline constexpr Pattern flattenOpenJoints{"Flatten the open joints of %1"};
inline constexpr Pattern halvesInPlane{"both ends of each half in one plane: the last two joints close without strain"};
inline constexpr Pattern bothEndsAtOnce{"sanding disc or board, both ends at once"};
inline constexpr Pattern flattenSegments{"Flatten both faces of the segments of %1"};
inline constexpr Pattern oneHeight{"segments of one height: the next layer touches every one of them"};
inline constexpr Pattern betweenRails{"sanding board, all together between two rails, %1 each face"};

// Staves
inline constexpr Pattern cutStaves{"Cut %1 staves of %2"};
inline constexpr Pattern oneSetUpEdges{
    "all edges in one set-up: the same error in every joint is one that can be measured and taken out"};
inline constexpr Pattern taperJig{
    "saw tilted %1, taper jig %2, wide face down; one edge of all, then the other; trial joint of two offcuts first"};
inline constexpr Pattern tiltedGauge{
    "saw tilted %1, mitre gauge %2 from square, turn the strip over after each cut; trial joint of two offcuts first"};
inline constexpr Pattern dryFitStaves{"Dry-fit %1 with tape for hinges"};
inline constexpr Pattern lastJointShows{"rolled up dry, the last joint shows the error of all"};
inline constexpr Pattern rollUp{
    "outer faces up side by side, tape across every joint, roll up, look against the light"};

// Slabs
inline constexpr Pattern ripStrips{"Rip %1 strips of %2"};
inline constexpr Pattern oneFence{"one fence setting for all of them: strips of one width meet at every crossing"};
inline constexpr Pattern fencePlaneJoint{
    "crosscut the boards to length, plane them to %2, then rip all at fence %1; edges trued as little as closes them"};
inline constexpr Pattern eachFencePlaneJoint{"crosscut the boards to length, plane them to %1, then rip each strip to "
                                             "its own width and number it; edges trued as "
                                             "little as closes them"};
inline constexpr Pattern ownWidths{
    "every leftover gives what it has: the numbers keep them in the order that was drawn"};
inline constexpr Pattern squarePanel{"Flatten and square the panel of %1"};
inline constexpr Pattern cutFollowsEdge{"a cut across follows the edge that lies on the fence"};
inline constexpr Pattern flattenTrim{"take %1 off each face, trim both ends"};
inline constexpr Pattern recutRows{"Cut the panel of %1 across into %2 rows"};
inline constexpr Pattern oneStop{"every row from one stop: rows of one width keep the crossings in line"};
inline constexpr Pattern stopNumber{"stop at %1, number the rows as they come"};
inline constexpr Pattern turnRows{"Turn every second row of %1 end for end"};
inline constexpr Pattern makesPattern{"that makes the pattern, and lets the grain's pull cancel out"};
inline constexpr Pattern evenRows{"rows 2, 4, 6 …; joint the edges where they do not meet"};
inline constexpr Pattern planerThenRound{"planer sled or drum sander, %1 each face; then bandsaw round"};

// Spindles
inline constexpr Pattern cutSpindle{"Cut the square of %1"};
inline constexpr Pattern grainAlongStem{"one piece, its grain along the axis: across it a slender part snaps"};
inline constexpr Pattern squareAndLength{"%1 square, %2 long, both ends square; diagonals for the centers"};

// A disc let in
inline constexpr Pattern cutInset{"Cut the disc to be let into %1"};
inline constexpr Pattern freeToMove{"one board: it moves across its grain and must be free to"};
inline constexpr Pattern circleSawn{"Saw a circle just outside %1 on the bandsaw."};
inline constexpr Pattern pressInset{"Press the disc of %1 against a flat block"};
inline constexpr Pattern pressPlug{"Press the plug of %1 against a flat block"};
inline constexpr Pattern noMarkOnIt{"Nothing may leave a mark on faces that are glued."};
inline constexpr Pattern pressWay{
    "Turn a scrap block flat across. Press the piece against it with a flat padded center in the tailstock. Lock the "
    "tailstock and leave it up. Spin the work by hand one full turn before you switch on."};
inline constexpr Pattern turnInset{"Turn the disc for %1"};
inline constexpr Pattern insetToCaliper{"Take light cuts to %1, by caliper at both faces."};
inline constexpr Pattern turnPlug{"Turn the plug for %1"};
inline constexpr Pattern plugFillsPoints{"the ring's middle, where segments would run to points, is one piece of wood"};
inline constexpr Pattern plugToCaliper{
    "Take the corners off first, in light cuts. Turn to Ø %1 by caliper. Try the plug in its hole: it goes in by hand, "
    "without a hammer."};
inline constexpr Pattern boreForPlug{"Bore %1 for its plug"};
inline constexpr Pattern ringAtPress{
    "ring clamped on a flat board at the drill press, bit of %1 on the middle of its segments, slowly, through"};
inline constexpr Pattern boreToPlug{"to %1, straight, both faces alike by caliper; the plug tried in it"};
inline constexpr Pattern plugFlush{"Take the plug of %1 down flush"};
inline constexpr Pattern onlyThePlug{
    "block plane towards the plug's middle, then the sanding board; the ring is at its height already"};
inline constexpr Pattern stickToScrap{"Stick %1 to a scrap disc on the lathe"};
inline constexpr Pattern ringOnScrap{
    "Turn a scrap disc flat. Lay the ring's flat face on it, centered by its corners. Run hot glue all round the "
    "outside of the joint. Spin the work by hand one full turn before you switch on. Stand out of line with it."};
inline constexpr Pattern warmedOff{"Warm the glue to take the ring off, and scrape its face clean."};
inline constexpr Pattern turnRecess{"Turn the recess in %1"};
inline constexpr Pattern bothSidesReached{"before it goes onto the stack, while both sides can be reached"};
inline constexpr Pattern recessTo{"to %1: the disc's diameter and %2 all round"};

// Billets
inline constexpr Pattern planeBoards{"Plane and cut %1 boards of %2"};
inline constexpr Pattern equalLayers{"equal layers: the lamination lines lie even about the axis"};
inline constexpr Pattern oneThickness{"thicknesser %1 for all, last pass without moving it"};
inline constexpr Pattern cornersOff{"Knock the corners off %1"};
inline constexpr Pattern octagonFirst{"an octagon starts at the lathe with half the knocking of a square"};
inline constexpr Pattern sawCorners{
    "saw at %1, %2 of each corner along the face, blade guard and push stick on; or bandsaw on a V block"};
inline constexpr Pattern diagonalsForCenter{
    "crosscut square, diagonals for the center; the middle lamination must stand on it"};

// Wraps
inline constexpr Pattern cutPost{"Plane and cut post and pieces of %1"};
inline constexpr Pattern postSquare{"the post square to the last shaving: every piece copies its error"};
inline constexpr Pattern postAndPieces{"post %1 square, pieces %2 × %3"};
inline constexpr Pattern bevelCorners{"Cut the four corners of %1 at %2"};
inline constexpr Pattern wedgesOnFlats{"the wedges sit on the flats"};
inline constexpr Pattern bladeAndFence{"blade at %1, fence so that %2 of each face goes"};
inline constexpr Pattern postsCenter{"the center is the post's center, not the blank's"};
inline constexpr Pattern boreTakesPost{"a bore of %1 takes the whole post"};
inline constexpr Pattern boreLeavesPost{"a bore of %1 leaves the post round it"};

// Rings from one board
inline constexpr Pattern ripBoard{"Rip the strips of the board for %1"};
inline constexpr Pattern planeBoard{"Plane the board for %1"};
inline constexpr Pattern everyRingFromIt{"every ring comes from this one board"};
inline constexpr Pattern planedAllOver{"planed to %1 all over: its thickness is every ring's height"};
inline constexpr Pattern scribe{"Flatten the board of %1 and scribe %2 circles"};
inline constexpr Pattern cutLeans{"both faces: the cut leans, so each circle comes out smaller below"};
inline constexpr Pattern beamCompass{"beam compass; the radii of both faces stand with the layer and on the full-size "
                                     "sheet; draw a witness line across all "
                                     "of them"};
inline constexpr Pattern halveBoard{"Saw the board of %1 in two down the middle"};
inline constexpr Pattern fromOpenSide{"the blade enters each ring from the open side"};
inline constexpr Pattern alongMiddle{
    "bandsaw, along the joint on the middle line; the kerf leaves every ring out of round by %1, which is allowed for"};
inline constexpr Pattern alongDrawnMiddle{"bandsaw, along a line drawn through the middle of the circles; the kerf "
                                          "leaves every ring out of round by %1, which "
                                          "is allowed for"};
inline constexpr Pattern sawRound{"Saw the board of %1 round"};
inline constexpr Pattern cornersStrike{
    "a square's corners strike the rest and the bed, and nobody sees them while they turn"};
inline constexpr Pattern sawHalves{"Saw the half rings of %1"};
inline constexpr Pattern outermostHold{"outermost first: what is left stays large enough to hold"};
inline constexpr Pattern tiltedTable{
    "bandsaw table at %1 (%2 to the face), narrow blade, slowly; the manual's limits for tilted work come first"};
inline constexpr Pattern mountBoard{"Mount the board of %1 on the faceplate, centered"};
inline constexpr Pattern screwsInBottom{"the screws stand in the bottom disc, clear of every cut"};
inline constexpr Pattern smallFaceplate{"faceplate ring no larger than the bottom; screws short"};
inline constexpr Pattern mountBoardChuck{"Mount the board of %1 in the chuck by its tenon"};
inline constexpr Pattern noHoleInBottom{
    "the tenon leaves no hole in the bottom disc, and nothing for a tool to strike"};
inline constexpr Pattern jawsOnTenon{"jaws tight on the whole of the tenon, its shoulder against them; tailstock up"};
inline constexpr Pattern discOffTenon{"Part the bottom disc of %1 off its tenon"};
inline constexpr Pattern facesFlattenedYet{"its lower face is flattened yet, with those of the rings"};
inline constexpr Pattern atTheGlueLine{"thin parting tool at the glue line, slowly, until a neck as thick as a thumb "
                                       "is left; lathe at rest, the neck sawn by "
                                       "hand"};
inline constexpr Pattern partRings{"Part the rings of %1"};
inline constexpr Pattern fromBothSides{
    "the outermost first; halfway from one side, then from the other, so that no ring flies when it comes free"};
inline constexpr Pattern partAtAngle{
    "thin parting tool at %1 to the face, about %2, tool rest close; stop before the ring is loose and break it off by "
    "hand"};
inline constexpr Pattern flattenRings{"Flatten both faces of the rings of %1"};
inline constexpr Pattern onlyUnevenness{"only as much as takes the unevenness out: the pattern follows the thickness"};
inline constexpr Pattern sandingBoard{"sanding board, %1"};

}  // namespace vl::words
