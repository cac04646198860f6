#pragma once

#include "core/geometry/profile.h"

#include <vector>

namespace vl {

/// A region of the half plane that turns about an axis: station z along it, radius r from it, mm. It may fall back: a
/// post in a dish, an undercut rim, a loose ring on a stem. Worked out by polygons on a grid of 0.1 µm (Clipper).
class Region {
public:
    Region() = default;
    /// What lies within closed polygons, holes and all (even-odd); radii below 0 count as the axis.
    explicit Region(const std::vector<Polyline>& polygons);
    /// Between two stations and two radii.
    static Region box(Range z, Range r);
    /// Between the axis and a line whose stations never fall.
    static Region under(const Polyline& line);

    Region operator|(const Region& other) const;
    Region operator&(const Region& other) const;
    Region operator-(const Region& other) const;

    bool empty() const { return polygons_.empty(); }
    /// mm².
    double area() const;
    /// Turned about the axis: mm³, and ∫ z dV in mm⁴ (Pappus's second theorem, edge by edge).
    Revolved revolved() const;
    /// From the least station to the greatest, and from the least radius to the greatest; 0 where it is empty.
    Range along() const;
    Range across() const;
    /// The same of what lies between two stations.
    Region between(double z0, double z1) const;
    /// Stretches of radius that it has at a station, from the axis outwards, mm.
    std::vector<Range> at(double z) const;
    /// Without spikes and slivers as thin as its grid.
    Region cleaned() const;
    bool holds(const Point& p) const;
    /// The shortest way from a place to its border, the axis apart, mm; infinite where it is empty.
    double distanceTo(const Point& p) const;
    /// What is left of it by `mm` from its whole border, the axis apart; below 0: what is within so much of it.
    Region inset(double mm) const;
    /// Closed polygons, those round it anticlockwise, holes in it clockwise.
    const std::vector<Polyline>& polygons() const { return polygons_; }
    bool operator==(const Region&) const = default;

private:
    std::vector<Polyline> polygons_;
};

}  // namespace vl
