#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"

namespace vl::report {

/// Writes the packet: picture and figures, a sheet for every ring, the strip list, boards and set-ups, the glue-up
/// order and timetable, the stations, angles and scribing circles and the template at full size. Needs a
/// QGuiApplication. Throws InputError where the device cannot be written to.
void printPacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 Paper paper, QPagedPaintDevice& device);

/// The same as a PDF.
void writePacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 Paper paper, QIODevice& file);

}  // namespace vl::report
