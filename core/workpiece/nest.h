#pragma once

#include "core/piece/document/piece.h"

namespace vl {

/// One ring of several that are parted from the same blank one inside another. Diameters mm.
struct NestedRing {
    double outer = 0, inner = 0;
};

/// The rings that fit, the largest first: each takes its wall and the tool's groove, down to the least inside diameter.
std::vector<NestedRing> nestedRings(const Nest& nest);

/// What a straight blade must be narrower below its edge to follow a groove of outer radius `radius` (mm): at `below`
/// mm under the center height the groove's outer wall stands R − √(R² − h²) nearer. NaN where the blade
/// is taller than the groove is wide. Source: circle's chord.
double bladeClearance(double radius, double below);

}  // namespace vl
