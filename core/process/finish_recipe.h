#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// The step of a finish's layer, and what its setting is called that says how long a mixture can be used.
std::string finishStep(size_t layer);
inline constexpr const char* potLife = "pot life";

/// The finish of the piece, a step for each layer; `gives` names what comes out of the last. What they say waits until
/// the wood's surface is known (sayFinish).
WorkItem putOnFinish(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& bare,
                     const std::string& gives);

/// Fills in what the finish's steps say and take: coats by the surface that the built layers show, grams, mixtures,
/// speeds. Returns the finish with those coats.
Finish sayFinish(const Piece& piece, const Shop& shop, const Assembly& assembly, const TurnedSurfaces& surfaces,
                 Recipe& recipe);

/// The grits that a piece is sanded through, added to a sanding step.
enum class SandedBy { Lathe, Hand };
void sayGrits(const Piece& piece, const Shop& shop, SandedBy by, std::vector<Setting>& settings, Text& how);
/// What a step sands: all of it; the outside before the inside is there, and then the rest; one side alone, because the
/// other is closed or will be. Of open work the outside waits at grit 180 (our own value) until the inside has come as
/// far.
enum class Sanded { All, OutsideFirst, Rest, Outside, Inside };
/// Those, how fast the lathe turns for them, and how paper is held on this piece.
void saySanding(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Sanded what,
                std::vector<Setting>& settings, Text& how);

/// What was cut free once the finish was on, finished as the rest is; `gives` names what comes out.
WorkItem finishTheFoot(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& cut,
                       const std::string& gives);

}  // namespace vl
