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
    checkWithin("tool_shank_mm", s.toolShank, limits::shank);
    checkWithin("tool_reach_mm", s.toolReach, limits::swing);
    checkWithin("tool_angle_deg", s.toolAngle, limits::toolAngle);
    checkWithin("finish_min", s.finishMinutes, limits::minutes);
    checkWithin("rip_kerf_mm", s.ripKerf, limits::kerf);
    checkWithin("planing_mm", s.planing, limits::planing);
    checkWithin("least_hold_mm", s.leastHold, limits::leastPiece);
    checkWithin("least_offcut_mm", s.leastOffcut, limits::leastPiece);
    checkWithin("temperature_c", s.temperature, limits::celsius);
    checkWithin("band_clamps", s.bandClamps, limits::clampCount);
    checkWithin("clamps", s.clamps, limits::clampCount);
    double week = 0;
    for (size_t d = 0; d < s.hours.size(); ++d) {
        for (size_t k = 0; k < 2; ++k) checkWithin("hours[" + std::to_string(d) + "][" + std::to_string(k) + "]", s.hours[d][k], limits::dayMinutes);
        if (s.hours[d][1] < s.hours[d][0]) throw InputError("hours[" + std::to_string(d) + "][1]", exact(s.hours[d][1]), "the beginning, " + exact(s.hours[d][0]) + " min, or later is");
        week += s.hours[d][1] - s.hours[d][0];
    }
    if (week < 30) throw InputError("hours", exact(week) + " min a week", "at least 30 are");
    checkRack(s.rack);
    checkGlues(s.glues);
}

}  // namespace vl
