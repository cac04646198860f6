#pragma once

namespace vl {

/// Days from now until wood that was at `initial` % and is at `now` % after `days` reaches `target` %, on its way to
/// `equilibrium` %: M(t) = E + (M0 − E)·e^(−k·t), first order (common practice). 0 where it is there already. Throws
/// InputError where it does not dry towards the target, or never reaches it.
double daysToTarget(double initial, double equilibrium, double now, double days, double target);

/// Days until wood of a thickness has come down from `wet` % to the target in a room whose equilibrium is `room` %,
/// where there are no readings: an inch a year from wet to dry (common practice), for other thicknesses by their
/// square, in proportion to density (650 kg/m³ as a rule; our own choice), times `slowed`; first order. 0 where it is
/// there already, −1 where it never comes there.
double daysInTheRoom(double thickness, double wet, double target, double room, double density = 650, double slowed = 1);

/// What wood has to come down to before it is finished (common practice), and what it comes to in a heated room (our
/// own value), %.
inline constexpr double dryEnough = 8, heatedRoom = 6.5;

/// What a size across the grain of wet wood comes to when it is dry, mm: linear below fiber saturation, taken as 30 %
/// (movement() in core/wood/moisture.h); shrinkage %, green to dry.
double driedSize(double size, double shrinkage, double wet, double dry);

/// The wall that is left on a bowl turned rough while it is wet, mm: a tenth of its diameter, common practice.
constexpr double roughWall(double diameter) { return diameter / 10; }

}  // namespace vl
