#pragma once

#include "core/geometry/convex.h"
#include "core/geometry/surface.h"

namespace vl {

/// What is left of a closed surface once closed solids of flat faces are taken away one after another, by CGAL's
/// corefinement; nothing is done, and false returned, where one of them is not closed or crosses itself. Corners are
/// worked out as floating-point numbers, and exactly where those would run into one another.
bool takeAway(Surface& from, const std::vector<std::vector<Face>>& solids);

}  // namespace vl
