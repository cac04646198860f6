#pragma once

#include "core/blank/assembly.h"
#include "core/order/operations.h"
#include "core/workpiece/axis_set_ups.h"

namespace vl {

/// Whether an axis of the piece is laid out on both ends of the blank before it is mounted.
bool hasMarkedCenters(const Piece& piece);

/// The centers of every axis that is held by them, marked on both ends while these are free.
WorkItem markCenters(const Piece& piece, Bench& bench, const WorkItem& blank);

/// Every set-up on another axis as an operation, and the mounting for it: turned to a thickness that a caliper finds,
/// and sanded before the axis moves. The depth lines of all of them, where their cuts run out over an end, are one
/// more. `grip`: the tenon that chucks close on; without a diameter where centers alone hold it.
void addSides(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, const Held& grip, Operations& all);

/// Back on the true centers, where anything is turned on other axes; with the rim's end to the headstock, or the
/// foot's. `spoiledBy`: what takes the wood that they stand on.
void offerTrueCenters(const Piece& piece, bool rimToHead, Operations& all, std::vector<Work> spoiledBy = {});

/// The id of the step that mounts a set-up.
std::string axisMountStep(const AxisSetUp& setUp);

/// Radius of the circle about the true axis down to which a set-up cuts at a station, mm: its own radius less how far
/// it is off there; NaN where it cuts nothing.
double depthLine(const AxisSetUp& setUp, double z);

}  // namespace vl
