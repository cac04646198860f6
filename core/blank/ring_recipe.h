#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// The recipe of a ring stack whose layers and parts are there: from cutting to parting off. Steps are named by what they do to
/// which layer: "cut-3", "glue-3", "stack-3". Minutes are common practice.
Recipe ringStackRecipe(const Piece& piece, const Shop& shop, const Assembly& assembly);

}  // namespace vl
