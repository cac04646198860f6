#include "core/picture/parted.h"

namespace vl {

Mesh partedMesh(const Assembly& assembly, const Nest& nest, double height, const MeshDetail& detail)
{
    Mesh all;
    for (const NestedRing& ring : nestedRings(nest)) {
        const TurnedSurfaces surfaces{.outside = {{0, ring.outer / 2}, {height, ring.outer / 2}},
                                      .inside = {{0, ring.inner / 2}, {height, ring.inner / 2}},
                                      .axes = {},
                                      .edges = {}};
        const Mesh one = turnedMesh(assembly, surfaces, detail);
        const auto first = static_cast<std::uint32_t>(all.vertices.size());
        all.vertices.insert(all.vertices.end(), one.vertices.begin(), one.vertices.end());
        for (const std::uint32_t index : one.indices) all.indices.push_back(first + index);
        all.woods = one.woods;  // of the whole blank, the same for each
    }
    return all;
}

}  // namespace vl
