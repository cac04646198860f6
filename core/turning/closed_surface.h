#pragma once

#include "core/turning/mesh.h"

namespace vl {

/// Triangles that share their corners, one corner for each place, mm; anticlockwise as seen from outside.
struct Surface {
    std::vector<std::array<double, 3>> corners;
    std::vector<std::array<std::uint32_t, 3>> faces;
};

/// Whether air stands between segments somewhere: then the piece is not its outline revolved.
bool hasGaps(const Assembly& assembly);

/// A piece without gaps as one closed surface, as other programs ask for it: its outline revolved, every edge walked
/// once each way, `tolerance` mm from the true surface.
Surface closedSurface(const Sides& sides, double tolerance);

/// A mesh as it is drawn: the surfaces of all its parts, corners of one place made one. Not one closed body.
Surface drawnSurface(const Mesh& mesh);

}  // namespace vl
