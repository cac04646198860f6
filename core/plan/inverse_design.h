#pragma once

#include "core/measure/text.h"
#include "core/piece/document/piece.h"

#include <vector>

namespace vl {

/// A pattern as the turned surface should show it, and the blank that gives it.
struct InverseDesign {
    Text said;       ///< what it comes to; where it cannot be had, the nearest
    double off = 0;  ///< how far it is from what was asked, as a share
    Piece piece;
};

/// The rings of the run that a layer stands in, of heights that make every segment as high along the wall as it is wide
/// round it, and as many of them as come nearest; first with the segments that they have, then, where that is off by
/// more than two in a hundred, with the number of segments nearby that comes nearest. A ring's height h and its
/// segment's width agree where the wall's length from z to z + h is 2πr / n, r in the ring's middle (plane geometry).
std::vector<InverseDesign> squareBricks(const Piece& piece, int layer);

/// Zigzags or diamonds of a layer whose points reach its faces at the turned diameter.
std::vector<InverseDesign> pointsMeet(const Piece& piece, int layer);

/// Wedges round a post that are still there after the last cut: they begin (post + wrap) / √2 from the axis, and post
/// and wrap must hold the piece (plane geometry).
std::vector<InverseDesign> wedgesStay(const Piece& piece, int layer);

/// A spiral over the run of rings that a layer stands in, to either side: each ring turned on by as much as the eye
/// still follows, a quarter of what its woods repeat after and no more than a segment. A helix is the same from both
/// its ends, so that a section built upside down turns the same way as seen from its open face (solid geometry).
std::vector<InverseDesign> spirals(const Piece& piece, int layer);

/// Rings from a striped board that reach the rim: for each of its woods the width of strips nearest to those it has
/// that lays one along the rim, where the rim runs along the strips. With a strip on the middle line the i-th beside it
/// has its middle i strips away, with a joint there i − 1/2 (plane geometry).
std::vector<InverseDesign> stripesAtRim(const Piece& piece, int layer);

/// All that a layer can have.
std::vector<InverseDesign> inverseDesigns(const Piece& piece, int layer);

}  // namespace vl
