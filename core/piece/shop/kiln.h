#pragma once

#include "core/measure/field.h"

#include <string>
#include <vector>

namespace vl {

inline constexpr size_t mostLoads = 200, mostKilnDays = 400, mostInKiln = 200;

/// What a kiln was set to from a day on.
struct KilnSetting {
    double day = 0;  ///< since the load went in
    double celsius = 30;
    double fan = 50;  ///< % of its speed
    std::string extra{};
    bool operator==(const KilnSetting&) const = default;
};
template <class V, As<KilnSetting> F> void fields(V& v, F& f)
{
    v.number("day", f.day, {0, 2000, "days"}, "From day");
    v.number("celsius", f.celsius, {0, 90, "°C"}, "Set to, °C");
    v.number("fan_percent", f.fan, {0, 100, "%"}, "Fan, %");
}

/// A bowl, or a board, in a load. Its readings stand among the shop's, by its name.
struct InKiln {
    std::string name{};
    std::string wood = "maple";
    double wall = 25;  ///< mm, the thickest that dries
    int shelf = 1;     ///< from the top
    double wet = 40;   ///< % as it went in
    double out = -1;   ///< day it came out; −1: it is in
    double dry = 0;    ///< % as it came out
    bool cracked = false;
    std::string extra{};
    bool operator==(const InKiln&) const = default;
};
template <class V, As<InKiln> F> void fields(V& v, F& f)
{
    v.text("name", f.name, 100, "Bowl or board", "as its readings are called");
    v.wood("wood", f.wood, "Wood");
    v.length("wall_mm", f.wall, {1, 300}, "Wall");
    v.count("shelf", f.shelf, {1, 40, ""}, "Shelf", "from the top");
    v.number("wet_percent", f.wet, {0, 200, "%"}, "Went in at, %");
    v.number("out_day", f.out, {-1, 2000, "days"}, "Came out on day", "−1: it is still in");
    v.when(f.out >= 0).number("dry_percent", f.dry, {0, 200, "%"}, "Came out at, %");
    v.flag("cracked", f.cracked, "Cracked");
}

/// A load of the kiln.
struct KilnLoad {
    std::string name{};
    double begun = 0;   ///< minutes since 1970-01-01 00:00 of the shop's own clock
    double target = 8;  ///< % that is asked
    std::vector<KilnSetting> settings{};
    std::vector<InKiln> bowls{};
    std::string otherwise{};  ///< what to do otherwise next time
    std::string extra{};
    bool operator==(const KilnLoad&) const = default;
};
template <class V, As<KilnLoad> F> void fields(V& v, F& f)
{
    v.text("name", f.name, 100, "Load");
    v.minutes("begun_min", f.begun, {0, 100000000, "min"}, "Begun", "minutes since 1970-01-01 00:00");
    v.number("target_percent", f.target, {4, 20, "%"}, "Down to, %");
    v.list("settings", f.settings, mostKilnDays, "Set to, by day");
    v.list("bowls", f.bowls, mostInKiln, "In it");
    v.text("otherwise", f.otherwise, 2000, "Otherwise next time");
}

}  // namespace vl
