#pragma once

#include "core/measure/field.h"

#include <string>
#include <vector>

namespace vl {

/// One kind of glue in the book. Times are minutes at 20 °C; every value is common practice, and the maker's label
/// comes first.
struct Glue {
    std::string id, name;
    double openMinutes = 5;       ///< from spreading to closing
    double clampMinutes = 60;     ///< until it can leave the clamp
    double lightMinutes = 0;      ///< until a face may be trued or a hole drilled on the press; 0: as machineMinutes
    double machineMinutes = 720;  ///< until it can be turned
    double cureMinutes = 1440;    ///< until it is as strong as it gets
    double leastCelsius = 10;     ///< colder, it does not set to full strength
    double mostCelsius = 35;
    double slowdown = 2;    ///< times slower for every 10 °C below 20
    double spread = 180;    ///< g/m² of joint, one face
    double leastGrams = 1;  ///< that can be measured out and mixed
    bool foams = false;     ///< swells out of the joint as it sets
    bool water = true;      ///< carries water into the wood
    bool fillsGaps = false;
    bool oily = false;       ///< holds on oily wood
    bool endGrain = false;   ///< holds end grain
    bool veneer = false;     ///< for sheets
    bool temporary = false;  ///< comes apart again, holds for light cuts only
    bool block = false;      ///< holds a piece on a glue block, and comes off it again
    std::string release;     ///< how
    std::string note;

    bool operator==(const Glue&) const = default;
};
template <class V, As<Glue> F> void fields(V& v, F& f)
{
    constexpr Limit minutes{0, 100000}, celsius{-10, 60, "°C"};
    v.text("id", f.id, 60, "Id");
    v.text("name", f.name, 200, "Glue");
    v.minutes("open_min", f.openMinutes, minutes, "open\nmin", "from spreading to closing");
    v.minutes("clamp_min", f.clampMinutes, minutes, "clamp\nmin", "until it can leave the clamp");
    v.minutes("light_min", f.lightMinutes, minutes, "light\nafter min",
              "until a face is trued or a hole drilled on the press; 0: no sooner than it is turned");
    v.minutes("machine_min", f.machineMinutes, minutes, "machine\nafter min", "until it can be turned");
    v.minutes("cure_min", f.cureMinutes, minutes, "cure\nmin", "until it is as strong as it gets");
    v.number("least_c", f.leastCelsius, celsius, "least\n°C", "colder, it does not set to full strength");
    v.number("most_c", f.mostCelsius, celsius, "most\n°C");
    v.number("slowdown", f.slowdown, {1, 10, "times"}, "× slower\n10 °C down", "for every 10 °C below 20");
    v.number("spread_g_m2", f.spread, {0, 2000, "g/m²"}, "spread\ng/m²", "of joint, one face");
    v.quiet().number("least_g", f.leastGrams, {0, 500, "g"}, "least\ng", "that can be measured out and mixed");
    v.quiet().flag("foams", f.foams, "foams", "swells out of the joint as it sets");
    v.flag("water", f.water, "water", "carries water into the wood");
    v.flag("fills_gaps", f.fillsGaps, "fills\ngaps");
    v.flag("oily", f.oily, "oily\nwood", "holds on oily wood");
    v.flag("end_grain", f.endGrain, "end\ngrain", "holds end grain");
    v.flag("veneer", f.veneer, "veneer", "for sheets");
    v.flag("temporary", f.temporary, "comes\napart", "comes apart again");
    v.quiet().flag("block", f.block, "glue\nblock", "holds a piece on a block, and comes off it again");
    v.text("release", f.release, 500, "released by");
    v.text("note", f.note, 500, "to mind");
}

/// Throws InputError naming the field, as `glues[2].open_min`, where the book is empty, has an id twice, or a value
/// beyond its limit.
void checkGlues(const std::vector<Glue>& glues);

/// The book as it comes.
std::vector<Glue> commonGlues();

/// Minutes until it bears light work: never before it leaves the clamp, nor after it bears turning.
double lightAfter(const Glue& glue);

/// Times this many longer at a temperature: slowdown^((20 − T) / 10) below 20 °C, 1 above (common practice).
double coldFactor(const Glue& glue, double celsius);

}  // namespace vl
