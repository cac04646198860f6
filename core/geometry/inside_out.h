#pragma once

namespace vl {

/// Parts about the axis, turned, each reversed about its own middle so that its outer corner comes to the axis, and
/// turned again: one station of it, mm. Two are boards, face to face; three and six are rhombi with 120° and 60° at the
/// axis, four are squares. Plane geometry.
struct InsideOut {
    double square = 0;   ///< side of each part; of two the thickness of a board
    double turned = 0;   ///< radius of the first turning
    double outside = 0;  ///< radius of the second
    int parts = 4;       ///< 2, 3, 4 or 6

    /// From the second axis to the first: the parts' diagonal.
    double far() const;
    /// Wood on a part's diagonal: outside − (diagonal − turned).
    double diagonal() const;
    /// Radius of what has room inside: diagonal − turned; 0 where there is none.
    double room() const;
    /// Whether neighbors are apart at their joint; where they touch there is no window.
    bool windowOpen() const { return windowWidth() > 0; }
    /// The least distance between the wood of neighbors straight across their joint; 0 where they touch.
    double windowWidth() const;
    /// How far the joint of two neighbors reaches along its line, from the hollow to the outside; 0 where they are
    /// apart.
    double joint() const;
    /// The angle of the wood at a window's edge, between the two turned surfaces, degrees; 180 where they do not meet.
    double edgeDeg() const;
};

/// Throws InputError where a radius is not above 0 or reaches beyond the parts' corners, or no wood is left.
void checkInsideOut(const InsideOut& part);

}  // namespace vl
