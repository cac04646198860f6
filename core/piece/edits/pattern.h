#pragma once

#include "core/piece/document/piece.h"

#include <set>

namespace vl {

/// How a stroke of paint spreads from the segment it touches.
struct Brush {
    std::string wood;
    int symmetry = 1;     ///< equal turns of the ring that are painted together
    bool mirror = false;  ///< the other way round from 12 o'clock too
    double slant = 0;     ///< of the ring's own segments, on from each chosen layer to the next: a stripe that climbs
};

/// Changes to the woods of a piece's layers, each a pure function from the piece before to the piece after. `count` is
/// how many segments a layer has as built; a layer out of range leaves the piece as it was.
namespace pattern {

/// Paints a segment of a layer, and what the brush's symmetry and mirror bring it to. A symmetry that does not divide
/// the ring's segments is taken as the greatest that does, at most it. With a slant every layer of `layers` is painted
/// too, if it has as many segments.
Piece paint(Piece piece, int layer, int segment, const Brush& brush, const std::vector<int>& counts,
            const std::set<int>& layers = {});
/// The symmetry that paint() will use.
int fittingSymmetry(int segments, int symmetry);
/// The shortest pattern that repeats to the same ring.
std::vector<std::string> shortestPattern(const std::vector<std::string>& woods, int segments);
/// The layers of `onto` become copies of `from` in everything but their thickness, so that the outline still meets the
/// stack.
Piece copyRing(Piece piece, int from, const std::set<int>& onto);

}  // namespace pattern

}  // namespace vl
