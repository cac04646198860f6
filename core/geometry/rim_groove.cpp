#include "core/geometry/rim_groove.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <cmath>
#include <numbers>

namespace vl {

RimPieces rimPieces(double centerDiameter, const std::vector<double>& widths)
{
    if (!(centerDiameter > 0)) throw InputError("centre_diameter", exact(centerDiameter), "above 0 mm is");
    if (widths.empty()) throw InputError("pieces", "none", "one width or more is");
    double left = 2 * std::numbers::pi;
    for (const double w : widths) {
        if (!(w > 0 && w <= centerDiameter))
            throw InputError("pieces", exact(w),
                             "above 0 and no wider than the circle, " + exact(centerDiameter) + " mm, is");
        left -= 2 * std::asin(w / centerDiameter);
    }
    const double each = left / static_cast<double>(widths.size());
    constexpr double just = 1e-12;  // radians: pieces that just close the circle fit
    return {centerDiameter * std::sin(each / 2), left >= -just};
}

}  // namespace vl
