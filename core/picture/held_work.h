#pragma once

#include "core/picture/mesh.h"
#include "core/piece/shop/shop.h"
#include "core/recipe/step.h"

namespace vl {

/// Adds what holds the work, and the lathe about it, to a picture: chuck and jaws, plate, cup or center at the
/// headstock's end, the tailstock where it is up, the rest in front of what sweeps, and the bed below. `span`: the
/// stations of the work; `sweep`: mm from the axis that it reaches. Plain shapes of the shop's measures, in steel's
/// gray.
void addHolding(Mesh& mesh, const Held& held, Range span, double sweep, const Shop& shop);

}  // namespace vl
