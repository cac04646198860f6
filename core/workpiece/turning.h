#pragma once

#include "core/recipe/effect.h"
#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// What roughing leaves all round for the last cuts, mm; common practice, the number our own.
inline constexpr double roughLeft = 3;

/// What roughing leaves all round of a piece, mm: no more than half of what the blank has.
double leftByRoughing(const Piece& piece);

/// Farther out than any blank, mm.
inline constexpr double farOut = 1e4;
/// Radius of waste that a center stands on: it is left so wide under slender ends, mm; common practice, the number our
/// own.
inline constexpr double centerStandsOn = 10;
/// A stretch of the axis that holds any piece.
inline constexpr Range everywhere{-farOut, farOut};

/// What is turned away outside, down to `left` mm from the finished surface, and of so much waste (mm) beyond foot and
/// rim what stands out further than they do.
effect::Turn outsideTurned(const TurnedSurfaces& surfaces, double left = 0, const Range& waste = {});
/// What is turned away inside, up to `left` mm from the finished surface; of a lone bore too.
effect::Turn insideTurned(const TurnedSurfaces& surfaces, double left = 0);
/// Both of them, which the last cuts come to.
effect::Turn bothTurned(const TurnedSurfaces& surfaces);
/// Everything beyond a radius between two stations: a tenon.
effect::Turn tenonTurned(Range z, double radius);

}  // namespace vl
