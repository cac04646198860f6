#pragma once

#include "core/picture/mesh.h"

#include <string>

namespace vl::io {

/// Writes a PNG picture of a solid, 1280 x 960 pixels, as the window shows it from where it is first seen; `height`
/// along the axis and `diameter` across it, mm. Throws InputError where it cannot be written.
void writePicture(const Mesh& mesh, double height, double diameter, const std::string& path);

}  // namespace vl::io
