#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

// What every way of turning a piece has alike, whatever holds it: each takes the thing before and gives the one after.

/// In the blank: corners nipped, sawn to a curve, rods let in, halved for a split.
WorkItem onTheBlank(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& blank);

/// On what is turned, before its last sanding: holes that are filled, what lies on the axis of the rim, grooves and
/// cracks.
WorkItem beforeSanding(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned);

/// On what is sanded, while it stands in the lathe: flutes, facets, grids, open holes.
WorkItem onceSanded(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& sanded);

/// Where edges, wings or bark come round, as measures and in words; nothing where none do. `sweeps`: mm that the work
/// sweeps as it is now.
void sayAirSweep(const Range& air, double sweeps, StepSpec& turning);

/// The waste at the rim's end (mm) off, with the lathe at rest, from a rim at this station.
WorkItem faceRim(double rim, double waste, const Pattern& why, Bench& bench, const WorkItem& turned);

/// Whether anything is left to do once it is free of what held its foot.
bool hasMoreOnceFree(const Piece& piece);
/// Holes in the foot, legs, a leaning base, curves, openings, one half turned on. `onRim`: it is held by its rim.
WorkItem onceFree(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Bench& bench,
                  const WorkItem& freed, bool onRim);

/// Finish and what is bought: gives "piece".
WorkItem finished(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& bare);
/// What is finished before anything bought is fitted: "piece" where nothing is.
std::string beforeFitting(const Piece& piece);

}  // namespace vl
