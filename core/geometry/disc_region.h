#pragma once

#include "core/geometry/point.h"

namespace vl {

// Cross-sections square to the axis. Here the plane of a Point is the section's own: x towards 12 o'clock, y towards
// 9 o'clock, as seen from the tailstock, mm.

struct Disc {
    Point center{0, 0};
    double radius = 0;
};

/// The points p with normal · p ≤ offset; the normal is of length 1.
struct HalfPlane {
    Point normal{1, 0};
    double offset = 0;
};

/// The point `r` mm from the middle at an angle (degrees) from 12 o'clock.
Point polar(double r, double angleDeg);

/// What several discs and half-planes have in common: what is left of a blank turned on several axes. Convex; bounded
/// by arcs and lines that are known exactly.
class DiscRegion {
public:
    /// One of its sides, counterclockwise.
    struct Side {
        bool arc = false;
        size_t of = 0;  ///< place of its disc, or of its half-plane
        Point from{0, 0}, to{0, 0};
        double start = 0, sweep = 0;  ///< of an arc: radians, seen from its disc's middle
        Point outwards{1, 0};         ///< of an arc: towards its middle
        double within = -1;           ///< cosine of half its sweep

        double chord() const { return (to - from).norm(); }
    };
    struct Width {
        double across = 0;    ///< mm
        double angleDeg = 0;  ///< which way the jaws close
    };

    /// The half-planes alone must bound it where there is no disc.
    DiscRegion(std::vector<Disc> discs, std::vector<HalfPlane> halves);

    const std::vector<Side>& sides() const { return sides_; }
    bool empty() const { return sides_.empty(); }
    /// Exact, by Green's theorem over arcs and lines: mm², mm, mm.
    double area() const;
    Point centroid() const;
    double perimeter() const;
    /// Widest and narrowest between parallel jaws (their critical directions).
    Width widest() const;
    Width narrowest() const;
    /// Chords of the arcs that each disc leaves, in the order of the discs: 0 where it leaves none, the sum where
    /// several, mm.
    std::vector<double> flats() const;
    /// Where a ray from a point within leaves it, mm from that point.
    double reach(const Point& from, double angleDeg) const;
    /// Its corners and points on its arcs, whose chords stay within `tolerance` mm.
    Polyline outline(double tolerance) const;

private:
    Point middle(const Side& side) const;
    double support(const Point& direction) const;
    Width extreme(bool widest) const;

    std::vector<Disc> discs_;
    std::vector<HalfPlane> halves_;
    std::vector<Side> sides_;
};

/// The width of a convex polygon between parallel jaws: the widest from corner to corner, the narrowest square to one
/// of its sides (plane geometry).
DiscRegion::Width widthOf(const Polyline& polygon, bool widest);

}  // namespace vl
