#pragma once

#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"

#include <string>

namespace vl::io {

/// The whole plan as JSON text, in the keys of the command line's contract; numbers at full precision.
std::string writePlan(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards,
                      bool maps = false);

}  // namespace vl::io
