#pragma once

#include "core/piece/accuracy.h"
#include "core/piece/piece.h"
#include "core/plan/plan.h"

#include <array>
#include <atomic>

namespace vl {

/// Where an error comes from.
enum class ErrorFrom { Miter, Stop, Planing, Centring };

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
    ErrorFrom most = ErrorFrom::Centring;  ///< without which least would be needed
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
/// through its size (a regular polygon's inradius), planing through the stations of every layer above, centring through
/// where a layer stands about the axis. `cancelled` ends it early.
ErrorBudget errorBudget(const Plan& plan, const Accuracy& accuracy, int trials = 4000,
                        const std::atomic<bool>* cancelled = nullptr);

inline constexpr double cleanUp = 0.5;  ///< mm left on the radius to turn a ring clean; own value

/// The piece with the allowances that its rings need and what turning them clean takes, rounded up to half a
/// millimetre; those of staves, boards and sheets stay.
Piece withNeededAllowance(const Piece& piece, const ErrorBudget& budget);

/// What was measured of a piece's layers, against what was planned: the scatter of their heights, mm; NaN with fewer
/// than three measured.
double measuredPlaning(const Piece& piece);

}  // namespace vl
