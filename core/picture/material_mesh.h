#pragma once

#include "core/picture/closed_surface.h"

namespace vl {

/// A surface in the woods of the blank that it was cut from: its triangles cut at every joint, so that a joint is as
/// sharp as an edge, smooth where neighbors meet at less than 30°. Air between segments is left out where the
/// surface passes it.
Mesh materialMesh(const Assembly& assembly, const Surface& surface);

}  // namespace vl
