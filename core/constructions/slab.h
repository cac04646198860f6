#pragma once

#include "core/constructions/construction.h"
#include "core/constructions/flipped_board.h"

namespace vl {

/// The board of strips that holds a square of `size` mm (of strips alone: that wide), as thick as `thickness` mm when
/// it is finished.
FlippedBoard boardFor(const SlabForm& form, double size, double thickness, double kerf);

/// Cells of such a board between two stations, its middle on the axis, its strips along `y`; which place of the pattern
/// each is.
struct BoardCells {
    double z0 = 0, z1 = 0;
    Eigen::Vector3d x{0, 0, 1}, y{0, 1, 0};
    bool below = false, above = false;  ///< whether another board lies there
};
void layBoard(BuiltLayer& layer, const FlippedBoard& board, const BoardCells& place, size_t seed);

/// Where strips of their own width do not do: they are narrower together than the board that is `wanted` (mm), or no
/// joint stands on the middle line where one must. `equal` makes them equal, in the layer of this place.
void judgeWidths(const FlippedBoard& board, double wanted, bool middle, int layer, std::vector<Caution>& cautions,
                 std::function<void(Layer&)> equal);

/// What a board of strips has to set and to know.
std::vector<Setting> boardSettings(const FlippedBoard& board);
/// The strips to cut for it, by wood.
void boardParts(const Site& site, const FlippedBoard& board, const std::vector<const Species*>& woods,
                std::vector<Part>& parts);

/// What the steps of a board say where a slab and the board of rings differ.
struct BoardWords {
    Text rip, glue, glueWhy;
    Text of;                 ///< what the board is for, in titles
    bool middleDry = false;  ///< the joint on the middle line is left open: two half boards
};
/// From strips to the glued board: ripped and glued; where there are rows squared, cut across, turned and glued again.
/// `joints` are how the strips and the rows meet.
WorkItem glueBoard(Bench& bench, const WorkItems& strips, const FlippedBoard& board, const BuiltLayer& layer,
                   const BoardWords& said);

}  // namespace vl
