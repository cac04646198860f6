#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// Flutes and facets, cut while the work still stands in the lathe.
Thing workByIndex(const Piece& piece, const Sides& sides, Bench& bench, const Thing& turned);

/// The decorated grids, laid out and worked on what is sanded for the last time.
Thing workGrids(const Piece& piece, const Sides& sides, Bench& bench, const Thing& sanded);

/// Legs hollowed and sawn out of the foot's ring, then a leaning base. `onRim`: it is held by its rim already.
Thing makeLegs(const Piece& piece, const Shop& shop, const Sides& sides, Bench& bench, const Thing& freed, bool onRim);

}  // namespace vl
