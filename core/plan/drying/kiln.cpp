#include "core/plan/drying/kiln.h"

#include "core/wood/species.h"
#include "core/words/kiln.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <optional>
#include <set>
#include <utility>

namespace vl {
namespace {

constexpr double day = 1440;        // minutes
constexpr double kilnMoisture = 5;  // %, that wood comes to in a warm, aired kiln; own value
constexpr double usualWall = 25;    // mm

struct Hot {
    double above;                   // %
    std::array<double, 3> celsius;  // slow, medium, quick
};
// After the steps of lumber's tables, far gentler; own values.
constexpr std::array hot{Hot{30, {26, 29, 32}}, Hot{25, {28, 32, 36}}, Hot{20, {31, 35, 40}}, Hot{15, {34, 39, 45}},
                         Hot{0, {38, 43, 49}}};

double median(std::vector<double> all)
{
    const auto middle = all.begin() + static_cast<std::ptrdiff_t>(all.size() / 2);
    std::ranges::nth_element(all, middle);
    return *middle;
}

std::string nameOf(const std::string& wood)
{
    const Species* s = findSpecies(wood);
    return s ? s->name : wood;
}

/// A load that came out whole, with nothing cracked.
bool isGood(const KilnLoad& load)
{
    return !load.bowls.empty() && !load.settings.empty() && std::ranges::none_of(load.bowls, &InKiln::cracked) &&
           std::ranges::all_of(load.bowls, [](const InKiln& b) { return b.out >= 0; });
}

std::set<std::string> woodsIn(const KilnLoad& load)
{
    std::set<std::string> woods;
    for (const InKiln& b : load.bowls) woods.insert(b.wood);
    return woods;
}

double wettestAt(const Shop& shop, const KilnLoad& load, double at)
{
    double wettest = 0;
    for (const InKiln& b : load.bowls)
        if (b.out < 0 || b.out > at) wettest = std::max(wettest, moistureInKiln(shop, load, b, at));
    return wettest;
}

}  // namespace

DriesAs driesAs(const std::string& wood)
{
    const Species* s = findSpecies(wood);
    if (!s || wood == unknownWood || s->density >= 680) return DriesAs::Slow;
    return s->density < 520 ? DriesAs::Quick : DriesAs::Medium;
}

double hottestAt(DriesAs kind, double moisture)
{
    for (const Hot& h : hot)
        if (moisture > h.above + 1e-9) return h.celsius[static_cast<size_t>(kind)];
    return hot.back().celsius[static_cast<size_t>(kind)];
}

double kilnRate(const Shop& shop, const std::string& wood, double wall)
{
    std::vector<double> rates;
    for (const KilnLoad& load : shop.kiln)
        for (const InKiln& b : load.bowls)
            if (b.wood == wood && b.out > 0.5 && b.dry > kilnMoisture + 0.1 && b.wet > b.dry)
                rates.push_back(std::log((b.wet - kilnMoisture) / (b.dry - kilnMoisture)) / b.out *
                                std::pow(b.wall / usualWall, 2));
    constexpr std::array own{0.05, 0.08, 0.12};  // 1/day of a wall of 25 mm
    const double usual = rates.empty() ? own[static_cast<size_t>(driesAs(wood))] : median(rates);
    return usual / std::pow(std::max(wall, 1.0) / usualWall, 2);
}

double dayOf(const KilnLoad& load, double clock) { return (clock - load.begun) / day; }

namespace {

/// What a bowl was read at last, by a day of its load: the day, and %; as it went in where it was not read.
std::pair<double, double> lastReading(const Shop& shop, const KilnLoad& load, const InKiln& bowl, double by)
{
    double from = 0, percent = bowl.wet;
    for (const Reading& r : shop.readings) {
        const double on = dayOf(load, r.at);
        if (r.of == bowl.name && on >= from - 1e-9 && on <= by + 1e-9) from = on, percent = r.percent;
    }
    return {from, percent};
}

/// The day on which a bowl comes down to a moisture: from its last reading on by its rate; what lies before that as its
/// own way there went, first order from the start to it.
double reachedOn(const Shop& shop, const KilnLoad& load, const InKiln& bowl, double moisture)
{
    if (bowl.wet <= moisture || moisture <= kilnMoisture) return 0;
    const auto left = [&](double percent) { return std::log((percent - kilnMoisture) / (moisture - kilnMoisture)); };
    constexpr double ever = 1e9;
    const auto [read, percent] = lastReading(shop, load, bowl, ever);
    if (percent > moisture) return read + left(percent) / kilnRate(shop, bowl.wood, bowl.wall);
    return percent > kilnMoisture ? read * left(bowl.wet) / (left(bowl.wet) - left(percent)) : read;
}

}  // namespace

double moistureInKiln(const Shop& shop, const KilnLoad& load, const InKiln& bowl, double at)
{
    // From the last reading on by its rate.
    const auto [from, percent] = lastReading(shop, load, bowl, at);
    if (bowl.out >= 0 && at >= bowl.out && bowl.dry > 0) return bowl.dry;
    if (percent <= kilnMoisture) return percent;
    const double rate = kilnRate(shop, bowl.wood, bowl.wall);
    return kilnMoisture + (percent - kilnMoisture) * std::exp(-rate * (at - from));
}

namespace {

/// The steps of the table for the gentlest of the load.
std::vector<KilnStep> byTable(DriesAs gentlest)
{
    std::vector<KilnStep> steps;
    double below = 200, fan = 30;
    for (const Hot& h : hot) {
        steps.push_back(
            {.above = h.above, .below = below, .celsius = h.celsius[static_cast<size_t>(gentlest)], .fan = fan});
        below = h.above;
        fan += 15;
    }
    return steps;
}

/// What a load was set to, by the moisture of its wettest then.
std::vector<KilnStep> byRun(const Shop& shop, const KilnLoad& run)
{
    std::vector<KilnSetting> settings = run.settings;
    std::ranges::sort(settings, {}, &KilnSetting::day);
    std::vector<KilnStep> steps;
    double below = 200;
    for (size_t k = 0; k < settings.size(); ++k) {
        const double above = k + 1 < settings.size() ? wettestAt(shop, run, settings[k + 1].day) : 0;
        if (above >= below) continue;
        steps.push_back({.above = above, .below = below, .celsius = settings[k].celsius, .fan = settings[k].fan});
        below = above;
    }
    return steps;
}

const KilnLoad* bestRun(const Shop& shop, const KilnLoad& load)
{
    const std::set<std::string> wanted = woodsIn(load);
    const KilnLoad* best = nullptr;
    for (const KilnLoad& run : shop.kiln) {
        if (&run == &load || run.name == load.name || !isGood(run)) continue;
        const std::set<std::string> had = woodsIn(run);
        if (!std::ranges::includes(had, wanted)) continue;
        if (!best || sumOf(run).days < sumOf(*best).days) best = &run;
    }
    return best;
}

}  // namespace

std::vector<Text> pushedIn(const Shop& shop, const KilnLoad& load)
{
    std::vector<Text> out;
    std::set<std::string> said;
    for (const KilnSetting& s : load.settings)
        for (const InKiln& b : load.bowls) {
            if (b.out >= 0 && b.out <= s.day) continue;
            const double m = moistureInKiln(shop, load, b, s.day), most = hottestAt(driesAs(b.wood), m);
            if (s.celsius <= most || !said.insert(b.wood).second) continue;
            out.push_back(says(words::kilnPushed, Quantity{s.day, Unit::Count, 0}, nameOf(b.wood),
                               Quantity{s.celsius, Unit::Count, 0}, Quantity{m, Unit::Count, 0},
                               Quantity{most, Unit::Count, 0}));
        }
    if (std::ranges::any_of(load.settings, [](const KilnSetting& s) { return s.celsius > 50; }))
        out.push_back(says(words::kilnOver));
    return out;
}

KilnPlan planKiln(const Shop& shop, const KilnLoad& load)
{
    KilnPlan plan;
    if (load.bowls.empty()) return plan;
    DriesAs gentlest = DriesAs::Quick, quickest = DriesAs::Slow;
    std::string holds;
    for (const InKiln& b : load.bowls) {
        const DriesAs kind = driesAs(b.wood);
        const Species *own = findSpecies(b.wood), *other = findSpecies(holds);
        const bool denser = !other || (own && own->density > other->density);
        if (kind < gentlest || (kind == gentlest && denser)) gentlest = kind, holds = b.wood;
        quickest = std::max(quickest, kind);
    }
    const KilnLoad* run = bestRun(shop, load);
    plan.steps = run ? byRun(shop, *run) : byTable(gentlest);
    if (run) plan.bestRun = run->name;
    if (!run && quickest != gentlest) plan.cautions.push_back(says(words::kilnMixed, nameOf(holds)));
    // Each bowl comes down by its own rate, from what it was read at last; a step begins when the last of them is
    // there.
    const auto reaches = [&](double moisture) {
        std::pair<double, const InKiln*> last{0, nullptr};
        for (const InKiln& b : load.bowls)
            if (b.wet > moisture && moisture > kilnMoisture)
                last = std::max(last, std::pair(reachedOn(shop, load, b, moisture), &b));
        return last;
    };
    const auto [days, slowest] = reaches(load.target);
    plan.days = days;
    for (size_t k = 0; k < plan.steps.size(); ++k) {
        const double end = k + 1 < plan.steps.size() ? std::min(days, reaches(plan.steps[k + 1].below).first) : days;
        plan.steps[k].days = std::max(0.0, end - reaches(plan.steps[k].below).first);
    }
    if (slowest) {
        plan.slowest = slowest->name;
        plan.cautions.push_back(says(words::kilnWall, slowest->name, Quantity{slowest->wall}));
    }
    // A run of the shop's own may be hotter than a wood of this load bears.
    for (const KilnStep& s : plan.steps)
        for (const InKiln& b : load.bowls) {
            const double m = std::min(s.below, b.wet);
            if (m <= s.above || s.celsius <= hottestAt(driesAs(b.wood), m)) continue;
            plan.cautions.push_back(says(words::kilnHotter, nameOf(b.wood), Quantity{s.celsius, Unit::Count, 0},
                                         Quantity{m, Unit::Count, 0},
                                         Quantity{hottestAt(driesAs(b.wood), m), Unit::Count, 0}));
            break;
        }
    const std::set<std::string> wanted = woodsIn(load);
    for (auto it = shop.kiln.rbegin(); it != shop.kiln.rend(); ++it) {
        if (it->otherwise.empty() || it->name == load.name) continue;
        const std::set<std::string> had = woodsIn(*it);
        if (std::ranges::any_of(wanted, [&](const std::string& w) { return had.contains(w); }))
            plan.learned.push_back(it->otherwise);
    }
    return plan;
}

std::vector<KilnSetting> settingsOf(const KilnPlan& plan)
{
    std::vector<KilnSetting> settings;
    double from = 0;
    for (const KilnStep& s : plan.steps) {
        if (s.days <= 0) continue;
        // A day later rather than sooner: hotter too soon checks the wood.
        settings.push_back({std::ceil(from - 1e-9), s.celsius, s.fan, {}});
        from += s.days;
    }
    return settings;
}

LoadSum sumOf(const KilnLoad& load)
{
    LoadSum sum{.name = load.name, .bowls = static_cast<int>(load.bowls.size())};
    for (const InKiln& b : load.bowls) {
        sum.cracked += b.cracked;
        if (b.out < 0) continue;
        ++sum.out;
        sum.days = std::max(sum.days, b.out);
    }
    if (sum.out < sum.bowls) sum.days = 0;
    for (const KilnSetting& s : load.settings) sum.hottest = std::max(sum.hottest, s.celsius);
    return sum;
}

std::vector<CrackedWood> crackedByWood(const std::vector<KilnLoad>& loads)
{
    std::map<std::string, CrackedWood> woods;
    for (const KilnLoad& load : loads)
        for (const InKiln& b : load.bowls) {
            CrackedWood& w = woods[b.wood];
            w.wood = nameOf(b.wood);
            w.out += b.out >= 0 || b.cracked;
            w.cracked += b.cracked;
        }
    std::vector<CrackedWood> all;
    for (auto& [id, w] : woods)
        if (w.out > 0) all.push_back(std::move(w));
    std::ranges::sort(all, std::greater{}, [](const CrackedWood& w) { return static_cast<double>(w.cracked) / w.out; });
    return all;
}

}  // namespace vl
