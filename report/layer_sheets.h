#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/plan.h"

namespace vl::report {

/// A cell for every layer: its face, its part with its measures, and everything that is set for it, in two columns.
/// Layers that are the same in every number share one.
void drawLayers(Sheet& sheet, const Piece& piece, const Shop& shop, const Plan& plan, LengthStyle style);

}  // namespace vl::report
