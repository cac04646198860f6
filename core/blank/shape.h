#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// A wall measured somewhere: how thick, square to the surface, and where on the inside.
struct WallAt {
    double wall = 0;
    Point inside{0, 0};
};

/// What the turned shape comes to. Lengths mm, volumes mm³, weight kg, angle degrees.
struct Shape {
    double height = 0;
    double greatestDiameter = 0, greatestAt = 0;
    double leastDiameter = 0, leastAt = 0;
    std::vector<WallAt> walls;  ///< all along it
    WallAt thinnest, thickest;  ///< measured square to the surface, above the floor's rounding
    double floorThickness = 0;  ///< shortest way through the wood from the floor's center to the foot's face or outside
    double capacity = 0;        ///< filled level to the rim
    double woodVolume = 0;      ///< of the finished piece
    double weight = 0;          ///< finished
    double roughWeight = 0;     ///< of the glued blank
    double gravityHeight = 0;   ///< center of gravity above the foot
    double tipAngle = 0;        ///< atan(foot's contact radius / gravityHeight): leaning further, it falls
    double footRadius = 0;
    bool solid = true;  ///< nothing hollowed
};

/// The shape's measures. Volumes by frustums (plane geometry), weight with each layer's woods in the shares of its
/// segments.
Shape measureShape(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces);

/// The inside without its floor: from the corner where the floor meets the wall to the rim.
Polyline wallLine(const TurnedSurfaces& surfaces);

/// Radius of the inside at a station, mm; at the floor as wide as the floor is; NaN where it is solid.
double insideAt(const TurnedSurfaces& surfaces, double z);

/// The wall at a station as a caliper finds it: the shorter of the ways across from the inside there and from the
/// outside there, mm, and where on the inside and the outside its jaws stand. 0 where
/// something is cut through; NaN where it is solid. `wall` is the line of wallLine().
struct WallAcross {
    double wall = 0;
    Point inside{0, 0}, outside{0, 0};
};
WallAcross wallAcross(const TurnedSurfaces& surfaces, const Polyline& wall, double z);

/// The wall square to the surface, from the inside's points to the outside and from the outside's to the inside, along
/// the axis; 0 where the inside comes through. Empty where there is none.
std::vector<WallAt> wallAlong(const TurnedSurfaces& surfaces);

/// Whether the inside reaches the outside at a station.
bool isThrough(const TurnedSurfaces& surfaces, double z);

/// The thinnest wall of the finished piece, mm; 0 where it is solid.
double thinnestWall(const TurnedSurfaces& surfaces);
/// The thickest wall of the finished piece, its floor with it, mm; 0 where it is solid.
double thickestWall(const TurnedSurfaces& surfaces);

}  // namespace vl
