#pragma once

#include "core/recipe/bench.h"

namespace vl {

/// One of several places alike round the piece.
struct RoundMark {
    int hole = -1;        ///< of the index plate; −1: laid out by angle
    double angleDeg = 0;  ///< from 12 o'clock
};

/// Says where each comes round, on a plate of that many holes or by angle (0), and adds the settings. Those that stand
/// evenly are told by the first and the way on, unless every one is to be ticked.
void sayRound(Resource machine, int plate, const std::vector<RoundMark>& marks, bool everyOne, StepSpec& d);

}  // namespace vl
