#pragma once

#include "core/geometry/point.h"
#include "core/measure/field.h"

#include <array>

namespace vl {

// Forms by rule: each gives a profile to check by, as stations and diameters.

/// The golden section.
inline constexpr double golden = 1.6180339887498948482;

/// An ellipse turned about its long axis (or its short one, where `ratio` is below 1): length = ratio · diameter.
struct Ellipse {
    double length = 0, diameter = 0;

    /// The greatest with this ratio within a measured length and diameter; a measure of 0 does not limit.
    static Ellipse within(double length, double diameter, double ratio);
    /// Diameter `z` mm from its middle: D·√(1 − (2z / L)²); 0 beyond its ends.
    double diameterAt(double z) const;
};

/// A corner of the polygon that is turned first: how far from the end, and the diameter there, mm.
struct Facet {
    double fromEnd = 0, diameter = 0;
};

/// The corners of the polygon of `facets` sides round a sphere's circle, from one end to its middle: facets / 4 of
/// them. Plane geometry. Throws InputError where facets is not 8, 16 or 32.
std::vector<Facet> sphereFacets(double diameter, int facets);

/// Lines to draw by: where a length, or a diameter, is divided in a proportion that has stood the test of time.
enum class Guide { None, Thirds, Golden };
inline std::span<const Choice> choices(Guide)
{
    static constexpr std::array all{Choice{"none", "none"}, Choice{"thirds", "thirds"},
                                    Choice{"golden", "golden section"}};
    return all;
}
/// The shares of a length at which they stand.
std::vector<double> guideShares(Guide guide);

}  // namespace vl
