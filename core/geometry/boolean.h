#pragma once

#include "core/geometry/convex.h"
#include "core/geometry/surface.h"

namespace vl {

/// What is left of a closed surface once closed solids of flat faces are taken away one after another, by CGAL's
/// corefinement; nothing is done, and false returned, where one of them is not closed or crosses itself. Corners worked
/// out as floating-point numbers may run into one another where many solids meet; exact ones do not, and take many
/// times as long, the longer the more solids there are.
enum class Corners { Floating, Exact };
bool takeAway(Surface& from, const std::vector<std::vector<Face>>& solids, Corners corners = Corners::Floating);

}  // namespace vl
