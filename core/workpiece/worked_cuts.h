#pragma once

#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// One of what is worked by index, as it lies on the piece. Lengths mm.
struct WorkedPlace {
    size_t worked = 0;    ///< place in the piece
    int which = 0;        ///< of those alike, counted from 0
    IndexMark mark{};     ///< laid out by angle: hole −1
    double angleDeg = 0;  ///< its direction, from 12 o'clock
};
/// Every one of them, in the order of Piece::worked.
std::vector<WorkedPlace> workedPlaces(const Piece& piece);

/// What a groove or a facet comes to: its straight bottom is `depth` below the surface where it comes into the wood and
/// where it leaves it.
struct StraightCut {
    double from = 0, to = 0;   ///< those stations
    double low = 0, high = 0;  ///< radii of its bottom there, mm
    double deepest = 0;        ///< mm below the surface, at the station `at`
    double shallowest = 0;     ///< mm; below 0 where the surface falls away under it
    double at = 0;
    double widest = 0;  ///< mm across, at the surface; of a facet its flat, of a groove its mouth

    double radiusAt(double z) const { return low + (high - low) * (z - from) / (to - from); }
};
/// Empty where the piece has no wood at both ends of it.
std::optional<StraightCut> straightCut(const Worked& worked, const TurnedSurfaces& surfaces);

/// What legs come to under a foot.
struct LegRing {
    double outer = 0, inner = 0;  ///< radii at the foot between which they stand, mm
    bool across = false;          ///< the fibers run across the axis
    std::vector<double> grain{};  ///< of each leg: how far the fibers run through it at its foot, mm
    bool isHollowed() const { return inner > 0.5; }
};
LegRing legRing(const Piece& piece, size_t which, const TurnedSurfaces& surfaces);
/// Whether the foot is hollowed between legs, with the tailstock up.
bool isHollowedBetweenLegs(const Piece& piece, const TurnedSurfaces& surfaces);

/// The directions of all that one of them comes to, from 12 o'clock, degrees.
std::vector<double> directionsOf(const Piece& piece, size_t which);

/// All that is worked by index, and a leaning base, as cuts of their steps.
std::vector<Cut> workedCuts(const Piece& piece, const TurnedSurfaces& surfaces);

/// What one is called, and the step that makes it.
std::string nameOf(const Piece& piece, const Worked& worked);
std::string workedStep(const Worked& worked);
std::string recessStep(const Worked& worked);  ///< of legs: the hollow of the foot between them
inline constexpr const char* leanStep = "lean-base";

/// The greatest radius of the foot, mm.
double footRadiusOf(const TurnedSurfaces& surfaces);

}  // namespace vl
