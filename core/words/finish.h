#pragma once

#include "core/measure/text.h"

namespace vl::words {

// Every pattern of sanding by grits and of finishes in layers.

inline constexpr Pattern gritRow{
    "grits %1, each until the scratches of the one before are gone; dust wiped off between; "
    "lathe off and along the grain before the next; its direction reversed where it can be"};
inline constexpr Pattern gritRowByHand{
    "grits %1, each until the scratches of the one before are gone, along the grain; dust wiped off between"};
inline constexpr Pattern gritRowShort{
    "grits %1, one short of the last: the sealer raises the grain, which is then cut back with %2"};
inline constexpr Pattern sandSpeed{
    "at %1 at the most, %2 from grit 220 on: faster, paper burns the wood and the hand; a hot spot cracks it"};
inline constexpr Pattern sandByDisc{
    "with a disc in the drill: the drill at %1, the lathe at %2 or slower: no more than half of that"};
inline constexpr Pattern noDivot{"across the center without stopping: paper held there wears a hollow"};
inline constexpr Pattern flatsByBlock{
    "what cannot spin is sanded with the spindle locked and the lathe unplugged, flats, squares and wings with a "
    "block; no cloth and no finger into a gap"};
inline constexpr Pattern bothSidesAlike{
    "inside and outside to the same grit before either goes further: both are seen"};
inline constexpr Pattern finerWithInside{
    "no finer yet: both sides are seen, and the finer grits come once the inside is as far"};
inline constexpr Pattern thenBothSides{
    "the inside alone up to grit %1, where the outside waits; from there both sides, grit by grit"};
inline constexpr Pattern dyedPaper{"paper that has sanded color touches no light wood again"};
inline constexpr Pattern layerOnce{"Put on the %1"};
inline constexpr Pattern layerCoats{"Put on the %1: %2 coats"};
inline constexpr Pattern finishFoot{"Finish what was cut free"};
inline constexpr Pattern cutLater{
    "an end that was cut once the finish was on is bare wood, and end grain drinks first"};
inline constexpr Pattern finishFootWay{
    "sanded by hand through the same grits, off the lathe; then %1, one after another as "
    "the label says"};
inline constexpr Pattern layerFirst{"bare wood takes up most now"};
inline constexpr Pattern layerNext{"the layer below has dried and is cut back"};
inline constexpr Pattern coatWay{
    "%1 a coat for the whole surface, %2 between two coats, at %3 to %4 °C; the maker's label "
    "comes first"};
inline constexpr Pattern oneCoatWay{"%1 for the whole surface, then %2, at %3 to %4 °C; the maker's label comes first"};
inline constexpr Pattern mixParts{
    "mixed for one coat by %1; stirred two minutes, used within %2; about %3 is left over: spread thin on a plate that "
    "cannot burn until it has set, a full cup of it can heat up by itself"};
inline constexpr Pattern byScale{"the scale"};
inline constexpr Pattern byCup{"measure"};
inline constexpr Pattern mixShare{"%1 of %2"};
inline constexpr Pattern mixShareMl{"%1 ml of %2"};
inline constexpr Pattern coatMore{"one coat more than usual: %1 % of it shows end grain, the wood weighs %2 kg/m³"};
inline constexpr Pattern coatFewer{"one coat fewer than usual: hard wood of %2 kg/m³, %1 % of it end grain"};
inline constexpr Pattern footFewer{"the foot is face grain: %1 there"};
inline constexpr Pattern coatsOf{"%1 coats"};
inline constexpr Pattern colorBare{"where it is colored: stain or dye on the bare wood before it, dry for a day"};
inline constexpr Pattern colorOver{"where it is colored: stain or dye over the sealer and under the body"};
inline constexpr Pattern colorNot{"no stain or dye under it: it does not hold"};
inline constexpr Pattern onTheLathe{
    "put on at about %1, cloth folded small, no loose end, no thread round the hand: better "
    "paper than cloth; below, never on top of the work"};
inline constexpr Pattern buffWay{"then buffed at %1, tailstock up, only sound wood, nobody in line with it"};
inline constexpr Pattern buffFast{"that is above the usual rule for this diameter, %1", Pattern::Safety};
inline constexpr Pattern ragsFlat{"rags spread flat outdoors or laid in water: heaped, they catch fire by themselves",
                                  Pattern::Safety};
inline constexpr Pattern airTheRoom{"fresh air or a mask for vapors, gloves; no flame", Pattern::Safety};
inline constexpr Pattern foodSafe{
    "for food it is used once it has cured, as its label says, two to four weeks as a rule"};

inline constexpr Pattern asItIsSaid{"%1"};  // in the turner's own words
inline constexpr Pattern wipeOff{"left ten minutes, then wiped off altogether: what stays wet turns sticky"};
inline constexpr Pattern cutBackWool{"cut back with a fine pad or steel wool, dust wiped off"};
inline constexpr Pattern scuff{"scuffed with the last grit, dust wiped off"};
inline constexpr Pattern noneBetween{"nothing between: each coat bites into the one below"};
inline constexpr Pattern capillary{"no accelerator but on the last; runs wiped at once"};

}  // namespace vl::words
