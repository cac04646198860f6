#include "core/wood/drying.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/wood/moisture.h"

#include <algorithm>
#include <cmath>

namespace vl {

double daysToTarget(double initial, double equilibrium, double now, double days, double target)
{
    const auto percent = [](const char* field, double value) {
        if (!(value >= 0 && value <= 300)) throw InputError(field, exact(value), "0 to 300 % is");
    };
    percent("initial", initial);
    percent("equilibrium", equilibrium);
    percent("now", now);
    percent("target", target);
    if (!(days > 0)) throw InputError("days", exact(days), "above 0 is");
    // What is still to go, as shares of the whole way.
    const double way = initial - equilibrium, left = (now - equilibrium) / way, wanted = (target - equilibrium) / way;
    if (way == 0) throw InputError("initial", exact(initial), "another moisture than the equilibrium is");
    if (!(left > 0 && left < 1))
        throw InputError("now", exact(now),
                         "between initial " + exact(initial) + " and equilibrium " + exact(equilibrium) + " % is");
    if (!(wanted > 0))
        throw InputError("target", exact(target),
                         "short of the equilibrium, " + exact(equilibrium) + " %, which is never quite reached, is");
    const double rate = -std::log(left) / days;
    return std::max(0.0, -std::log(std::min(wanted, 1.0)) / rate - days);
}

double daysInTheRoom(double thickness, double wet, double target, double room, double density, double slowed)
{
    if (wet <= target) return 0;
    if (target <= room) return -1;
    constexpr double inch = 25.4, year = 365, usual = 650,
                     dried = 20;  // mm; days; kg/m³; a year an inch leaves a twentieth of what was wet
    const double slow = slowed * density / usual,
                 rate = std::log(dried) / (year * slow * std::pow(thickness / inch, 2));
    return std::log((wet - room) / (target - room)) / rate;
}

double driedSize(double size, double shrinkage, double wet, double dry)
{
    constexpr double saturated = 30;  // %, from memory
    return size - movement(size, shrinkage, std::max(0.0, std::min(wet, saturated) - std::min(dry, saturated)));
}

}  // namespace vl
