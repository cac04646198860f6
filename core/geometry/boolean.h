#pragma once

#include "core/geometry/convex.h"
#include "core/geometry/surface.h"

namespace vl {

/// What is left of a closed surface once a closed solid of flat faces is taken away, by CGAL's corefinement with exact
/// predicates; nothing where either is not closed or crosses itself.
bool takeAway(Surface& from, const std::vector<Face>& solid);

}  // namespace vl
