#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// How the joints of two layers lie over one another, as arcs of the circle, degrees.
struct JointsBeside {
    double least = 0;   ///< the nearest two joints
    double best = 0;    ///< the most that `least` can be for these numbers of segments; 0 where a layer has none
    double offset = 0;  ///< to turn the upper layer on by, degrees, for the best
};
/// Of layers cut in equal sectors, with joints at 360°/n (plane geometry).
JointsBeside jointsBeside(const BuiltLayer& below, const BuiltLayer& above);

/// Where two layers touch between two radii (mm).
struct Contact {
    double area = 0;  ///< mm², altogether
    double least =
        0;  ///< mm², under the segment of the upper layer that rests on the least; the area where it has no gaps
};
/// Gaps between segments are air in both (plane geometry; radii by the midpoint rule).
Contact contactOf(const BuiltLayer& below, const BuiltLayer& above, double inner, double outer);

}  // namespace vl
