#pragma once

#include "core/recipe/step.h"

namespace vl {

/// Whether a step puts a tool or paper to the wood: what was glued before it must have set so far.
bool machines(const Step& step);

/// The recipe in which no tool touches a joint too soon: every step that machines what was glued waits for the cure of
/// each joint that no tool has touched before. A cure runs on from its clamp by itself and holds nothing; those that
/// nothing waits for are left out. Steps come after what they need, as Bench writes them.
Recipe withCures(Recipe recipe);

}  // namespace vl
