#include "io/shop_json.h"

#include "io/json_reader.h"

namespace vl::io {
namespace {

struct Field {
    const char* key;
    double Shop::*member;
    Limit limit;
};

constexpr Field fields[] = {
    {"kerf_mm", &Shop::kerf, limits::kerf},
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
    {"clamp_min", &Shop::clampMinutes, limits::minutes},
    {"cure_min", &Shop::cureMinutes, limits::minutes},
};

}  // namespace

std::string writeShop(const Shop& shop)
{
    Json j{{"format", "vivid-lathe-shop"}, {"version", 1}, {"name", shop.name}};
    for (const Field& f : fields) j[f.key] = shop.*f.member;
    return j.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

Shop readShop(std::string_view text, std::vector<std::string>& notes)
{
    const Json json = parseJson(text);
    JsonReader in(json, "", notes);
    Shop shop;
    std::string kind = "vivid-lathe-shop";
    in.text("format", kind, 100);
    if (kind != "vivid-lathe-shop") throw InputError("format", "'" + kind + "'", "'vivid-lathe-shop' is");
    in.text("name", shop.name, 200);
    for (const Field& f : fields) in.number(f.key, shop.*f.member, f.limit);
    checkShop(shop);
    return shop;
}

}  // namespace vl::io
