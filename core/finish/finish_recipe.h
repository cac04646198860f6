#pragma once

#include "core/blank/assembly.h"
#include "core/recipe/bench.h"

namespace vl {

/// The finish of the piece, layer by layer; `gives` names what comes out of the last.
Thing putOnFinish(const Piece& piece, const Shop& shop, const Sides& sides, Bench& bench, const Thing& bare,
                  const std::string& gives);

/// The grits that a piece is sanded through, and how fast, added to a sanding step.
void sayGrits(const Piece& piece, const Shop& shop, const Sides& sides, std::vector<Setting>& settings, Text& how);

}  // namespace vl
