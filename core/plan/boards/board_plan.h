#pragma once

#include "core/blank/assembly.h"
#include "core/plan/boards/strip_bound.h"

namespace vl {

/// Parts that are cut one after another from a strip.
struct PlannedRun {
    std::string part;  ///< id
    int count = 0;
    double from = 0, length = 0;  ///< mm along the strip
};

/// A strip to be ripped from a board, where it lies on the board's face.
struct PlannedStrip {
    BoardRect place;       ///< as wide as it is ripped; the saw's kerf lies beyond its far edge
    double kerf = 0;       ///< mm of board that ripping it turns to dust; none where it ends at an edge
    double thickness = 0;  ///< mm, planed
    std::vector<PlannedRun> runs;
    double used = 0;      ///< mm of its length: runs and end waste, at least what can be held safely
    bool ganged = false;  ///< its parts alone are too short to rip: the strip is ripped longer and cut short afterwards
    bool kept = false;    ///< already cut
    size_t length = 0;    ///< index into the board's lengths, of one that is not cut yet
};

/// A straight cut on a board, in the order it is made.
struct BoardCut {
    enum Kind { Clear, Length, Rip, Crosscut } kind = Rip;
    int number = 0;
    double x0 = 0, y0 = 0, x1 = 0, y1 = 0;  ///< mm on the board's face
    size_t strip = 0;                       ///< index into the board's strips, of Rip and Crosscut
};

struct PlannedBoard {
    Board board;
    std::vector<BoardRect> panels;   ///< clear of defects
    std::vector<BoardRect> lengths;  ///< cut across from panels first, faced and planed whole, then ripped
    std::vector<PlannedStrip> strips;
    std::vector<BoardCut> cuts;
    std::vector<BoardRect> offcuts;  ///< worth keeping; the board that is left may have defects in it
    double consumed = 0;             ///< mm² of its face
    double cost = 0;                 ///< the consumed share of its price
};

/// Parts that no board on the rack gives.
struct Shortfall {
    std::string part;
    const Species* species = nullptr;
    int count = 0;
    double thickness = 0, width = 0, length = 0;  ///< mm, of the strip that is missing
    double board = 0;                             ///< mm, thickness of board to buy
    double volume = 0;                            ///< mm³ to buy, with kerf, planing and the waste usual in this plan
};

struct BoardPlan {
    std::vector<PlannedBoard> boards;  ///< those that are cut
    std::vector<Shortfall> shortfall;
    double consumed = 0, lowerBound = 0;  ///< mm² of board face, missing parts counted in both as in StripProblem
    double partsVolume = 0, boardVolume = 0, kerfVolume = 0,
           wasteVolume = 0;              ///< mm³; boards = parts + kerf and planing + waste
    std::vector<KeptStrip> beyondBoard;  ///< strips that are cut, and lie beyond their board as it is now
    double cost = 0;
    bool canceled = false;
    double yield() const { return boardVolume > 0 ? partsVolume / boardVolume : 0; }
};

/// Plans the cutting of an assembly's parts from the shop's rack. Strips in the piece's progress are taken as cut: they
/// stay where they are, and only what they lack is planned. Every wood is a problem of its own (strip_problem.h).
BoardPlan planBoards(const Piece& piece, const Shop& shop, const Assembly& assembly, const Control& control = {});

/// A planned strip as one that is cut.
KeptStrip keptStrip(const PlannedBoard& board, const PlannedStrip& strip);

/// The piece with every strip of a plan cut.
Piece withAllCut(Piece piece, const BoardPlan& plan);

/// The rack after a plan is carried out: boards cut are gone, offcuts worth keeping are there as boards "id-a", "id-b"
/// … where `keepOffcuts`.
std::vector<Board> rackAfter(const std::vector<Board>& rack, const BoardPlan& plan, bool keepOffcuts);

}  // namespace vl
