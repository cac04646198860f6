#pragma once

#include "core/geometry/point.h"

#include <functional>

namespace vl {

/// Questions about one side of a section given as a polyline whose stations never fall.
/// Stations beyond the ends answer NaN.

/// Largest radius at station z, mm.
double radiusAt(const Polyline& line, double z);

/// Radius just before and just after a station, mm: where the line has a step there, its two ends. Stations within a
/// millionth of a millimeter are the same. NaN where the line has nothing on that side.
double radiusBefore(const Polyline& line, double z);
double radiusAfter(const Polyline& line, double z);

struct Range {
    double low = 0, high = 0;
    bool operator==(const Range&) const = default;
};

/// Least and greatest radius over [z0, z1], mm; both NaN where the line has nothing there.
Range radiusRange(const Polyline& line, double z0, double z1);

/// The part of the line between two stations, its ends cut at them.
Polyline clipped(const Polyline& line, double z0, double z1);

/// The same without what the line has at those two stations only: a step or a floor that lies in a joint belongs to the
/// layer that it bounds, not to both. Stations are held to be the same within a millionth of a millimeter, so that
/// three layers of 10.1 end at 30.3.
Polyline between(const Polyline& line, double z0, double z1);

/// The line with as few of its points as stay within `tolerance` mm of it (Douglas–Peucker, by Boost.Geometry); the
/// ends stay.
Polyline simplified(const Polyline& line, double tolerance);

/// The line with more points, none further than `step` mm apart.
Polyline refined(const Polyline& line, double step);

/// The point of the line that is nearest to `p`; p itself where the line is empty.
Point closestOn(const Polyline& line, const Point& p);
/// Shortest distance from a point to the line, mm; infinite where the line is empty.
double distanceTo(const Polyline& line, const Point& p);

/// The solid that a line encloses as it turns about the axis (frustums: V = πh(R² + Rr + r²)/3, plane geometry).
/// `volume` is mm³, `momentZ` = ∫ z dV in mm⁴.
struct Revolved {
    double volume = 0, momentZ = 0;
    Revolved operator-(const Revolved& o) const { return {volume - o.volume, momentZ - o.momentZ}; }
};
Revolved revolved(const Polyline& line);

/// Curvature along a line, 1/m against station: positive where it swells outwards. Through three neighboring points
/// (the circle through them, plane geometry), over points at least 1 mm apart; corners of more than 20° are left out.
Polyline curvatureAlong(const Polyline& line);

/// The inside line that leaves a wall of `wall(z)` mm square to the outside line: the lower envelope of the outside
/// thickened inwards. From `floor` to the outside's end; `floorRound` rounds the corner at the floor. The line is
/// single-valued in z.
Polyline hollowFor(const Polyline& outside, const std::function<double(double)>& wall, double floor, double floorRound);

}  // namespace vl
