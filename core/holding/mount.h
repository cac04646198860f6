#pragma once

#include "core/piece/shop/shop.h"
#include "core/recipe/step.h"

namespace vl {

/// Whether a mount stands one named load: a catch of the shop's load as far out as the work is cut.
struct MountProof {
    double moment = 0;  ///< N·m: load · overhang
    double limit = 0;   ///< N·m that the grip stands
    bool holds = false;
    double wouldHold = 0;  ///< mm, the diameter that would; of the same grip and depth
};

/// Moment = load (N) · overhang (mm). The grip is taken for a round bar of its diameter bent where it leaves its
/// holder: limit = stress · π·d³/32 (strength of materials), with the shop's stress for that grip, less where it is
/// shallower than it should be (a tenon or recess of 3/8 in is full depth, common practice; a screw 20 mm). A vacuum
/// cup tips about its rim: limit = pressure · π·d³/8 (statics). `strength`: how many times the shop's stress the wood
/// stands there. Throws InputError naming what cannot be.
MountProof proveMount(Hold by, double diameter, double depth, double overhang, double load, const Grips& grips,
                      double strength = 1);

/// Flat wood round a tenon that the jaws' faces bear on, mm; own cautious value.
inline constexpr double tenonShoulder = 3;

/// A screw's, a tenon's or a recess's full depth, mm; 0 where depth does not count.
double fullDepth(Hold by);

}  // namespace vl
