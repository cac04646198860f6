#pragma once

#include "core/measure/text.h"

namespace vl::words {

// What constructions are called, and what of them will not work.

inline constexpr Pattern layerNumber{"layer %1"};
inline constexpr Pattern ofLayer{"%1 of layer %2"};
inline constexpr Pattern segmentOfRing{"%1 segment of ring %2"};
inline constexpr Pattern andRing{"%1 and ring %2"};
inline constexpr Pattern staveOfLayer{"%1 stave of layer %2"};

inline constexpr Pattern gapTooWide{"the gap is wider than the segments are at the bore: nothing is left of them"};
inline constexpr Pattern gapOfOne{"a gap of %1"};
inline constexpr Pattern gapTakesCircle{"the gaps leave less than a fifth of the circle to the segments"};
inline constexpr Pattern gapOfQuarter{"gaps of a quarter"};
inline constexpr Pattern zigzagBreaks{
    "with an odd number of segments two neighbors slant the same way: the zigzag has a break"};
inline constexpr Pattern segmentsInstead{"%1 segments"};
inline constexpr Pattern bandFillsLayer{
    "the band is higher than the layer has room for: nothing of the segment's own wood is left beside it"};
inline constexpr Pattern bandOfThird{"a band of a third"};
inline constexpr Pattern bandAndRise{
    "band and rise are higher than the layer: the tips of the pattern are cut off by the next layer"};
inline constexpr Pattern slantTooSteep{
    "the segments slant more than a mitre gauge turns: each would be cut as one long splinter"};
inline constexpr Pattern riseThatFits{"a rise that fits"};

inline constexpr Pattern stavesTooThick{"the curve is deep for flat staves: most of such a thick board is turned away; "
                                        "a stack of shorter staves follows it "
                                        "better"};
inline constexpr Pattern sheetIsBoard{
    "a sheet this thick is a board: it moves across its grain against the ring it is glued to"};
inline constexpr Pattern thinSheet{"a sheet of %1"};
inline constexpr Pattern stripesNoSquares{
    "with an odd number of strips a row turned end for end looks like the row before it: stripes, no squares"};
inline constexpr Pattern leftoversTooNarrow{
    "the strips are narrower together than the board that the outline asks for"};
inline constexpr Pattern noJointOnMiddle{
    "no joint stands on the middle line, so the board cannot be glued as two halves with the middle left dry"};
inline constexpr Pattern equalStrips{"strips of one width"};
inline constexpr Pattern narrowerStrips{"strips a little narrower"};
inline constexpr Pattern discPushesRing{
    "between dry and damp rooms the disc grows more than its clearance: it will push the ring apart"};
inline constexpr Pattern plugPushesRing{
    "glued in all round, a plug this wide opens its joint or the ring when it moves between dry and damp rooms"};
inline constexpr Pattern freeDisc{"a disc let in with room to move"};
inline constexpr Pattern moreClearance{"more clearance"};
inline constexpr Pattern discLeavesNoRing{"the disc leaves less than %1 of ring round it"};
inline constexpr Pattern smallerDisc{"a smaller disc"};
inline constexpr Pattern slivers{
    "the bore takes the post's sides but leaves its corners standing: four slivers held by one face each"};
inline constexpr Pattern boreThatTakesAll{"a bore that takes the whole post"};
inline constexpr Pattern wrapTooThin{"post and wrap are less wide than the piece: a flat will be left on each side"};
inline constexpr Pattern thickerWrap{"a thicker wrap"};
inline constexpr Pattern tableTilts{"the bandsaw's table must stand at %1 and tilts to %2"};
inline constexpr Pattern bladeTurns{
    "the innermost half ring has a radius of %1 on the lower face and the narrowest blade turns no tighter than %2"};
inline constexpr Pattern oneRingFewer{"one ring fewer"};
inline constexpr Pattern toolTooShort{"the cut is %1 deep and the parting tool works to %2"};
inline constexpr Pattern oneRingMore{"one ring more, from a thinner board"};
inline constexpr Pattern tenonLeavesNoShoulder{
    "a tenon of %1 leaves hardly a shoulder: where it begins the turned spindle is %2"};
inline constexpr Pattern tenonOf{"tenons of %1"};
inline constexpr Pattern openLetIn{"with gaps between its segments the ring has no wall for a disc to be let into"};
inline constexpr Pattern segmentsGlued{"glue the segments without gaps"};
inline constexpr Pattern noWallLeft{
    "the cut is so steep or the kerf so wide that hardly any wall is left between two cuts"};
inline constexpr Pattern angleInstead{"an angle of %1"};
inline constexpr Pattern wetBlock{"at %1 % moisture it moves as it is opened: turned now it goes out of round and may "
                                  "crack; rough-turned with a wall "
                                  "of a tenth of its diameter and dried it is turned a second time"};
inline constexpr Pattern dryBlock{"a dry block"};
inline constexpr Pattern roughNeedsMore{
    "the blank is Ø %1; turned rough with a wall of a tenth of its diameter it has to be Ø %2, or the dried oval does "
    "not hold the finished bowl"};
inline constexpr Pattern thatMuchMore{"a blank %1 wider"};
inline constexpr Pattern turnTwice{"turn it rough, dry it, turn it again"};
inline constexpr Pattern pithSplits{"with the pith in it the wood cracks from there as it dries"};
inline constexpr Pattern pithOut{"a block sawn clear of the pith"};
inline constexpr Pattern patternLost{"turned %1 each, the stripes no longer follow one another after %2 rings"};
inline constexpr Pattern ringsNotTurned{"rings not turned"};

}  // namespace vl::words
