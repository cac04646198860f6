#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/plan.h"

namespace vl::report {

/// The order of the work, session by session: a box to tick, the clock, what to do and how, and what is waited for
/// afterwards. What was said in the same words before is not said again: only its numbers are.
void drawOrder(Sheet& sheet, const Plan& plan, LengthStyle style);

}  // namespace vl::report
