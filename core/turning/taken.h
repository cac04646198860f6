#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// What saw and drill take of the turned piece: mm³ of wood, its mass in kg, and that times its station, kg·mm.
struct Taken {
    double volume = 0, mass = 0, moment = 0;
};

/// By points spread evenly over each cut (the additive recurrence of the root of x⁴ = x + 1, from memory): within about
/// a hundredth of what is taken. What two cuts take is counted once.
Taken takenByCuts(const Assembly& assembly, const Sides& sides);

}  // namespace vl
