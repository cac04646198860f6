#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/plan.h"

namespace vl::report {

/// What is let in and what has to be bought beside wood, as lists to tick; the first outline of what is turned inside
/// out, and openings on the unrolled wall, at full size. Nothing of what the piece has not.
void drawLetInPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style);

}  // namespace vl::report
