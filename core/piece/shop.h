#pragma once

#include "core/piece/glue.h"
#include "core/piece/rack.h"

#include <array>
#include <string>

namespace vl {

/// What the workshop has. Outlives pieces. Every default is common practice and stands to be put right by the turner.
struct Shop {
    std::string name = "Workshop";
    double kerf = 3.0;            ///< mm, of the saw that cuts the segments
    double swingRadius = 200;     ///< mm, centre to bed
    double betweenCentres = 900;  ///< mm
    double lowestRpm = 100;
    double highestRpm = 3600;
    double leastEdge = 12;      ///< mm, shortest outer edge that the turner holds at the saw
    double leastOverlap = 5;    ///< mm, of the wall across each joint between rings
    double leastTip = 10;       ///< degrees, a piece that tips sooner is a caution
    double mostMovement = 0.6;  ///< mm, difference across a joint between seasons
    double dryHumidity = 35;    ///< %, of the rooms the piece will live in, at 20 °C
    double dampHumidity = 65;   ///< %
    double toolShank = 16;      ///< mm, of the hollowing tools
    double toolReach = 250;     ///< mm beyond the rest that they work without chatter
    double toolAngle = 40;      ///< degrees off the axis at which they can be held through a mouth
    double ripKerf = 3.0;       ///< mm, of the saw that rips boards to strips
    double planing = 1.0;       ///< mm, a board is thicker than what it is planed to by at least this
    double leastHold = 300;     ///< mm, the shortest strip that is safe to rip or plane
    double leastOffcut = 250;   ///< mm, a shorter rest is not put back on the rack
    double temperature = 20;    ///< °C where the glue sets
    double bandClamps = 2, clamps = 8;  ///< how many joints of each kind can be held at once
    /// Minutes after midnight at which the work begins and ends, Monday first; the same twice: none that day.
    std::array<std::array<double, 2>, 7> hours{{{1080, 1260}, {1080, 1260}, {1080, 1260}, {1080, 1260}, {1080, 1260}, {540, 1020}, {840, 1080}}};
    double finishMinutes = 720; ///< until a coat of finish is dry
    std::vector<Board> rack;
    std::vector<Glue> glues = commonGlues();

    bool operator==(const Shop&) const = default;
};

/// Throws InputError where a value is outside core/piece/limits.h.
void checkShop(const Shop& shop);

}  // namespace vl
