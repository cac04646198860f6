#include "core/plan/cards.h"

#include "core/measure/format.h"
#include "core/plan/boards/setups.h"
#include "core/plan/progress.h"
#include "core/process/finish_recipe.h"
#include "core/words/bench.h"
#include "core/words/cards.h"
#include "core/words/hazards.h"
#include "core/workpiece/drilled_holes.h"
#include "core/workpiece/index_rings.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace vl {
namespace {

struct DayCaution {
    Resource machine;
    const Pattern& words;
};
const std::array<DayCaution, 12> day{{{Resource::Lathe, words::lathesDay},
                                      {Resource::Saw, words::sawsDay},
                                      {Resource::Bandsaw, words::sawsDay},
                                      {Resource::Drill, words::drillsDay},
                                      {Resource::Thicknesser, words::planersDay},
                                      {Resource::SandingBoard, words::sandersDay},
                                      {Resource::DiscSander, words::sandersDay},
                                      {Resource::Router, words::routersDay},
                                      {Resource::Knife, words::edgesDay},
                                      {Resource::Clamp, words::gluesDay},
                                      {Resource::BandClamp, words::gluesDay},
                                      {Resource::Finish, words::finishDay}}};

/// What can hurt in doing just this.
std::vector<Text> hazardsOf(const Step& s)
{
    std::vector<Text> all;
    switch (s.action) {
    case Action::Mount:
        if (s.held.set) all.push_back(says(words::firstStart));
        if (s.held.setUp >= 0) all.push_back(says(words::offCenterTurns));
        break;
    case Action::PartOff:
        all.push_back(says(words::partedFalls));
        break;
    case Action::Split:
    case Action::Carve:
        all.push_back(says(words::bladeUnseen));
        break;
    case Action::Sand:
        if (s.occupies(Resource::Lathe)) all.push_back(says(words::restOffFirst));
        break;
    case Action::Cut:
        if (s.occupies(Resource::Saw) || s.occupies(Resource::Bandsaw)) all.push_back(says(words::smallAtSaw));
        break;
    case Action::Drill:
        all.push_back(says(words::bitsGrab));
        break;
    case Action::Fill:
        all.push_back(says(words::gluesBond));
        break;
    default:
        break;
    }
    return all;
}

Resource machineOf(const Step& s)
{
    if (!s.uses.empty()) return s.uses.front();
    for (const Setting& one : s.settings)
        if (one.machine != Resource::None) return one.machine;
    return s.action == Action::Finish ? Resource::Finish : Resource::None;
}

/// The setting that is set: of a machine before what is only a measure.
std::optional<size_t> numberOf(const Step& s)
{
    if (s.settings.empty()) return std::nullopt;
    const auto set = std::ranges::find_if(s.settings, [](const Setting& one) { return one.machine != Resource::None; });
    return set == s.settings.end() ? 0 : static_cast<size_t>(set - s.settings.begin());
}

Checklist stationList(const Plan& plan)
{
    Checklist list{"stations", "Stations with their diameters", {}};
    for (size_t k = 0; k < plan.stations.size(); ++k) {
        const Station& s = plan.stations[k];
        if (std::isnan(s.outside)) continue;
        const Setting at{.name = "station", .value = s.z, .decimals = 1},
            out{.machine = Resource::Caliper, .name = "outside, Ø", .value = s.outside, .decimals = 1},
            in{.machine = Resource::Caliper, .name = "inside, Ø", .value = s.inside, .decimals = 1},
            wall{.machine = Resource::Caliper, .name = "wall", .value = s.wall, .decimals = 1};
        Checklist::Place place{
            .id = "station-" + std::to_string(k + 1), .what = says(words::atStation, at), .number = out, .z = s.z};
        if (!std::isnan(s.inside)) place.others = {in, wall};
        list.places.push_back(std::move(place));
    }
    return list;
}

Checklist drillList(const Piece& piece, const Plan& plan)
{
    Checklist list{"drill", "Holes to drill", {}};
    for (const DrilledHole& h : plan.surfaces.holes) {
        // What no step drills is no place to stand at: a caution says why.
        if (h.solid.profile.empty() || !std::ranges::count(plan.assembly.recipe, drillStep(piece, h), &Step::id))
            continue;
        const Hole& hole = piece.holes[h.hole];
        const Setting deep{.machine = Resource::Drill, .name = "depth", .value = h.full, .decimals = 1},
            bit{.machine = Resource::Drill, .name = "bit, Ø", .value = hole.diameter, .decimals = 1},
            at{.machine = Resource::Drill, .name = "station or circle", .value = hole.at, .decimals = 1},
            towards{.machine = Resource::Index,
                    .name = "towards",
                    .value = std::fmod(h.angleDeg + 720, 360),
                    .unit = Unit::Angle,
                    .decimals = 1};
        list.places.push_back({.id = "hole-" + hole.id + "-" + std::to_string(h.which + 1),
                               .what = says(words::drillPoint, nameOf(piece, hole), h.which + 1),
                               .number = deep,
                               .others = {bit, at, towards},
                               .step = drillStep(piece, h),
                               .z = h.solid.from.x(),
                               .angleDeg = h.angleDeg});
    }
    return list;
}

Checklist coatList(const Plan& plan)
{
    Checklist list{"coats", "Coats of finish", {}};
    for (size_t k = 0; k < plan.finish.layers.size(); ++k) {
        const FinishLayer& layer = plan.finish.layers[k];
        for (int c = 1; c <= layer.coats; ++c)
            list.places.push_back(
                {.id = "coat-" + std::to_string(k + 1) + "-" + std::to_string(c),
                 .what = says(words::coatNumber, layer.name, c, layer.coats),
                 .number = {.name = "left to dry", .value = layer.waitMinutes, .unit = Unit::Minutes, .decimals = 0},
                 .step = finishStep(k)});
    }
    return list;
}

/// A place's id holds for as long as what is set there stays the same.
std::string settingsId(std::string id, const std::vector<Setting>& settings)
{
    for (const Setting& s : settings) id += "-" + fixed(s.value, 2);
    constexpr size_t most = 190;
    return id.substr(0, most);
}

Checklist setupList(const Piece& piece, const Plan& plan, const BoardPlan& boards)
{
    Checklist list{"setups", "Set-ups at the saw", {}};
    std::map<std::string, int> before;
    for (const Setup& s : setupsOf(piece, plan.assembly, boards)) {
        if (s.settings.empty()) continue;
        const std::string id = settingsId("setup-" + s.machine, s.settings);
        const int same = before[id]++;
        list.places.push_back({.id = same ? id + "-" + std::to_string(same + 1) : id,
                               .what = s.what.empty() ? says(words::setupFor, s.machine, s.cuts)
                                                      : says(words::setupWhat, s.machine, s.what),
                               .number = s.settings.front(),
                               .others = {s.settings.begin() + 1, s.settings.end()}});
    }
    return list;
}

Checklist stripList(const BoardPlan& boards)
{
    Checklist list{"strips", "Strips to rip", {}};
    for (const PlannedBoard& b : boards.boards)
        for (size_t k = 0; k < b.strips.size(); ++k) {
            const PlannedStrip& s = b.strips[k];
            const auto mm = [](const char* name, double value) {
                return Setting{.machine = Resource::Saw, .name = name, .value = value, .decimals = 1};
            };
            const KeptStrip strip = keptStrip(b, s);
            list.places.push_back({.id = "strip-" + b.board.id + "-" + fixed(strip.x, 0) + "-" + fixed(strip.y, 0),
                                   .what = says(words::stripOfBoard, static_cast<int>(k + 1), b.board.id),
                                   .number = mm("ripped to", s.place.width),
                                   .others = {mm("planed to", s.thickness), mm("length", s.place.length)},
                                   .strip = strip,
                                   .cut = s.kept});
        }
    return list;
}

Checklist partList(const Plan& plan)
{
    Checklist list{"parts", "Segments and parts to cut", {}};
    for (const Part& p : plan.assembly.parts) {
        const auto step = std::ranges::find_if(plan.assembly.recipe, [&](const Step& s) {
            return s.action == Action::Cut && std::ranges::find(s.inputs, p.id) != s.inputs.end();
        });
        const auto set = [](const char* name, double value, Unit unit, int decimals) {
            return Setting{.machine = Resource::Saw, .name = name, .value = value, .unit = unit, .decimals = decimals};
        };
        Checklist::Place place{.id = "part-" + p.id,
                               .what = says(words::cutSoMany, p.count, p.name),
                               .number = set("longest edge", p.length, Unit::Length, 1),
                               .others = {set("width", p.width, Unit::Length, 1)},
                               .step = step == plan.assembly.recipe.end() ? "" : step->id,
                               .layer = p.layer};
        const auto angle = [&](const char* name, double deg) {
            if (std::abs(deg) > 1e-6) place.others.push_back(set(name, deg, Unit::Angle, 2));
        };
        angle("left end from square", p.left.miterDeg);
        angle("right end from square", p.right.miterDeg);
        angle("left end tilted", p.left.bevelDeg);
        angle("right end tilted", p.right.bevelDeg);
        list.places.push_back(std::move(place));
    }
    return list;
}

Checklist indexList(const Piece& piece)
{
    Checklist list{"index", "Index marks", {}};
    for (const IndexRing& ring : indexRings(piece))
        for (size_t k = 0; k < ring.marks.size(); ++k) {
            const auto number = static_cast<int>(k) + 1;
            const Setting hole{.machine = Resource::Index,
                               .name = "hole",
                               .value = static_cast<double>(ring.marks[k].hole),
                               .unit = Unit::Count,
                               .decimals = 0},
                angle{.machine = Resource::Index,
                      .name = "towards",
                      .value = ring.angles[k],
                      .unit = Unit::Angle,
                      .decimals = 1};
            const bool plate = ring.marks[k].hole >= 0;
            list.places.push_back({.id = "mark-" + ring.name + "-" + std::to_string(number),
                                   .what = plate ? says(words::holeOfPlate, ring.name, number, hole)
                                                 : says(words::markAtAngle, ring.name, number, angle),
                                   .number = plate ? hole : angle,
                                   .others = plate ? std::vector{angle} : std::vector<Setting>{},
                                   .angleDeg = ring.angles[k]});
        }
    return list;
}

}  // namespace

namespace {

/// What runs out while a step is done: the glue's open time, or the pot life of what is mixed for it.
Card::Clock clockOf(const Plan& plan, size_t step)
{
    const auto glue = std::ranges::find(plan.glues, step, &JointGlue::step);
    if (glue != plan.glues.end()) return {says(words::openTime, glue->name), glue->openMinutes};
    for (const Setting& s : plan.assembly.recipe[step].settings)
        if (s.name == potLife) return {says(words::potLifeRuns), s.value};
    return {};
}

}  // namespace

std::vector<Card> cardsOf(const Plan& plan)
{
    std::vector<Card> cards;
    for (const size_t i : plan.schedule.order) {
        const Step& s = plan.assembly.recipe[i];
        Card c{.step = i, .machine = machineOf(s), .number = {}, .others = {}, .hazards = hazardsOf(s)};
        c.waitMinutes = s.waitMinutes;
        c.rounds = s.rounds;
        c.untilPercent = s.untilPercent;
        c.clock = clockOf(plan, i);
        c.done = plan.schedule.done[i];
        const auto main = numberOf(s);
        for (size_t k = 0; k < s.settings.size(); ++k)
            if (main && k == *main)
                c.number = s.settings[k];
            else
                c.others.push_back(s.settings[k]);
        cards.push_back(std::move(c));
    }
    return cards;
}

size_t nextCard(const std::vector<Card>& cards)
{
    return static_cast<size_t>(std::ranges::find(cards, false, &Card::done) - cards.begin());
}

double speedBorne(const Plan& plan, const std::vector<Card>& cards, size_t at)
{
    for (size_t k = std::min(at + 1, cards.size()); k-- > 0;) {
        const auto mount = std::ranges::find(plan.mounts, plan.assembly.recipe[cards[k].step].id, &Mount::id);
        if (mount != plan.mounts.end()) return mount->speed.high;
    }
    return 0;
}

std::optional<double> toMark(const Checklist::Place& place, double spindleDeg)
{
    const auto isAngle = [](const Setting& s) { return s.unit == Unit::Angle; };
    if (isAngle(place.number)) return std::remainder(place.number.value - spindleDeg, 360);
    const auto other = std::ranges::find_if(place.others, isAngle);
    if (other == place.others.end()) return std::nullopt;
    return std::remainder(other->value - spindleDeg, 360);
}

std::optional<Text> dayCautionOf(Resource machine)
{
    const auto it = std::ranges::find(day, machine, &DayCaution::machine);
    return it == day.end() ? std::nullopt : std::optional(says(it->words));
}

/// A crack that shows while the piece is sanded: sealed round, glued and cut back, with its waits.
Checklist crackList()
{
    struct Stage {
        const Pattern* what;
        double minutes;
    };
    // Common practice; the labels of sealer and glue come first.
    static constexpr std::array all{Stage{&words::crackSeal, 2}, Stage{&words::crackWait, 20},
                                    Stage{&words::crackBlow, 1}, Stage{&words::crackGlue, 3},
                                    Stage{&words::crackSet, 30}, Stage{&words::crackCut, 5},
                                    Stage{&words::crackOn, 5}};
    Checklist list{"cracks", "A crack while sanding", {}};
    for (const Stage& d : all)
        list.places.push_back(
            {.id = "crack-" + std::to_string(list.places.size() + 1),
             .what = says(*d.what),
             .number = {.name = "minutes", .value = d.minutes, .unit = Unit::Minutes, .decimals = 0}});
    return list;
}

std::vector<Checklist> checklistsOf(const Piece& piece, const Plan& plan, const BoardPlan& boards)
{
    std::vector<Checklist> all{
        setupList(piece, plan, boards), stripList(boards), partList(plan), stationList(plan), indexList(piece),
        drillList(piece, plan),         coatList(plan),    crackList()};
    std::erase_if(all, [](const Checklist& w) { return w.places.empty(); });
    return all;
}

bool isDone(const Piece& piece, const Checklist::Place& place)
{
    // A strip is cut from the press on; the boards are planned anew beside.
    const auto& cut = piece.progress.strips;
    if (place.strip && std::ranges::find(cut, *place.strip) != cut.end()) return true;
    return place.cut || isTicked(piece, place.id);
}

Piece withPlaceDone(Piece piece, const Plan& plan, const Checklist& list, size_t at, double now)
{
    const Checklist::Place& place = list.places[at];
    if (place.strip) {
        if (!isDone(piece, place)) piece.progress.strips.push_back(*place.strip);
        return piece;
    }
    piece = withPlaceTicked(std::move(piece), place.id);
    if (place.step.empty() || !isTicked(piece, place.id)) return piece;
    const bool all = std::ranges::all_of(
        list.places, [&](const Checklist::Place& p) { return p.step != place.step || isDone(piece, p); });
    const bool already =
        std::ranges::find(piece.progress.done, place.step, &StepDone::step) != piece.progress.done.end();
    return all && !already ? withStepTicked(std::move(piece), plan, place.step, now) : piece;
}

}  // namespace vl
