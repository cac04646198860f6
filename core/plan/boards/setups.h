#pragma once

#include "core/plan/boards/board_plan.h"

namespace vl {

/// One setting of a machine and everything that is cut with it, so that it is set once.
struct Setup {
    std::string machine;             ///< "table saw, ripping", "thicknesser", "miter saw" …
    std::vector<Setting> settings;   ///< what to set: fence, thickness, angle, tilt, stop
    std::vector<std::string> parts;  ///< ids
    int cuts = 0;
    std::string trial;  ///< what to cut first, and what to measure
};

/// The set-ups of a cutting plan in the order of the machines: boards are cut clear and ripped, strips planed from the
/// thickest down, then each angle is set once and within it each stop. Without boards the strips of `assembly`'s parts
/// are taken as they come.
std::vector<Setup> setupsOf(const Piece& piece, const Assembly& assembly, const BoardPlan& boards);

}  // namespace vl
