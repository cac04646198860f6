#pragma once

#include "core/blank/assembly.h"

#include <string>

namespace vl::io {

/// Writes the profile as DXF (R2000, mm): layers OUTSIDE, INSIDE and AXIS, the sides as polylines, x along the axis, y
/// the radius. Writes to `path` itself, since the library does; throws InputError where the file cannot be written.
void writeDxf(const TurnedSurfaces& surfaces, const std::string& path);

}  // namespace vl::io
