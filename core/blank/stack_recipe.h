#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// The recipe of a stack whose layers and parts are there: from cutting to parting off. Steps are named by what they do to which
/// layer: "cut-3", "glue-3", "stack-3". Where a section closes off what the tools cannot reach later, the inside is turned, sanded and
/// sealed first. Minutes are common practice.
Recipe stackRecipe(const Piece& piece, const Shop& shop, const Sides& sides, const Assembly& assembly);

}  // namespace vl
