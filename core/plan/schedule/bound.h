#pragma once

#include "core/plan/schedule/problem.h"
#include "core/plan/schedule/schedule.h"

namespace vl {

/// Fills in criticalPath, critical, lowerBound and busiest: the longest chain with closing times; and where chains
/// meet, what hands, clamps and lathe have to do before.
void boundSchedule(const ScheduleProblem& p, Schedule& s);

}  // namespace vl
