#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of what is worked by index with the spindle locked: flutes, facets, legs, grids; and of a leaning base.

inline constexpr Pattern cutFlutes{"Cut %1, %2 grooves"};
inline constexpr Pattern cutFacets{"Cut %1, %2 flats"};
inline constexpr Pattern whileHeldTrue{"it still stands in the lathe, true to its index, and no sanding by a turning "
                                       "lathe follows"};
inline constexpr Pattern fluteWay{
    "spindle locked by its index, lathe unplugged or switched off at its main switch; a round-nosed cutter of Ø %1 in "
    "a "
    "guide whose rail is set straight between two depths: %2 deep at station %3 and at station %4; in two or three "
    "passes, always against the way the cutter turns; a stop at both ends; eye and ear protection"};
inline constexpr Pattern deepestAt{"deepest %1, at station %2, where its mouth is %3 wide"};
inline constexpr Pattern facetWay{
    "spindle locked by its index, lathe switched off; sawn, planed or sanded with a disc along a straight guide from "
    "station %1 to station %2, until the flat lies %3 from the axis at its beginning and %4 at its end: the caliper "
    "over the flat and the axis tells, not the eye"};
inline constexpr Pattern sandedByHand{"then sanded by hand along it, on a form that fits, lathe off: paper held "
                                      "against edges that come round is snatched"};
inline constexpr Pattern flatWide{"the flat is %1 wide at station %2"};
inline constexpr Pattern atHole{"the first at hole %1 of %2"};
inline constexpr Pattern atAngle{"the first towards %1 from twelve o'clock"};
inline constexpr Pattern onHole{"then %1"};
inline constexpr Pattern onByHoles{"every next %1 holes on"};
inline constexpr Pattern onByAngle{"every next %1 on"};

inline constexpr Pattern mountForLegs{"Reverse it: its rim on a jam chuck, the foot free"};
inline constexpr Pattern footStillWhole{"the legs are one ring as long as the lathe turns: nothing in it comes round "
                                        "unseen"};
inline constexpr Pattern jamForLegs{"the rim in a turned recess that it just enters, Ø %1, a rag between; tailstock up "
                                    "against the foot with a padded center, as long as it can stay; slow"};
inline constexpr Pattern hollowLegs{"Hollow the foot between %1"};
inline constexpr Pattern ringCarries{"the ring that the legs are sawn from carries the work until it is off the lathe"};
inline constexpr Pattern hollowLegsWay{
    "Measure the floor first. Round the nub under the live center, hollow the foot to a radius of %1 and %2 deep, its "
    "wall square. With the lathe at rest, draw the tailstock back, saw the nub off and pare its place level."};
inline constexpr Pattern sawLegs{"Saw %1 out of the foot's ring, %2 of them"};
inline constexpr Pattern afterTurning{"turned legs would come round half in air, and a finger between them"};
inline constexpr Pattern sawLegsWay{
    "saw lines %1 to each side of every leg's middle line, %2 up from the foot; sawn from the foot with a fine saw, "
    "the "
    "piece clamped in a cradle on its rim, not held by hand; the bottom of each gap chiseled or carved level"};
inline constexpr Pattern fibersThrough{"the fibers run through leg %1 for %2"};
inline constexpr Pattern blendLegs{"Blend %1 and sand them"};
inline constexpr Pattern leanBase{"Saw or sand the base to a lean of %1"};
inline constexpr Pattern leanLast{"it stands upright in every set-up before"};
inline constexpr Pattern leanWay{
    "clamped in a cradle on a wedge of that angle, leaning towards %1 from twelve o'clock: the disc or the saw touches "
    "there first and takes off %2, nothing on the other side; a flat board tells when it no longer rocks"};

inline constexpr Pattern layOutGrid{"Lay out %1: %2 rings, %3 spokes"};
inline constexpr Pattern surfaceIsDone{"the surface is sanded for the last time: whatever is sanded later takes the "
                                       "lines and the color with it"};
inline constexpr Pattern gridWay{"spindle locked by its index, lathe switched off; pencil on the rest at the height of "
                                 "the centers for the spokes; the rings with the lathe turned by hand"};
inline constexpr Pattern ringsAtStations{"the rings' circles at stations %1"};
inline constexpr Pattern ringsAtRadii{"the rings' circles at radii %1"};
inline constexpr Pattern workCells{"%1 of %2: %3 cells"};
inline constexpr Pattern oneWayAtATime{"all cells of one kind in one go, from the middle of a cell to its lines"};
inline constexpr Pattern inRing{"ring %1: spokes %2"};
inline constexpr Pattern colorCells{"lines cut or burned first keep the color from running along the fibers; each "
                                    "color dry before the next"};
inline constexpr Pattern burnCells{
    "fresh air, a fan that draws the smoke away from the face; no finish on the wood yet"};
inline constexpr Pattern drillCells{
    "punched in the middle of each cell, the bit with a stop well short of the wall; lathe "
    "at rest, the piece locked"};
inline constexpr Pattern carveCells{"lathe switched off, the piece locked; both hands behind the edge"};

}  // namespace vl::words
