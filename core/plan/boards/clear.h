#pragma once

#include "core/piece/shop/rack.h"

#include <vector>

namespace vl {

/// A rectangle on a board's face, mm from the board's corner: x along its grain, y across.
struct BoardRect {
    double x = 0, y = 0, length = 0, width = 0;
    double right() const { return x + length; }
    double top() const { return y + width; }
    double area() const { return length * width; }
    bool overlaps(const BoardRect& o) const
    {
        return x < o.right() - 1e-9 && o.x < right() - 1e-9 && y < o.top() - 1e-9 && o.y < top() - 1e-9;
    }
};

/// The clear rectangles that straight cuts from edge to edge leave of a board when `blocked` is cut away, the largest
/// sum of areas first thought of; pieces shorter than `leastLength` or narrower than `leastWidth` (mm) count for
/// nothing and are left out. The saw's kerf is taken from the side of a cut that the blocked place is on. Exact up to
/// eight blocked places in a rectangle, the best next cut beyond.
std::vector<BoardRect> clearPanels(const Board& board, const std::vector<BoardRect>& blocked, double leastLength,
                                   double leastWidth, double kerf = 0);

/// A board's defects as rectangles.
std::vector<BoardRect> defectsOf(const Board& board);

}  // namespace vl
