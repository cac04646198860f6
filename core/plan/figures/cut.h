#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// Figures at the saw for one segmented ring. Angles degrees, lengths mm.
struct RingCut {
    int layer = 0;
    double miter = 0, fence = 0;
    double outerEdge = 0, innerEdge = 0, boardWidth = 0, planeTo = 0;
    double stripLength = 0;  ///< of all the ring's woods together, waste and kerf in it
    double sledOffset = 0;   ///< run · tan(miter): how far the sled's fence stands back over the run
    double wedge = 0;        ///< 360°/n between the sled's two fences
    double correction = 0;   ///< to add to the mitre after a trial ring
};

/// One kind of strip to make: the same wood, thickness and width.
struct Strip {
    const Species* species = nullptr;
    double thickness = 0, width = 0;
    double length = 0;       ///< mm, all together
    double volume = 0;       ///< mm³ of planed strip
    double partsVolume = 0;  ///< mm³ that ends up in parts
    std::vector<std::string> parts;
};

struct CutPlan {
    int trialRing = -1;  ///< layer that was dry-fitted, or −1
    std::vector<RingCut> rings;
    std::vector<Strip> strips;
    double volume = 0, partsVolume = 0;
    double yield() const { return volume > 0 ? partsVolume / volume : 0; }
};

CutPlan planCuts(const Piece& piece, const Assembly& assembly);

}  // namespace vl
