#pragma once

#include "core/picture/closed_surface.h"
#include "core/workpiece/body.h"

namespace vl {

/// A piece's bodies after the first `count` steps of its recipe in this order: what each step takes is gone, what it
/// gives is there. Boards that nothing was cut from yet are not among them.
std::vector<Body> bodiesAfter(const Assembly& assembly, const std::vector<size_t>& order, size_t count);

/// Bodies as they lie, those that wait for their turn a little way along the axis, segments a little way out of it.
Mesh bodiesMesh(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                const std::vector<Body>& bodies, const MeshDetail& detail = {});

/// The same as surfaces for other programs, each body closed by itself where its blank is, `tolerance` mm from the true
/// ones.
Surface bodiesSurface(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                      const std::vector<Body>& bodies, double tolerance);

/// How far they reach: along the axis from station 0, and across it, mm.
struct Reach {
    double height = 0, diameter = 0;
};
Reach reachOf(const Assembly& assembly, const TurnedSurfaces& surfaces, const std::vector<Body>& bodies);

}  // namespace vl
