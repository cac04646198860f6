#pragma once

#include "core/picture/mesh.h"
#include "core/plan/plan.h"

namespace vl {

/// Adds what holds the work after the first `count` steps to a picture of it, while a step is done on the lathe.
void showHolding(const Piece& piece, const Shop& shop, const Plan& plan, size_t count, Mesh& mesh);

}  // namespace vl
