#pragma once

#include "core/workpiece/run.h"

namespace vl {

/// The laws of the bench that are checked on the wood as it is at each step.
enum class Law {
    TakesWood,        ///< 1: every cut takes wood that is there
    LeavesThePiece,   ///< 1: after the last step the workpiece is the piece
    GripIsThere,      ///< 5: held by wood that is there, as wide as is said
    SurfaceIsSpared,  ///< 6: bare jaws close on no finished surface
    HeldToTheEnd,     ///< 7: no step takes away what holds the work
    IsHeld,           ///< 7: what turns is held by something
    ToolComesIn       ///< 8: no center stands where the hollowing tool or the bit comes in
};
/// As tests and reports name it: "the tool comes in".
const char* lawName(Law law);

struct BrokenLaw {
    Law law;
    std::string step;  ///< id
    bool operator==(const BrokenLaw&) const = default;
};

/// The laws that a recipe breaks, carried out in this order. `piece`: what its outline and wall enclose, with which the
/// last workpiece is compared; empty where two polylines do not say all of it.
std::vector<BrokenLaw> brokenLaws(const Recipe& recipe, const std::vector<size_t>& order, const Stock& stock,
                                  const Region& piece);

}  // namespace vl
