#pragma once

#include "core/blank/assembly.h"

#include <string>

namespace vl::io {

/// The profile at full size as SVG 1.1, 1 unit = 1 mm: outside, inside and axis, each a path with its id.
std::string writeSvg(const TurnedSurfaces& surfaces);

}  // namespace vl::io
