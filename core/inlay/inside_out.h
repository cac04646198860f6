#pragma once

namespace vl {

/// Four squares about the axis, turned, each reversed about its own middle so that its outer corner comes to the axis,
/// and turned again: one station of it, mm. Plane geometry.
struct InsideOut {
    double square = 0;   ///< side of each of the four
    double turned = 0;   ///< radius of the first turning
    double outside = 0;  ///< radius of the second

    /// Wood on a part's diagonal: outside − (square·√2 − turned).
    double diagonal() const;
    /// Whether neighbours are apart at their joint; where they touch there is no window.
    bool windowOpen() const { return windowWidth() > 0; }
    /// The least distance between the wood of neighbours straight across their joint; 0 where they touch.
    double windowWidth() const;
};

/// Throws InputError where a radius is not above 0 or reaches beyond the squares' corners, or no wood is left.
void checkInsideOut(const InsideOut& part);

}  // namespace vl
