#pragma once

#include "core/piece/piece.h"

namespace vl {

/// The piece as the wood is: layers that were measured have their measures; what is not made yet stays as it was drawn.
Piece asMeasured(const Piece& piece);

/// The piece with something of a layer measured: before it counted as drawn, or as measured last.
Piece withMeasured(Piece piece, const std::string& layer, Measured::What what, double mm);
/// What was measured last of a layer; NaN where nothing was.
double measuredOf(const Piece& piece, const std::string& layer, Measured::What what);

/// Two ways of going on from there, each a changed piece to accept.
struct WayOn {
    std::string name;   ///< "the outline nudged"
    double change = 0;  ///< mm, the greatest that anything drawn is changed by
    Piece piece;
};
/// The outline stretched to the stack that is there; or kept, the layers that are not measured yet made thicker or
/// thinner alike, none below 1 mm. Empty where stack and outline agree within a tenth of a mm.
std::vector<WayOn> waysOn(const Piece& piece);

/// What is left between a ring as glued and the turned piece, on the radius, mm: outside and inside; NaN where it was
/// not measured.
struct Left {
    double outside = 0, inside = 0;
};
Left leftOf(const Piece& piece, const std::string& layer, double finishedOuter, double finishedInner);

}  // namespace vl
