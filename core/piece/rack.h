#pragma once

#include <string>
#include <vector>

namespace vl {

/// A place on a board that no part may hold: a knot, a split, a sapwood edge. mm from the board's corner, along its grain and across.
struct Defect {
    double along = 0, across = 0;
    double length = 0, width = 0;
    std::string what = "knot";
    bool operator==(const Defect&) const = default;
};

/// A board on the rack.
struct Board {
    std::string id;      ///< as it is marked on the board
    std::string wood = "maple";
    double length = 1200, width = 150, thickness = 25;  ///< mm
    double price = 0;    ///< of the whole board, in the shop's money
    std::vector<Defect> defects;
    bool operator==(const Board&) const = default;
};

/// Throws InputError naming the field, as `boards[2].width_mm`, where a board cannot be.
void checkRack(const std::vector<Board>& boards);

/// Cuts a board's defects down to what lies on it, after its length or width has changed.
void keepDefectsOn(Board& board);

/// An id that no board has yet: "B12".
std::string freshBoardId(const std::vector<Board>& boards);

}  // namespace vl
