#pragma once

#include "core/workpiece/turned_surfaces.h"

#include <optional>

namespace vl {

/// What the bandsaw takes, each curve the same on both sides of the axis: solids and the steps that take them.
std::vector<Cut> sawnCuts(const Piece& piece);

/// What a half log has not grown over its bark side where that is the rim, its own middle along the grain; none where
/// there is no such log, or where its bark line is drawn.
std::optional<Sawed> livingEdge(const Piece& piece);

/// A sawn curve as points: distance from the axis, and station or half width, mm.
Polyline curveOf(const Sawn& sawn);

/// What it is called, and the step after which it stands at its line; empty where it has grown so.
std::string nameOf(const Piece& piece, const Sawn& sawn);
std::string sawStep(const Sawn& sawn);

/// Whether it can be sawn before the blank is mounted: one board or block, whose faces are flat still.
bool sawnBefore(const Piece& piece, const Sawn& sawn);

}  // namespace vl
