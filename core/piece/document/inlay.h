#pragma once

#include "core/measure/field.h"

#include <string>

namespace vl {

/// What is let into a turned surface and leveled with it: a groove with pieces set in it, a plain band, a crack that
/// is opened and filled. Lengths mm, angles degrees.
struct Inlay {
    std::string id;    ///< lasts
    std::string name;  ///< "markers"; empty: by its number
    enum Kind { Rim, Wall, Crack } kind = Rim;
    double center = 120;   ///< Ø of the groove's middle circle (Rim)
    double at = 40;        ///< station of the groove's middle, or of the crack's
    double width = 10;     ///< of the groove, or across the opened crack
    double depth = 6;      ///< below the surface
    double length = 40;    ///< of the crack, along the axis
    double direction = 0;  ///< of the first piece, or of the crack, from 12 o'clock
    std::string filler = "stone-blue";
    enum Set { None, Rounds, Blocks } set = None;  ///< what stands in the groove
    enum Rows { One, Two, Zigzag } rows = One;
    int count = 12;
    double piece = 8;            ///< across a piece, or along the circle
    std::string wood = "brass";  ///< of the pieces
    double proud = 1;            ///< that they stand out until they are cut back
    enum Method { Thin, Medium } method = Thin;
    int fillings = 3;
    double loss = 4;  ///< of the wall, in cutting back (Crack)
    std::string extra;

    bool operator==(const Inlay&) const = default;
};
inline std::span<const Choice> choices(Inlay::Kind)
{
    static constexpr std::array all{Choice{"rim", "a groove in the rim\u2019s face"},
                                    Choice{"wall", "a groove round the wall"}, Choice{"crack", "a crack or a void"}};
    return all;
}
inline std::span<const Choice> choices(Inlay::Set)
{
    static constexpr std::array all{Choice{"none", "nothing, filled all round"},
                                    Choice{"rounds", "round pieces: rod, tube, branch"}, Choice{"blocks", "blocks"}};
    return all;
}
inline std::span<const Choice> choices(Inlay::Rows)
{
    static constexpr std::array all{Choice{"one", "one row"}, Choice{"two", "two rows"}, Choice{"zigzag", "in zigzag"}};
    return all;
}
inline std::span<const Choice> choices(Inlay::Method)
{
    static constexpr std::array all{Choice{"thin", "thin CA, drawn into packed filler"},
                                    Choice{"medium", "medium CA, stays where it is put"}};
    return all;
}
template <class V, As<Inlay> F> void fields(V& v, F& f)
{
    const bool rim = f.kind == Inlay::Rim, crack = f.kind == Inlay::Crack, set = !crack && f.set != Inlay::None;
    v.text("id", f.id, 40, "Id", "lasts when others are put in, taken out or moved");
    v.text("name", f.name, 100, "Name");
    v.choice("kind", f.kind, "Let into");
    v.when(rim).length("centre_mm", f.center, {4, 2000}, "Middle circle, Ø");
    v.when(!rim).length("at_mm", f.at, {0, 3000}, "Middle at station");
    v.length("width_mm", f.width, {0.5, 200}, crack ? "Opened to, across" : "Groove's width");
    v.length("depth_mm", f.depth, {0.3, 200}, crack ? "Opened to a depth of" : "Groove's depth");
    v.when(crack).length("length_mm", f.length, {1, 1000}, "Long, along the axis");
    v.angle("direction_deg", f.direction, {-360, 360, "°"}, crack ? "Direction" : "First piece towards",
            "from 12 o'clock");
    v.when(!crack).choice("set", f.set, "Set in it");
    v.when(set).choice("rows", f.rows, "Rows");
    v.when(set).count("count", f.count, {1, 200, ""}, "Pieces", "all told");
    v.when(set).length("piece_mm", f.piece, {0.5, 200}, "A piece, across");
    v.when(set).filling("wood", f.wood, "Pieces of");
    v.when(set).length("proud_mm", f.proud, {0, 20}, "They stand proud by", "until they are cut back");
    v.filling("filler", f.filler, "Filled with");
    v.choice("school", f.method, "Glue");
    v.count("fillings", f.fillings, {1, 10, ""}, "Fillings", "two to four as a rule");
    v.when(crack).length("loss_mm", f.loss, {0, 30}, "Wall lost in cutting back");
}

/// Throws InputError naming the field under `path` where it cannot be.
void checkInlay(const Inlay& inlay, const std::string& path);

}  // namespace vl
