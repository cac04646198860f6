#pragma once

#include "core/measure/field.h"

#include <string>
#include <vector>

namespace vl {

/// A place on a board that no part may hold: a knot, a split, a sapwood edge. mm from the board's corner, along its
/// grain and across.
struct Defect {
    double along = 0, across = 0;
    double length = 0, width = 0;
    std::string what = "knot";
    bool operator==(const Defect&) const = default;
};
template <class V, As<Defect> F> void fields(V& v, F& f)
{
    v.text("what", f.what, 100, "Defect");
    v.length("along_mm", f.along, {0, 6000}, "From the board's end");
    v.length("across_mm", f.across, {0, 6000}, "From its edge");
    v.length("length_mm", f.length, {0, 6000}, "Length");
    v.length("width_mm", f.width, {0, 6000}, "Width");
}

/// A board on the rack.
struct Board {
    std::string id;  ///< as it is marked on the board
    std::string wood = "maple";
    double length = 1200, width = 150, thickness = 25;  ///< mm
    double price = 0;                                   ///< of the whole board, in the shop's money
    std::vector<Defect> defects;
    bool operator==(const Board&) const = default;
};
template <class V, As<Board> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 60, "Number", "as it is marked on the board");
    v.wood("wood", f.wood, "Wood");
    v.length("length_mm", f.length, {20, 6000}, "Length");
    v.length("width_mm", f.width, {5, 1500}, "Width");
    v.length("thickness_mm", f.thickness, {0.5, 500}, "Thickness");
    v.number("price", f.price, {0, 1000000, ""}, "Price", "of the whole board, in the shop's money");
    v.list("defects", f.defects, 50, "Defects");
}

inline constexpr size_t mostBoards = 400;

/// Throws InputError naming the field, as `boards[2].width_mm`, where a board cannot be.
void checkRack(const std::vector<Board>& boards);

/// Cuts a board's defects down to what lies on it, after its length or width has changed.
void keepDefectsOn(Board& board);

/// An id that no board has yet: "B12".
std::string freshBoardId(const std::vector<Board>& boards);

}  // namespace vl
