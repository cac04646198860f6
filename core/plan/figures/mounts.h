#pragma once

#include "core/blank/assembly.h"
#include "core/blank/shape.h"
#include "core/holding/mount.h"
#include "core/holding/speed.h"
#include "core/measure/length.h"

namespace vl {

/// One way in which the work is held, proved against a catch.
struct Mount {
    std::string id;  ///< of the step that mounts it
    Held held;
    MountProof proof{};
    double stray = 0;     ///< mm that the axis lies off the work's own at the worse end of the wood
    double offset = 0;    ///< mm, of the work's middle off the axis that it turns about
    double sweep = 0;     ///< mm from the axis that the work reaches as it turns
    SpeedRange speed{};   ///< rpm; `high` is never raised to what the lathe can do: below its lowest it is a stop
    std::string limit{};  ///< what governs the speed
    std::string why{};    ///< why it holds, or what would
};

/// Every mount of the recipe in its order. Speeds by diameter (common practice), no more than the imbalance's force
/// lets the lathe stand still under (a tenth of its weight: our own value) and than the stress in the turning rim lets
/// a glue joint stand (σ = ρ·v², thin ring; 1 N/mm²: our own value).
std::vector<Mount> mountsOf(const Piece& piece, const Shop& shop, const Assembly& assembly,
                            const TurnedSurfaces& surfaces, const Shape& shape, LengthStyle style);

/// Whether no order with fewer mountings keeps every rule: each was found by the search, or is the only one of what it
/// holds.
bool fewestKnown(const std::vector<Mount>& mounts);

/// Puts each mount's speeds among its step's settings, and into its words.
void sayMounts(const std::vector<Mount>& mounts, Recipe& recipe);

}  // namespace vl
