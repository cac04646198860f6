#pragma once

#include "core/constructions/construction.h"

namespace vl {

/// The whole recipe: every layer's own steps, the stack built of them in sections where the inside asks for it, and the
/// turning.
Recipe stackRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces,
                   const std::vector<Building>& buildings);

}  // namespace vl
