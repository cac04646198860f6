#pragma once

#include "core/workpiece/nest.h"
#include "core/picture/mesh.h"

namespace vl {

/// The rings that are parted from one blank one inside another, each in its place, with the tool's groove between;
/// `height` mm along the axis.
Mesh partedMesh(const Assembly& assembly, const Nest& nest, double height, const MeshDetail& detail = {});

}  // namespace vl
