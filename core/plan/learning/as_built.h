#pragma once

#include "core/piece/shop/log.h"
#include "core/plan/plan.h"

namespace vl {

/// The piece as the wood is: layers that were measured have their measures; what is not made yet stays as it was drawn.
Piece asMeasured(const Piece& piece);

/// What is to be measured there by the plan, mm; NaN where there is nothing of the kind.
double plannedOf(const Piece& piece, const Plan& plan, const Measured& what);
/// The piece with something measured: before it counted as drawn, or as measured last. What was planned is put down
/// beside it; of what is measured once more the first plan stays.
Piece withMeasured(Piece piece, const Plan& plan, Measured measured);
/// What was measured last of a layer, or of the piece (no layer) at a station; NaN where nothing was.
double measuredOf(const Piece& piece, const std::string& layer, Measured::What what, double at = 0);

/// A way of going on from there: a changed piece to accept.
struct WayOn {
    Text name;
    Text how{};
    double change = 0;  ///< mm, the greatest that anything drawn is changed by; 0 where it is a repair
    Piece piece;
};
/// Where the stack as measured is not as high as the outline, by more than a tenth of a mm: the outline stretched to
/// it, by no more than the shop's `mostNudge`; or kept, the next layer alone, or all above what is made, made thicker
/// or thinner, none below 1 mm. A floor thinner than it was to be: left as it is. What else is less than planned (ring,
/// wall, neck, open joint): the ways out of core/plan/mishap. Empty where all is as it was to be.
std::vector<WayOn> waysOn(const Piece& piece, const Shop& shop);

/// One layer as a version of the piece has it. Lengths mm, the angle degrees on from the layer below.
struct LayerVersion {
    std::string layer;                           ///< id
    double thickness = 0, outer = 0, inner = 0;  ///< of the blank, diameters
    double edge = 0, board = 0;                  ///< a segment's outer edge, and the board's width; 0: no ring
    double rotation = 0;
};
std::vector<LayerVersion> versionOf(const Piece& piece, const Plan& plan);

/// What is left between a ring as glued and the turned piece, on the radius, mm: outside and inside, less how far its
/// middle stands beside the axis; NaN where it was not measured.
struct Left {
    double outside = 0, inside = 0;
};
Left leftOf(const Piece& piece, const std::string& layer, double finishedOuter, double finishedInner);

/// All that was measured beside what was planned, in the order of the measuring.
std::vector<Deviation> deviationsOf(const Piece& piece, const Plan& plan);

}  // namespace vl
