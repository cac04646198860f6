#pragma once

#include "core/geometry/outline.h"

#include <optional>

namespace vl {

inline constexpr size_t mostCutNodes = 60;

/// A hole drilled into the piece, or several alike round it. Lengths mm, angles degrees.
struct Hole {
    std::string id;    ///< lasts
    std::string name;  ///< "peg"; empty: by its number
    enum Into { Side, Rim, Foot } into = Side;
    double at = 40;        ///< station where it passes nearest the axis (Side); radius of the holes' circle (Rim, Foot)
    double direction = 0;  ///< of the first, from 12 o'clock
    double lean = 0;       ///< off square to the axis, its mouth towards the tailstock (Side); off the axis, outwards
                           ///< as it deepens (Rim, Foot)
    double beside = 0;     ///< how far its middle passes beside the axis (Side)
    double diameter = 8;
    enum Ends { Depth, Wall, Through } ends = Wall;
    double depth = 15;  ///< of the full diameter, along its way (Depth)
    enum Bit { Twist, Flat } bit = Flat;
    double wide = 0, wideDepth = 5;  ///< a wider step at its mouth; 0: none
    double taper = 0;                ///< reamed: how far its wall leans off its middle, wider at the mouth
    double ease = 0;                 ///< radius by which the edge of its mouth is rounded
    bool early = false;              ///< drilled in the blank, before it is turned
    bool filled = false;             ///< with a rod or a plug that is cut flush
    std::string fill = "maple";
    double fit = 0.1;  ///< that the rod is thinner than its hole, on the diameter
    int count = 1;
    int plate = 0;  ///< holes of the index plate; 0: laid out by angle
    int start = 0;  ///< hole of the first
    std::string extra;

    bool operator==(const Hole&) const = default;
};
inline std::span<const Choice> choices(Hole::Into)
{
    static constexpr std::array all{Choice{"side", "into the side"}, Choice{"rim", "into the rim\u2019s face"},
                                    Choice{"foot", "into the foot\u2019s face"}};
    return all;
}
inline std::span<const Choice> choices(Hole::Ends)
{
    static constexpr std::array all{Choice{"depth", "to a depth"}, Choice{"wall", "through the near wall"},
                                    Choice{"through", "right through"}};
    return all;
}
inline std::span<const Choice> choices(Hole::Bit)
{
    static constexpr std::array all{Choice{"twist", "twist drill, 118° point"},
                                    Choice{"flat", "flat bottom, a center point"}};
    return all;
}
template <class V, As<Hole> F> void fields(V& v, F& f)
{
    constexpr Limit turn{-360, 360, "°"};
    const bool side = f.into == Hole::Side;
    v.text("id", f.id, 40, "Id", "lasts when holes are put in, taken out or moved");
    v.text("name", f.name, 100, "Name");
    v.choice("into", f.into, "Drilled");
    v.length("at_mm", f.at, {0, 3000}, side ? "At station" : "On a circle of radius");
    v.angle("direction_deg", f.direction, turn, "Direction", "of the first, from 12 o'clock");
    v.angle("lean_deg", f.lean, {-75, 75, "°"}, "Leans by",
            side ? "off square, its mouth towards the tailstock" : "off the axis, outwards as it deepens");
    v.when(side).length("beside_mm", f.beside, {-500, 500}, "Passes beside the axis by");
    v.length("diameter_mm", f.diameter, {0.5, 300}, "Ø");
    v.choice("ends", f.ends, "Goes");
    v.when(f.ends == Hole::Depth).length("depth_mm", f.depth, {0.5, 1000}, "Depth", "of the full diameter");
    v.choice("bit", f.bit, "Bit");
    v.length("wide_mm", f.wide, {0, 400}, "Wider at its mouth, Ø", "0: not");
    v.when(f.wide > 0).length("wide_depth_mm", f.wideDepth, {0.5, 500}, "That deep");
    v.quiet().angle("taper_deg", f.taper, {0, 15, "°"}, "Reamed, its wall leans by, degrees", "0: straight");
    v.quiet().length("ease_mm", f.ease, {0, 20}, "Its edge rounded by", "radius; 0: as drilled");
    v.quiet().flag("early", f.early, "Drilled in the blank", "before it is turned: rods that are turned with it");
    v.quiet().flag("filled", f.filled, "A rod or a plug glued in");
    v.when(f.filled).quiet().filling("fill", f.fill, "Rod or plug of");
    v.when(f.filled).quiet().length("fit_mm", f.fit, {0, 2}, "Thinner than its hole by", "on the diameter");
    v.count("count", f.count, {1, 96, ""}, "How many round");
    v.count("plate", f.plate, {0, 400, ""}, "Index plate, holes", "0: laid out by angle");
    v.when(f.plate > 0).count("start", f.start, {0, 400, ""}, "First in hole");
}

/// What a bandsaw takes, or the log has not grown: a curve seen square to the axis or along it, the same on both sides
/// of it.
struct Sawn {
    std::string id;    ///< lasts
    std::string name;  ///< "arch"; empty: by its number
    enum From { Underside, Top, Sides } from = Underside;
    enum Run { WithGrain, AcrossGrain } run = WithGrain;  ///< which way the curve runs, from the axis out
    enum When { Before, After, Twice, Grown } when = After;
    double margin = 3;  ///< mm outside the line that are left until after turning (Twice)
    Outline curve;  ///< distance from the axis, and what is sawn there: the station (Underside: taken below it; Top:
                    ///< above it), or half the width that stays (Sides)
    std::string extra;

    bool operator==(const Sawn&) const = default;
};
inline std::span<const Choice> choices(Sawn::From)
{
    static constexpr std::array all{Choice{"underside", "from below: an arch, feet"},
                                    Choice{"top", "from above: a swept rim"},
                                    Choice{"sides", "from the sides: wings, a living edge"}};
    return all;
}
inline std::span<const Choice> choices(Sawn::Run)
{
    static constexpr std::array all{Choice{"with the grain", "along the grain"},
                                    Choice{"across the grain", "across the grain"}};
    return all;
}
inline std::span<const Choice> choices(Sawn::When)
{
    static constexpr std::array all{Choice{"before", "before it is mounted"}, Choice{"after", "after it is turned"},
                                    Choice{"twice", "twice: thick before, to the line after"},
                                    Choice{"grown", "not at all: the log\u2019s own edge"}};
    return all;
}
template <class V, As<Sawn> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 40, "Id", "lasts when cuts are put in, taken out or moved");
    v.text("name", f.name, 100, "Name");
    v.choice("from", f.from, "Sawn");
    v.choice("run", f.run, "Its curve runs");
    v.choice("when", f.when, "It is sawn");
    v.when(f.when == Sawn::Twice).length("margin_mm", f.margin, {0.5, 50}, "Left outside the line");
    v.list("curve", f.curve, mostCutNodes, "Curve");
}

/// Throws InputError naming the field under `path` where it cannot be.
void checkHole(const Hole& hole, const std::string& path);
void checkSawn(const Sawn& sawn, const std::string& path);

}  // namespace vl
