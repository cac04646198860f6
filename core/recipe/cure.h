#pragma once

#include "core/recipe/step.h"

namespace vl {

/// How hard a step works the wood: not at all; a face trued, a hole drilled on the press; or more. What was glued
/// before it must have set so far.
enum class Load { None, Light, Heavy };
Load loadOf(const Step& step);

/// The recipe in which no tool touches a joint too soon: every step that works what was glued waits for the cure of
/// each joint that it is the first to load so. A cure runs on from its clamp by itself and holds nothing; those that
/// nothing waits for are left out. Steps come after what they need, as Bench writes them.
Recipe withCures(Recipe recipe);

}  // namespace vl
