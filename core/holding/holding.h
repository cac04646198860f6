#pragma once

#include "core/piece/document/piece.h"
#include "core/piece/shop/shop.h"
#include "core/recipe/bench.h"

namespace vl {

/// How a block holds what is built on it, by the turner's method.
struct BlockHold {
    const Pattern &block, &blockWhy, &blockHow;  ///< its own step; its and its tenon's measures stand in its how
    const Pattern &on, &onHow;                   ///< the base glued onto it
    JointFaces joint = JointFaces::LongGrain;
    const Pattern &off, &offHow;  ///< how it comes off at the end
    double widest = 1;            ///< block's diameter as a share of the face that is turned there
    double thick = 30;            ///< mm
};
const BlockHold& blockHold(HoldMethod method);

/// What stands on a block.
struct OnBlock {
    double face = 0;     ///< radius of the face that is turned there, mm; NaN where there is none
    double height = 0;   ///< of what is built on it, mm
    double reach = 0;    ///< of the most that ever stands on it, mm
    double station = 0;  ///< where it stands on it, mm
    bool down = false;   ///< built downwards: the block is above it
};
/// The block for it, mounted on the lathe; `name` is its step's.
WorkItem mountBlock(Bench& bench, const std::string& name, HoldMethod method, const OnBlock& on, const Shop& shop,
                    const Text& of);
/// Its diameter, mm.
double blockDiameter(HoldMethod method, const OnBlock& on, const Shop& shop);

}  // namespace vl
