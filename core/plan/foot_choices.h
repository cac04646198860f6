#pragma once

#include "core/plan/plan.h"

namespace vl {

/// What it takes to hold a block's foot in each of the ways there are.
struct FootChoice {
    FootMethod method = FootMethod::Tenon;
    double waste = 0;    ///< mm of the block beyond the piece's own height
    double volume = 0;   ///< mm³ of wood, that the blank is larger by
    double minutes = 0;  ///< of work, from the block to the piece
    bool holds = false;  ///< at every mount, the floor untouched
    Text leaves{};       ///< on the foot, and how that goes
};

/// All of them for a piece that is one block turned from both sides; none for others.
std::vector<FootChoice> footChoices(const Piece& piece, const Shop& shop);

}  // namespace vl
