#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// What saw and drill take of the turned piece: mm³ of wood, its mass in kg, and that times its station, kg·mm.
struct RemovedVolume {
    double volume = 0, mass = 0, moment = 0;
};

/// What saws take of round and square work along lines, within a few thousandths; what drills take, what lies between
/// parts that were turned inside out, and what saws take where other axes have been at it, by points spread evenly over
/// it (the additive recurrence of the root of x⁴ = x + 1, from memory), within about a hundredth. What two cuts take is
/// counted once.
RemovedVolume removedByCuts(const Assembly& assembly, const TurnedSurfaces& surfaces);

}  // namespace vl
