#pragma once

#include "core/plan/plan.h"

namespace vl {

/// Where a measure is taken, seen in the half section: stations and radii, mm; a tool's jaws lie on this line. Height
/// and overlap: the layer's upper and lower face; outside and inside: what the blank holds there; floor: as far as the
/// hole is wide on it; wall: square to the outside; neck: one point. Empty where a section does not show it (gap,
/// aside), or where there is nothing of the kind.
Polyline seatOf(const Piece& piece, const Plan& plan, const Measured& what);

/// What can be measured at a place of the half section (station and radius, mm), the nearest first, what is not seen
/// there last; each with its value as planned. Stations are rounded to `step` mm; 0: as they are.
std::vector<Measured> measurableAt(const Piece& piece, const Plan& plan, const Point& place, double step = 0);

}  // namespace vl
