#pragma once

#include "core/plan/plan.h"

#include <optional>

namespace vl {

/// The workpiece after one step, while it stands on the lathe: mm, from the foot's face; kg; rpm.
struct OnLathe {
    Range wood{};                     ///< stations, with waste and blocks
    double widest = 0, sweep = 0;     ///< radius of its farthest wood, and about the axis that it turns about
    double offset = 0, overhang = 0;  ///< of its middle off that axis; of its far end from the grip
    const Mount* mount = nullptr;     ///< what holds it
    Range grip{};                     ///< stations
};

/// The workpiece after one step: mm³ and kg.
struct RunState {
    const Step* step = nullptr;
    double takes = 0, adds = 0;  ///< of all the wood on the bench
    double volume = 0, mass = 0;
    size_t bodies = 0;  ///< on the bench
    std::optional<OnLathe> lathe{};
};

/// The workpiece after every step that touches wood, in the order of the schedule. Blanks by their cells, what is
/// turned by the regions that are left, other axes, saw and drill by the finished piece with and without them; what is
/// glued on less what is taken comes to the piece.
std::vector<RunState> runStates(const Piece& piece, const Plan& plan);

/// The effect's name, as plans carry it: "turn", "let_in".
const char* effectName(const Effect& effect);

}  // namespace vl
