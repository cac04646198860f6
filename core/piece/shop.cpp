#include "core/piece/shop.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/check.h"

namespace vl {

void checkShop(const Shop& s)
{
    checkWithin("kerf_mm", s.kerf, limits::kerf);
    checkWithin("swing_radius_mm", s.swingRadius, limits::swing);
    checkWithin("between_centres_mm", s.betweenCentres, limits::swing);
    checkWithin("lowest_rpm", s.lowestRpm, limits::rpm);
    checkWithin("highest_rpm", s.highestRpm, limits::rpm);
    if (s.lowestRpm > s.highestRpm) throw InputError("lowest_rpm", exact(s.lowestRpm), "at most the highest, " + exact(s.highestRpm) + " rpm, is");
    checkWithin("least_edge_mm", s.leastEdge, limits::leastEdge);
    checkWithin("least_overlap_mm", s.leastOverlap, limits::overlap);
    checkWithin("least_tip_deg", s.leastTip, limits::tip);
    checkWithin("most_movement_mm", s.mostMovement, limits::movement);
    checkWithin("dry_humidity_percent", s.dryHumidity, limits::humidity);
    checkWithin("damp_humidity_percent", s.dampHumidity, limits::humidity);
    checkWithin("clamp_min", s.clampMinutes, limits::minutes);
    checkWithin("cure_min", s.cureMinutes, limits::minutes);
}

}  // namespace vl
