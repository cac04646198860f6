#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// Rods in the blank: drilled in rounds of what does not cross, each round glued and cured before the next is drilled.
WorkItem letRodsIn(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& blank);

/// A rod or a plug glued, or a filler packed, into holes that are drilled.
WorkItem fillHoles(const Piece& piece, const std::vector<const DrilledHole*>& alike, Bench& bench,
                   const WorkItem& drilled);

/// Cracks, opened and filled while the wall is still thick: they carry load as it is turned to size.
WorkItem fillCracks(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& roughed);

/// Grooves: turned, sealed, set, filled in rounds, cut back level.
WorkItem letIn(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned);

/// Openings in the wall, drilled, sawn and eased once the piece is off the lathe.
WorkItem sawOpenings(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& freed);

/// What is bought and fitted once the piece is finished: all but a tube that carries its wall.
std::vector<const Bought*> fittedLast(const Piece& piece);
/// What is bought, fitted last: gives "piece".
WorkItem fitBought(const Piece& piece, Bench& bench, const WorkItem& finished);

/// What a bought part is called.
std::string nameOf(const Bought& bought);

}  // namespace vl
