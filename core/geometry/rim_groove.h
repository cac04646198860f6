#pragma once

#include <vector>

namespace vl {

/// Pieces set round a groove with even gaps between neighbors.
struct RimPieces {
    double gap = 0;     ///< mm, the chord of one gap; below 0 they overlap by so much
    bool fits = false;  ///< all of them go in
};

/// A piece of width w spans 2·asin(w/D) of the groove's center circle of diameter D, mm; what is left over is shared
/// evenly (plane geometry of the chord). Throws InputError where a width is not above 0 or wider than the circle.
RimPieces rimPieces(double centerDiameter, const std::vector<double>& widths);

}  // namespace vl
