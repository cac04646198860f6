#pragma once

#include "core/geometry/drawn_outline.h"

#include <string>

namespace vl::io {

/// Reads the lines of a drawing, SVG or DXF by its ending (svg_drawing.h, dxf_drawing.h). Throws InputError where it
/// cannot be read, is larger than 20 MB, or has another ending.
Drawing readDrawing(const std::string& path);

}  // namespace vl::io
