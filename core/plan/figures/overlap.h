#pragma once

#include "core/blank/contact.h"

namespace vl {

/// How much wood glues a layer to the next, measured along the radius at their joint, mm.
struct Overlap {
    int below = 0;  ///< layer; the joint is with the next
    double z = 0;
    double stock = 0;     ///< as glued: least outer flat less greatest inner corner of the two
    double finished = 0;  ///< what turning leaves of it
    Contact contact;      ///< of the turned joint
    JointsBeside joints;
    double wall = 0;  ///< of the turned shape along the radius; at a step that of its narrower side
};

std::vector<Overlap> overlapsOf(const Assembly& assembly, const TurnedSurfaces& surfaces);

}  // namespace vl
