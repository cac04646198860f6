#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// Rods in the blank: drilled in rounds of what does not cross, each round glued and cured before the next is drilled.
Thing letRodsIn(const Piece& piece, const Sides& sides, Bench& bench, const Thing& blank);

/// A rod or a plug glued, or a filler packed, into holes that are drilled.
Thing fillHoles(const Piece& piece, const std::vector<const DrilledHole*>& alike, Bench& bench, const Thing& drilled);

/// Grooves and cracks: turned or opened, sealed, set, filled in rounds, cut back level.
Thing letIn(const Piece& piece, const Sides& sides, Bench& bench, const Thing& turned);

/// Openings in the wall, drilled, sawn and eased once the piece is off the lathe.
Thing sawOpenings(const Piece& piece, const Sides& sides, Bench& bench, const Thing& freed);

/// What is bought, fitted last: gives "piece".
Thing fitBought(const Piece& piece, Bench& bench, const Thing& finished);

/// What a bought part is called.
std::string nameOf(const Bought& bought);

}  // namespace vl
