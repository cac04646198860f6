#pragma once

namespace vl {

/// A spigot that stands in a hole, mm.
struct PlugFit {
    double spigot = 0;  ///< Ø
    double holeDepth = 0;
};

/// spigot = hole − clearance; the hole is 1 mm deeper than the spigot is long, room for the glue (common practice).
/// Throws InputError where the spigot would be none.
PlugFit plugFit(double hole, double length, double clearance);

}  // namespace vl
