#pragma once

#include "core/measure/field.h"
#include "core/wood/species.h"

#include <string>

namespace vl {

inline constexpr size_t mostReadings = 20000;

/// What keeps wet wood from drying too fast.
enum class Coat { Bare, Wax, Paint, Bag };
inline std::span<const Choice> choices(Coat)
{
    static constexpr std::array all{Choice{"bare", "bare"}, Choice{"wax", "end grain waxed"},
                                    Choice{"paint", "end grain painted"}, Choice{"bag", "in a paper bag"}};
    return all;
}

/// How much longer wood takes to dry so; our own values.
constexpr double slowedBy(Coat coat)
{
    switch (coat) {
    case Coat::Wax:
    case Coat::Paint:
        return 1.3;
    case Coat::Bag:
        return 1.6;
    case Coat::Bare:
        break;
    }
    return 1;
}

/// One reading of the moisture of a piece or a board, by hand or by meter.
struct Reading {
    std::string of;                      ///< what was read: a board's id, a bowl's name
    double at = 0;                       ///< minutes since 1970-01-01 00:00 of the shop's own clock
    double percent = 12;                 ///< moisture
    double grams = 0;                    ///< its weight; 0: not weighed
    double celsius = 20, humidity = 50;  ///< of where it lies
    std::string place;                   ///< "shelf by the door"
    std::string wood{unknownWood};
    double thickness = 0;  ///< mm, of the board or the wall; 0: not said
    Coat coat = Coat::Bare;
    std::string extra;

    bool operator==(const Reading&) const = default;
};
template <class V, As<Reading> F> void fields(V& v, F& f)
{
    v.text("read_on", f.of, 100, "Read on");
    v.minutes("at_min", f.at, {0, 100000000, "min"}, "When", "minutes since 1970-01-01 00:00 of the shop's clock");
    v.number("percent", f.percent, {0, 150, "%"}, "Moisture, %");
    v.number("grams", f.grams, {0, 1000000, "g"}, "Weight, g", "0: not weighed");
    v.number("celsius", f.celsius, {-20, 90, "°C"}, "Temperature, °C");
    v.number("humidity_percent", f.humidity, {0, 100, "%"}, "Humidity, %");
    v.text("lies_in", f.place, 100, "Place");
    v.quiet().wood("wood", f.wood, "Wood");
    v.quiet().length("thickness_mm", f.thickness, {0, 500}, "Board or wall, thick", "0: not said");
    v.quiet().choice("coat", f.coat, "It lies there");
}

}  // namespace vl
