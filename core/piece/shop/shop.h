#pragma once

#include "core/piece/records/lid.h"
#include "core/piece/records/reading.h"
#include "core/piece/shop/accuracy.h"
#include "core/piece/shop/finish.h"
#include "core/piece/shop/glue.h"
#include "core/piece/shop/grips.h"
#include "core/piece/shop/kiln.h"
#include "core/piece/shop/lesson.h"
#include "core/piece/shop/log.h"
#include "core/piece/shop/machines.h"
#include "core/piece/shop/rack.h"
#include "core/wood/own_wood.h"

#include <array>
#include <string>

namespace vl {

/// What the workshop has. Outlives pieces. Every default is common practice and stands to be put right by the turner.
struct Shop {
    std::string name = "Workshop";
    double kerf = 3.0;                  ///< mm, of the saw that cuts the segments
    double leastEdge = 12;              ///< mm, shortest outer edge that the turner holds at the saw
    double leastOverlap = 5;            ///< mm, of the wall across each joint between rings
    double leastTip = 10;               ///< degrees, a piece that tips sooner is a caution
    double mostMovement = 0.6;          ///< mm, difference across a joint between seasons
    double dryHumidity = 35;            ///< %, of the rooms the piece will live in, at 20 °C
    double dampHumidity = 65;           ///< %
    double toolShank = 16;              ///< mm, of the hollowing tools
    double toolReach = 250;             ///< mm beyond the rest that they work without chatter
    double toolAngle = 40;              ///< degrees off the axis at which they can be held through a mouth
    double bandsawTilt = 45;            ///< degrees, greatest tilt of the table
    double bandsawRadius = 16;          ///< mm, that the narrowest blade turns
    double fretReach = 130;             ///< mm, that the fret saw's frame spans; our own sample
    double partingReach = 120;          ///< mm beyond the rest that the parting tool works
    double ripKerf = 3.0;               ///< mm, of the saw that rips boards to strips
    double planing = 1.0;               ///< mm, a board is thicker than what it is planed to by at least this
    double ripLeastWidth = 10;          ///< mm, the narrowest strip that is ripped between fence and blade
    double planeLeastThickness = 4;     ///< mm, nothing thinner goes through it: it shatters
    double setupMinutes = 6;            ///< to set a machine and make its trial cut
    double leastHold = 300;             ///< mm, the shortest strip that is safe to rip or plane
    double leastOffcut = 250;           ///< mm, a shorter rest is not put back on the rack
    double temperature = 20;            ///< °C where the glue sets
    double bandClamps = 2, clamps = 8;  ///< how many joints of each kind can be held at once
    /// Minutes after midnight at which the work begins and ends, Monday first; the same twice: none that day.
    std::array<std::array<double, 2>, 7> hours{
        {{1080, 1260}, {1080, 1260}, {1080, 1260}, {1080, 1260}, {1080, 1260}, {540, 1020}, {840, 1080}}};
    double finishMinutes = 720;  ///< until a coat of finish is dry
    double catchLoad = 150;      ///< N, of a tool that catches; our own value
    double swingMargin = 12.7;   ///< mm on the radius between work and bed; common practice
    double feed = 8;             ///< mm a second that the last cut moves along the wood; our own value
    double toolNose = 6;         ///< mm, radius of its edge; our own value
    Lathe lathe;                 ///< in use
    std::vector<Lathe> otherLathes;
    Jaws jaws;  ///< on the chuck
    std::vector<Jaws> otherJaws;
    std::vector<TurningTool> tools;  ///< beside the hollowing and the parting tool above
    Grips grips;
    Fits fits;
    std::vector<Board> rack;
    std::vector<Glue> glues = commonGlues();
    std::vector<OwnWood> woods;  ///< the turner's own
    std::vector<Logged> log;     ///< finished pieces, by their numbers
    std::vector<Reading> readings;
    Accuracy accuracy;
    double mostNudge = 2;   ///< mm, that an outline is changed by to follow the wood; our own value
    double leastMix = 5;    ///< g, the least that is mixed by the shop's scale at once; our own value
    double workFactor = 1;  ///< how much longer work takes here than is usual
    std::vector<Finish> finishes = commonFinishes();
    std::vector<Lesson> lessons;
    std::vector<KilnLoad> kiln;  ///< its loads, the latest last

    bool operator==(const Shop&) const = default;
};
template <class V, As<Shop> F> void fields(V& v, F& f)
{
    constexpr Limit humidity{0, 100, "%"}, lathe{20, 3000};
    v.text("name", f.name, 200, "Workshop");
    v.length("kerf_mm", f.kerf, {0, 20}, "Kerf of the saw", "that cuts the segments");
    v.length("rip_kerf_mm", f.ripKerf, {0, 20}, "Kerf when ripping");
    v.length("planing_mm", f.planing, {0, 20}, "Planed off a board, at least");
    v.quiet().length("rip_least_width_mm", f.ripLeastWidth, {0, 200}, "Narrowest strip ripped at the fence");
    v.quiet().length("plane_least_thickness_mm", f.planeLeastThickness, {0, 50}, "Thinnest through the thicknesser");
    v.quiet().minutes("setup_min", f.setupMinutes, {0, 600}, "Setting a machine, minutes", "with its trial cut");
    v.length("least_hold_mm", f.leastHold, {0, 1000}, "Shortest strip to hold", "that is safe to rip or plane");
    v.length("least_offcut_mm", f.leastOffcut, {0, 1000}, "Offcuts kept from", "a shorter rest is not put back");
    fields(v, f.lathe);
    v.length("least_edge_mm", f.leastEdge, {0, 500}, "a segment's edge is shorter than");
    v.length("least_overlap_mm", f.leastOverlap, {0, 200}, "layers overlap by less than");
    v.angle("least_tip_deg", f.leastTip, {0, 89}, "the piece tips sooner than, degrees");
    v.length("most_movement_mm", f.mostMovement, {0, 50}, "a joint moves between seasons by more than");
    v.number("dry_humidity_percent", f.dryHumidity, humidity, "Driest, % humidity");
    v.number("damp_humidity_percent", f.dampHumidity, humidity, "Dampest, % humidity");
    v.length("tool_shank_mm", f.toolShank, {0, 60}, "Shank");
    v.length("tool_reach_mm", f.toolReach, lathe, "Reach beyond the rest", "without chatter");
    v.angle("tool_angle_deg", f.toolAngle, {1, 85}, "Off the axis through a mouth, degrees");
    v.quiet().angle("bandsaw_tilt_deg", f.bandsawTilt, {0, 60}, "Bandsaw's table tilts to, degrees");
    v.quiet().length("bandsaw_radius_mm", f.bandsawRadius, {1, 500}, "Bandsaw turns a radius of",
                     "with its narrowest blade");
    v.quiet().length("fret_reach_mm", f.fretReach, {20, 1000}, "Fret saw's frame spans");
    v.quiet().length("parting_reach_mm", f.partingReach, lathe, "Parting tool beyond the rest");
    v.number("temperature_c", f.temperature, {-10, 60, "°C"}, "Temperature where it sets, °C");
    v.number("band_clamps", f.bandClamps, {1, 200, ""}, "Band clamps");
    v.number("clamps", f.clamps, {1, 200, ""}, "Other clamps, joints at once");
    v.minutes("finish_min", f.finishMinutes, {0, 100000}, "A coat of finish dries, minutes");
    v.quiet().number("catch_n", f.catchLoad, {1, 5000, "N"}, "A catch, N", "of a tool that catches; our own value");
    v.quiet().length("swing_margin_mm", f.swingMargin, {0, 100}, "Margin over the bed", "on the radius");
    v.quiet().number("feed_mm_s", f.feed, {0.1, 200, "mm/s"}, "Last cut moves, mm/s", "along the wood; our own value");
    v.quiet().length("tool_nose_mm", f.toolNose, {0.2, 100}, "Edge's radius", "of the tool of the last cut");
    v.quiet().record("jaws", f.jaws, "Jaws");
    v.quiet().list("other_lathes", f.otherLathes, mostMachines, "Other lathes");
    v.quiet().list("other_jaws", f.otherJaws, mostMachines, "Other jaws");
    v.quiet().list("tools", f.tools, mostMachines, "Other turning tools");
    v.quiet().list("log", f.log, mostLogged, "Log");
    v.quiet().list("readings", f.readings, mostReadings, "Readings of moisture");
    v.quiet().list("finishes", f.finishes, mostFinishes, "Finishes");
    v.quiet().list("lessons", f.lessons, mostLessons, "Lessons");
    v.quiet().list("kiln", f.kiln, mostLoads, "Loads of the kiln");
    v.quiet().number("work_factor", f.workFactor, {0.2, 5, ""}, "Work takes, times as long",
                     "as is usual; learned from the log");
    v.quiet().length("most_nudge_mm", f.mostNudge, {0, 50}, "An outline may be changed by", "to follow the wood");
    v.quiet().number("least_mix_g", f.leastMix, {0, 1000, "g"}, "Mixed at once at least, g", "by the shop's scale");
    v.quiet().record("accuracy", f.accuracy, "How exactly it works");
    v.quiet().record("grips", f.grips, "What a grip stands");
    v.quiet().record("fits", f.fits, "Fits");
}

/// The hollowing tools: the one in use first.
std::vector<TurningTool> hollowers(const Shop& shop);
/// How far beyond the rest the longest of the parting tools works, mm.
double partingReach(const Shop& shop);
/// The jaws that close on a diameter, or open into it: those on the chuck where they take it as it is, else of all the
/// shop's the ones that come nearest to it.
const Jaws& jawsFor(const Shop& shop, bool closing, double wanted);
/// The jaws of this name; those on the chuck where none have it.
const Jaws& jawsNamed(const Shop& shop, const std::string& name);
/// Puts another lathe into use, or other jaws on the chuck; what was in use takes its place in the list. Nothing where
/// the list has no such place.
void useLathe(Shop& shop, size_t other);
void useJaws(Shop& shop, size_t other);

/// Throws InputError naming the field where a value cannot be.
void checkShop(const Shop& shop);

}  // namespace vl
