#pragma once

#include "core/measure/field.h"

#include <string>
#include <vector>

namespace vl {

/// A corner of an opening that is drawn by hand, in shares of its half length and half width from its middle.
struct SkinCorner {
    double along = 0, across = 0;
    std::string extra;
    bool operator==(const SkinCorner&) const = default;
};
template <class V, As<SkinCorner> F> void fields(V& v, F& f)
{
    v.number("along", f.along, {-1, 1, ""}, "Along", "from its middle towards the rim, of its half length");
    v.number("across", f.across, {-1, 1, ""}, "Across", "of its half width");
}
inline constexpr size_t leastSkinCorners = 3, mostSkinCorners = 40;

/// Whether an outline through these corners keeps clear of itself.
bool keepsClear(const std::vector<SkinCorner>& corners);

/// What is worked by index round the turned piece, spindle locked. Lengths mm, angles degrees.
struct Worked {
    std::string id;    ///< lasts
    std::string name;  ///< "flutes"; empty: by its number
    enum Kind { Flutes, Facets, Legs, Openings } kind = Flutes;
    double from = 10, to = 60;  ///< stations where a groove's or a facet's straight bottom begins and ends
    double depth = 2;           ///< of it below the surface at both ends
    double cutter = 8;          ///< Ø of the round-nosed cutter (Flutes)
    double height = 12;         ///< of the legs, from the foot up
    double width = 14;          ///< of a leg, across its own middle line
    double thick = 12;          ///< of a leg, on the radius, at the foot
    enum Shape {
        Slot,
        Leaf,
        Round,
        Diamond,
        Scroll,
        Lattice,
        Drawn
    } shape = Slot;    ///< of an opening, long between stations
    double wide = 10;  ///< of it across, along the surface
    double slant = 0;  ///< of its middle line off the axis, as drawn on the surface
    double sway = 8;   ///< by which a scroll's middle line swings to each side
    int rows = 3;      ///< of a lattice, each half a step on from the one below
    double bar = 5;    ///< wood between a lattice's openings, across the bar
    std::vector<SkinCorner> drawn{{-1, 0, {}}, {-0.4, -0.8, {}}, {0.5, -1, {}},
                                  {1, 0, {}},  {0.5, 1, {}},     {-0.4, 0.8, {}}};
    bool rounded = true;  ///< a drawn outline is led round its corners
    double ease = 1;      ///< radius by which its edges are rounded
    int count = 8;
    double direction = 0;  ///< of the first, from 12 o'clock
    int plate = 0;         ///< holes of the index plate; 0: laid out by angle
    int start = 0;         ///< hole of the first
    std::string extra;

    bool operator==(const Worked&) const = default;
};
inline std::span<const Choice> choices(Worked::Kind)
{
    static constexpr std::array all{Choice{"flutes", "flutes, by a round-nosed cutter"},
                                    Choice{"facets", "facets, flat"}, Choice{"legs", "legs, sawn out of the foot"},
                                    Choice{"openings", "openings, sawn through the wall"}};
    return all;
}
inline std::span<const Choice> choices(Worked::Shape)
{
    static constexpr std::array all{Choice{"slot", "slots with round ends"},
                                    Choice{"leaf", "leaves"},
                                    Choice{"round", "rounds"},
                                    Choice{"diamond", "diamonds"},
                                    Choice{"scroll", "scrolls, an S with round ends"},
                                    Choice{"lattice", "a lattice of diamonds"},
                                    Choice{"drawn", "drawn by hand on the skin"}};
    return all;
}
template <class V, As<Worked> F> void fields(V& v, F& f)
{
    constexpr Limit station{0, 3000}, turn{-360, 360, "°"};
    const bool legs = f.kind == Worked::Legs, flutes = f.kind == Worked::Flutes, open = f.kind == Worked::Openings;
    v.text("id", f.id, 40, "Id", "lasts when others are put in, taken out or moved");
    v.text("name", f.name, 100, "Name");
    v.choice("kind", f.kind, "Worked");
    v.when(!legs).length("from_mm", f.from, station, "From station");
    v.when(!legs).length("to_mm", f.to, station, "To station");
    v.when(!legs && !open).length("depth_mm", f.depth, {0.1, 100}, "Deep at both ends", "straight between them");
    v.when(flutes).length("cutter_mm", f.cutter, {0.5, 80}, "Cutter, Ø", "round-nosed");
    v.when(legs).length("height_mm", f.height, {1, 500}, "Legs' height");
    v.when(legs).length("width_mm", f.width, {2, 500}, "Legs' width");
    v.when(legs).length("thick_mm", f.thick, {2, 500}, "Legs' thickness", "on the radius, at the foot");
    v.when(open).quiet().choice("shape", f.shape, "Shape");
    const bool lattice = open && f.shape == Worked::Lattice;
    v.when(open && !lattice).quiet().length("wide_mm", f.wide, {1, 500}, "Wide", "along the surface");
    v.when(open && f.shape == Worked::Scroll).quiet().length("sway_mm", f.sway, {0, 200}, "Swings by", "to each side");
    v.when(lattice).quiet().count("rows", f.rows, {1, 40, ""}, "Rows", "each half a step on");
    v.when(lattice).quiet().length("bar_mm", f.bar, {1, 100}, "Bars, wide", "across them, on the surface");
    v.when(open && !lattice)
        .quiet()
        .angle("slant_deg", f.slant, {-60, 60, "°"}, "Slants by", "off the axis, on the surface");
    v.when(open && f.shape == Worked::Drawn).quiet().flag("rounded", f.rounded, "Led round its corners");
    v.list("drawn", f.drawn, mostSkinCorners, "Drawn by hand, its corners");
    v.when(open).quiet().length("ease_mm", f.ease, {0, 10}, "Edges rounded by", "radius");
    v.count("count", f.count, {2, 96, ""}, "How many round");
    v.angle("direction_deg", f.direction, turn, "Direction", "of the first, from 12 o'clock");
    v.count("plate", f.plate, {0, 400, ""}, "Index plate, holes", "0: laid out by angle");
    v.when(f.plate > 0).count("start", f.start, {0, 400, ""}, "First in hole");
}

/// The base sawn or sanded so that the piece leans. Lengths mm, angles degrees.
struct Lean {
    double angle = 0;      ///< 0: it stands upright
    double direction = 0;  ///< towards which it leans, from 12 o'clock
    std::string extra;
    bool operator==(const Lean&) const = default;
};
template <class V, As<Lean> F> void fields(V& v, F& f)
{
    v.angle("angle_deg", f.angle, {0, 45, "°"}, "It leans by, degrees", "0: it stands upright");
    v.when(f.angle > 0).angle("direction_deg", f.direction, {-360, 360, "°"}, "Towards", "from 12 o'clock");
}

/// Throws InputError naming the field under `path` where it cannot be.
void checkWorked(const Worked& worked, const std::string& path);

}  // namespace vl
