#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/plan.h"

namespace vl::report {

/// What saw and drill need beside the order of work: every curve at full size, to be glued on, and every hole in a list
/// to be ticked. Nothing where there is neither.
void drawCutPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style);

}  // namespace vl::report
