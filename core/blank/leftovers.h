#pragma once

#include "core/piece/document/layer.h"

namespace vl {

/// A leftover strip as it can be used, its edges trued: mm.
struct Leftover {
    double width = 0, length = 0;
};

/// Leftovers of these widths and lengths, in turn; where lengths lack the last one goes on.
std::vector<Leftover> leftoversOf(const std::vector<double>& widths, const std::vector<double>& lengths);

/// How leftovers lie side by side, and what they give.
struct LaidLeftovers {
    std::vector<double> widths;  ///< mm, from one side to the other; those that are not used are left out
    double size = 0;             ///< mm, the side of the square or the diameter of the circle
};

/// The largest square that leftovers give, side by side: the longest of them, as many as it takes (exact).
LaidLeftovers largestSquare(std::vector<Leftover> strips);

/// The largest circle: the longest in the middle, the others outwards on both sides, each no longer than its chord
/// asks. Every division of up to ten strips into two sides is tried, of more the longest ten; the circle may stand off
/// the middle. Ends of strips may be moved along freely. Exact for those tried (plane geometry).
LaidLeftovers largestCircle(std::vector<Leftover> strips);

/// A slab made of what was laid, its jointing taken off each edge; another layer as it is.
Layer layerOf(Layer slab, const LaidLeftovers& laid);

}  // namespace vl
