#include "core/geometry/split_outline.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <cmath>
#include <numbers>
#include <string>

namespace vl {

double SplitOutline::radius() const { return size / 2 * std::tan(std::numbers::pi / fold) - band / 2; }

double SplitOutline::mismatch(double diameter) const { return std::abs(diameter - size) / 2; }

void checkSplitOutline(const SplitOutline& o)
{
    if (o.fold < 3 || o.fold > 12) throw InputError("fold", std::to_string(o.fold), "3 to 12 is");
    if (!(o.size > 0)) throw InputError("size", exact(o.size), "above 0 mm is");
    if (!(o.band >= 0)) throw InputError("band", exact(o.band), "0 mm or more is");
    if (!(o.radius() > 0))
        throw InputError("band", exact(o.band),
                         "less than the side of the outline's polygon, " +
                             exact(o.size * std::tan(std::numbers::pi / o.fold)) + " mm, is");
}

}  // namespace vl
