#pragma once

#include "core/measure/field.h"

#include <string>
#include <vector>

namespace vl {

/// One layer of a finish: what it is, how often, how long each takes and what comes between. Common practice; the
/// maker's label comes first.
struct FinishLayer {
    enum Kind { Sealer, Colour, Body, Paste, Wax, Polish } kind = Body;
    std::string name = "finish";
    int coats = 1;
    double waitMinutes = 0;                      ///< after each coat
    double leastCelsius = 15, mostCelsius = 25;  ///< within which it dries as it should
    double gramsPerM2 = 60;                      ///< of one coat
    std::string between{};                         ///< what is done between two coats
    double partsA = 0, partsB = 0;               ///< of what is mixed, by mass; 0: it is used as it is
    double potMinutes = 0;                       ///< that a mixture can be used
    double buffRpm = 0;  ///< it is buffed at up to on the lathe, of a piece 100 mm across; 0: it is not
    double rpm = 0;      ///< it is put on or polished at on the lathe; 0: at rest
    std::string extra{};

    bool operator==(const FinishLayer&) const = default;
};
inline std::span<const Choice> choices(FinishLayer::Kind)
{
    static constexpr std::array all{Choice{"sealer", "sealer"}, Choice{"colour", "stain or dye"},
                                    Choice{"body", "body"},     Choice{"paste", "paste"},
                                    Choice{"wax", "wax"},       Choice{"polish", "polish"}};
    return all;
}
template <class V, As<FinishLayer> F> void fields(V& v, F& f)
{
    constexpr Limit celsius{-10, 60, "°C"}, minutes{0, 100000}, parts{0, 1000, ""}, rpm{0, 5000, "rpm"};
    v.choice("kind", f.kind, "Layer");
    v.text("name", f.name, 200, "What is put on");
    v.count("coats", f.coats, {1, 40, ""}, "Coats");
    v.minutes("wait_min", f.waitMinutes, minutes, "Waits after a coat, minutes");
    v.number("least_c", f.leastCelsius, celsius, "No colder than, °C");
    v.number("most_c", f.mostCelsius, celsius, "No warmer than, °C");
    v.number("spread_g_m2", f.gramsPerM2, {0, 2000, "g/m²"}, "A coat, g/m²");
    v.text("between", f.between, 500, "Between two coats");
    v.number("parts_a", f.partsA, parts, "Parts of A, by mass", "0: used as it is");
    v.when(f.partsA > 0).number("parts_b", f.partsB, parts, "Parts of B, by mass");
    v.when(f.partsA > 0).minutes("pot_min", f.potMinutes, minutes, "Usable once mixed, minutes");
    v.number("lathe_rpm", f.rpm, rpm, "Put on or polished at, rpm", "0: at rest");
    v.when(f.rpm > 0).number("buff_rpm", f.buffRpm, rpm, "Then buffed at, rpm", "of a piece 100 mm across; 0: not");
}

inline constexpr size_t mostFinishes = 60, mostFinishLayers = 12;

/// A finish in the book: its layers, and what it asks for.
struct Finish {
    std::string id{}, name{};
    std::vector<FinishLayer> layers{};
    int lastGrit = 320;
    bool raisesGrain = false;  ///< sanded one grit short, raised and cut back
    bool food = false;         ///< used for food once it has cured, as is common practice
    bool spontaneous = false;  ///< its rags can heat by themselves
    bool fumes = false;
    std::string extra{};

    bool operator==(const Finish&) const = default;
};
template <class V, As<Finish> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 60, "Id");
    v.text("name", f.name, 200, "Finish");
    v.count("last_grit", f.lastGrit, {80, 4000, ""}, "Last grit", "that it asks for");
    v.flag("raises_grain", f.raisesGrain, "Raises the grain", "sanded one grit short, raised and cut back");
    v.flag("food", f.food, "For food once cured", "common practice; the label comes first");
    v.flag("rags", f.spontaneous, "Its rags can catch fire by themselves");
    v.flag("fumes", f.fumes, "Gives off vapours");
    v.list("layers", f.layers, mostFinishLayers, "Layers");
}

/// The book as it comes.
std::vector<Finish> commonFinishes();

/// The finish of this id; one without layers, a single coat as the shop has it, where the book has none.
const Finish& finishOf(const std::vector<Finish>& book, const std::string& id);

/// Throws InputError naming the field, as `finishes[2].id`, where the book has an id twice or none.
void checkFinishes(const std::vector<Finish>& book);

}  // namespace vl
