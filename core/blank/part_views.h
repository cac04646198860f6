#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// A stave as it is sawn, in three views, mm: its outer face (x across, y along it), its edge (x through its thickness,
/// y along it) and its lower end (x across, y through its thickness). Outlines of every flat face that is seen.
struct PartViews {
    using Outlines = std::vector<std::vector<Point>>;
    Outlines face, edge, end;
    double length = 0;            ///< of the outer face
    double upper = 0, lower = 0;  ///< width of the outer face at its ends
    double thickness = 0;
};

/// Of a flat-faced cell of a layer; the layer's own two faces stand `loss` mm further out, as they are sawn.
PartViews partViews(BuiltLayer layer, size_t cell, double loss);

}  // namespace vl
