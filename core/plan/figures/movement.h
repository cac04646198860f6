#pragma once

#include "core/blank/assembly.h"
#include "core/piece/records/reading.h"

namespace vl {

/// How much more one layer moves than the next over the width that they share, between the shop's dry and damp rooms.
struct JointMovement {
    int below = 0;     ///< layer; the joint is with the next
    double z = 0;      ///< mm
    double width = 0;  ///< mm, of the joint as it is turned
    double moves = 0;  ///< mm, in the direction in which the two differ most
};

/// How a layer's faces move: a ring of mitred segments hardly, as its grain runs round it; wood with its grain along
/// the axis in every direction alike; a board across its grain only. Tangential shrinkage, the worst case.
struct FaceMovement {
    double along = 0;     ///< %, green to dry, in the direction `angle`
    double across = 0;    ///< %, square to it
    double angleDeg = 0;  ///< of the grain, from 12 o'clock
    double at(double angleDeg) const;
};
FaceMovement faceMovement(const BuiltLayer& layer, bool upper);

/// Every joint between two layers; those of a tenon and of veneer left out: a tenon holds in its hole, a veneer goes
/// with what it lies on. Linear movement below fiber saturation (core/wood/moisture.h).
std::vector<JointMovement> movementsOf(const Assembly& assembly, const TurnedSurfaces& surfaces, const Shop& shop);

/// mm that two faces differ over `width` for a change of moisture in percentage points.
double differs(const FaceMovement& a, const FaceMovement& b, double width, double moistureChange);

/// How much of what a joint moves between the seasons it moves from the room of a reading to the shop's driest and
/// dampest: shares of `JointMovement::moves`, below 0 where it moves the other way.
struct ToHome {
    double driest = 0, dampest = 0;
};
ToHome toHome(const Shop& shop, const Reading& here);

/// Percentage points of moisture between the shop's dry and its damp room, at 20 °C.
double seasonOf(const Shop& shop);

}  // namespace vl
