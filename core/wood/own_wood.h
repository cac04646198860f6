#pragma once

#include "core/measure/field.h"
#include "core/wood/species.h"

#include <string>

namespace vl {

inline constexpr size_t mostOwnWoods = 200;  ///< in a shop, or a piece's file

/// A wood that the turner has described.
struct OwnWood {
    std::string name = "my wood";
    double density = 650;         ///< kg/m³ at 12 % moisture
    double shrinkRadial = 4;      ///< %, green to oven dry
    double shrinkTangential = 8;  ///< %, green to oven dry
    bool oily = false;
    bool porous = false;
    std::string light = "#c8a06a";  ///< wood grown in spring
    std::string dark = "#a07a48";   ///< wood grown in summer
    std::string extra;

    bool operator==(const OwnWood&) const = default;
};
template <class V, As<OwnWood> F> void fields(V& v, F& f)
{
    constexpr Limit shrinkage{0, 25, "%"};
    v.text("name", f.name, 60, "Name");
    v.number("density_kg_m3", f.density, {50, 1600, "kg/m³"}, "Density", "at 12 % moisture");
    v.number("shrink_radial_percent", f.shrinkRadial, shrinkage, "Shrinkage, radial", "green to oven dry");
    v.number("shrink_tangential_percent", f.shrinkTangential, shrinkage, "Shrinkage, tangential", "green to oven dry");
    v.flag("oily", f.oily, "Oily", "wiped before it is glued");
    v.flag("porous", f.porous, "Open pores");
    v.text("light", f.light, 7, "Color of its light wood", "as #c8a06a");
    v.text("dark", f.dark, 7, "Color of its dark wood", "as #a07a48");
}

/// The id of a wood: its name and what else is said of it, so that one id always means one wood.
std::string idOf(const OwnWood& wood);

/// Makes a wood known to findSpecies() under its id, for as long as the program runs. The same wood again is the same
/// species. Throws InputError where a field is beyond its limit, the name is empty, or a color is none.
const Species& makeKnown(const OwnWood& wood);

/// The species of a wood that was made known; null where the id is not of one.
const Species* findOwnSpecies(std::string_view id);
/// What was said of a wood that was made known; null where the id is not of one.
const OwnWood* ownWood(std::string_view id);

}  // namespace vl
