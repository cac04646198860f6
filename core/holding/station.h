#pragma once

#include "core/blank/shape.h"

namespace vl {

/// What to set the caliper to at one place along the axis, mm.
struct Station {
    double z = 0;
    double outside = 0;  ///< diameter
    double inside = 0;   ///< diameter; NaN where it is solid
    double wall = 0;     ///< square to the surface; NaN where it is solid
    double fromRim = 0;  ///< along the axis
    std::vector<double> further{};  ///< diameters of what falls back beside it, from without inwards
    double parting = 0;  ///< depth of a parting cut from the blank turned just round, as wide as it is there
};

/// Stations from foot to rim, spaced evenly or at the changes of curve: nodes, greatest and least diameters, and where
/// the curve turns from hollow to swelling.
std::vector<Station> stationsOf(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces);

}  // namespace vl
