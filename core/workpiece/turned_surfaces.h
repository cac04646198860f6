#pragma once

#include "core/geometry/directions.h"
#include "core/geometry/fall_back.h"
#include "core/geometry/turned_about.h"
#include "core/workpiece/drilled_holes.h"

#include <string>
#include <vector>

namespace vl {

/// What saw or drill take of a piece, at a step of its recipe.
struct Cut {
    std::string step;  ///< id: "drill-H1"
    Cutter solid;
};

/// What the tools leave of a piece: its sides turned true, as polylines of the greatest radius at every station, what
/// falls back beside them, and what other axes and the blank's own edges leave of its outside.
struct TurnedSurfaces {
    Polyline outside;
    Polyline inside;                ///< from the floor's center, or the bore's end, to the rim; empty where it is solid
    std::vector<TurnedAbout> axes;  ///< each set-up on another axis, in the order of the work
    std::vector<HalfSpace> edges;   ///< of the blank, along the axis, where they stay
    std::vector<Cut> cuts{};        ///< by saw and drill, in the order of the work
    std::vector<Cut> filled{};      ///< holes that are drilled, and filled again
    std::vector<DrilledHole> holes{};
    FallBack back{};

    /// Whether it is turned about the true axis all over: its regions say all of it but what saw and drill take.
    bool round() const { return axes.empty() && edges.empty(); }
    /// The outlines as they run, falling back where they do.
    const Polyline& outsideAsItRuns() const { return back.outside.empty() ? outside : back.outside; }
    const Polyline& insideAsItRuns() const { return back.inside.empty() ? inside : back.inside; }
    /// All air within the outside that is open to the inside, and all wood, as turned about the true axis.
    Region hollow() const;
    Region wood() const;
    /// The shortest way from a place in the wood to what is turned outside, the foot's face apart, mm.
    double toOutside(const Point& p) const;
    /// Whether the tools leave wood at a place; that saw or drill take away counts as left where `cutToo` is false.
    bool holds(const Eigen::Vector3d& p, bool cutToo = true) const;
    /// How far its wood reaches from the axis at most, mm.
    double widest() const;
};

/// Stretches of wood along a line from `from` in a direction of length 1, up to `far` mm on: where each begins and
/// ends. Found by steps of half a millimeter and halving; what saw and drill take counts as wood.
std::vector<Range> woodAlong(const TurnedSurfaces& surfaces, const Eigen::Vector3d& from, const Eigen::Vector3d& way,
                             double far);

/// What goes into a recess, or something into it, at the rim's end, mm: the end of its outside, or where that falls
/// back round a post, which stands out further.
struct RimEnd {
    double radius = 0;
    double post = 0;  ///< 0 where none stands out
};
RimEnd rimEnd(const TurnedSurfaces& surfaces);

/// From which end a finished piece is looked at.
enum class End { Tailstock, Headstock };

/// The station of the wood that is seen from an end at a radius (mm); NaN where one looks past it or through it.
double stationSeen(const TurnedSurfaces& surfaces, End from, double r);

/// The sides that the piece's outline and wall rule give.
TurnedSurfaces turnedSurfacesOf(const Piece& piece);

}  // namespace vl
