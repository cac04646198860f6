#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is drilled and sawn to a curve.

inline constexpr Pattern drillHole{"Drill %1, Ø %2"};
inline constexpr Pattern drillHoles{"Drill %1, %2 of Ø %3"};
inline constexpr Pattern beforeSanding{"before the last sanding: splinters at its edge are sanded off with the rest"};
inline constexpr Pattern beforeTurnedFlush{"What fills a hole is turned flush and sanded with the rest."};
inline constexpr Pattern onceSpun{
    "Nothing is sanded as it turns any more: the edge of a hole catches paper and fingers as it comes round."};
inline constexpr Pattern footFreeNow{"now the foot is free, and nothing has to be held by it any more"};
inline constexpr Pattern inTheSide{
    "at station %1, spindle locked by its index, lathe at rest; punched with an awl, the bit guided at the height of "
    "the "
    "centers, or the piece clamped in a V cradle at the drill press: never held by hand"};
inline constexpr Pattern inAFace{"on a circle with a radius of %1, spindle locked by its index, lathe at rest; punched "
                                 "with an awl; the piece clamped, "
                                 "never held by hand"};
inline constexpr Pattern besideAxis{"its middle %1 beside the axis"};
inline constexpr Pattern leansBy{
    "leaning %1: a wedge of that angle under the cradle, a flat cut or a short guide block "
    "where the bit would slide off"};
inline constexpr Pattern toDepthBy{"%1 deep, by a stop on the bit; %2 of wood stay under its point"};
inline constexpr Pattern throughWall{"through the wall, %1: a block that fits held behind it, so that it does not "
                                     "splinter where it comes out"};
inline constexpr Pattern rightThrough{"%1 right through: until the point shows, then from the other side on its mark"};
inline constexpr Pattern widerMouth{"first the wider bit, Ø %1, %2 deep: the narrow one finds its middle there"};
inline constexpr Pattern reamedBy{
    "then reamed, its wall leaning by %1, by hand, a little at a time, until the peg stands "
    "at its mark"};
inline constexpr Pattern pegThatFits{"the peg that fits leans by the same and is %1 across at the surface: turned to "
                                     "that and tried before the hole is reamed to the end"};
inline constexpr Pattern easedBy{"the edge of its mouth rounded by %1, with a half round file and paper round a dowel"};
inline constexpr Pattern wideBit{"a bit this wide slowly, the piece clamped, chips cleared often"};

inline constexpr Pattern sawCurve{"Saw %1 to its line"};
inline constexpr Pattern sawCurveRough{"Saw %1, %2 outside its line"};
inline constexpr Pattern facesStillFlat{"while the blank's faces are flat it stands safely on the bandsaw's table"};
inline constexpr Pattern thickWhileTurned{
    "thick it bears turning; to its line it is sawn once the shape beside it stands"};
inline constexpr Pattern shapeStands{"what is left thick until now has carried the turning"};
inline constexpr Pattern templateBothSides{
    "the packet's outline, full size, glued on both opposite sides, their middles on the axis; the curve reaches %1 "
    "from "
    "the axis and %2 up; guard down to the wood, hands beside the line, never before it"};
inline constexpr Pattern templateOnFace{
    "the packet's outline, full size, glued on the face, its middle on the axis; the curve runs out to %1, %2 wide to "
    "each side there; guard down to the wood, hands beside the line, never before it"};
inline constexpr Pattern cradleAtSaw{"turned work only clamped in a cradle, or on a flat side of its own; blade with "
                                     "its teeth off the wood at the start; "
                                     "what bears nothing cannot be sawn"};
inline constexpr Pattern blendCurve{"Blend %1 into what is turned"};
inline constexpr Pattern sawMarksLast{"saw marks stand across the surface and show through every finish"};
inline constexpr Pattern blockAndFile{
    "lathe at rest or the piece in a padded vice; file and paper on a block, along the curve; edges eased by a fine "
    "round, more where a hand or a child takes hold"};

}  // namespace vl::words
