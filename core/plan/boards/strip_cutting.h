#pragma once

#include "core/plan/boards/strip_bound.h"

namespace vl {

/// Cuts every part that there is wood for, using up little: strips that give most for what they use up are placed
/// first, priced by the bound; then parts of the plan are taken out and placed anew, in other orders, as long as that
/// saves wood and the plan is more than `closeEnough` above the bound, crosscuts aside. The number of tries depends on
/// the problem only, so the same problem always has the same answer.
StripSolution cutStrips(const StripProblem& problem, const StripBound& bound, const Control& control = {},
                        double closeEnough = 0.002);

}  // namespace vl
