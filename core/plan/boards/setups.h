#pragma once

#include "core/plan/boards/board_plan.h"

namespace vl {

/// One setting of a machine and everything that is cut with it, so that it is set once.
struct Setup {
    std::string machine;             ///< "table saw, ripping", "thicknesser", "miter saw" …
    std::vector<Setting> settings;   ///< what to set: fence, thickness, angle, tilt, stop
    std::vector<std::string> parts;  ///< ids
    int cuts = 0;
    std::string what;   ///< the step that asks for it, where it is no plain cutting of parts
    std::string trial;  ///< what to cut first, and what to measure; what comes out is the setting itself
};

/// The set-ups of a cutting plan in the order of the machines: boards are cut clear, planed from the thickest down and
/// ripped, then each angle is set once and within it each stop. Without boards the strips of `assembly`'s parts are
/// taken as they come.
/// First come those that are hard to set: tilts, tapers, slants and re-cuts, as the recipe's steps ask for them. What
/// is cut already, or whose step is done, is left out. A trial ring's correction is in its angle.
std::vector<Setup> setupsOf(const Piece& piece, const Assembly& assembly, const BoardPlan& boards);

/// How many set-ups there are when as much is made alike as `Choices::setOnceWithin` can ask for; no more than there
/// are now.
int leastSetups(const Piece& piece, const Shop& shop, const Assembly& now);

}  // namespace vl
