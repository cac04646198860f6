#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"

namespace vl::report {

/// What a part is called; its id where it has no name.
/// The plan's part of this id; null where it is of an earlier plan.
const Part* partOf(const Plan& plan, const std::string& id);
QString partName(const Plan& plan, const std::string& id);
/// The layers that parts are for: "layers 6, 7, 9".
QString layersOf(const Plan& plan, const std::vector<std::string>& parts);

/// The boards with their cuts numbered in the order they are made, the set-ups of the machines in their order, and what
/// is to be bought.
void drawBoards(Sheet& sheet, const Piece& piece, const Plan& plan, const BoardPlan& boards, LengthStyle style);

}  // namespace vl::report
