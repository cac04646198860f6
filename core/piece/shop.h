#pragma once

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
    double clampMinutes = 60;   ///< ring joints in the clamp
    double cureMinutes = 720;   ///< before the joint is turned

    bool operator==(const Shop&) const = default;
};

/// Throws InputError where a value is outside core/piece/limits.h.
void checkShop(const Shop& shop);

}  // namespace vl
