#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// Flutes and facets, cut while the work still stands in the lathe.
WorkItem workByIndex(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned);

/// The decorated grids, laid out and worked on what is sanded for the last time.
WorkItem workGrids(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& sanded);

/// How what held the foot is turned away, with a nub under the live center to the last.
void sayFootFreed(const Piece& piece, const TurnedSurfaces& surfaces, StepSpec& doing);

/// Legs hollowed and sawn out of the foot's ring, then a leaning base. `onRim`: it is held by its rim already.
WorkItem makeLegs(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Bench& bench,
                  const WorkItem& freed, bool onRim);

}  // namespace vl
