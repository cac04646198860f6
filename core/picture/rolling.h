#pragma once

#include "core/geometry/surface.h"
#include "core/piece/document/piece.h"

#include <Eigen/Geometry>

namespace vl {

/// A body on its way over flat ground. World: the ground is x = 0, up along x, and it gets on along −y; mm.
struct Rolling {
    std::vector<Eigen::Isometry3d> places;  ///< where the body is, one after another
    /// What lay on the ground, a flat polygon each, and at which place it lies there.
    struct Print {
        size_t place;
        std::vector<Eigen::Vector3d> corners;
    };
    std::vector<Print> prints;
    double along = 0;  ///< how far its middle of mass got on, mm
};

/// The hull of a piece that is split and has one half turned on: what it rolls on.
Surface rollingHull(const Piece& piece);
/// Its middle of mass, of wood that weighs the same everywhere (integrals of half a body of revolution over its
/// outline: the middle of a half disc lies 4r / 3π from its edge).
Eigen::Vector3d middleOfMass(const Piece& piece);

/// A convex body rolls from face to face, each time over the edge that lifts its middle of mass the least, never back:
/// the way of a slow roll without slipping. Ends once it got on by `length` mm, or after so many edges that it goes
/// round in a circle; empty where there is no body.
Rolling rollOn(const Surface& hull, const Eigen::Vector3d& middle, double length);

/// A piece on its way down a slope, for a picture: places and prints as they are seen there, the slope's middle at the
/// middle of the piece's height, which is where a picture has its own.
struct Slope {
    Rolling way;
    std::vector<Eigen::Vector3d> ground;  ///< its corners
    double height = 0, width = 0;         ///< that the picture must hold, mm
};
/// Nothing in it where the piece is not split.
Slope slopeUnder(const Piece& piece);

}  // namespace vl
