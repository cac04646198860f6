#pragma once

#include "core/geometry/surface.h"
#include "core/picture/mesh.h"

namespace vl {

/// Whether air stands between segments somewhere: then the piece is not its outline revolved.
bool hasGaps(const Assembly& assembly);

/// A piece without gaps as one closed surface, as other programs ask for it: its outline revolved, every edge walked
/// once each way, `tolerance` mm from the true surface.
Surface closedSurface(const TurnedSurfaces& surfaces, double tolerance);

/// Any piece without gaps as one closed surface: what other axes, the blank's edges, saw and drill leave of it. `whole`
/// says whether everything could be taken away that should be (core/geometry/boolean).
struct Solid {
    Surface surface;
    bool whole = true;
};
Solid solidOf(const TurnedSurfaces& surfaces, double tolerance);

/// A closed surface without what cutters take.
Solid without(Surface surface, const std::vector<Cutter>& cutters, double tolerance);

/// A mesh as it is drawn: the surfaces of all its parts, corners of one place made one. Not one closed body.
Surface drawnSurface(const Mesh& mesh);

}  // namespace vl
