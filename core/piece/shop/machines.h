#pragma once

#include "core/measure/field.h"

#include <string>

namespace vl {

inline constexpr size_t mostMachines = 20;  ///< of each kind, beside those in use

/// A lathe. Every default is common practice and stands to be put right by the turner.
struct Lathe {
    std::string name;
    double swingRadius = 200;     ///< mm, center to bed
    double restSwing = 170;       ///< mm, center to the rest's base
    double betweenCenters = 900;  ///< mm
    double lowestRpm = 100, highestRpm = 3600;
    double mass = 150;  ///< kg, with its stand
    int plate = 0;      ///< holes of its own index plate; 0: none, or not noted
    std::string extra;

    bool operator==(const Lathe&) const = default;
};
template <class V, As<Lathe> F> void fields(V& v, F& f)
{
    constexpr Limit rpm{1, 20000, "rpm"}, across{20, 3000};
    v.quiet().text("lathe", f.name, 100, "Lathe");
    v.length("swing_radius_mm", f.swingRadius, across, "Lathe, center to bed");
    v.length("between_centres_mm", f.betweenCenters, across, "Lathe, between centers");
    v.number("lowest_rpm", f.lowestRpm, rpm, "Lowest speed, rpm");
    v.number("highest_rpm", f.highestRpm, rpm, "Highest speed, rpm");
    v.quiet().number("lathe_mass_kg", f.mass, {5, 5000, "kg"}, "Lathe's mass, kg", "with its stand");
    v.quiet().length("rest_swing_mm", f.restSwing, across, "Center to the rest's base");
    v.quiet().count("lathe_plate", f.plate, {0, 400, ""}, "Its own index plate, holes", "0: none, or not noted");
}

/// What a chuck's jaws take, mm. The defaults are our own sample of a usual chuck.
struct Jaws {
    std::string name;                          ///< empty: the jaws on the chuck
    double gripLeast = 38, gripMost = 100;     ///< diameters that they close on
    double spreadLeast = 46, spreadMost = 95;  ///< diameters that they open into
    double depth = 10;                         ///< height of their dovetail
    double dovetail = 10;                      ///< degrees off the axis that their sides lean
    double swing = 60;                         ///< from the axis to their corners, opened
    std::string extra;

    bool operator==(const Jaws&) const = default;
};
template <class V, As<Jaws> F> void fields(V& v, F& f)
{
    constexpr Limit across{5, 600};
    v.quiet().text("name", f.name, 100, "Jaws");
    v.length("grip_least_mm", f.gripLeast, across, "Jaws close on, least Ø");
    v.length("grip_most_mm", f.gripMost, across, "Jaws close on, most Ø");
    v.length("spread_least_mm", f.spreadLeast, across, "Jaws open into, least Ø");
    v.length("spread_most_mm", f.spreadMost, across, "Jaws open into, most Ø");
    v.length("depth_mm", f.depth, {2, 60}, "Jaws' depth");
    v.quiet().angle("dovetail_deg", f.dovetail, {0, 45, "°"}, "Jaws' sides lean", "off the axis; 0: straight");
    v.length("swing_mm", f.swing, {10, 400}, "Jaws' corners sweep", "radius, opened");
}

/// A turning tool that the shop has beside those in use.
struct TurningTool {
    enum Use { Hollow, Part, Gouge, Scraper, Skew };
    std::string name;
    Use use = Hollow;
    double width = 12;   ///< mm, of its edge
    double shank = 16;   ///< mm
    double reach = 250;  ///< mm beyond the rest that it works without chatter
    double angle = 40;   ///< degrees off the axis at which it can be held through a mouth (Hollow)
    double blade = 20;   ///< mm, depth of its blade (Part)
    std::string extra;

    bool operator==(const TurningTool&) const = default;
};
inline std::span<const Choice> choices(TurningTool::Use)
{
    static constexpr std::array all{Choice{"hollowing", "hollowing"}, Choice{"parting", "parting"},
                                    Choice{"gouge", "a gouge"}, Choice{"scraper", "a scraper"},
                                    Choice{"skew", "a skew chisel"}};
    return all;
}
template <class V, As<TurningTool> F> void fields(V& v, F& f)
{
    v.text("name", f.name, 100, "Tool");
    v.choice("use", f.use, "For");
    v.length("width_mm", f.width, {0.3, 100}, "Width of its edge");
    v.length("shank_mm", f.shank, {1, 60}, "Its shank");
    v.length("reach_mm", f.reach, {20, 3000}, "It works beyond the rest", "without chatter");
    v.when(f.use == TurningTool::Hollow)
        .angle("angle_deg", f.angle, {1, 85, "°"}, "It goes off the axis through a mouth, degrees");
    v.when(f.use == TurningTool::Part).length("blade_mm", f.blade, {2, 200}, "Its blade is deep");
}

}  // namespace vl
