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

/// Holes, and what fills them: into the side and the rim's face while the piece is held by its foot, or into the foot's
/// face (`foot`) once that is free.
WorkItem drillHoles(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned,
                    bool foot);

}  // namespace vl
