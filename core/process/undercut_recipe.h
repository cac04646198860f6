#pragma once

#include "core/order/operations.h"
#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// What an outside that falls back asks for on the lathe: the wood under an overhang, and what opens towards the rim's
/// end, as a dish round a post does.
void addUndercuts(const Piece& piece, Operations& all);

/// Whether the foot has a recess of its own, wider than any bore.
bool hasFootRecess(const Piece& piece, const TurnedSurfaces& surfaces);

/// Adds to a step that turns the foot what its recess takes: its settings, words and effect.
void sayFootRecess(const Piece& piece, const TurnedSurfaces& surfaces, StepSpec& doing);

/// Adds to a step that mounts a piece by its rim's end what a post that stands out of it asks for.
void sayRoomForPost(const RimEnd& rim, StepSpec& mounting);

/// Once it is parted off: held by its rim, and its foot recessed. Nothing where the foot has no recess.
void addFootRecess(const Piece& piece, const TurnedSurfaces& surfaces, Operations& all);

}  // namespace vl
