#pragma once

#include "core/geometry/outline.h"
#include "core/geometry/region.h"

namespace vl {

/// Whether the stations of a line, or of an outline's nodes, fall somewhere.
bool fallsBack(const Polyline& line);
bool fallsBack(const Outline& outline);

/// Whether two stretches of a line cross or touch, apart from neighbors in the point that they share.
bool crossesItself(const Polyline& line);

/// The greatest radius at every station that a line, closed along the axis, encloses: a line whose stations never
/// fall. The line itself where it does not fall back.
Polyline greatestRadii(const Polyline& line);

/// What lies between a line, closed along the axis, and its greatest radii; empty where it does not fall back.
Region besideOf(const Polyline& line);

/// What two outlines that fall back have and a radius at each station does not tell.
struct FallBack {
    Polyline outside, inside;  ///< as they run
    Region undercut;  ///< air within the greatest radii of the outside: a recess in a foot, a dish round a post
    Region standing;  ///< wood within those of the inside: a post in a hollow

    bool operator==(const FallBack&) const = default;
};

/// Which way an undercut opens: through the foot's face, towards the rim's end, or only sideways under what overhangs.
enum class OpensTo { Foot, Rim, Side };

/// One undercut, all of one piece.
struct Undercut {
    Region air;
    OpensTo to = OpensTo::Side;
    Range across{0, 0};  ///< its least and greatest radius, mm
    Range along{0, 0};   ///< its stations, mm
};

/// The undercuts of an outside as it runs, in the order of their stations; none where its stations never fall.
std::vector<Undercut> undercutsOf(const Polyline& outside);

}  // namespace vl
