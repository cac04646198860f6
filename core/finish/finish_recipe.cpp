#include "core/finish/finish_recipe.h"

#include "core/finish/finish_book.h"
#include "core/lathe/speed.h"
#include "core/recipe/settings.h"
#include "core/words/finish.h"
#include "core/words/turn.h"

#include <algorithm>

namespace vl {
namespace {

Setting rpmOf(const char* name, double rpm, const char* formula)
{
    return {.machine = "lathe", .name = name, .value = rpm, .unit = Unit::Speed, .formula = formula, .decimals = 0};
}

Setting minutesOf(const char* name, double minutes)
{
    return {.name = name,
            .value = minutes,
            .unit = Unit::Minutes,
            .formula = "label, else as here",
            .source = "common practice",
            .decimals = 0};
}

Setting gramsOf(const char* name, double g, const char* formula)
{
    return {.name = name, .value = g, .unit = Unit::Mass, .formula = formula, .decimals = 1};
}

/// As fast at its surface as on a piece 100 mm across, no faster than the lathe turns; above the usual rule that is
/// said.
void sayBuffing(const FinishLayer& layer, const Sides& sides, const Shop& shop, Doing& d)
{
    constexpr double usual = 100;  // mm
    const double across = std::max(1.0, 2 * sides.widest()), rule = speedRange(across).high;
    const Setting rpm =
                      rpmOf("buffed at", std::min(shop.lathe.highestRpm, layer.buffRpm * std::min(1.0, usual / across)),
                            "common practice"),
                  most = rpmOf("usual rule", rule, "9000 / Ø in inches");
    d.settings.push_back(rpm);
    d.how.also(says(words::buffWay, rpm));
    if (rpm.value <= rule) return;
    d.settings.push_back(most);
    d.how.also(says(words::buffFast, most));
}

/// The book's own words in the reader's language, the turner's as they were typed.
Text betweenCoats(const FinishLayer& layer)
{
    for (const Pattern* known :
         {&words::wipeOff, &words::cutBackWool, &words::scuff, &words::noneBetween, &words::capillary})
        if (layer.between == known->words) return says(*known);
    return says(words::asItIsSaid, layer.between);
}

Doing layerDoing(const Piece& piece, const Shop& shop, const Sides& sides, const Finish& finish,
                 const FinishLayer& layer, bool first)
{
    const FinishArea area = finishArea(sides.outside, sides.inside);
    const CoatMass mass = coatMass(layer, area.all());
    const Setting each = gramsOf("a coat", mass.all, "surface · grams / m² · 1.125"),
                  wait = minutesOf("after a coat", layer.waitMinutes),
                  low = countAt("", "no colder than, °C", layer.leastCelsius, "label"),
                  high = countAt("", "no warmer than, °C", layer.mostCelsius, "label");
    Doing d{.title =
                layer.coats > 1 ? says(words::layerCoats, layer.name, layer.coats) : says(words::layerOnce, layer.name),
            .why = says(first ? words::layerFirst : words::layerNext),
            .how = says(layer.coats > 1 ? words::coatWay : words::oneCoatWay, each, wait, low, high),
            .settings = {each, wait, low, high},
            .minutes = 6 + 8.0 * layer.coats,
            .waitMinutes = layer.waitMinutes * layer.coats};
    if (!layer.between.empty()) d.how.also(betweenCoats(layer));
    if (mass.a > 0) {
        const Setting a = gramsOf("part A", mass.a, "share of the coat"),
                      b = gramsOf("part B", mass.b, "share of the coat"), pot = minutesOf("pot life", layer.potMinutes);
        d.settings.insert(d.settings.end(), {a, b, pot});
        d.how.also(says(words::mixParts, a, b, pot));
    }
    if (layer.rpm > 0 && sides.round() && sides.cuts.empty()) {
        d.uses = {"lathe"};
        const Setting rpm = rpmOf("finish put on at", layer.rpm, "common practice");
        d.settings.push_back(rpm);
        d.how.also(says(words::onTheLathe, rpm));
        if (layer.buffRpm > 0) sayBuffing(layer, sides, shop, d);
    }
    if (first) d.how.also(says(words::endGrainMore));
    if (finish.spontaneous) d.how.also(says(words::ragsFlat));
    if (finish.fumes) d.how.also(says(words::airTheRoom));
    if (finish.food && piece.choices.use == Use::Food) d.how.also(says(words::foodSafe));
    return d;
}

}  // namespace

Thing putOnFinish(const Piece& piece, const Shop& shop, const Sides& sides, Bench& bench, const Thing& bare,
                  const std::string& gives)
{
    const Finish& finish = finishOf(shop.finishes, piece.choices.finish);
    if (finish.layers.empty())
        return bench.step(Action::Finish, "finish", {bare}, gives,
                          {.title = says(words::putOnFinish),
                           .why = says(words::samePace),
                           .how = says(words::oilyRags),
                           .minutes = 20,
                           .waitMinutes = shop.finishMinutes});
    Thing now = bare;
    for (size_t i = 0; i < finish.layers.size(); ++i) {
        const bool last = i + 1 == finish.layers.size();
        const std::string id = i == 0 ? "finish" : "finish-" + std::to_string(i + 1);
        now = bench.step(Action::Finish, id, {now}, last ? gives : "coated-" + std::to_string(i + 1),
                         layerDoing(piece, shop, sides, finish, finish.layers[i], i == 0));
    }
    return now;
}

void sayGrits(const Piece& piece, const Shop& shop, const Sides& sides, std::vector<Setting>& settings, Text& how)
{
    const Finish& finish = finishOf(shop.finishes, piece.choices.finish);
    std::vector<int> row = gritsFrom(piece.choices.firstGrit, finish.lastGrit);
    const int last = row.back();
    if (finish.raisesGrain && row.size() > 1) row.pop_back();
    std::string all;
    for (const int g : row) {
        settings.push_back(countAt("", "grit", g, "none left out of the row"));
        all += (all.empty() ? "" : " ") + std::to_string(g);
    }
    if (finish.raisesGrain && last != row.back()) {
        settings.push_back(countAt("", "grit to cut back", last, "the finish's last"));
        how.also(says(words::gritRowShort, all, settings.back()));
    } else
        how.also(says(words::gritRow, all));
    // Where gaps come round it is sanded at rest: no speed is said.
    if (std::ranges::any_of(sides.cuts, [](const Cut& c) { return std::holds_alternative<Between>(c.solid); })) return;
    // Sanding at 450 to 700 (CHECKS, common practice), slower where the work is wide.
    constexpr double fastest = 700, slowest = 100, rim = 6;  // rpm, rpm, m/s; the rim's speed is our own value
    const double wide = std::max(1.0, sides.widest()),
                 rpm = std::clamp(rim / (2 * pi * wide / 1000) * 60, slowest, fastest);
    settings.push_back(rpmOf("sanded at, at the most", rpm, "6 m/s at the rim, 700 at the most"));
    how.also(says(words::sandSpeed, settings.back()));
}

}  // namespace vl
