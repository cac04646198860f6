#pragma once

#include "core/geometry/dividing.h"
#include "core/piece/document/piece.h"

namespace vl {

/// One ring of marks round the piece: the sides of an axis, holes, flutes, legs, the spokes of a grid.
struct IndexRing {
    std::string name;
    int plate = 0;  ///< holes; 0: laid out by angle
    std::vector<IndexMark> marks{};
    std::vector<double> angles{};  ///< of each mark from 12 o'clock, degrees, 0 to below 360
    bool steps = false;            ///< uneven on purpose
    double offset = 0;             ///< its first mark on from the first ring's, degrees, 0 to below 360
};

/// Every ring of marks that a piece asks for, in the order of the work; what stands alone has none.
std::vector<IndexRing> indexRings(const Piece& piece);

/// Where another ring's marks stand on a wheel that shows `ring` from its first hole on, degrees from the wheel's top.
std::vector<double> anglesOn(const IndexRing& ring, const IndexRing& other);

}  // namespace vl
