#pragma once

namespace vl {

/// The outline of a split turning in the plane of its split: `fold` tips, alike under a turn by 360°/fold, hollow arcs
/// between them. Lengths mm. Plane geometry of the regular polygon that the tips' flats lie on.
struct SplitOutline {
    int fold = 4;     ///< 3 … 12
    double size = 0;  ///< twice from the middle to a tip; of four tips from flat to flat
    double band = 0;  ///< flat at each tip

    /// Of the arcs, whose middles are the polygon's corners: size/2 · tan(π/fold) − band/2.
    double radius() const;
    /// The step at the joint after one half is turned on, where the blank came out at this diameter instead.
    double mismatch(double diameter) const;
};

/// Throws InputError where there is no such outline.
void checkSplitOutline(const SplitOutline& outline);

}  // namespace vl
