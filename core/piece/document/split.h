#pragma once

#include "core/geometry/outline.h"

namespace vl {

/// A piece that is turned, split along its axis, one half turned on in the plane of the split, and glued again.
struct Split {
    bool on = false;
    int fold = 4;       ///< one half is turned on by a whole turn's share of it
    double size = 80;   ///< mm: twice from the middle to a tip; of four tips from flat to flat
    double band = 0;    ///< mm, flat at each tip; 0: sharp
    double bulge = 0;   ///< of its sides, in shares of their length: below 0 hollow, 0 straight
    double waste = 25;  ///< mm at each end, where alone it is glued until it is split
    std::string extra;
    bool operator==(const Split&) const = default;
};
template <class V, As<Split> F> void fields(V& v, F& f)
{
    v.flag("on", f.on, "Split, one half turned on and glued again");
    v.when(f.on).count("fold", f.fold, {2, 6, ""}, "Alike under a turn by 360° over", "two, three, four or six");
    v.when(f.on).length("size_mm", f.size, {10, 1000}, "Size", "twice from the middle to a tip");
    v.when(f.on).length("band_mm", f.band, {0, 200}, "Flat at each tip", "0: sharp");
    v.when(f.on).number("bulge", f.bulge, {-0.4, 0.4, ""}, "Sides bulge",
                        "in shares of their length; below 0 hollow, 0 straight");
    v.when(f.on).length("waste_mm", f.waste, {5, 200}, "Waste at each end", "glued there alone until it is split");
}

/// Throws InputError naming the field where there is no such outline.
void checkSplit(const Split& split);

/// The outside that it asks for: `fold` tips about the piece's middle, one of them on the axis at the headstock's end,
/// alike under a turn by 360°/fold (plane geometry of the regular polygon).
Outline splitOutline(const Split& split);

/// The station about which it is alike, of a piece of this height, mm.
double splitMiddle(const Split& split, double height);

/// Radius of the arcs that its sides are, mm: c · (1/4 + b²) / (2b) of a chord c and a sagitta b · c; 0: they are
/// straight.
double sideRadius(const Split& split);

}  // namespace vl
