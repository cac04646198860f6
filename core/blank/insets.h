#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// Everything that is let into a piece, in the order of the work.
std::vector<Inset> insetsOf(const Piece& piece, const TurnedSurfaces& surfaces);

/// A round bar about a line, from `low` to `high` mm along its way from a place, as flat faces within a hundredth of
/// its radius.
Cell barCell(const Eigen::Vector3d& from, const Eigen::Vector3d& way, double low, double high, double radius,
             const Species& wood);

/// Convex bodies that are together what a cell is: itself, or where it ends at a radius its shares round the axis.
std::vector<Cell> convexParts(const Cell& cell);

}  // namespace vl
