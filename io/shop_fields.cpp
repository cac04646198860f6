#include "io/shop_fields.h"

namespace vl::io {
namespace {

constexpr NumberField<Shop> shop[] = {
    {"kerf_mm", &Shop::kerf, limits::kerf},
    {"rip_kerf_mm", &Shop::ripKerf, limits::kerf},
    {"planing_mm", &Shop::planing, limits::planing},
    {"least_hold_mm", &Shop::leastHold, limits::leastPiece},
    {"least_offcut_mm", &Shop::leastOffcut, limits::leastPiece},
    {"swing_radius_mm", &Shop::swingRadius, limits::swing},
    {"between_centres_mm", &Shop::betweenCentres, limits::swing},
    {"lowest_rpm", &Shop::lowestRpm, limits::rpm},
    {"highest_rpm", &Shop::highestRpm, limits::rpm},
    {"least_edge_mm", &Shop::leastEdge, limits::leastEdge},
    {"least_overlap_mm", &Shop::leastOverlap, limits::overlap},
    {"least_tip_deg", &Shop::leastTip, limits::tip},
    {"most_movement_mm", &Shop::mostMovement, limits::movement},
    {"dry_humidity_percent", &Shop::dryHumidity, limits::humidity},
    {"damp_humidity_percent", &Shop::dampHumidity, limits::humidity},
    {"tool_shank_mm", &Shop::toolShank, limits::shank},
    {"tool_reach_mm", &Shop::toolReach, limits::swing},
    {"tool_angle_deg", &Shop::toolAngle, limits::toolAngle},
    {"temperature_c", &Shop::temperature, limits::celsius},
    {"band_clamps", &Shop::bandClamps, limits::clampCount},
    {"clamps", &Shop::clamps, limits::clampCount},
    {"finish_min", &Shop::finishMinutes, limits::minutes},
};
constexpr NumberField<Board> board[] = {
    {"length_mm", &Board::length, limits::boardLength},
    {"width_mm", &Board::width, limits::boardWidth},
    {"thickness_mm", &Board::thickness, limits::thickness},
    {"price", &Board::price, limits::price},
};
constexpr NumberField<Defect> defect[] = {
    {"along_mm", &Defect::along, limits::alongBoard},
    {"across_mm", &Defect::across, limits::alongBoard},
    {"length_mm", &Defect::length, limits::alongBoard},
    {"width_mm", &Defect::width, limits::alongBoard},
};
constexpr NumberField<Glue> glue[] = {
    {"open_min", &Glue::openMinutes, limits::minutes},     {"clamp_min", &Glue::clampMinutes, limits::minutes}, {"machine_min", &Glue::machineMinutes, limits::minutes},
    {"cure_min", &Glue::cureMinutes, limits::minutes},     {"least_c", &Glue::leastCelsius, limits::celsius},   {"most_c", &Glue::mostCelsius, limits::celsius},
    {"slowdown", &Glue::slowdown, limits::slowdown},       {"spread_g_m2", &Glue::spread, limits::spread},
};
constexpr GlueFlag flags[] = {
    {"water", &Glue::water}, {"fills_gaps", &Glue::fillsGaps}, {"oily", &Glue::oily}, {"end_grain", &Glue::endGrain}, {"veneer", &Glue::veneer}, {"temporary", &Glue::temporary},
};

}  // namespace

std::span<const NumberField<Shop>> shopNumbers() { return shop; }
std::span<const NumberField<Board>> boardNumbers() { return board; }
std::span<const NumberField<Defect>> defectNumbers() { return defect; }
std::span<const NumberField<Glue>> glueNumbers() { return glue; }
std::span<const GlueFlag> glueFlags() { return flags; }

}  // namespace vl::io
