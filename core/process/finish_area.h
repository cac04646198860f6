#pragma once

#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// What is finished, mm².
struct FinishArea {
    double outside = 0, inside = 0;
    double all() const { return outside + inside; }
};

/// The surfaces that are there. Round work exactly (Pappus), rim and foot with it; nested rings each by themselves;
/// what edges, other axes and saws leave by places spread over its surfaces, within about two hundredths. What lies in
/// drilled holes is not counted.
FinishArea finishArea(const Piece& piece, const TurnedSurfaces& surfaces);

}  // namespace vl
