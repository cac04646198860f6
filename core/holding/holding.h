#pragma once

#include "core/piece/document/piece.h"
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

/// The block for a face of this radius (mm, NaN where there is none), mounted on the lathe; `name` is its step's,
/// `height` what is built on it, mm.
WorkItem mountBlock(Bench& bench, const std::string& name, HoldMethod method, double face, double height,
                    const Text& of);
/// Its diameter, mm.
double blockDiameter(HoldMethod method, double face);

}  // namespace vl
