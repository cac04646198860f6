#pragma once

#include <array>
#include <span>
#include <string>
#include <string_view>

namespace vl {

/// How a wood looks. Colors are sRGB 0 … 1.
struct Figure {
    std::array<float, 3> early{};  ///< wood grown in spring
    std::array<float, 3> late{};   ///< wood grown in summer
    float ringWidth = 2.5f;        ///< mm between growth rings
    float pores = 0;               ///< 0 close-grained … 1 open, ring-porous
    float waviness = 0.3f;         ///< 0 straight … 1 wild
};

/// A wood and what the plan needs to know of it.
struct Species {
    const char* id;
    const char* name;
    double density;           ///< kg/m³ at 12 % moisture
    double shrinkRadial;      ///< %, green to oven dry
    double shrinkTangential;  ///< %, green to oven dry
    bool oily;                ///< wipe before gluing, mind the glue's kind
    Figure figure;
    const char* source;  ///< of the physical figures
};

/// Every wood known, in order of id.
std::span<const Species> allSpecies();

/// Nobody can say what it is: it is planned by cautious values.
inline constexpr std::string_view unknownWood = "unknown";

/// The wood with this id, the turner's own too (own_wood.h), or null.
const Species* findSpecies(std::string_view id);

/// The wood with this id; throws InputError naming the known ids where there is none.
const Species& speciesOf(std::string_view id);

}  // namespace vl
