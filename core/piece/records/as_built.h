#pragma once

#include "core/measure/field.h"

#include <string>

namespace vl {

/// Something that was measured on the wood, of a layer of the piece or of the piece itself. Lengths mm.
struct Measured {
    enum What { Height, Outside, Inside, Gap, Overlap, Aside, Floor, Wall, Neck };
    std::string layer{};  ///< id; empty: of the piece
    What what = Height;
    double value = 18;
    double at = 0;                    ///< station of a wall or a neck
    std::optional<double> planned{};  ///< what it was to be when it was measured
    std::string extra{};

    bool operator==(const Measured&) const = default;
};
inline std::span<const Choice> choices(Measured::What)
{
    static constexpr std::array all{Choice{"height", "height, flattened"},
                                    Choice{"outside", "outside Ø, as glued"},
                                    Choice{"inside", "inside Ø, as glued"},
                                    Choice{"gap", "gap of its last joint, or between its segments"},
                                    Choice{"overlap", "lies on the one below, across"},
                                    Choice{"aside", "its middle beside the axis"},
                                    Choice{"floor", "floor, from the foot up"},
                                    Choice{"wall", "wall, thick"},
                                    Choice{"neck", "neck, Ø"}};
    return all;
}
/// Whether it is measured of a layer, and whether at a station.
constexpr bool isOfALayer(Measured::What what) { return what < Measured::Floor; }
constexpr bool isAtAStation(Measured::What what) { return what > Measured::Floor; }
template <class V, As<Measured> F> void fields(V& v, F& f)
{
    v.choice("what", f.what, "Measured");
    v.when(isOfALayer(f.what)).text("layer", f.layer, 40, "Layer", "its id");
    v.when(isAtAStation(f.what)).quiet().length("at_mm", f.at, {0, 3000}, "At station");
    v.length("value_mm", f.value, {0, 3000}, "It is");
    v.quiet().length("planned_mm", f.planned, {0, 3000}, "It was to be");
}

/// How often a step was done that is done again until something is seen.
struct RoundsDone {
    std::string step;  ///< id
    int count = 1;
    std::string extra{};
    static constexpr int most = 200;
    bool operator==(const RoundsDone&) const = default;
};
template <class V, As<RoundsDone> F> void fields(V& v, F& f)
{
    v.text("step", f.step, 200, "Step");
    v.count("count", f.count, {1, RoundsDone::most, ""}, "Done so often");
}

/// Something that is ticked: a place of a list that is walked at the machine.
struct Tick {
    std::string id;
    std::string extra{};
    bool operator==(const Tick&) const = default;
};
template <class V, As<Tick> F> void fields(V& v, F& f) { v.text("id", f.id, 200, "Place"); }

}  // namespace vl
