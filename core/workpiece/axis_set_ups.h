#pragma once

#include "core/geometry/convex.h"
#include "core/geometry/dividing.h"
#include "core/geometry/turned_about.h"
#include "core/piece/document/piece.h"

namespace vl {

/// Turning about one axis other than the true one: one side of an OffAxis.
struct AxisSetUp {
    std::string id;       ///< "A1-2": the axis's id and its side, counted from 1
    size_t axis = 0;      ///< place in the piece
    int side = 0;         ///< counted from 0
    double indexDeg = 0;  ///< on from the first side
    IndexMark mark;       ///< on the plate; of what is laid out by angle, hole −1
    Point head{0, 0};     ///< where its axis passes the headstock's and the tailstock's end, off the true center:
    Point tail{0, 0};     ///< x towards 12 o'clock, y towards 9 o'clock, mm
    TurnedAbout solid{};
};

/// Every set-up of a piece that checkPiece() accepts, in the order of the work.
std::vector<AxisSetUp> axisSetUps(const Piece& piece);

/// The sides of one axis by the place of each: a hole, or an angle where there is no plate.
std::vector<IndexMark> marksOf(const OffAxis& axis);

/// The faces along the axis that stay of the blank; none where it is turned round.
std::vector<HalfSpace> edgesOf(const Piece& piece);

/// What an axis is called: its name, or its place.
std::string nameOf(const Piece& piece, size_t axis);

}  // namespace vl
