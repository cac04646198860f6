#pragma once

#include "core/measure/field.h"

#include <string>

namespace vl {

/// A part that is bought and fitted into a hole of the piece, or onto its end. Lengths mm.
struct Bought {
    static constexpr const char* ownBore = "bore";  ///< as a hole: the bore of the piece itself
    enum Kind { Mesh, Tube, Hanger, Cork, Clock, PenWorks, Other };
    std::string id;    ///< lasts
    std::string name;  ///< "hygrometer"; empty: by its kind
    Kind kind = Clock;
    std::string hole;      ///< id of the hole that it goes into, or ownBore
    double diameter = 36;  ///< of what goes in
    double length = 12;    ///< of what goes in
    double flange = 40;    ///< Ø of what stays outside; 0: nothing does
    double thick = 3;      ///< of that
    int count = 1;
    std::string extra;

    bool operator==(const Bought&) const = default;
};
inline std::span<const Choice> choices(Bought::Kind)
{
    static constexpr std::array all{Choice{"mesh", "mesh"},         Choice{"tube", "a tube"},
                                    Choice{"hanger", "a hanger"},   Choice{"cork", "a cork"},
                                    Choice{"clock", "a clock"},     Choice{"pen works", "pen works"},
                                    Choice{"other", "another part"}};
    return all;
}
template <class V, As<Bought> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 40, "Id", "lasts when others are put in or taken out");
    v.text("name", f.name, 100, "Name");
    v.choice("kind", f.kind, "Bought");
    v.text("hole", f.hole, 40, "Goes into hole", "its id; bore: the bore of the piece itself");
    v.length("diameter_mm", f.diameter, {0.5, 600}, "Ø of what goes in", "measured on the part itself");
    v.length("length_mm", f.length, {0.2, 1000}, "Length of what goes in");
    v.length("flange_mm", f.flange, {0, 800}, "Ø of what stays outside", "0: nothing does");
    v.when(f.flange > 0).length("thick_mm", f.thick, {0.2, 200}, "That thick");
    v.count("count", f.count, {1, 96, ""}, "How many");
}

}  // namespace vl
