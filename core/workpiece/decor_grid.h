#pragma once

#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// One ring of a decorated grid: from one circle to the next along the surface. Lengths mm.
struct GridRing {
    double z0 = 0, r0 = 0, z1 = 0, r1 = 0;  ///< the two circles; of a face they begin outermost
    double length = 0;                      ///< between them, along the surface
    double around = 0;                      ///< a cell's side round it, in its middle

    double ratio() const { return around > 0 ? length / around : 0; }
};

/// One cell that is worked.
struct GridCell {
    size_t cells = 0;  ///< place in Decor::cells
    int ring = 0, spoke = 0;
    bool lost = false;  ///< saw, drill or a later cut takes its surface away
};

struct GridOf {
    size_t decor = 0;               ///< place in the piece
    std::vector<IndexMark> spokes;  ///< on the plate; by angle: hole −1
    std::vector<GridRing> rings;
    std::vector<GridCell> worked;
    double rest = 0;  ///< mm of the range that no whole ring fills

    /// Degrees from 12 o'clock at which a spoke stands; the last one's next is the first once more.
    double angleOf(const Decor& of, int spoke) const;
};

/// Every grid of the piece on the surface that it is drawn on. Square cells: along the surface a ring is `aspect` times
/// as long as its cells are wide in its middle; on a flat face that is the geometric row r′/r = (1 − a·π/n)/(1 +
/// a·π/n). No more than 200 rings; whole ones only. Empty rings where the surface has nothing in its range.
std::vector<GridOf> gridsOf(const Piece& piece, const TurnedSurfaces& surfaces);

/// What one is called, and the step that lays it out.
std::string nameOf(const Piece& piece, const Decor& decor);
std::string gridStep(const Decor& decor);
/// The step that works its cells in one way.
std::string workStep(const Decor& decor, GridCells::Work work);

}  // namespace vl
