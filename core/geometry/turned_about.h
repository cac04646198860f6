#pragma once

#include "core/geometry/disc_region.h"

#include <Eigen/Core>

namespace vl {

/// What turning about one axis leaves: between the stations at which the ends of its outline stand on that axis, the
/// points that are no farther from it than the outline. Its ends are square to the true axis: the shoulder of a tilted
/// cut is drawn as that, which differs by a sliver of radius · tan(tilt). World: x along the true axis from the
/// headstock face, y to 12 o'clock, z to 9 o'clock, mm.
struct TurnedAbout {
    Eigen::Vector3d at{0, 0, 0};     ///< where its stations begin
    Eigen::Vector3d along{1, 0, 0};  ///< of length 1, towards the tailstock
    Polyline outline;                ///< stations along it and radii

    /// Through a center in the headstock's face and one in the tailstock's, `length` mm apart.
    static TurnedAbout throughCenters(const Point& head, const Point& tail, double length, Polyline outline);
    /// Tilted towards a direction (degrees from 12 o'clock) about the point of the true axis at station `pivot`.
    static TurnedAbout tilted(double tiltDeg, double directionDeg, double pivot, Polyline outline);

    bool parallel() const;
    double tiltDeg() const;
    /// Where it passes the plane square to the true axis at station z.
    Point centerAt(double z) const;
    /// The stations of the true axis, between which it takes something away.
    double from() const;
    double to() const;
    /// Radius about it near station z of the true axis, where it passes that plane; NaN where nothing is turned there.
    double radiusNear(double z) const;
    /// Whether a point is left.
    bool keeps(const Eigen::Vector3d& p) const;
    /// How far a ray from a kept point in the plane at station z goes before it leaves, mm; infinite where it does not.
    /// Exact: the ray walks from cone to cone of the outline and leaves where it meets one.
    double exit(double z, const Point& inside, double angleDeg) const;
    /// Which way its surface faces at a point on it.
    Eigen::Vector3d normalAt(const Eigen::Vector3d& p) const;
};

}  // namespace vl
