#include "core/plan/learning/error_budget.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <cmath>
#include <numbers>
#include <string>

namespace vl {

double ringOdds(int sides, double angleSd, double outer, double gap)
{
    if (sides < 3 || sides > 360) throw InputError("sides", std::to_string(sides), "3 to 360 is");
    if (!(angleSd >= 0 && angleSd <= 45)) throw InputError("angle_sd", exact(angleSd), "0 to 45 degrees is");
    if (!(outer > 0)) throw InputError("outer", exact(outer), "above 0 mm is");
    if (!(gap >= 0)) throw InputError("gap", exact(gap), "0 mm or more is");
    const double spread = angleSd * std::numbers::pi / 180 * std::sqrt(2.0 * sides) * outer / 2;
    return spread > 0 ? std::erf(gap / spread / std::numbers::sqrt2) : 1;
}

}  // namespace vl
