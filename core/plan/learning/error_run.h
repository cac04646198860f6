#pragma once

#include "core/piece/document/piece.h"
#include "core/piece/shop/accuracy.h"
#include "core/plan/plan.h"

#include <array>
#include <atomic>

namespace vl {

/// Where an error comes from.
enum class ErrorFrom { Miter, Stop, Planing, Centering };

/// What the shop's scatter does to one layer.
struct LayerOdds {
    int layer = 0;
    bool ring = false;        ///< of mitred segments, so that it has a last joint to close
    double closes = 1;        ///< chance that its last joint closes within `closesWithin` inside and outside
    double gap = 0;           ///< mm, one standard deviation of that joint's gap at the outside
    double holds = 1;         ///< chance that the layer still holds the turned piece, outside and inside
    double has = 0;           ///< mm on the radius, between the blank and the turned piece where it is least
    double needed = 0;        ///< mm on the radius, that 99 in 100 need and no more
    double neededSpread = 0;  ///< mm, one standard deviation of that estimate
    ErrorFrom most = ErrorFrom::Centering;  ///< without which least would be needed
};

struct ErrorBudget {
    int trials = 0;
    std::vector<LayerOdds> layers;
    double allHold = 1;     ///< chance that every layer holds
    double holdSpread = 0;  ///< one standard deviation of that estimate
    double height = 0;      ///< mm, one standard deviation of the stack's
    double needed = 0;      ///< mm, of the layer that needs most
};

inline constexpr double closesWithin = 0.1;  ///< mm, a gap that glue still fills; our own value

/// The shop's scatter run through the piece's geometry `trials` times, always with the same dice: miters and stops
/// through a ring's closing joint (a ring of n has 2n miters, and its lengths add up as the sides of a polygon), stops
/// through its size (a regular polygon's inradius), planing through the stations of every layer above, centering
/// through where a layer stands about the axis. `canceled` ends it early.
ErrorBudget errorBudget(const Plan& plan, const Accuracy& accuracy, int trials = 4000,
                        const std::atomic<bool>* canceled = nullptr);

inline constexpr double cleanUp = 0.5;  ///< mm left on the radius to turn a ring clean; own value

/// The piece with the allowances that its rings need and what turning them clean takes, rounded up to half a
/// millimeter; those of staves, boards and sheets stay.
Piece withNeededAllowance(const Piece& piece, const ErrorBudget& budget);

/// How exactly a shop works, learned from what it measured; NaN where fewer than three measures say anything of it.
struct Learned {
    double angle = std::nan(""), stop = std::nan(""), planing = std::nan(""), centering = std::nan("");
    /// An accuracy with what was learned in its place.
    Accuracy in(Accuracy usual) const;
    bool any() const;
};
/// Planing: scatter of heights about what was planned. Stop: of a ring's size, which is n lengths' mean over
/// 2·tan(π/n). Angle: mean square of the closing gaps of glued rings, less what the stops put there, over (radius ·
/// √(2n))². Centering: mean square of the middles beside the axis, half of it along each direction. The same geometry
/// as errorBudget, turned about.
Learned learnedAccuracy(const std::vector<Deviation>& all);
/// What was measured of a piece, and of every other in the log.
std::vector<Deviation> deviationsKnown(const Piece& piece, const Plan& plan, const Shop& shop);

}  // namespace vl
