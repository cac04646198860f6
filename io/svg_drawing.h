#pragma once

#include "core/geometry/drawn_outline.h"

#include <string>

namespace vl::io {

/// The lines of an SVG text as Qt draws them: every shape where its transforms put it, curves within 0.02 mm; lengths
/// by width, height and viewBox, else 96 to the inch (CSS). The shape whose id is "axis" is the axis. What is neither
/// filled nor stroked is not there. Throws InputError where it is no SVG, or draws the same over and over.
Drawing readSvgDrawing(const std::string& text);

}  // namespace vl::io
