#include "core/workpiece/index_rings.h"

#include "core/workpiece/axis_set_ups.h"
#include "core/workpiece/decor_grid.h"
#include "core/workpiece/drilled_holes.h"
#include "core/workpiece/worked_cuts.h"

#include <cmath>

namespace vl {
namespace {

double withinTurn(double deg)
{
    constexpr double turn = 360, just = 1e-9;
    const double a = std::fmod(deg, turn) + (std::fmod(deg, turn) < 0 ? turn : 0);
    return a > turn - just ? 0 : a;
}

}  // namespace

std::vector<double> anglesOn(const IndexRing& ring, const IndexRing& other)
{
    const IndexMark& first = ring.marks[0];
    const double shown = ring.plate > 0 ? 360.0 * first.hole / ring.plate : first.wanted + first.errorDeg;
    std::vector<double> angles;
    for (const double a : other.angles) angles.push_back(withinTurn(a - ring.angles[0] + shown));
    return angles;
}

std::vector<IndexRing> indexRings(const Piece& piece)
{
    std::vector<IndexRing> rings;
    const auto add = [&](std::string name, int plate, std::vector<IndexMark> marks, double direction, bool steps) {
        if (marks.size() < 2) return;
        IndexRing ring{.name = std::move(name), .plate = plate, .marks = std::move(marks), .steps = steps};
        for (const IndexMark& m : ring.marks) ring.angles.push_back(withinTurn(direction + m.wanted + m.errorDeg));
        if (!rings.empty()) ring.offset = withinTurn(ring.angles[0] - rings[0].angles[0]);
        rings.push_back(std::move(ring));
    };
    for (size_t a = 0; a < piece.axes.size(); ++a)
        add(nameOf(piece, a), piece.axes[a].plate, marksOf(piece.axes[a]), piece.axes[a].headDirection,
            !piece.axes[a].steps.empty());
    for (const Hole& h : piece.holes) add(nameOf(piece, h), h.plate, marksOf(h), h.direction, false);
    for (const Worked& w : piece.worked)
        add(nameOf(piece, w), w.plate, laidOut(w.count, w.plate, w.start), w.direction, false);
    for (const Decor& d : piece.decors)
        add(nameOf(piece, d), d.plate, laidOut(d.spokes, d.plate, d.start), d.direction, false);
    return rings;
}

}  // namespace vl
