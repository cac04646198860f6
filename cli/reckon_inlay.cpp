#include "cli/reckon_kind.h"

#include "core/geometry/inside_out.h"
#include "core/geometry/plug.h"
#include "core/geometry/rim_groove.h"
#include "core/geometry/rods.h"
#include "core/geometry/split_outline.h"
#include "core/measure/format.h"
#include "core/plan/learning/error_budget.h"
#include "core/wood/drying.h"
#include "core/wood/moisture.h"

namespace vl::cli {
namespace {

double lengthOf(const std::string& word, const std::string& field)
{
    return parseLength(word, LengthStyle::Unit::Millimeter, field);
}
double numberOf(const std::string& word, const std::string& field)
{
    const std::optional<double> v = parseNumber(word);
    if (!v) throw InputError(field, "'" + word + "'", "a number is");
    return *v;
}

Json insideOut(const Values& v)
{
    const InsideOut part{v.length("square"), v.length("turned"), v.length("outside"), 4};
    checkInsideOut(part);
    return {
        {"window_open", part.windowOpen()}, {"window_width_mm", part.windowWidth()}, {"diagonal_mm", part.diagonal()}};
}

Json split(const Values& v)
{
    const SplitOutline outline{v.whole("fold", 3, 12), v.length("size"), v.length("band")};
    checkSplitOutline(outline);
    const double diameter = v.length("diameter", outline.size);
    if (!(diameter > 0)) throw InputError("diameter", exact(diameter), "above 0 mm is");
    return {{"radius_mm", outline.radius()}, {"mismatch_mm", outline.mismatch(diameter)}};
}

Json rimInlay(const Values& v)
{
    std::vector<double> widths;
    for (const std::string& word : partsOf(v.text("pieces"))) widths.push_back(lengthOf(word, "pieces"));
    const RimPieces pieces = rimPieces(v.length("centre_diameter"), widths);
    return {{"gap_mm", pieces.gap}, {"fits", pieces.fits}};
}

Rod rodOf(const std::string& word)
{
    const std::vector<std::string> parts = partsOf(word);
    if (parts.size() != 5) throw InputError("rod", "'" + word + "'", "diameter,at,angle,turn,offset is");
    return {.diameter = lengthOf(parts[0], "rod diameter"),
            .at = lengthOf(parts[1], "rod at"),
            .angle = numberOf(parts[2], "rod angle"),
            .turn = numberOf(parts[3], "rod turn"),
            .offset = lengthOf(parts[4], "rod offset")};
}

Json rods(const Values& v)
{
    const double width = v.length("width");
    const RodBlank blank{.length = v.length("length"),
                         .width = width,
                         .bore = v.length("bore", 0),
                         .finished = v.length("final", width)};
    std::vector<Rod> all;
    for (const std::string& word : v.all("rod")) all.push_back(rodOf(word));
    checkRods(blank, all);
    Json crossed = Json::array(), broken = Json::array(), left = Json::array();
    for (const RodCrossing& c : crossings(blank, all))
        crossed.push_back({{"first", c.first}, {"second", c.second}, {"depth_mm", c.depth}});
    for (size_t i = 0; i < all.size(); ++i) {
        if (breaksBore(blank, all[i])) broken.push_back(i);
        left.push_back(survives(blank, all[i]));
    }
    return {{"crossings", crossed}, {"breaks_bore", broken}, {"survives", left}};
}

Json plug(const Values& v)
{
    const PlugFit fit = plugFit(v.length("hole"), v.length("length"), v.length("clearance", 0.1));
    return {{"spigot_diameter_mm", fit.spigot}, {"hole_depth_mm", fit.holeDepth}};
}

Json emc(const Values& v)
{
    return {{"emc_percent", equilibriumMoisture(v.number("temperature"), v.number("humidity"))}};
}

Json odds(const Values& v)
{
    return {{"odds", ringOdds(v.whole("sides", 3, 360), v.number("angle_sd"), v.length("outer"), v.length("gap"))}};
}

Json dry(const Values& v)
{
    const double days = v.number("days"), left = daysToTarget(v.number("initial"), v.number("equilibrium"),
                                                              v.number("now"), days, v.number("target"));
    return {{"days_to_target", left}, {"days_from_start", days + left}};
}

const Kind figuredInlays[] = {
    {"inside-out",
     {"square", "turned", "outside"},
     "square turned=radius outside=radius  ->  window_open window_width_mm diagonal_mm",
     "four squares about the axis, turned to turned at this station, each reversed about its own middle so that its "
     "outer corner comes to the axis, turned to outside. window_width is the least distance between the wood of "
     "neighbors straight across their joint, 0 and closed where they touch; diagonal is the wood on a part's "
     "diagonal, "
     "outside - (square sqrt 2 - turned).",
     "plane geometry",
     insideOut},
    {"split",
     {"fold", "size", "band", "diameter"},
     "fold size band [diameter]  ->  radius_mm mismatch_mm",
     "fold tips, 3 to 12, alike under a turn by 360/fold degrees, each with a flat band; size is twice the distance "
     "from the middle to a tip, of four tips from flat to flat. Hollow arcs about the corners of the polygon that the "
     "flats lie on: radius = size/2 tan(180/fold) - band/2, of four tips (size - band)/2. mismatch is the step at the "
     "joint where the blank came out at diameter: half the difference.",
     "plane geometry",
     split},
    {"rim-inlay",
     {"centre_diameter", "pieces"},
     "centre_diameter pieces=width,width,...  ->  gap_mm fits",
     "a piece of width w spans 2 asin(w/D) of the center circle; gap is the chord of what is left over, shared evenly "
     "between neighbors, below 0 where they overlap.",
     "plane geometry of the chord",
     rimInlay},
    {"rods",
     {"length", "width", "rod", "bore", "final"},
     "length width ; rod=diameter,at,angle,turn,offset (repeated) ; [bore=0] [final=width]  ->  crossings[] (first "
     "second depth_mm) breaks_bore[] survives[]",
     "the blank is length along its axis and width square, its sides towards 12 and 9 o'clock. A rod's middle line "
     "lies "
     "in the plane through the axis at turn degrees from 12 o'clock, or offset beside that plane; it passes the "
     "station "
     "at where it is nearest the axis, at angle to the axis. Rods are counted from 0. depth is half the sum of the "
     "diameters less the distance of the middle lines inside the blank; survives is the share of a rod's volume inside "
     "the blank that is left between bore and final diameter.",
     "solid geometry",
     rods},
    {"plug",
     {"hole", "length", "clearance"},
     "hole length [clearance=0.1]  ->  spigot_diameter_mm hole_depth_mm",
     "spigot = hole - clearance; the hole is 1 mm deeper than the spigot is long, room for the glue.",
     "common practice",
     plug},
    {"emc",
     {"temperature", "humidity"},
     "temperature(C) humidity(%)  ->  emc_percent",
     "the moisture that wood comes to in air of that temperature and relative humidity.",
     "USDA Forest Products Laboratory, Wood Handbook (FPL-GTR-282), chapter 4, Hailwood-Horrobin form; coefficients "
     "from memory",
     emc},
    {"ring-odds",
     {"sides", "angle_sd", "outer", "gap"},
     "sides angle_sd outer gap  ->  odds",
     "the chance that the last joint of a ring closes within plus or minus gap at the rim: 2 sides mitres, each with "
     "an "
     "independent normal error of angle_sd degrees, add up; the gap is their sum in radians times outer/2.",
     "statistics: sum of independent normal errors",
     odds},
    {"dry",
     {"initial", "equilibrium", "now", "days", "target"},
     "initial equilibrium now days target  ->  days_to_target days_from_start",
     "moistures in %: exponential from initial towards equilibrium, through now after days; days_to_target counts from "
     "now on, 0 where the wood is there already.",
     "first-order drying, common practice",
     dry},
};

}  // namespace

std::span<const Kind> inlayKinds() { return figuredInlays; }

}  // namespace vl::cli
