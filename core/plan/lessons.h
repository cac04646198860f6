#pragma once

#include "core/blank/assembly.h"
#include "core/piece/shop/shop.h"

namespace vl {

/// What kind a step is, whatever layer it is of: its id without the layer's.
std::string kindOfStep(const Step& step, const Piece& piece);

/// Whether something learned matters to a step.
bool matters(const Lesson& lesson, const Step& step, const Piece& piece, const std::vector<BuiltLayer>& layers);

/// Says in the recipe what was learned: of a kind of step at each of them, of a wood, a construction or a machine at
/// the first step that has to do with it.
void sayLessons(const Shop& shop, const Piece& piece, const std::vector<BuiltLayer>& layers, Recipe& recipe);

/// What a lesson about a step could be kept under: the step's own kind, then its woods, construction and machines.
std::vector<Lesson> subjectsOf(const Step& step, const Piece& piece, const std::vector<BuiltLayer>& layers);

}  // namespace vl
