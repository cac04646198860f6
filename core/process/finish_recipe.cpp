#include "core/process/finish_recipe.h"

#include "core/holding/speed.h"
#include "core/process/absorbency.h"
#include "core/process/finish_area.h"
#include "core/process/finish_book.h"
#include "core/recipe/settings.h"
#include "core/words/finish.h"
#include "core/words/turn.h"
#include "core/workpiece/air_sweep.h"

#include <algorithm>
#include <array>

namespace vl {
namespace {

Setting rpmOf(const char* name, double rpm, const char* formula)
{
    return {
        .machine = Resource::Lathe, .name = name, .value = rpm, .unit = Unit::Speed, .formula = formula, .decimals = 0};
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

Setting gramsOf(std::string name, double g, const char* formula)
{
    return {.name = std::move(name), .value = g, .unit = Unit::Mass, .formula = formula, .decimals = 1};
}

/// As fast at its surface as on a piece 100 mm across, no faster than the lathe turns; above the usual rule that is
/// said.
void sayBuffing(const FinishLayer& layer, const TurnedSurfaces& surfaces, const Shop& shop, StepSpec& d)
{
    constexpr double usual = 100;  // mm
    const double across = std::max(1.0, 2 * surfaces.widest()), rule = speedRange(across).high;
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

/// What is mixed for one coat, each share by the scale or by measure, and what stays in the cup.
void sayMix(const FinishLayer& layer, const CoatMass& mass, StepSpec& d)
{
    if (mass.shares.empty()) return;
    const bool volume = layer.mixBy == FinishLayer::Volume;
    Text shares = says(volume ? words::byCup : words::byScale);
    for (const CoatMass::Share& s : mass.shares) {
        const Setting one = volume ? countAt({}, s.name + ", ml", s.amount, "share of the coat", 1)
                                   : gramsOf(s.name, s.amount, "share of the coat");
        d.settings.push_back(one);
        shares.also(says(volume ? words::mixShareMl : words::mixShare, one, s.name));
    }
    const Setting pot = minutesOf(potLife, layer.potMinutes), left = gramsOf("left over", mass.left, "mixed − on it");
    d.settings.insert(d.settings.end(), {pot, left});
    d.how.also(says(words::mixParts, std::move(shares), pot, left));
}

/// Why it is more or fewer coats than the book has, and where fewer are enough.
void sayCoats(const FinishLayer& usual, const Absorbency& absorbency, int coats, StepSpec& d)
{
    const Setting ends = countAt({}, "of it end grain, %", 100 * absorbency.endGrain, "sampled all round"),
                  heavy = countAt({}, "wood, kg/m³", absorbency.density, "mean of what shows");
    if (const int more = moreCoats(usual, absorbency); more != 0) {
        d.settings.insert(d.settings.end(), {ends, heavy});
        d.how.also(says(more > 0 ? words::coatMore : words::coatFewer, ends, heavy));
    }
    if (absorbency.faceGrainFoot && usual.kind == FinishLayer::Body && coats > 1) {
        const Setting foot = countAt({}, "coats on the foot", coats - 1, "one fewer");
        d.settings.push_back(foot);
        d.how.also(says(words::footFewer, says(words::coatsOf, foot)));
    }
}

StepSpec layerSpec(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, const Finish& finish,
                   size_t at, const Absorbency& absorbency)
{
    const bool first = at == 0;
    const FinishLayer& usual = finish.layers[at];
    const int coats = usual.coats + moreCoats(usual, absorbency);
    const FinishArea area = finishArea(piece, surfaces);
    const CoatMass mass = coatMass(usual, area.all(), shop.leastMix);
    const Setting each = gramsOf("a coat", mass.all, "surface · grams / m² · 1.125"),
                  wait = minutesOf("after a coat", usual.waitMinutes),
                  low = countAt({}, "no colder than, °C", usual.leastCelsius, "label"),
                  high = countAt({}, "no warmer than, °C", usual.mostCelsius, "label");
    StepSpec d{.title = coats > 1 ? says(words::layerCoats, usual.name, coats) : says(words::layerOnce, usual.name),
               .why = says(first ? words::layerFirst : words::layerNext),
               .how = says(coats > 1 ? words::coatWay : words::oneCoatWay, each, wait, low, high),
               .settings = {each, wait, low, high},
               .minutes = 6 + 8.0 * coats,
               .waitMinutes = usual.waitMinutes * coats};
    if (!usual.between.empty()) d.how.also(betweenCoats(usual));
    sayMix(usual, mass, d);
    if (usual.rpm > 0 && surfaces.round() && surfaces.cuts.empty()) {
        d.uses = {Resource::Lathe};
        const Setting rpm = rpmOf("finish put on at", usual.rpm, "common practice");
        d.settings.push_back(rpm);
        d.how.also(says(words::onTheLathe, rpm));
        if (usual.buffRpm > 0) sayBuffing(usual, surfaces, shop, d);
    }
    sayCoats(usual, absorbency, coats, d);
    static const std::array color{&words::colorBare, &words::colorOver, &words::colorNot};
    if (first) d.how.also(says(*color[static_cast<size_t>(finish.color)]));
    if (finish.spontaneous) d.how.also(says(words::ragsFlat));
    if (finish.fumes) d.how.also(says(words::airTheRoom));
    if (finish.food && piece.choices.use == Use::Food) d.how.also(says(words::foodSafe));
    return d;
}

/// Where inside and outside are seen at once.
bool isOpenWork(const TurnedSurfaces& surfaces) { return !surfaces.inside.empty() && !surfaces.cuts.empty(); }

constexpr int outsideWaitsAt = 180;  // grit, our own value

bool hasGaps(const TurnedSurfaces& surfaces)
{
    return std::ranges::any_of(surfaces.cuts, [](const Cut& c) { return std::holds_alternative<Between>(c.solid); });
}

/// How paper is held, as the piece is: what cannot spin, what is open, what is dyed.
void sayWays(const Piece& piece, const Finish& finish, const TurnedSurfaces& surfaces, Sanded what, Text& how)
{
    const bool inside = what == Sanded::All || what == Sanded::Rest || what == Sanded::Inside;
    if (inside && !surfaces.inside.empty() && surfaces.inside.front().y() < 1) how.also(says(words::noDivot));
    if (what != Sanded::Inside && (!surfaces.round() || !surfaces.cuts.empty())) how.also(says(words::flatsByBlock));
    const bool colored =
        std::ranges::any_of(finish.layers, [](const FinishLayer& l) { return l.kind == FinishLayer::Color; });
    if (colored || !piece.decors.empty()) how.also(says(words::dyedPaper));
}

/// The grits before a finish: one short of the last where its sealer raises the grain.
std::vector<int> gritsBefore(const Piece& piece, const Finish& finish)
{
    std::vector<int> row = gritsFrom(piece.choices.firstGrit, finish.lastGrit);
    if (finish.raisesGrain && row.size() > 1) row.pop_back();
    return row;
}

/// A row of grits as settings; returns them in words.
std::string sayRow(const std::vector<int>& row, std::vector<Setting>& settings)
{
    std::string all;
    for (const int g : row) {
        settings.push_back(countAt({}, "grit", g, "none left out of the row"));
        all += (all.empty() ? "" : " ") + std::to_string(g);
    }
    return all;
}

}  // namespace

std::string finishStep(size_t layer) { return layer == 0 ? "finish" : "finish-" + std::to_string(layer + 1); }

WorkItem putOnFinish(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& bare, const std::string& gives)
{
    const Finish& finish = finishOf(shop.finishes, piece.choices.finish);
    if (finish.layers.empty())
        return bench.step(Action::Finish, "finish", {bare}, gives,
                          {.title = says(words::putOnFinish),
                           .why = says(words::samePace),
                           .how = says(words::oilyRags),
                           .minutes = 20,
                           .waitMinutes = shop.finishMinutes});
    WorkItem now = bare;
    for (size_t i = 0; i < finish.layers.size(); ++i) {
        const bool last = i + 1 == finish.layers.size();
        now = bench.step(Action::Finish, finishStep(i), {now}, last ? gives : "coated-" + std::to_string(i + 1), {});
    }
    return now;
}

WorkItem finishTheFoot(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& cut,
                       const std::string& gives)
{
    const Finish& finish = finishOf(shop.finishes, piece.choices.finish);
    double wait = finish.layers.empty() ? shop.finishMinutes : 0;
    int coats = finish.layers.empty() ? 1 : 0;
    for (const FinishLayer& l : finish.layers) wait += l.waitMinutes * l.coats, coats += l.coats;
    const Setting each = countAt({}, "coats, as on the rest", coats, "the finish's");
    return bench.step(Action::Finish, "finish-foot", {cut}, gives,
                      {.title = says(words::finishFoot),
                       .why = says(words::cutLater),
                       .how = says(words::finishFootWay, each),
                       .settings = {each},
                       .minutes = 5 + 3.0 * coats,
                       .waitMinutes = wait});
}

Finish sayFinish(const Piece& piece, const Shop& shop, const Assembly& assembly, const TurnedSurfaces& surfaces,
                 Recipe& recipe)
{
    const Finish& finish = finishOf(shop.finishes, piece.choices.finish);
    if (finish.layers.empty()) return finish;
    const Absorbency absorbency = absorbencyOf(assembly, surfaces);
    for (size_t i = 0; i < finish.layers.size(); ++i)
        if (const auto step = std::ranges::find(recipe, finishStep(i), &Step::id); step != recipe.end())
            fill(*step, layerSpec(piece, shop, surfaces, finish, i, absorbency));
    return suited(finish, absorbency);
}

void sayGrits(const Piece& piece, const Shop& shop, SandedBy by, std::vector<Setting>& settings, Text& how)
{
    const Finish& finish = finishOf(shop.finishes, piece.choices.finish);
    const std::vector<int> row = gritsBefore(piece, finish);
    const int last = gritsFrom(piece.choices.firstGrit, finish.lastGrit).back();
    const std::string all = sayRow(row, settings);
    if (finish.raisesGrain && last != row.back()) {
        settings.push_back(countAt({}, "grit to cut back", last, "the finish's last"));
        how.also(says(words::gritRowShort, all, settings.back()));
    } else
        how.also(says(by == SandedBy::Hand ? words::gritRowByHand : words::gritRow, all));
}

void saySanding(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Sanded what,
                std::vector<Setting>& settings, Text& how)
{
    const Finish& finish = finishOf(shop.finishes, piece.choices.finish);
    std::vector<int> coarse = gritsBefore(piece, finish);
    const size_t whole = coarse.size();
    while (coarse.size() > 1 && coarse.back() > outsideWaitsAt) coarse.pop_back();
    const bool waits = isOpenWork(surfaces) && coarse.size() < whole;
    if (waits && what == Sanded::OutsideFirst) {
        how.also(says(words::gritRow, sayRow(coarse, settings)));
        how.also(says(words::finerWithInside));
    } else {
        sayGrits(piece, shop, SandedBy::Lathe, settings, how);
        if (waits && what == Sanded::Rest) {
            settings.push_back(countAt({}, "both sides on from grit", coarse.back(), "where the outside waits"));
            how.also(says(words::thenBothSides, settings.back()));
        } else if (isOpenWork(surfaces) && what == Sanded::All)
            how.also(says(words::bothSidesAlike));
    }
    sayWays(piece, finish, surfaces, what, how);
    // Where gaps, wings or corners come round it is sanded at rest, or as slowly as the lathe turns: no speed is said.
    if (hasGaps(surfaces) || airSweep(piece, surfaces).high > 0) return;
    // Sanding at 450 to 700 (CHECKS, common practice), slower where the work is wide, fine grits slower still: paper
    // that no longer cuts rubs and heats.
    constexpr double fastest = 700, slowest = 100, rim = 6, fine = 0.6;  // rpm, rpm, m/s, share; the last two our own
    const double wide = std::max(1.0, surfaces.widest()),
                 rpm = std::clamp(rim / (2 * pi * wide / 1000) * 60, slowest, fastest);
    // A disc's own usual speed; with the lathe at half of it or less they rub alike.
    constexpr double discLeast = 1000, discMost = 2400;  // rpm, own cautious values
    const Setting most = rpmOf("sanded at, at the most", rpm, "6 m/s at the rim, 700 at the most"),
                  later = rpmOf("from grit 220 on", fine * rpm, "six tenths of that"),
                  drill = {.machine = Resource::Drill,
                           .name = "sanding disc, at",
                           .value = std::clamp(2 * fine * rpm, discLeast, discMost),
                           .unit = Unit::Speed,
                           .formula = "twice the lathe's, within its usual range",
                           .source = "common practice",
                           .decimals = 0};
    settings.insert(settings.end(), {most, later, drill});
    how.also(says(words::sandSpeed, most, later)).also(says(words::sandByDisc, drill, later));
}

}  // namespace vl
