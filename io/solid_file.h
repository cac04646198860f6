#pragma once

#include "core/turning/mesh.h"

#include <string>
#include <vector>

namespace vl::io {

/// The endings under which a solid can be written: .stl, .obj, .3mf.
const std::vector<std::string>& solidEndings();

/// Writes a closed mesh, in millimetres, as the ending of `path` says; corners that lie on one another become one. It
/// is read again before it takes the old file's place. Throws InputError where it cannot be written, or has another
/// ending.
void writeSolid(const Mesh& mesh, const std::string& path);

}  // namespace vl::io
