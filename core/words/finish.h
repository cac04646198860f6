#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of sanding by grits and of finishes in layers.

inline constexpr Pattern gritRow{
    "grits %1, each until the scratches of the one before are gone; dust wiped off between; "
    "lathe off and along the grain before the next; its direction reversed where it can be"};
inline constexpr Pattern gritRowShort{
    "grits %1, one short of the last: the sealer raises the grain, which is then cut back with %2"};
inline constexpr Pattern sandSpeed{
    "at %1 at the most: faster, paper burns the wood and the hand; a hot spot cracks it"};
inline constexpr Pattern layerOnce{"Put on the %1"};
inline constexpr Pattern layerCoats{"Put on the %1: %2 coats"};
inline constexpr Pattern layerFirst{"bare wood takes up most now"};
inline constexpr Pattern layerNext{"the layer below has dried and is cut back"};
inline constexpr Pattern coatWay{
    "%1 a coat for inside and outside, %2 between two coats, at %3 to %4 °C; the maker's label "
    "comes first"};
inline constexpr Pattern oneCoatWay{
    "%1 for inside and outside, then %2, at %3 to %4 °C; the maker's label comes first"};
inline constexpr Pattern mixParts{
    "mixed for one coat: %1 of A and %2 of B by the scale, stirred two minutes; used within "
    "%3"};
inline constexpr Pattern endGrainMore{"end grain and soft wood take more coats, a face-grain foot fewer"};
inline constexpr Pattern onTheLathe{
    "put on at about %1, cloth folded small, no loose end, no thread round the hand: better "
    "paper than cloth; below, never on top of the work"};
inline constexpr Pattern buffWay{"then buffed at %1, tailstock up, only sound wood, nobody in line with it"};
inline constexpr Pattern buffFast{"that is above the usual rule for this diameter, %1"};
inline constexpr Pattern ragsFlat{"rags spread flat outdoors or laid in water: heaped, they catch fire by themselves"};
inline constexpr Pattern airTheRoom{"fresh air or a mask for vapours, gloves; no flame"};
inline constexpr Pattern foodSafe{
    "for food it is used once it has cured, as its label says, two to four weeks as a rule"};

inline constexpr Pattern asItIsSaid{"%1"};  // in the turner's own words
inline constexpr Pattern wipeOff{"left ten minutes, then wiped off altogether: what stays wet turns sticky"};
inline constexpr Pattern cutBackWool{"cut back with a fine pad or steel wool, dust wiped off"};
inline constexpr Pattern scuff{"scuffed with the last grit, dust wiped off"};
inline constexpr Pattern noneBetween{"nothing between: each coat bites into the one below"};
inline constexpr Pattern capillary{"no accelerator but on the last; runs wiped at once"};

}  // namespace vl::words
