#pragma once

namespace vl {

/// Days from now until wood that was at `initial` % and is at `now` % after `days` reaches `target` %, on its way to
/// `equilibrium` %: M(t) = E + (M0 − E)·e^(−k·t), first order (common practice). 0 where it is there already. Throws
/// InputError where it does not dry towards the target, or never reaches it.
double daysToTarget(double initial, double equilibrium, double now, double days, double target);

}  // namespace vl
