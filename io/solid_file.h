#pragma once

#include "core/picture/closed_surface.h"

#include <string>
#include <vector>

namespace vl::io {

/// The endings under which a solid can be written: .stl, .obj, .3mf.
const std::vector<std::string>& solidEndings();

/// Writes a closed surface, in millimeters, as the ending of `path` says. It is read again before it takes the old
/// file's place. Throws InputError where it cannot be written, or has another
/// ending.
void writeSolid(const Surface& surface, const std::string& path);

}  // namespace vl::io
