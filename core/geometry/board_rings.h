#pragma once

#include <vector>

namespace vl {

/// Rings cut at an angle from one flat board, which stack to a cone. Lengths mm, angles degrees. Source: plane geometry
/// of the two parallel cuts that bound a ring: successive cuts differ by t / tan φ on a face; the kerf takes
/// k / sin φ of a face.
struct BoardRings {
    double board = 25;     ///< thickness t of a ring as it is stacked
    double angleDeg = 45;  ///< φ, between the cut and the board's face
    double kerf = 3;       ///< k, across the cut
    double outer = 200;    ///< largest outside diameter, on the top face
    double base = 60;      ///< least outside diameter of the bottom, on its lower face
    double flatten = 0;    ///< taken off each face of every ring once it is cut

    double planed() const { return board + 2 * flatten; }  ///< thickness of the board that is cut
    /// Radius to scribe for cut `i` on the top face of the board, 0 the outermost; and where it comes out below.
    double scribed(int i) const;
    double scribedBelow(int i) const;
    double step() const;       ///< t / tan φ: from one cut's radius to the next
    double ringWidth() const;  ///< t / tan φ − k / sin φ, on the face
    double wall() const;       ///< t · cos φ − k, square to the cut
    double cutDepth() const;   ///< board / sin φ, along the cut
    double stretch() const { return wallStretch(angleDeg); }
    /// Radii to scribe on the top face, the largest first; the last is the bottom disc's.
    std::vector<double> radii() const;
    /// The same cuts where they come out of the lower face.
    std::vector<double> lowerRadii() const;
    double height() const { return static_cast<double>(radii().size()) * board; }

    /// How much longer a stripe's width looks on the wall than on the board where it crosses it squarely: 1 / cos φ.
    static double wallStretch(double angleDeg);
};

/// The angle at which a wall of `wall` mm square to the cut is left: acos((wall + k) / t), degrees. Throws InputError
/// where there is none.
double boardRingAngleDeg(double board, double wall, double kerf);

/// Throws InputError unless the angle is 10° … 85°, the kerf leaves a ring, and outer > base ≥ 0.
void checkBoardRings(const BoardRings& rings);

/// Rings after which a pattern of stripes `stripe` mm wide is lost when each ring is turned `rotateDeg` on from the one
/// before: as soon as the sum of the turns moves it half a stripe at radius `radius`. 0: never.
int ringsUntilLost(double stripe, double radius, double rotateDeg);

}  // namespace vl
