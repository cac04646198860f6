#include "core/process/block_writer.h"

#include "core/piece/edits/log_middle.h"
#include "core/process/shared_steps.h"
#include "core/process/turn_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/turn.h"
#include "core/workpiece/turning.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace vl {
void BlockWriter::startBore(double thicker)
{
    constexpr double startLeft = 3;  // mm over the floor under the starting hole; own value
    const double over = startLeft + thicker;
    constexpr double usual = 35, beside = 2;  // mm: a usual bit, and left all round it
    const double floor = surfaces_.inside.front().x(), top = height_ + waste_.rim;
    // The narrowest of the hollow above what the floor's round takes.
    const double narrow = radiusRange(surfaces_.inside, std::min(floor + over + usual / 2, height_), height_).low;
    const double most = std::max(4.0, 2 * (std::isnan(narrow) ? rim_ : narrow) - 2 * beside);
    const Setting bit = lengthAt(Resource::Drill, "bit, Ø", std::floor(std::min(usual, most)),
                                 "the hollow, at its narrowest"),
                  deep = lengthAt(Resource::Drill, "deep, from the finished rim", std::max(0.0, height_ - floor - over),
                                  "rim − floor − what is left"),
                  left = lengthAt({}, "left over the floor", over, "own value"),
                  off = lengthAt(Resource::Lathe, "off the rim’s end", waste_.rim, "the waste there");
    const Setting speed = boringSpeed(bit.value);
    StepSpec d{.title = says(words::startBore, bit),
               .why = says(words::endGrainFromMiddle),
               .how = says(words::faceRimEnd, off).also(says(words::startBoreWay, bit, deep, left, speed)),
               .settings = {off, bit, deep, left, speed},
               .minutes = 12,
               .uses = {Resource::Lathe},
               .effect = effect::Turn{effect::Turn::Inside, Region::box({floor + over, top}, {0, bit.value / 2}) |
                                                                Region::box({height_, top}, {0, farOut})}};
    step(Action::Drill, "bore-start", "bored-to-start", std::move(d));
}

void BlockWriter::turn(const char* id, const Pattern& title, const Pattern& why, const Pattern& how, double minutes,
                       effect::Turn effect)
{
    StepSpec d{.title = says(title),
               .why = says(why),
               .how = says(how),
               .minutes = minutes,
               .uses = {Resource::Lathe},
               .effect = std::move(effect)};
    sayAir(d);
    step(Action::Turn, id, (std::string(id) + "-turned").c_str(), std::move(d));
}

void BlockWriter::sayAir(StepSpec& d)
{
    sayAirSweep(air_, sweeps_, d);
    if (air_.high > 0 && !std::exchange(barkSaid_, true) && logWithBark(piece_)) d.how.also(says(words::barkFlies));
}

effect::Turn BlockWriter::bandTurned(double from, double to) const
{
    effect::Turn band = insideTurned(surfaces_);
    band.away = band.away & Region::box({0, height_ + waste_.rim}, {from, to});
    return band;
}

void BlockWriter::sayInwards(StepSpec& d)
{
    if (wingTip() <= 0) return sayAir(d);
    const Setting within{.machine = Resource::Lathe,
                         .name = "within a radius of",
                         .value = air_.low,
                         .formula = "wood all round",
                         .decimals = 0};
    d.settings.push_back(within);
    d.how.also(says(words::withinRadius, within));
    sayAir(d);
}

double BlockWriter::wingTip() const
{
    if (!edged_ || surfaces_.inside.empty()) return 0;
    const double tip = std::min(air_.high, Region::under(surfaces_.inside).across().high);
    return tip > air_.low + 1 ? tip : 0;
}

void BlockWriter::thinWings(Operations& all)
{
    const double tip = wingTip();
    if (tip <= 0) return;
    // Ten times as wide as the wing is thick then, within one to three inches; own values.
    const double widest = std::clamp(10 * piece_.hollow.rimWall, 25.0, 75.0);
    const double whole = tip - air_.low;
    const auto bands = static_cast<int>(std::ceil(whole / widest));
    for (int k = 0; k < bands; ++k)
        does(
            all, Work::ThinBand, Access::Rim,
            [this, k, from = tip - whole * k / bands, to = tip - whole * (k + 1) / bands] { thinBand(k, from, to); },
            k);
}

void BlockWriter::thinBand(int number, double outer, double inner)
{
    if (number == 0) sharpen("wings");
    const auto radius = [](const char* name, double mm) -> Setting {
        return {.machine = Resource::Lathe,
                .name = name,
                .value = mm,
                .formula = "tip inwards, ten times the wall each",
                .source = "common practice",
                .decimals = 0};
    };
    const Setting from = radius("from a radius of", outer), to = radius("to a radius of", inner);
    StepSpec d{.title = says(words::thinBand, from, to),
               .why = says(words::tipBearsNoMore),
               .how = says(words::thinBandWay),
               .settings = {from, to},
               .minutes = 12,
               .uses = {Resource::Lathe},
               .effect = bandTurned(inner, outer)};
    sayAir(d);
    const std::string name = std::to_string(number + 1);
    step(Action::Turn, "wing-" + name, ("wing-turned-" + name).c_str(), std::move(d));
}

void BlockWriter::sand(const char* id, const Pattern& title, Sanded what)
{
    StepSpec d{.title = says(title),
               .why = says(words::throughGrits),
               // Corners that turn are not seen: no finger comes near them.
               .how = says(edged_ ? words::blockNotFingers : words::restOff),
               .minutes = 20,
               .uses = {Resource::Lathe}};
    saySanding(piece_, shop_, surfaces_, what, d.settings, d.how);
    step(Action::Sand, id, (std::string(id) + "ed").c_str(), std::move(d));
}

void BlockWriter::sharpen(const char* what)
{
    step(Action::Turn, std::string("sharpen-") + what, (std::string("sharp-") + what).c_str(),
         {.title = says(words::sharpen),
          .why = says(words::lastCutsSharp),
          .how = says(words::byTheGrinder),
          .minutes = 3});
}

void BlockWriter::sayDownToWaste(StepSpec& d) const
{
    constexpr double into = 1;  // mm, so that parting meets the bore; own value
    const Setting deep = lengthAt(Resource::Lathe, "deep, from the finished rim", height_ + into, "height + 1 mm"),
                  left = lengthAt({}, "waste left to close the bore", waste_.foot - foot_.depth - into, "waste − grip");
    d.settings.insert(d.settings.end(), {deep, left});
    d.how.also(says(words::hollowToWaste, deep, left));
}

}  // namespace vl
