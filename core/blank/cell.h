#pragma once

#include "core/geometry/convex.h"
#include "core/geometry/directions.h"
#include "core/wood/species.h"

#include <limits>

namespace vl {

/// World: x along the lathe's axis from the headstock face, y up to 12 o'clock, z towards 9 o'clock; mm.

/// How a part's wood lies in the blank: the rows of `axes` point along its grain, across its board and through the
/// thickness.
struct BoardFrame {
    Eigen::Matrix3d axes = Eigen::Matrix3d::Identity();
    Eigen::Vector3d origin{0, 0, 0};
    Eigen::Vector3d place(const Eigen::Vector3d& world) const { return axes * (world - origin); }
};

/// The wood of one part where it lies in a layer: the points of the layer between two angles, two radii and within
/// `bounds`. Those are its joints; `faces` are the sawn faces that the lathe is going to take away.
struct Cell {
    const Species* wood = nullptr;
    int segment = 0;  ///< what is painted together in the layer; −1 where the wood is set elsewhere (spacers, bands)
    float seed = 0;   ///< which board
    double from = 0, to = 360;  ///< degrees from 12 o'clock; to − from is at most 360
    double low = 0;             ///< mm from the axis
    double high = std::numeric_limits<double>::infinity();
    std::vector<HalfSpace> bounds{};
    std::vector<HalfSpace> faces{};
    BoardFrame board{};
    int place = -1;  ///< among its layer's cells; −1 where it is let in

    bool round() const { return to - from >= 360; }
    /// Whether the cell holds a point given in both ways, its span of angle not asked.
    bool within(const Eigen::Vector3d& p, double r) const;
    /// Its span of angle as half-spaces; none where it goes all round.
    std::vector<HalfSpace> wedge() const;
    /// Whether an angle is in its span, degrees.
    bool spans(double angleDeg) const;
    /// How far a face with this normal shows end grain: 0 along the grain, 1 square across.
    double endGrain(const Eigen::Vector3d& normal) const { return std::abs(board.axes.row(0).dot(normal)); }
};

}  // namespace vl
