#pragma once

#include "core/blank/assembly.h"

#include <array>
#include <cstdint>

namespace vl {

/// A corner of a mesh. World: x along the lathe's axis, y up to 12 o'clock, z towards 9 o'clock; mm.
struct Vertex {
    std::array<float, 3> position, normal;
    std::array<float, 3> board;  ///< place in the part: along the grain, across its width, through its thickness, mm
    float species;               ///< index in Mesh::woods
    float seed;                  ///< which board, 0 … 1
    float part;                  ///< layer · 1000 + segment, for picking and selection
};

/// Triangles whose edges fall on every joint, so that a joint is as sharp as the screen.
struct Mesh {
    std::vector<Vertex> vertices;
    std::vector<std::uint32_t> indices;
    std::vector<const Species*> woods;
    std::vector<float> shades{};  ///< of each vertex, a measure in place of its wood: 0 harmless … 1 the worst, below 0
                                  ///< none; empty: the wood is shown
};

struct MeshDetail {
    double tolerance = 0.02;  ///< mm, between the mesh and the true surface, round the axis and along it
    bool cutAway = false;     ///< only the half from 12 o'clock over 9 to 6 o'clock, with the cut faces
};

/// The turned piece. Closed where it is not cut away; every vertex lies on the true surface, within float precision.
Mesh turnedMesh(const Assembly& assembly, const TurnedSurfaces& surfaces, const MeshDetail& detail = {});

/// The glued blank before turning: every segment a prism.
Mesh blankMesh(const Assembly& assembly);

/// Volume enclosed, mm³ (divergence theorem over the triangles).
double meshVolume(const Mesh& mesh);

}  // namespace vl
