#pragma once

#include "core/measure/field.h"
#include "core/piece/records/as_built.h"

#include <string>
#include <vector>

namespace vl {

inline constexpr size_t mostLogged = 5000;

/// Something measured, beside what was planned. Lengths mm.
struct Deviation {
    Measured::What what = Measured::Height;
    std::string of{};  ///< what the layer is called
    double planned = 0, measured = 0;
    int sides = 0;      ///< of a ring of segments; 0: none
    double radius = 0;  ///< outside, as it was planned
    std::string extra{};
    bool operator==(const Deviation&) const = default;
};
template <class V, As<Deviation> F> void fields(V& v, F& f)
{
    constexpr Limit length{0, 3000};
    v.choice("what", f.what, "Measured");
    v.text("of", f.of, 100, "Of");
    v.length("planned_mm", f.planned, length, "Planned");
    v.length("measured_mm", f.measured, length, "Measured");
    v.quiet().count("sides", f.sides, {0, 200, ""}, "Segments");
    v.quiet().length("radius_mm", f.radius, length, "Radius");
}
inline constexpr size_t mostDeviations = 500;

/// A finished piece in the shop's log.
struct Logged {
    int number = 1;
    std::string piece;  ///< id of its document
    std::string name, woods, made, finish;
    double finished = 0;                 ///< minutes since 1970-01-01 00:00 of the shop's own clock
    double planned = 0;                  ///< minutes of work as planned
    double worked = 0;                   ///< as ticked
    double wood = 0;                     ///< litres, boards as bought
    double waste = 0;                    ///< litres of it that are in no part: kerf, planing, offcuts too small to keep
    double weight = 0;                   ///< kg
    double cost = 0;                     ///< of the wood, in the shop's currency
    std::string wrong, to, foot, notes;  ///< what went wrong; to whom; the words on its foot
    std::string byKind;                  ///< "cut 60 75; glue 30 40": minutes planned and ticked by kind of work
    std::string photos;                  ///< files, a line each
    std::string solid;                   ///< how the planned solid looks: a PNG, base64
    std::vector<Deviation> deviations;
    std::string extra;

    bool operator==(const Logged&) const = default;
};
template <class V, As<Logged> F> void fields(V& v, F& f)
{
    constexpr Limit minutes{0, 10000000, "min"}, clock{0, 100000000, "min"};
    v.count("number", f.number, {1, 1000000, ""}, "Number");
    v.text("piece", f.piece, 60, "Document", "id");
    v.text("name", f.name, 200, "Name");
    v.text("woods", f.woods, 400, "Woods");
    v.text("made", f.made, 400, "Made of");
    v.text("finish", f.finish, 200, "Finish");
    v.minutes("finished_min", f.finished, clock, "Finished", "minutes since 1970-01-01 00:00 of the shop's clock");
    v.minutes("planned_min", f.planned, minutes, "Work as planned, minutes");
    v.minutes("worked_min", f.worked, minutes, "Work as ticked, minutes");
    v.number("wood_l", f.wood, {0, 100000, "l"}, "Wood, litres");
    v.quiet().number("waste_l", f.waste, {0, 100000, "l"}, "Of it waste, litres", "kerf, planing, small offcuts");
    v.number("weight_kg", f.weight, {0, 10000, "kg"}, "Weight, kg");
    v.number("cost", f.cost, {0, 10000000, ""}, "Cost of the wood");
    v.text("wrong", f.wrong, 4000, "What went wrong");
    v.text("to_whom", f.to, 400, "To whom");
    v.text("foot", f.foot, 400, "Words on its foot");
    v.text("notes", f.notes, 4000, "Notes");
    v.quiet().text("by_kind", f.byKind, 1000, "By kind of work", "minutes planned and ticked");
    v.quiet().text("photos", f.photos, 4000, "Photographs", "a file a line");
    v.quiet().text("solid", f.solid, 200000, "The planned solid", "a picture: PNG, base64");
    v.quiet().list("deviations", f.deviations, mostDeviations, "Measured, beside what was planned");
}

}  // namespace vl
