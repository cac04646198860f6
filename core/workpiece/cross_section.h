#pragma once

#include "core/workpiece/turned_surfaces.h"

#include <optional>

namespace vl {

/// The outside of a workpiece in the plane square to the true axis at a station: what every set-up leaves of it. Its
/// plane is that of DiscRegion: x towards 12 o'clock, y towards 9 o'clock. Where a step stands at the station, both its
/// ends count; a millionth of a millimeter beside it only one does.
class CrossSection {
public:
    /// What bounds it over a span of angle about `middle`.
    struct Side {
        int of = 0;               ///< 0: turned true; then the set-ups, then the edges, in the order of TurnedSurfaces
        double from = 0, to = 0;  ///< degrees; to > from
    };

    CrossSection(const TurnedSurfaces& surfaces, double z);

    double z() const { return z_; }
    bool empty() const { return spans_.empty(); }
    /// A point within, from which all of it is seen: the true axis wherever that is left standing.
    const Point& middle() const { return middle_; }
    const std::vector<Side>& spans() const { return spans_; }
    /// How far a ray from the middle goes, mm; and one from another point within.
    double reach(double angleDeg) const { return reachFrom(middle_, angleDeg); }
    double reachFrom(const Point& inside, double angleDeg) const;
    Point at(double angleDeg) const { return middle_ + polar(reach(angleDeg), angleDeg); }
    /// Which way the surface that `of` left faces at a point on it.
    Eigen::Vector3d normalAt(const Point& p, int of) const;
    bool holds(const Point& p) const;
    /// Where the line at this height over the axis leaves it on the turner's side, and what bounds it there; nothing
    /// where it passes. A tilted set-up counts as the circle about the place where it passes the plane.
    struct Front {
        double out = 0;
        int of = 0;
    };
    std::optional<Front> front(double up) const;

    /// Its measures: exact where every axis is parallel to the true one; else of a polygon within 0.002 mm of it.
    DiscRegion region() const;
    /// mm² and mm, as region() says; of what is tilted without making a region of it.
    double area() const;
    DiscRegion::Width widest() const;
    DiscRegion::Width narrowest() const;
    /// What of it lies within a circle about the true axis, mm²: what a hollow takes.
    double areaWithin(double radius) const;
    /// The chord that each set-up leaves, in the order of TurnedSurfaces; 0 where none, the sum where several, mm.
    std::vector<double> flats() const;
    /// Points on it whose chords stay within `tolerance` mm, counterclockwise from the first span's beginning.
    Polyline outline(double tolerance) const;
    /// Angles of those points within one span, both its ends among them.
    std::vector<double> anglesIn(const Side& side, double tolerance) const;

private:
    std::vector<HalfPlane> polygonSides() const;
    /// Where the ray at an angle meets what bounds a span.
    Point on(const Side& span, double angleDeg) const;
    Disc discOf(int of) const;
    double exitOf(int of, const Point& inside, double angleDeg) const;
    int boundedBy(double angleDeg) const;
    void findTilted();
    /// The angle at which what bounds the section at `low` gives way; at `high` it is `other`. Degrees.
    double ridgeBetween(int one, double low, int other, double high) const;
    void findSpans();
    bool spansByCircles();
    void spansByLooking();

    const TurnedSurfaces* sides_;
    double z_;
    Point middle_{0, 0};
    std::vector<Disc> discs_;  // of what is turned there, tilted ones as circles
    std::vector<int> ofDisc_;
    std::vector<HalfPlane> halves_;
    /// A cut about a tilted axis. A ray from the middle is within it at least as long as it is nearer to that axis than
    /// the cut is anywhere.
    struct Tilted {
        int of;
        Eigen::Vector3d off, along;  // from where its stations begin to the middle, square to the axis; the axis
        double radius;               // mm, where it is thinnest
    };
    std::vector<Tilted> tilted_;
    bool exact_ = true;  // none is tilted
    std::vector<Side> spans_;
};

/// Stations from z0 to z1 at which the outside is to be looked at, so that what is drawn straight from one to the next
/// stays within `tolerance` mm: those where an outline changes its course, with both sides of every step, and as many
/// between.
std::vector<double> sliceStations(const TurnedSurfaces& surfaces, double z0, double z1, double tolerance);

/// The outside in the half plane at an angle from 12 o'clock: stations, and how far the wood reaches from the true
/// axis.
Polyline outsideAlong(const TurnedSurfaces& surfaces, double angleDeg, double tolerance = 0.05);

/// How far it reaches in the direction of an angle, whatever lies nearer: what is seen square to that from far off.
Polyline silhouetteAlong(const TurnedSurfaces& surfaces, double angleDeg, double tolerance = 0.05);

}  // namespace vl
