#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of a box whose lid comes from the same blank.

inline constexpr Pattern turnCylinder{"Turn the blank round, and a tenon on both its ends"};
inline constexpr Pattern turnEndTenons{"Turn a tenon on both ends"};
inline constexpr Pattern bothWillBeHeld{"box and lid are each held by their own end from here on"};
inline constexpr Pattern tenonsOnEnds{
    "tenons %1, %2 high, with a flat shoulder for the jaws; 12 o\u2019clock marked across "
    "the line where it is parted, so that the grain is found again"};
inline constexpr Pattern partLid{"Part the lid from the box"};
inline constexpr Pattern grainRunsOn{"what the tool and the spigot take is lost between them: the less, the better the "
                                     "grain runs on"};
inline constexpr Pattern partWhere{
    "the lid is %1 long with its tenon, the box all the rest; %2 tool, the groove widened a little as it deepens so "
    "that "
    "the blade does not bind; tailstock eased just before it is through, the last of it sawn with the lathe at rest"};
inline constexpr Pattern mountLid{"Mount the lid by its tenon"};
inline constexpr Pattern mountBox{"Mount the box by its tenon"};
inline constexpr Pattern jawsOnEnd{
    "jaws on the tenon, %1, %2 high, its shoulder hard against them; turned by hand first"};
inline constexpr Pattern smallerFirst{"the lid first: the box is then fitted to it, which is easier from outside"};
inline constexpr Pattern hollowLid{"Hollow the lid"};
inline constexpr Pattern lidDepth{"%1 deep from its edge, so that %2 of wood are left on top"};
inline constexpr Pattern lidRecess{
    "a recess Ø %1, %2 deep, its wall straight and parallel to the axis, by caliper in two "
    "depths; its edge a little hollow towards the box"};
inline constexpr Pattern lidSpigot{"a spigot Ø %1, %2 long, its wall straight and parallel to the axis; its shoulder a "
                                   "little hollow"};
inline constexpr Pattern sandLidInside{"Sand the inside of the lid"};
inline constexpr Pattern sandBoxInside{"Sand the inside of the box"};
inline constexpr Pattern notTheJoint{"tool rest off; the joint itself is not sanded: it would not stay straight"};
inline constexpr Pattern insideNow{"once the lid is on for the outside, nothing reaches the inside"};
inline constexpr Pattern hollowBox{"Hollow the box"};
inline constexpr Pattern boxDepth{"%1 deep from its rim, wall by caliper at each station"};
inline constexpr Pattern fitLid{"Fit the lid for turning"};
inline constexpr Pattern snugFirst{"snug it carries the lid while the outside is turned as one"};
inline constexpr Pattern spigotSnug{
    "spigot Ø %1, %2 long: first a short stretch at its end that the lid just finds, then "
    "all of it; pushed on by hand with the marks together, paper between if it "
    "turns; never while the lathe runs"};
inline constexpr Pattern boreSnug{"bore Ø %1 over %2: opened little by little until the lid's spigot goes in firmly by "
                                  "hand, marks together; never while the lathe runs"};
inline constexpr Pattern leaveSeat{
    "Leave the lid’s seat at Ø %1, %2 long: it gets its final size when the lid is fitted to it."};
inline constexpr Pattern lidTenonOnly{"Turn the lid’s tenon off, the lid on the box"};
inline constexpr Pattern sidesAreDone{
    "The outside and its sides are finished: only the top, which the tenon covered, is still to be turned."};
inline constexpr Pattern turnTogether{"Turn the outside, lid and box as one"};
inline constexpr Pattern joinsDisappear{"turned as one, the joint cannot be felt"};
inline constexpr Pattern lidTenonOff{
    "tailstock's cup on the lid's tenon as long as it stands; light cuts; the tenon turned "
    "down to a stub, sawn, tape round the joint before the top is finished"};
inline constexpr Pattern easeFit{"Ease the lid to a fit of %1"};
inline constexpr Pattern oneHandOpens{
    "a box that stands is opened with one hand; worn and children's things more easily "
    "still"};
inline constexpr Pattern easeSpigot{
    "%1 on the diameter, a hair at a time: a light cut or fine paper along the spigot, tried "
    "after each with the lathe at rest; a coat of finish makes it tighter again"};
inline constexpr Pattern easeBore{
    "%1 on the diameter, a hair at a time: a light cut along the bore, tried after each with "
    "the lathe at rest; a coat of finish makes it tighter again"};
inline constexpr Pattern boxOnJam{"Reverse the box for its foot"};
inline constexpr Pattern jamInRim{
    "its rim on a jam chuck turned to it from scrap, Ø %1, snug, tailstock up; it comes off "
    "again by a tap on the chuck\u2019s edge, lathe at rest"};

}  // namespace vl::words
