#pragma once

#include <cstddef>

namespace vl {

/// What a field may hold; used by the check of a piece, the fields on the screen and the file's schema.
struct Limit {
    double low, high;
    const char* unit;
};

namespace limits {
constexpr Limit z{0, 3000, "mm"};
constexpr Limit radius{0, 1000, "mm"};
constexpr Limit bulge{-1, 1, ""};
constexpr Limit wall{0.5, 500, "mm"};
constexpr Limit floor{0, 3000, "mm"};
constexpr Limit floorRound{0, 500, "mm"};
constexpr Limit thickness{0.5, 500, "mm"};
constexpr Limit segments{3, 96, ""};
constexpr Limit jointWidth{0.1, 50, "mm"};
constexpr Limit jointAngle{0.1, 90, "°"};
constexpr Limit band{0.2, 200, "mm"};
constexpr Limit rise{0, 200, "mm"};
constexpr Limit strip{2, 500, "mm"};
constexpr Limit jointing{0, 10, "mm"};
constexpr Limit post{2, 500, "mm"};
constexpr Limit wrap{1, 300, "mm"};
constexpr Limit boardAngle{10, 85, "°"};
constexpr Limit rings{1, 40, ""};
constexpr Limit rotate{-360, 360, "°"};
constexpr Limit slope{-60, 60, "°"};
constexpr Limit inset{2, 1500, "mm"};
constexpr Limit clearance{0, 20, "mm"};
constexpr Limit bore{0.5, 1000, "mm"};
constexpr Limit tool{0.3, 20, "mm"};
constexpr Limit shank{0, 60, "mm"};
constexpr Limit toolAngle{1, 85, "°"};
constexpr Limit blade{0.5, 100, "mm"};
constexpr Limit nest{5, 1500, "mm"};
constexpr Limit turn{-1000, 1000, "segments"};
constexpr Limit allowance{0, 100, "mm"};
constexpr Limit sandingLoss{0, 10, "mm"};
constexpr Limit stock{0, 2000, "mm"};
constexpr Limit sledRun{20, 2000, "mm"};
constexpr Limit endWaste{0, 500, "mm"};
constexpr Limit trialGap{-50, 50, "mm"};
constexpr Limit spacing{0.5, 500, "mm"};
constexpr Limit kerf{0, 20, "mm"};
constexpr Limit swing{20, 3000, "mm"};
constexpr Limit rpm{1, 20000, "rpm"};
constexpr Limit humidity{0, 100, "%"};
constexpr Limit celsius{-10, 60, "°C"};
constexpr Limit overlap{0, 200, "mm"};
constexpr Limit leastEdge{0, 500, "mm"};
constexpr Limit tip{0, 89, "°"};
constexpr Limit movement{0, 50, "mm"};
constexpr Limit boardLength{20, 6000, "mm"};
constexpr Limit boardWidth{5, 1500, "mm"};
constexpr Limit alongBoard{0, 6000, "mm"};
constexpr Limit stripWidth{0.5, 1500, "mm"};
constexpr Limit price{0, 1000000, ""};
constexpr Limit planing{0, 20, "mm"};
constexpr Limit leastPiece{0, 1000, "mm"};
constexpr Limit clampCount{1, 200, ""};
constexpr Limit dayMinutes{0, 1440, "min"};
constexpr Limit slowdown{1, 10, "times"};
constexpr Limit spread{0, 2000, "g/m²"};
constexpr Limit clock{0, 100000000, "min"};
constexpr std::size_t boards = 400;
constexpr std::size_t steps = 20000;
constexpr Limit minutes{0, 100000, "min"};
constexpr std::size_t nodes = 200;
constexpr std::size_t layers = 400;
constexpr std::size_t textLength = 20000;
}  // namespace limits

}  // namespace vl
