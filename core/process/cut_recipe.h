#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// Curves that are sawn while the blank's faces are flat, before it is mounted.
Thing sawBlank(const Piece& piece, Bench& bench, const Thing& blank);

/// Curves that are sawn once the piece is turned, each blended into it.
Thing sawTurned(const Piece& piece, const Shop& shop, Bench& bench, const Thing& turned);

/// Holes that are alike, in one step.
Thing drillAlike(const Piece& piece, const std::vector<const DrilledHole*>& alike, Bench& bench, const Thing& before);

/// Holes, and what fills them: into the side and the rim's face while the piece is held by its foot, or into the foot's
/// face (`foot`) once that is free.
Thing drillHoles(const Piece& piece, const Sides& sides, Bench& bench, const Thing& turned, bool foot);

}  // namespace vl
