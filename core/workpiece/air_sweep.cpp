#include "core/workpiece/air_sweep.h"

#include "core/piece/edits/log_middle.h"
#include "core/workpiece/sawn_cuts.h"

#include <algorithm>
#include <cmath>

namespace vl {

Range airSweep(const Piece& piece, const TurnedSurfaces& surfaces)
{
    double inner = surfaces.widest(), outer = inner;
    for (const HalfSpace& h : surfaces.edges) inner = std::min(inner, h.offset);
    if (piece.edge.kind == Edge::Square) outer = std::min(outer, std::hypot(piece.edge.length, piece.edge.width) / 2);
    if (const BlockForm* log = logWithBark(piece)) outer = std::min(outer, log->log / 2 + logOffset(*log));
    for (const Sawn& s : piece.sawn) {
        // A curve that is sawn last is whole while the piece turns.
        if (s.from != Sawn::Sides || s.when == Sawn::After) continue;
        const double left = s.when == Sawn::Twice ? s.margin : 0;
        for (const Point& p : curveOf(s)) inner = std::min(inner, std::hypot(p.x(), p.y() + left));
    }
    if (const auto bark = livingEdge(piece)) {
        // Across the grain the rim stands no farther out than the log does at its own height.
        double there = 0;
        for (const Point& p : surfaces.outside)
            if (!takes(*bark, {p.x() - 1e-6, p.y(), 0})) there = std::max(there, p.y());
        inner = std::min(inner, there);
    }
    return outer - inner < 1 ? Range{0, 0} : Range{inner, outer};
}

}  // namespace vl
