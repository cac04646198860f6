// What is printed is done at a saw and a lathe by hands that trust it: whatever is planned, every step can be read, in
// every unit, and can be done where and when it stands.
#include "core/plan/cards.h"
#include "core/plan/learning/mishap.h"
#include "core/plan/plan.h"
#include "core/plan/working.h"
#include "core/process/finish_book.h"
#include "core/workpiece/air_sweep.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>
#include <map>
#include <regex>
#include <set>

using namespace vl;

namespace {

constexpr std::array styles{LengthStyle{LengthStyle::Unit::Millimeter}, LengthStyle{LengthStyle::Unit::Inch},
                            LengthStyle{LengthStyle::Unit::Fraction, 32}};

/// Of a plan that stops the work its cautions tell what cannot be: there a number may be as absurd as the piece.
enum class Said { Always, UnlessStopped };

/// What is wrong with printed words; empty where nothing is.
std::string wrongWith(const std::string& words, bool stopped = false)
{
    struct Fault {
        const char* what;
        std::regex looks;
        Said when = Said::Always;
    };
    static const std::vector<Fault> faults{
        {"no number", std::regex(R"(\b-?(nan|inf)\b)")},
        {"an empty place", std::regex(R"(%[1-9])")},
        {"minus nothing", std::regex(R"((^|[ (])-0(\.0*)?( |$))")},
        {"a length below nothing", std::regex(R"((^|[ (Ø])-[0-9.]+ ?(mm|in)\b)"), Said::UnlessStopped},
        {"a speed below nothing", std::regex(R"(-[0-9.]+ rpm)")},
        {"two spaces", std::regex(R"(  )")},
        {"two marks in a row", std::regex(R"([;,:] ?[;,:.])")},
        {"a space before a mark", std::regex(R"( [;,])")},
        {"an end without a word", std::regex(R"([;,:( ]$)")},
        {"more than a machine sets", std::regex(R"([0-9]{7,})"), Said::UnlessStopped},
        {"an open bracket", std::regex(R"(\([^)]*$)")},
    };
    for (const Fault& f : faults)
        if (!(stopped && f.when == Said::UnlessStopped) && std::regex_search(words, f.looks)) return f.what;
    return {};
}

/// What is wrong with a step on paper.
std::string wrongWith(const Step& s, const Shop& shop, bool stopped)
{
    if (s.title.empty()) return "it has no title";
    for (const LengthStyle style : styles)
        for (const Text* t : {&s.title, &s.why, &s.how})
            if (const std::string words = print(*t, style), why = wrongWith(words, stopped); !why.empty())
                return why + ": " + words;
    if (!(s.workMinutes >= 0 && s.waitMinutes >= 0 && std::isfinite(s.workMinutes + s.waitMinutes)))
        return "its minutes are none";
    double begin = 0, most = 0;
    for (const Setting& x : s.settings) {
        if (!std::isfinite(x.value)) return "setting is no number: " + x.name;
        if (!stopped && (x.unit == Unit::Length || x.unit == Unit::Mass || x.unit == Unit::Minutes) && x.value < 0)
            return "setting below nothing: " + x.name;
        if (x.unit == Unit::Speed && !(x.value > 0 && x.value <= 20000)) return "no speed: " + x.name;
        if (x.name == "speed, to begin") begin = x.value;
        if (x.name == "speed, no more") most = x.value;
    }
    if (most > shop.lathe.highestRpm + 1e-6) return "faster than the lathe turns";
    if (begin > most + 1e-6) return "begins faster than it may turn";
    return {};
}

/// A step that takes the piece to the lathe, or needs it there.
bool needsMounting(const Step& s)
{
    return s.action == Action::Turn || (s.action == Action::PartOff && s.occupies(Resource::Lathe));
}

/// Turning and parting happen to what is held: on the way back through what goes in stands a mount; a part that is
/// turned by itself says in its own words what holds it.
std::string heldWrongly(const Recipe& recipe, const Step& s)
{
    static const std::regex holds(R"(tailstock|chuck|jaws|scrap disc|faceplate|centers|screw)");
    if (std::regex_search(print(s.how), holds)) return {};
    std::map<std::string, const Step*> from;
    for (const Step& one : recipe)
        for (const std::string& out : one.outputs) from[out] = &one;
    std::set<const Step*> seen;
    std::vector<const Step*> open{&s};
    while (!open.empty()) {
        const Step* at = open.back();
        open.pop_back();
        if (!seen.insert(at).second) continue;
        if (at->action == Action::Mount || at->held.set) return {};
        for (const std::string& in : at->inputs)
            if (const auto it = from.find(in); it != from.end()) open.push_back(it->second);
    }
    return "turned before it is mounted";
}

/// Once it is finished nothing takes wood away that is not finished again.
std::string cutOnceFinished(const Plan& plan)
{
    const Step* cut = nullptr;
    bool on = false;
    for (const size_t k : plan.schedule.order) {
        const Step& s = plan.assembly.recipe[k];
        if (s.action == Action::Finish && s.id.starts_with("finish")) on = true, cut = nullptr;
        const bool cuts = s.action == Action::PartOff || s.action == Action::Turn || s.action == Action::Sand ||
                          s.action == Action::Carve || s.action == Action::Split;
        if (on && cuts) cut = &s;
    }
    return cut ? "bare once it is finished: " + cut->id : std::string();
}

std::string wrongWith(const Piece& piece, const Shop& shop, const Plan& plan)
{
    for (const Step& s : plan.assembly.recipe) {
        if (const std::string why = wrongWith(s, shop, plan.mustStop()); !why.empty()) return s.id + ": " + why;
        if (needsMounting(s))
            if (const std::string why = heldWrongly(plan.assembly.recipe, s); !why.empty()) return s.id + ": " + why;
    }
    for (const Caution& c : plan.cautions) {
        if (const std::string why = wrongWith(print(c.message), plan.mustStop()); !why.empty())
            return c.id + ": " + why + ": " + print(c.message);
        for (const Fix& f : c.fixes)
            if (const std::string why = wrongWith(print(f.label), plan.mustStop()); !why.empty())
                return c.id + ": " + why + ": " + print(f.label);
    }
    const bool air = airSweep(piece, plan.surfaces).high > 0;
    for (const Step& s : plan.assembly.recipe) {
        const auto fast = [](const Setting& x) { return x.unit == Unit::Speed; };
        if (air && s.id == "sand" && std::ranges::any_of(s.settings, fast))
            return "sanded fast with corners in the air";
    }
    return cutOnceFinished(plan);
}

/// Any finish of the book, any first grit.
void anyFinish(Piece& p)
{
    const std::vector<Finish> book = commonFinishes();
    if (const auto k = test::inRange<size_t>(0, book.size() + 1); k < book.size()) p.choices.finish = book[k].id;
    p.choices.firstGrit = test::element(80, 100, 120, 180, 320);
    if (auto* block = p.layers.front().as<BlockForm>()) block->wet = static_cast<BlockForm::Wet>(test::inRange(0, 3));
}

}  // namespace

TEST(PrintedSteps, TheFaultsAreFound)
{
    for (const char* words : {"turn to nan mm", "up to %2", "-0.0 mm", "Ø -3.2 mm", "wait  for it", "dry; ; then",
                              "planed , then", "glue;", "12345678 rpm", "held (lightly"})
        EXPECT_FALSE(wrongWith(words).empty()) << words;
    for (const char* words :
         {"information: 12.0 mm", "12 – 15 rpm", "no-one; 100 %", "at 15 to 25 °C (label)", "1-1/2 in"})
        EXPECT_EQ(wrongWith(words), "") << words;
}

TEST(PrintedSteps, OfEverySampleCanBeReadAndDone)
{
    for (const std::string& name : test::demoNamesForLongTests())
        for (const Finish& finish : commonFinishes()) {
            Piece p = test::demo(name);
            p.choices.finish = finish.id;
            const Shop shop = test::harbourShop();
            EXPECT_EQ(wrongWith(p, shop, makePlan(p, shop)), "") << name << ", " << finish.name;
        }
}

TEST(PrintedSteps, OfAnyBlankCanBeReadAndDone)
{
    test::property([] {
        Piece p = test::randomPiece();
        anyFinish(p);
        const std::string why = wrongWith(p, {}, makePlan(p, {}, test::oneOf(styles)));
        if (!why.empty()) RC_FAIL(why);
    });
}

TEST(PrintedSteps, OfAnyWorkpieceCanBeReadAndDone)
{
    test::property([] {
        Piece p = test::randomWorkpiece();
        anyFinish(p);
        const Shop shop = test::harbourShop();
        const std::string why = wrongWith(p, shop, makePlan(p, shop, test::oneOf(styles)));
        if (!why.empty()) RC_FAIL(why);
    });
}

// The cards that show a number's working, the lists that are walked at a machine, and the ways out of an accident.
TEST(PrintedSteps, WorkingsAndListsOfAnyWorkpieceCanBeRead)
{
    test::property([] {
        const Piece p = test::randomWorkpiece();
        const Shop shop = test::harbourShop();
        const LengthStyle style = test::oneOf(styles);
        const Plan plan = makePlan(p, shop, style);
        const auto read = [&](const std::string& of, const std::string& words) {
            if (const std::string why = wrongWith(words, plan.mustStop()); !why.empty())
                RC_FAIL(of + ": " + why + ": " + words);
        };
        for (int id = 0; id <= static_cast<int>(FigureId::TotalTime); ++id)
            for (int layer = -1; layer < static_cast<int>(p.layers.size()); ++layer) {
                const auto figure = static_cast<FigureId>(id);
                // How much is lacking stands below nothing there.
                if (figure == FigureId::OverlapBelow || figure == FigureId::SwingClearance) continue;
                read("figure " + std::to_string(id), figureText(figure, p, plan, layer, style));
                const Working w = workingOf(figure, p, shop, plan, layer, style);
                for (const std::string& words : {w.title, w.result, w.assumption, w.source, w.use})
                    read("working " + std::to_string(id), words);
            }
        for (const BuiltLayer& b : plan.assembly.layers)
            for (const Setting& s : b.settings) {
                const Working w = workingOf(s, style);
                RC_ASSERT(!w.title.empty() && !w.result.empty());
                read(s.name, w.title + " " + w.result);
            }
        const BoardPlan boards = planBoards(p, shop, plan.assembly);
        for (const Checklist& walk : checklistsOf(p, plan, boards)) {
            std::set<std::string> ids;
            for (const Checklist::Place& place : walk.places) {
                RC_ASSERT(ids.insert(place.id).second);
                RC_ASSERT(std::isfinite(place.number.value));
                read(walk.id, print(place.what, style));
                for (const Setting& s : place.others) RC_ASSERT(std::isfinite(s.value));
                if (!place.step.empty() && !std::ranges::count(plan.assembly.recipe, place.step, &Step::id))
                    RC_FAIL(std::string(walk.id) + " ends a step that is none: " + place.step);
            }
        }
        for (const Card& c : cardsOf(plan)) {
            RC_ASSERT(std::isfinite(c.waitMinutes) && c.waitMinutes >= 0 && c.clock.minutes >= 0);
            for (const Text& hazard : c.hazards) read("hazard", print(hazard, style));
        }
    });
}

TEST(PrintedSteps, WaysOutOfAnyMishapCanBeReadAndDone)
{
    int ways = 0;
    test::property([&] {
        const Piece p = test::randomPiece();
        const Shop shop;
        Mishap mishap;
        mishap.what = static_cast<Mishap::What>(test::inRange(0, 7));
        mishap.at = test::inRange(0, 1000) / 1e3 * outlineHeight(p);
        mishap.measured = test::inRange(-20, 900) / 10.0;
        if (mishap.isOfALayer()) mishap.layer = p.layers[test::inRange<size_t>(0, p.layers.size())].id;
        for (const WayOut& way : waysOut(p, shop, mishap)) {
            ++ways;
            checkPiece(way.piece);
            for (const LengthStyle style : styles)
                for (const Text* t : {&way.name, &way.how})
                    if (const std::string why = wrongWith(print(*t, style), true); !why.empty())
                        RC_FAIL(why + ": " + print(*t, style));
            if (const std::string why = wrongWith(way.piece, shop, makePlan(way.piece, shop)); !why.empty())
                RC_FAIL(why);
        }
    });
    EXPECT_GT(ways, 20) << "else nothing was looked at";
}
