#pragma once

#include "core/measure/field.h"

#include <string>
#include <vector>

namespace vl {

inline constexpr size_t mostGridCells = 400;

/// Cells of one ring of a grid that are worked in one way: one, or every so many round the ring.
struct GridCells {
    enum Work { Color, Burn, Drill, Carve };
    int ring = 0;   ///< counted from the outermost, or from the headstock
    int first = 0;  ///< spoke on which the first begins
    int every = 0;  ///< spokes from each to the next; 0: the first alone
    Work work = Color;
    std::string color = "#2f5d8a";  ///< of what is colored
    std::string extra;
    bool operator==(const GridCells&) const = default;
};
inline std::span<const Choice> choices(GridCells::Work)
{
    static constexpr std::array all{Choice{"colour", "colored"}, Choice{"burn", "burned"},
                                    Choice{"drill", "drilled"}, Choice{"carve", "carved"}};
    return all;
}
template <class V, As<GridCells> F> void fields(V& v, F& f)
{
    v.count("ring", f.ring, {0, 199, ""}, "Ring");
    v.count("first", f.first, {0, 359, ""}, "First spoke");
    v.count("every", f.every, {0, 360, ""}, "Every", "spokes; 0: one alone");
    v.choice("work", f.work, "Worked");
    v.text("colour", f.color, 20, "Color");
}

/// A grid of rings and spokes drawn on a face or a wall. Lengths mm, angles degrees.
struct Decor {
    std::string id;    ///< lasts
    std::string name;  ///< "rim"; empty: by its number
    enum Place { Wall, Inside, Face } on = Wall;
    enum Rings { Square, Width } rings = Square;
    double from = 20, to = 60;  ///< stations (Wall, Inside) or radii (Face)
    int spokes = 24;
    double aspect = 1;  ///< a cell's side along the surface in shares of its side round it (Square)
    double wide = 8;    ///< of a ring, along the surface (Width)
    double direction = 0;
    int plate = 0;
    int start = 0;
    std::vector<GridCells> cells;
    std::string extra;
    bool operator==(const Decor&) const = default;
};
inline std::span<const Choice> choices(Decor::Place)
{
    static constexpr std::array all{Choice{"wall", "the wall, outside"}, Choice{"inside", "the wall, inside"},
                                    Choice{"face", "the rim's face, or a dish's"}};
    return all;
}
inline std::span<const Choice> choices(Decor::Rings)
{
    static constexpr std::array all{Choice{"square", "cells as square as wished"},
                                    Choice{"width", "rings of one width"}};
    return all;
}
template <class V, As<Decor> F> void fields(V& v, F& f)
{
    const bool face = f.on == Decor::Face;
    v.text("id", f.id, 40, "Id", "lasts when others are put in or taken out");
    v.text("name", f.name, 100, "Name");
    v.choice("on", f.on, "Drawn on");
    v.length("from_mm", f.from, {0, 3000}, face ? "From a radius of" : "From station");
    v.length("to_mm", f.to, {0, 3000}, face ? "To a radius of" : "To station");
    v.count("spokes", f.spokes, {3, 360, ""}, "Spokes");
    v.choice("rings", f.rings, "Rings");
    v.when(f.rings == Decor::Square)
        .number("aspect", f.aspect, {0.1, 10, ""}, "Cells long by wide", "along the surface, in shares of round it");
    v.when(f.rings == Decor::Width).length("wide_mm", f.wide, {0.5, 500}, "Rings wide", "along the surface");
    v.angle("direction_deg", f.direction, {-360, 360, "°"}, "First spoke towards", "from 12 o'clock");
    v.count("plate", f.plate, {0, 400, ""}, "Index plate, holes", "0: laid out by angle");
    v.when(f.plate > 0).count("start", f.start, {0, 400, ""}, "First in hole");
    v.list("cells", f.cells, mostGridCells, "Cells");
}

/// Whether a cell on a spoke is among these, of a grid with so many spokes.
bool covers(const GridCells& cells, int spoke, int spokes);

/// Throws InputError naming the field under `path` where it cannot be.
void checkDecor(const Decor& decor, const std::string& path);

}  // namespace vl
