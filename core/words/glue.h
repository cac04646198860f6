#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is glued, and of what is waited for.

inline constexpr Pattern leaveInClamp{"Leave %1 in the clamp"};
inline constexpr Pattern leavePartInClamp{"Leave %1 of %2 in the clamp"};
inline constexpr Pattern leaveForInClamp{"Leave %1 for %2 in the clamp"};
inline constexpr Pattern weakIfMoved{"a joint moved before the glue has set is a weak one"};
inline constexpr Pattern glueByEye{"%1, open %2"};
inline constexpr Pattern letCure{"Let it cure: %1"};
inline constexpr Pattern letSet{"Let it set for light work: %1"};
inline constexpr Pattern trueingTears{
    "Out of the clamp it may be handled and glued on. A face is trued a little later."};
inline constexpr Pattern tearsUnset{
    "out of the clamp it may be handled and glued on; a tool tears or creeps a joint that has not set"};
inline constexpr Pattern glueOpen{"%1 of %2, open %3"};

// Names of parts of a layer
inline constexpr Pattern thePanel{"the panel"};
inline constexpr Pattern theRows{"the rows"};
inline constexpr Pattern theBlanks{"the segments' halves"};
inline constexpr Pattern theBoard{"the board"};
inline constexpr Pattern theWedges{"the wedges"};
inline constexpr Pattern pieceNumber{"piece %1"};
inline constexpr Pattern theHalves{"the half rings"};
inline constexpr Pattern theRings{"the rings"};
inline constexpr Pattern theDisc{"the disc"};

// Rings
inline constexpr Pattern gluePanel{"Glue the panel for %1"};
inline constexpr Pattern bandBetween{"one upon another, the band between"};
inline constexpr Pattern rubCaulsScrape{
    "glue on one face of each joint, rub, clamp between cauls; wipe nothing, scrape when set"};
inline constexpr Pattern glueMiddle{"Glue the half blanks of %1 in pairs"};
inline constexpr Pattern diamondCloses{
    "the bands' ends meet on this joint: glued before the mitres it can be lined up"};
inline constexpr Pattern bandsInLine{
    "one half turned over on the other, bands in line at both ends; glue on one face, rub, clamp between cauls"};
inline constexpr Pattern glueUp{"Glue up %1"};
inline constexpr Pattern allAtOnce{"all joints at once, so that the band draws every one of them closed"};
inline constexpr Pattern spacersProud{"a spacer in every joint, proud above and below"};
inline constexpr Pattern bandOnPlate{"glue on one face of each joint, band clamp, tap flat on a plate"};
inline constexpr Pattern glueHalves{"Glue two half rings of %1"};
inline constexpr Pattern errorsInTwo{"small errors of the mitre gather in two joints, where they can be sanded out"};
inline constexpr Pattern segmentsEach{"%1 segments each, rubbed joints, the two open joints left dry"};
inline constexpr Pattern joinHalves{"Glue the halves of %1 together"};
inline constexpr Pattern flatsWithoutLight{"only flats that meet without light between them are glued"};
inline constexpr Pattern clampLightly{"glue both flats, clamp lightly on a plate"};

// Staves
inline constexpr Pattern tapeHolds{"all joints at once while the tape still holds them in line"};
inline constexpr Pattern rollUpGlued{
    "lay the strip of staves open, glue in every groove, roll up, hose clamps or bands top, middle and bottom"};

// Slabs
inline constexpr Pattern glueStrips{"Glue the strips of %1"};
inline constexpr Pattern endsInLine{"ends in line, grain the same way, so that it planes clean"};
inline constexpr Pattern caulsAcross{
    "glue on one face of each joint, rub, cauls across, clamps alternately above and below"};
inline constexpr Pattern glueRows{"Glue the rows of %1"};
inline constexpr Pattern endGrainDrinks{"the cut faces are end grain: they drink the glue"};
inline constexpr Pattern crossingsInLine{"clamp light, knock the crossings in line, then tighten"};

// A disc let in
inline constexpr Pattern letIn{"Let the disc into %1"};
inline constexpr Pattern thePlug{"the plug"};
inline constexpr Pattern glueInPlug{"Glue the plug into %1"};
inline constexpr Pattern plugAllRound{
    "so small it hardly moves: glued all round, nothing can break out where it meets the ring"};
inline constexpr Pattern plugPushedHome{
    "glue round the hole, the plug pushed through until it stands proud of both faces, its grain along a joint; "
    "wiped all round"};
inline constexpr Pattern twoPoints{"glued at two points along the grain's middle line only, so that it moves with the "
                                   "seasons and stays in the middle"};
inline constexpr Pattern twoSpots{
    "finish the disc's edge first; two spots of glue, the rest dry; paper shims keep the clearance even"};

// Billets
inline constexpr Pattern faceToFace{"Glue the boards of %1 face to face"};
inline constexpr Pattern ringsAlternate{
    "grain all one way; growth rings facing alternately, so that cupping cancels out"};
inline constexpr Pattern clampsFromMiddle{"glue on one face of each pair, rub, two brads or spots of hot melt at the "
                                          "ends against sliding, clamps every %1 from "
                                          "the middle out"};

// Wraps
inline constexpr Pattern glueToPost{"Glue %1 of %2 to the post"};
inline constexpr Pattern firstPiece{"one corner stands proud: the second piece butts against it"};
inline constexpr Pattern nextPiece{"it butts against the piece before and stands proud for the next"};
inline constexpr Pattern lastPiece{"the last closes the pinwheel: it butts on the third and covers the first"};
inline constexpr Pattern buttHard{
    "glue on the post, butt hard into the corner, caul over the whole length, clamps every %1"};
inline constexpr Pattern glueWedges{"Glue the four wedges of %1"};
inline constexpr Pattern pairsPull{"one clamp-up: each pair pulls against the other"};
inline constexpr Pattern tapeRound{"tape round and round as tight as it goes, a caul on each corner"};

// Rings from one board
inline constexpr Pattern glueBoardStrips{"Glue the strips of the board for %1"};
inline constexpr Pattern jointOnMiddle{"a joint on the middle line, so that the two halves are alike"};
inline constexpr Pattern ringsFromOneBoard{"every ring is cut from this board"};
inline constexpr Pattern middleLeftDry{"two half boards: the joint on the middle line stays dry, so that no kerf is "
                                       "lost where the rings are put together"};
inline constexpr Pattern oneFaceCauls{"glue on one face, cauls across"};
inline constexpr Pattern rejoin{"Rejoin the halves of every ring of %1"};
inline constexpr Pattern pairsFromCircle{"pairs from the same circle: the figure runs on across the joint"};
inline constexpr Pattern trueEndsTape{
    "true both ends on a flat board with paper, glue, tape or rubber bands on a plate"};
inline constexpr Pattern stackRings{"Stack and glue the rings of %1"};
inline constexpr Pattern witnessInLine{"witness lines in line"};
inline constexpr Pattern witnessTurned{"witness lines in line, each ring %1 on"};
inline constexpr Pattern tackThenWeight{"largest ring down on paper, tack two spots with hot melt so that the rings do "
                                        "not slide under the clamp, weight or "
                                        "press"};

// The stack
inline constexpr Pattern toWasteBlock{"Glue %1 to the waste block%2"};
inline constexpr Pattern runsTrue{"centered now, the stack runs true to the end"};
inline constexpr Pattern gluedForGood{"centered with the tailstock, glue over the whole face, pressed by the tailstock "
                                      "or by clamps: it is parted off at the "
                                      "end, never prised off"};
inline constexpr Pattern toGlueBlock{"Glue %1 to the glue block%2"};
inline constexpr Pattern gluedToComeOff{"both faces flat and clean, centered with the tailstock, pressed until it has "
                                        "set; a light knock by hand before the "
                                        "lathe is started, tailstock up as long as it can be"};
inline constexpr Pattern tenonOntoBase{"Glue the tenon to %1%2"};
inline constexpr Pattern offTheLathe{"the tailstock may press it, or clamps: with its block still in the chuck, or by "
                                     "a witness mark on jaw 1, it can leave "
                                     "the lathe free"};
inline constexpr Pattern baseUnderPressure{"Leave the base%1 under pressure"};
inline constexpr Pattern carriesAll{"it carries everything that follows"};
inline constexpr Pattern ontoStack{"Glue %1 onto the stack"};
inline constexpr Pattern setSegments{"Set the %1 segments of %2 onto the stack"};
inline constexpr Pattern grainInLine{"grain in line with the layer below, so that both move the same way"};
inline constexpr Pattern turnedOn{"turned %1 %2 %3 from %4, so that no joint stands over a joint"};
inline constexpr Pattern turnedOnJoints{"turned %1 %2 %3 from %4: joints stand over joints"};
inline constexpr Pattern counterclockwise{"anticlockwise"};
inline constexpr Pattern clockwise{"clockwise"};
inline constexpr Pattern notTurned{"either way"};
inline constexpr Pattern fromTailstock{"as seen from the tailstock"};
inline constexpr Pattern fromOpenFace{"as seen on its open face"};
inline constexpr Pattern oneByOne{"one segment at a time against an index stop: glue, press ten seconds, one segment "
                                  "on; keep the gaps free of glue, it "
                                  "cannot be got out later"};
inline constexpr Pattern rubCenterPress{
    "pencil marks on both joints, rub, center with the tailstock cone, press; two spots of hot melt at the rim keep it "
    "from sliding under the pressure"};
inline constexpr Pattern tenonHome{
    "dry first: the shoulder closes all round; glue on the tenon and a little in the hole, turn it home, tailstock up"};
inline constexpr Pattern glueSectionAtOnce{"Glue %1 layers onto their base in one clamp-up%2"};
inline constexpr Pattern oneClampUp{
    "the faces were flattened off the lathe: nothing has to be trued between them, so one clamp-up does"};
inline constexpr Pattern tackedInOrder{
    "dry first, witness marks across all joints; from the base up, each layer tacked at the rim with two spots of hot "
    "melt so that it does not slide, caul on top, clamps all round or a threaded rod through the middle"};
inline constexpr Pattern layerTurned{"%1 %2 on from %3"};
inline constexpr Pattern senseOfTurns{"turns counterclockwise %1, a minus the other way"};
inline constexpr Pattern sectionInClamp{"Leave the layers in the clamp%1"};
inline constexpr Pattern pressFlat{
    "its grain across that of its neighbor; glue on the layer, not on the sheet; paper, a flat caul over all of it, "
    "clamps or tailstock; glue through the sheet is wiped off at once"};
inline constexpr Pattern middleFree{"keep the middle free of glue for the center's mark"};
inline constexpr Pattern layerUnderPressure{"Leave %1 under pressure"};
inline constexpr Pattern sheetCurls{
    "a sheet curls with the glue's water until all of it is gone: it stays in the press far longer"};
inline constexpr Pattern facingTears{"facing a joint that has not set tears it"};
inline constexpr Pattern closeSection{"Glue section %1 onto what is below"};
inline constexpr Pattern closesInsides{"both insides are finished: this joint closes them off"};
inline constexpr Pattern mustMeet{
    "both sides must meet at outside Ø %1 and inside Ø %2; dry first, center between both faceplates, thin glue, "
    "none "
    "towards the inside"};
inline constexpr Pattern sectionUnderPressure{"Leave section %1 under pressure"};
inline constexpr Pattern notFromInside{"the one joint that cannot be reached from inside"};

// What a glue does not do
inline constexpr Pattern notOnMetal{"%1 does not hold on metal"};
inline constexpr Pattern notOily{"%1 does not hold on oily wood: its oil keeps the glue off"};
inline constexpr Pattern notApart{"this joint must come apart again, and %1 does not"};
inline constexpr Pattern lightCutsOnly{"%1 holds for light cuts only, and this joint carries the whole stack"};
inline constexpr Pattern foamsIntoGaps{"%1 foams into the gaps, where it cannot be got out"};
inline constexpr Pattern foamsMitres{"%1 foams mitres apart before they set"};
inline constexpr Pattern notVeneer{"%1 grabs before a sheet lies flat, or lets it curl"};
inline constexpr Pattern endGrainDry{"end grain drinks %1 until the joint is dry"};
inline constexpr Pattern oneEndGrain{"one face is end grain, which drinks %1; and the joint moves with the seasons"};
inline constexpr Pattern comesApart{"%1 comes apart again: it is no glue for a joint that stays"};
inline constexpr Pattern setsTooSoon{"%1 sets before so large a joint is closed"};
inline constexpr Pattern tooCold{"at %1 °C %2 does not set to its strength; it wants %3 °C or more"};
inline constexpr Pattern tooWarm{"at %1 °C %2 skins over before the joint is closed"};
inline constexpr Pattern littleTimeLeft{
    "%1 take %2 to spread, and %3 stays open for %4: hardly any time is left to close the clamp. Use a slower glue, or "
    "close two halves one after the other."};
inline constexpr Pattern twoGoes{"spreading %1 takes about %2 and %3 stays open %4: glue it in two goes"};
inline constexpr Pattern oneJoint{"1 joint"};
inline constexpr Pattern manyJoints{"%1 joints"};

// What to mind with it
inline constexpr Pattern wipeOily{
    "wipe the oily faces (%1) with solvent and glue within minutes; gloves, fresh air, no flame"};
inline constexpr Pattern pressSheet{"the sheet curls with the glue's water: press it between flat cauls with paper, "
                                    "four times as long as a ring joint"};
inline constexpr Pattern sizeBoth{"size both faces first with a thin coat, ten minutes, then glue"};
inline constexpr Pattern comesApartBy{"comes apart by: %1; light cuts, tailstock up as long as it can be"};

}  // namespace vl::words
