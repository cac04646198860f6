#pragma once

#include "core/geometry/point.h"

#include <array>

namespace vl {

/// One ring of n equal segments, as glued. Source of every formula: plane geometry of the regular polygon.
struct RegularRing {
    int sides = 12;        ///< 3 … 360
    double outer = 0;      ///< finished outside diameter, mm
    double inner = 0;      ///< finished inside diameter, mm
    double allowance = 0;  ///< added each side, on the radius, mm
    double gap = 0;        ///< parallel spacer between neighbors, mm
    double openDeg = 0;    ///< wedge of air between neighbors, degrees

    double miterDeg() const
    {
        return 180.0 / sides - openDeg / 2;
    }                                                    ///< h = 180°/n − γ/2: each end of a segment, from square
    double fenceDeg() const { return 90 - miterDeg(); }  ///< the same, from the fence's own line
    double apothem() const;                              ///< A = Do/2 + a: center to the middle of an outer edge, mm
    double innerCorner() const;  ///< V = Di/2 − a, never below 0: center to an inner corner, mm
    double outerCorner() const;  ///< A / cos h, mm
    double outerEdge() const;    ///< 2·A·tan h − g/cos h, mm
    double innerEdge() const;    ///< 2·V·sin h − g/cos h, mm
    double boardWidth() const;   ///< A − V·cos h, mm

    /// Corners of segment `i` of the glued ring, mm, x to 3 o'clock and y to 12 o'clock, counterclockwise; segment 0 is
    /// centered on angle `phaseDeg` from 12 o'clock, positive counterclockwise. Order: inner right, outer right, outer
    /// left, inner left.
    std::array<Point, 4> segment(int i, double phaseDeg = 0) const;

    /// Strip that each of a run of segments takes, and what the run takes more, mm, when the strip is turned over after
    /// each cut or cut alternately on a wedge sled's two fences: (outer + inner)/2 + k/cos h each, width·tan h + k/cos
    /// h more (plane geometry).
    double stripPitch(double kerf) const;
    double stripLead(double kerf) const;

    /// Area of one segment's face, mm².
    double segmentArea() const { return (outerEdge() + innerEdge()) / 2 * boardWidth(); }
};

/// Throws InputError unless sides is 3 … 360, outer > inner ≥ 0, and allowance, gap and wedge of air leave a
/// segment with a positive inner edge or, for a solid center, a point.
void checkRing(const RegularRing& ring);

/// Closing the ring. A mitre wrong by δ on every cut opens the last joint by 2·n·δ, degrees.
double closingGapDeg(int sides, double miterErrorDeg);

/// Fence correction in degrees for a gap measured across the last joint of a trial ring, shared by 2·n cuts. Positive:
/// open outside, the ring's ends stand apart about its center, chord of the diameter `outer` mm: 2·asin(gap / outer);
/// more mitre is needed. Negative: open inside, the ends meet at their outer corners and gape over the joint's length
/// `wall` mm: 2·asin(gap / 2·wall); less mitre is needed.
double fenceCorrectionDeg(int sides, double gap, double outer, double wall);

}  // namespace vl
