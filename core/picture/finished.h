#pragma once

#include "core/picture/closed_surface.h"

namespace vl {

/// The finished piece: what the lathe leaves (turnedMesh), one half turned on where it is split, and what is bought in
/// its holes.
Mesh finishedMesh(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                  const MeshDetail& detail = {});

/// The same as one closed surface for other programs, without what is bought: not whole where it cannot be worked out.
Solid finishedSolid(const Piece& piece, const TurnedSurfaces& surfaces, double tolerance);

/// A surface in its woods, its second half turned on.
Mesh turnedOnMesh(const Piece& piece, const Assembly& assembly, const Surface& surface);

/// Puts what is bought into a mesh, in the holes that it goes into.
void addBought(const Piece& piece, const TurnedSurfaces& surfaces, Mesh& mesh);

/// Puts one mesh to another: woods are those of both.
void join(Mesh& all, const Mesh& more);

}  // namespace vl
