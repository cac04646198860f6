#pragma once

#include "core/geometry/drawn_outline.h"

#include <string>

namespace vl::io {

/// The lines of a DXF text: lines, polylines with bulges, arcs, circles, ellipses and splines, curves within 0.02 mm;
/// inches, feet, millimeters, centimeters or meters by $INSUNITS, else millimeters. A line on the layer "axis" is the
/// axis; lines whose ends meet are one. Throws InputError where it is no DXF.
Drawing readDxfDrawing(const std::string& text);

}  // namespace vl::io
