#pragma once

#include "core/measure/field.h"

#include <string>
#include <vector>

namespace vl {

/// One layer of a finish: what it is, how often, how long each takes and what comes between. Common practice; the
/// maker's label comes first.
struct FinishLayer {
    enum Kind { Sealer, Color, Body, Paste, Wax, Polish } kind = Body;
    std::string name = "finish";
    int coats = 1;
    double waitMinutes = 0;                      ///< after each coat
    double leastCelsius = 15, mostCelsius = 25;  ///< within which it dries as it should
    double gramsPerM2 = 60;                      ///< of one coat
    std::string between{};                       ///< what is done between two coats
    std::string mix{};                           ///< its parts, "resin 2, hardener 1"; empty: it is used as it is
    enum MixBy { Mass, Volume } mixBy = Mass;
    double gramsPerMl = 1;  ///< of what is mixed by volume
    double potMinutes = 0;  ///< that a mixture can be used
    double buffRpm = 0;     ///< it is buffed at up to on the lathe, of a piece 100 mm across; 0: it is not
    double rpm = 0;         ///< it is put on or polished at on the lathe; 0: at rest
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
inline std::span<const Choice> choices(FinishLayer::MixBy)
{
    static constexpr std::array all{Choice{"mass", "mass"}, Choice{"volume", "volume"}};
    return all;
}
template <class V, As<FinishLayer> F> void fields(V& v, F& f)
{
    constexpr Limit celsius{-10, 60, "°C"}, minutes{0, 100000}, rpm{0, 5000, "rpm"};
    v.choice("kind", f.kind, "Layer");
    v.text("name", f.name, 200, "What is put on");
    v.count("coats", f.coats, {1, 40, ""}, "Coats");
    v.minutes("wait_min", f.waitMinutes, minutes, "Waits after a coat, minutes");
    v.number("least_c", f.leastCelsius, celsius, "No colder than, °C");
    v.number("most_c", f.mostCelsius, celsius, "No warmer than, °C");
    v.number("spread_g_m2", f.gramsPerM2, {0, 2000, "g/m²"}, "A coat, g/m²");
    v.text("between", f.between, 500, "Between two coats");
    v.text("mix", f.mix, 300, "Mixed of", "as \"resin 2, hardener 1\"; empty: used as it is");
    v.when(!f.mix.empty()).quiet().choice("mix_by", f.mixBy, "Parts by");
    v.when(!f.mix.empty() && f.mixBy == FinishLayer::Volume)
        .quiet()
        .number("grams_per_ml", f.gramsPerMl, {0.3, 5, "g/ml"}, "A millilitre weighs, g");
    v.when(!f.mix.empty()).minutes("pot_min", f.potMinutes, minutes, "Usable once mixed, minutes");
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
    enum Shine { Matt, Satin, Gloss } shine = Satin;
    std::string suits{};  ///< what it is for: use and wood
    /// Where a stain or a dye goes with it.
    enum Under { BareWood, OverSealer, NotUnder } color = BareWood;
    std::string extra{};

    bool operator==(const Finish&) const = default;
};
inline std::span<const Choice> choices(Finish::Shine)
{
    static constexpr std::array all{Choice{"matt", "matt"}, Choice{"satin", "satin"}, Choice{"gloss", "gloss"}};
    return all;
}
inline std::span<const Choice> choices(Finish::Under)
{
    static constexpr std::array all{Choice{"bare wood", "on bare wood, first"},
                                    Choice{"over sealer", "over the sealer"}, Choice{"not under", "not under it"}};
    return all;
}
template <class V, As<Finish> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 60, "Id");
    v.text("name", f.name, 200, "Finish");
    v.count("last_grit", f.lastGrit, {80, 4000, ""}, "Last grit", "that it asks for");
    v.flag("raises_grain", f.raisesGrain, "Raises the grain", "sanded one grit short, raised and cut back");
    v.flag("food", f.food, "For food once cured", "common practice; the label comes first");
    v.flag("rags", f.spontaneous, "Its rags can catch fire by themselves");
    v.flag("fumes", f.fumes, "Gives off vapors");
    v.quiet().choice("shine", f.shine, "Shine");
    v.quiet().text("suits", f.suits, 300, "What it is for", "use and wood");
    v.quiet().choice("colour", f.color, "Stain or dye goes");
    v.list("layers", f.layers, mostFinishLayers, "Layers");
}

/// A part of what is mixed.
struct MixPart {
    std::string name;
    double parts = 1;
};
/// The parts of a layer as its text says them, none where it is used as it is. Throws InputError where it cannot be
/// read.
std::vector<MixPart> mixOf(const FinishLayer& layer);

/// The book as it comes.
std::vector<Finish> commonFinishes();

/// The finish of this id; one without layers, a single coat as the shop has it, where the book has none.
const Finish& finishOf(const std::vector<Finish>& book, const std::string& id);

/// Throws InputError naming the field, as `finishes[2].id`, where the book has an id twice or none.
void checkFinishes(const std::vector<Finish>& book);

}  // namespace vl
