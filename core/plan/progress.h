#pragma once

#include "core/plan/plan.h"

namespace vl {

/// The piece with a step ticked that was not, or no longer ticked that was; `now` is what the shop's clock says. A step
/// that is not in the plan changes nothing.
Piece withStepTicked(Piece piece, const Plan& plan, const std::string& step, double now);

/// Rounds of what is done again until something is seen: how many were done and how many are planned, and the minutes
/// that they take.
void planRounds(const Progress& progress, Recipe& recipe);
/// The piece with one more round of a step done.
Piece withRoundDone(Piece piece, const std::string& step);

/// The piece with a place of a walked list ticked, or no longer; and whether it is.
Piece withPlaceTicked(Piece piece, const std::string& place);
bool isTicked(const Piece& piece, const std::string& place);

}  // namespace vl
