#pragma once

#include "core/measure/field.h"

#include <string>

namespace vl {

/// What is wrong with the wood of a blank, as found before it is mounted: a ball of that size about a place.
struct Flaw {
    enum Kind { Crack, Bark, Knot, Rot, Insects, Metal };
    enum Dealt { Open, Away, Filled, Bound };
    std::string id;  ///< lasts
    Kind kind = Crack;
    double at = 20;        ///< mm, station
    double radius = 30;    ///< mm, from the axis
    double direction = 0;  ///< degrees from 12 o'clock
    double size = 20;      ///< mm, across
    Dealt dealt = Open;    ///< what was done about it
    std::string extra;

    bool operator==(const Flaw&) const = default;
};
inline std::span<const Choice> choices(Flaw::Kind)
{
    static constexpr std::array all{Choice{"crack", "a crack"},        Choice{"loose bark", "loose bark"},
                                    Choice{"knot", "a knot"},          Choice{"rot", "rot"},
                                    Choice{"insects", "insect holes"}, Choice{"metal", "metal"}};
    return all;
}
inline std::span<const Choice> choices(Flaw::Dealt)
{
    static constexpr std::array all{Choice{"open", "nothing done yet"}, Choice{"cut away", "cut away"},
                                    Choice{"filled", "filled"}, Choice{"bound", "bound"}};
    return all;
}
template <class V, As<Flaw> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 40, "Id", "lasts when others are put in or taken out");
    v.choice("kind", f.kind, "Found");
    v.length("at_mm", f.at, {0, 3000}, "At station");
    v.length("radius_mm", f.radius, {0, 1500}, "From the axis");
    v.angle("direction_deg", f.direction, {-360, 360, "°"}, "Towards", "from 12 o'clock");
    v.length("size_mm", f.size, {0.5, 1000}, "Size", "across");
    v.choice("dealt", f.dealt, "Done about it");
}

}  // namespace vl
