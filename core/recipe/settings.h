#pragma once

#include "core/recipe/step.h"

#include <algorithm>
#include <cmath>

namespace vl {

// The settings that steps have most: of a machine, or measures that are none ({}).

inline Setting lengthAt(Resource machine, const char* name, double mm, const char* formula = "chosen", int decimals = 1)
{
    return {.machine = machine, .name = name, .value = mm, .formula = formula, .decimals = decimals};
}
/// Degrees, as they are.
inline Setting angleAt(Resource machine, const char* name, double deg, const char* formula = "chosen")
{
    return {.machine = machine, .name = name, .value = deg, .unit = Unit::Angle, .formula = formula, .decimals = 1};
}
inline Setting countAt(Resource machine, std::string name, double n, const char* formula = "chosen", int decimals = 0)
{
    return {.machine = machine,
            .name = std::move(name),
            .value = n,
            .unit = Unit::Count,
            .formula = formula,
            .decimals = decimals};
}

/// How fast a bit (Ø, mm) is turned at the most: 500 rpm at 35 mm, faster as it is narrower; common practice, from
/// memory.
inline Setting boringSpeed(double bit)
{
    constexpr double turns = 17500, fastest = 1500;  // rpm · mm, rpm
    return {.machine = Resource::Lathe,
            .name = "bored at, at the most",
            .value = std::floor(std::min(fastest, turns / bit) / 10) * 10,
            .unit = Unit::Speed,
            .formula = "17,500 / Ø",
            .source = "common practice",
            .decimals = 0};
}

}  // namespace vl
