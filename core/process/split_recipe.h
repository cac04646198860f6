#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// The blank sawn along the plane of its split and glued again in the waste alone.
WorkItem halved(const Piece& piece, Bench& bench, const WorkItem& blank);

/// Its waste off, opened, one half turned on and glued, the joint leveled.
WorkItem turnedOn(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned);

/// How its outline is turned and sanded, so that it still meets itself.
void sayTemplate(const Piece& piece, std::vector<Setting>& settings, Text& how);
void sayLightly(const Piece& piece, Text& how);

/// The steps after which it lies in halves, and is whole again.
inline constexpr const char* glueWasteStep = "glue-waste";
inline constexpr const char *openStep = "open-split", *turnOnStep = "turn-on";

}  // namespace vl
