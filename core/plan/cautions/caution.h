#pragma once

#include "core/piece/edits/caution.h"
#include "core/plan/figures/passes.h"

namespace vl {

/// Every caution of a plan, the gravest first, then from the headstock on. Lengths in messages are in `style`.
std::vector<Caution> cautionsOf(const Piece& piece, const Shop& shop, const Scheduled& plan, LengthStyle style = {});

}  // namespace vl
