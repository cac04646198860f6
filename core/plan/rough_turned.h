#pragma once

#include "core/plan/plan.h"

namespace vl {

/// A bowl of one block that is turned rough while it is wet, waits, and is turned again. Lengths mm.
struct RoughTurned {
    double wall = 0;               ///< to leave all round: a tenth of the diameter, common practice
    double rough = 0;              ///< Ø that it is turned to while it is wet
    double along = 0, across = 0;  ///< what a rim turned round comes to when it is dry, along and across the grain
    double oval() const { return along - across; }
    /// Whether the finished rim still lies in what the oval leaves.
    bool holds = true;
    const char* wood = "";
};

/// Of a piece of one block with its grain across the axis, as wet as the block says, dried to `target` %: across the
/// grain it shrinks as the wood does along its years, along it by 0.1 % green to dry (Wood Handbook, chapter 4: linear
/// below 30 %; both from memory). Nothing where the piece is not of one block, or is dry already.
std::optional<RoughTurned> roughTurned(const Piece& piece, const Plan& plan, double target);

/// Days until wood of that thickness has come down to the target in a room, where there are no readings: an inch a year
/// from wet to dry (common practice), for a bowl's wall in as many parts of it; first order.
double daysInTheRoom(double wall, double wet, double target, double room);

}  // namespace vl
