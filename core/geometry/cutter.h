#pragma once

#include "core/geometry/convex.h"
#include "core/geometry/profile.h"

#include <variant>

namespace vl {

// Solids that a drill or a saw takes out of the wood. World: x along the lathe's axis, y to 12 o'clock, z to 9 o'clock.

/// What a drill takes: a line of radii turned about its way into the wood.
struct Drilled {
    Eigen::Vector3d from{0, 0, 0};  ///< where it comes into the wood, mm
    Eigen::Vector3d way{1, 0, 0};   ///< of length 1
    Polyline profile;               ///< mm along the way, from before the wood on, and radius
};

/// Further than any wood, mm.
inline constexpr double beyondAll = 4000;

/// What a saw takes: an outline pushed square to its plane, both ways further than any wood reaches where nothing else
/// is said.
struct Sawed {
    Eigen::Vector3d right{0, 0, 1}, up{1, 0, 0};  ///< directions of its plane, of length 1 and square to each other
    Polyline outline;                    ///< a simple polygon in it, counterclockwise with `right` to the right
    Range reach{-beyondAll, beyondAll};  ///< how far it is pushed, along right × up

    Eigen::Vector3d along() const;
};

/// A stretch along the axis of which only what lies within some round bodies stays: what is between them goes.
struct Between {
    std::vector<Drilled> kept;
    Range along;
};

using Cutter = std::variant<Drilled, Sawed, Between>;

/// Whether a point is taken away.
bool takes(const Cutter& cutter, const Eigen::Vector3d& p);
bool takes(const Sawed& saw, const Eigen::Vector3d& p);

/// The solid as flat faces, not all of them convex, corners counterclockwise as seen from outside; a round one within
/// `tolerance` mm of it.
std::vector<Face> facesOf(const Cutter& cutter, double tolerance);

/// Everything beyond a plane.
Sawed beyondPlane(const HalfSpace& kept);

}  // namespace vl
