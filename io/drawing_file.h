#pragma once

#include "core/geometry/drawn_outline.h"

#include <string>

namespace vl::io {

/// Reads the lines of a drawing: SVG (path, polyline, polygon, line; curves and arcs within 0.02 mm; lengths by width
/// and viewBox, else 96 to the inch, CSS) or DXF (lines, polylines with bulges, arcs; inches, millimeters, centimeters
/// or meters by $INSUNITS, else millimeters). A line called "axis", by its id or its layer, is the axis. Throws
/// InputError where it cannot be read, is larger than 20 MB, or has another ending.
Drawing readDrawing(const std::string& path);

}  // namespace vl::io
