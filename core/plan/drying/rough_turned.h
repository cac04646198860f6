#pragma once

#include "core/piece/records/reading.h"
#include "core/plan/plan.h"
#include "core/wood/drying.h"

namespace vl {

/// A bowl of one block that is turned rough while it is wet, waits, and is turned again. Lengths mm.
struct RoughTurned {
    double wall = 0;               ///< to leave all round: a tenth of the diameter, common practice
    double rough = 0;              ///< Ø that it is turned to while it is wet
    double along = 0, across = 0;  ///< what a rim turned round comes to when it is dry, along and across the grain
    double oval() const { return along - across; }
    double onceAlong = 0, onceAcross = 0;  ///< what the finished rim comes to where it is turned once, wet
    /// Whether the finished rim still lies in what the oval leaves.
    bool holds = true;
    const char* wood = "";
    double wet = 0, target = 8;  ///< %
    double density = 650;        ///< kg/m³ of its wood
    /// About how long it waits, months of 30 days, in a heated room.
    double months(Coat coat) const;
};

/// Of a piece of one block with its grain across the axis, as wet as the block says, dried to `target` %: across the
/// grain it shrinks as the wood does along its years, along it by 0.1 % green to dry (Wood Handbook, chapter 4: linear
/// below 30 %; both from memory). Nothing where the piece is not of one block, or is dry already.
std::optional<RoughTurned> roughTurned(const Piece& piece, const Plan& plan, double target = dryEnough);

}  // namespace vl
