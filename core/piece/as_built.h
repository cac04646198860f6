#pragma once

#include "core/measure/field.h"

#include <string>

namespace vl {

/// Something that was measured on the wood, of a layer of the piece. Lengths mm.
struct Measured {
    enum What { Height, Outside, Inside };
    std::string layer;  ///< id
    What what = Height;
    double value = 18;
    std::string extra;

    bool operator==(const Measured&) const = default;
};
inline std::span<const Choice> choices(Measured::What)
{
    static constexpr std::array all{Choice{"height", "height, flattened"}, Choice{"outside", "outside Ø, as glued"},
                                    Choice{"inside", "inside Ø, as glued"}};
    return all;
}
template <class V, As<Measured> F> void fields(V& v, F& f)
{
    v.text("layer", f.layer, 40, "Layer", "its id");
    v.choice("what", f.what, "Measured");
    v.length("value_mm", f.value, {0, 3000}, "It is");
}

/// Something that is ticked: a place of a list that is walked at the machine.
struct Tick {
    std::string id;
    std::string extra;
    bool operator==(const Tick&) const = default;
};
template <class V, As<Tick> F> void fields(V& v, F& f) { v.text("id", f.id, 200, "Place"); }

}  // namespace vl
