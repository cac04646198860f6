#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// Curves that are sawn while the blank's faces are flat, before it is mounted.
WorkItem sawBlank(const Piece& piece, Bench& bench, const WorkItem& blank);

/// Curves that are sawn once the piece is turned, each blended into it.
WorkItem sawTurned(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& turned);

/// Holes that are alike, in one step.
WorkItem drillAlike(const Piece& piece, const std::vector<const DrilledHole*>& alike, Bench& bench,
                    const WorkItem& before);

/// Holes by the time at which they are drilled.
enum class HolesOf {
    RimsMiddle,  ///< as the piece turns, its free end before the tailstock
    Filled,      ///< before what fills them is turned flush
    Open,        ///< once nothing is sanded as it turns any more: an edge that comes round catches paper and fingers
    Foot         ///< once the foot is free
};
/// Those of one time, and what fills them.
WorkItem drillHoles(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& before,
                    HolesOf time);

}  // namespace vl
