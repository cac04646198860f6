#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"
#include "core/workpiece/axis_set_ups.h"

namespace vl {

/// Whether an axis of the piece is laid out on both ends of the blank before it is mounted.
bool hasMarkedCenters(const Piece& piece);

/// The centers of every axis that is held by them, marked on both ends while these are free.
WorkItem markCenters(const Piece& piece, Bench& bench, const WorkItem& blank);

/// Every set-up on another axis in its order: its depth line drawn while the piece still runs true, where its cut
/// runs out over an end; mounted, turned to a thickness that a caliper finds, and sanded before the axis moves; then
/// back on the true one.
/// `alongGrain`: the blank's grain runs along the axis.
WorkItem turnAxes(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, bool alongGrain, Bench& bench,
                  const WorkItem& turned);

/// The id of the step that mounts a set-up.
std::string axisMountStep(const AxisSetUp& setUp);

/// Radius of the circle about the true axis down to which a set-up cuts at a station, mm: its own radius less how far
/// it is off there; NaN where it cuts nothing.
double depthLine(const AxisSetUp& setUp, double z);

}  // namespace vl
