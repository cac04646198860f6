// Glue and time: schedules against exhaustive search, no step before what it needs, clamps and hands never doubled.
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/plan/figures/gluing.h"
#include "core/plan/plan.h"
#include "core/plan/schedule/barrier.h"
#include "core/plan/schedule/session.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>

using namespace vl;

namespace {

Shop openAllDay()
{
    Shop shop;
    shop.hours.fill({0, 1440});
    return shop;
}

Step step(const std::string& id, double work, double wait, std::vector<Resource> uses = {},
          std::vector<std::string> after = {}, Action action = Action::Cut)
{
    Step s;
    s.id = id;
    s.action = action;
    s.title = says({"a step"});
    s.workMinutes = work;
    s.waitMinutes = wait;
    s.uses = std::move(uses);
    s.after = std::move(after);
    return s;
}

Recipe randomRecipe(int most)
{
    Recipe r;
    const int n = test::inRange(1, most + 1);
    for (int i = 0; i < n; ++i) {
        const int kind = test::inRange(0, 4);
        std::vector<std::string> after;
        for (int k = 0; k < i; ++k)
            if (test::inRange(0, 3) == 0) after.push_back("s" + std::to_string(k));
        const bool glue = kind == 0;
        r.push_back(step("s" + std::to_string(i), test::inRange(1, 5) * 5.0,
                         glue        ? test::inRange(1, 5) * 10.0
                         : kind == 1 ? 15.0
                                     : 0,
                         glue        ? std::vector{Resource::BandClamp}
                         : kind == 2 ? std::vector{Resource::Lathe}
                                     : std::vector<Resource>{},
                         after, glue ? Action::Glue : Action::Cut));
    }
    return r;
}

/// The shortest schedule there is: every order of the steps, each placed at the first five minutes at which hands and
/// clamp are free.
double shortest(const Recipe& r, int clamps)
{
    constexpr int slot = 5, slots = 600;
    std::vector<size_t> order(r.size());
    std::iota(order.begin(), order.end(), 0u);
    double best = 1e300;
    do {
        std::vector<int> hands(slots, 0), clamp(slots, 0), lathe(slots, 0);
        std::map<std::string, int> end;
        bool possible = true;
        int last = 0;
        for (const size_t i : order) {
            int ready = 0;
            for (const std::string& b : r[i].after) {
                if (!end.contains(b))
                    possible = false;
                else
                    ready = std::max(ready, end[b]);
            }
            if (!possible) break;
            const int work = static_cast<int>(r[i].workMinutes) / slot,
                      wait = static_cast<int>(r[i].waitMinutes) / slot;
            const bool inClamp = !r[i].uses.empty() && r[i].uses[0] == Resource::BandClamp,
                       onLathe = !r[i].uses.empty() && r[i].uses[0] == Resource::Lathe;
            for (int t = ready;; ++t) {
                bool free = true;
                for (int k = t; k < t + work; ++k) free &= hands[static_cast<size_t>(k)] == 0;
                for (int k = t; k < t + work + wait; ++k) {
                    if (inClamp) free &= clamp[static_cast<size_t>(k)] < clamps;
                    if (onLathe) free &= lathe[static_cast<size_t>(k)] == 0;
                }
                if (!free) continue;
                for (int k = t; k < t + work; ++k) hands[static_cast<size_t>(k)] = 1;
                for (int k = t; k < t + work + wait; ++k) {
                    clamp[static_cast<size_t>(k)] += inClamp;
                    lathe[static_cast<size_t>(k)] += onLathe;
                }
                end[r[i].id] = t + work + wait;
                last = std::max(last, t + work + wait);
                break;
            }
        }
        if (possible) best = std::min(best, static_cast<double>(last * slot));
    } while (std::next_permutation(order.begin(), order.end()));
    return best;
}

void expectPossible(const Recipe& r, const Shop& shop, const Schedule& s)
{
    std::map<std::string, size_t> index;
    for (size_t i = 0; i < r.size(); ++i) index[r[i].id] = i;
    const ShopHours hours(shop, s.begins);
    std::vector<TimeSpan> hands;
    std::map<Resource, std::vector<TimeSpan>> held;
    std::vector<size_t> place(r.size());
    for (size_t k = 0; k < s.order.size(); ++k) place[s.order[k]] = k;
    for (size_t i = 0; i < r.size(); ++i) {
        for (const std::string& b : r[i].after) {
            RC_ASSERT(s.start[i] >= s.end[index[b]] - 1e-6);
            RC_ASSERT(place[index[b]] < place[i]);
        }
        double worked = 0;
        for (const TimeSpan& w : s.work[i]) {
            worked += w.length();
            hands.push_back(w);
            const TimeSpan open = hours.openAt(w.from);
            RC_ASSERT(w.from >= open.from - 1e-6 && w.to <= open.to + 1e-6);
        }
        RC_ASSERT(std::abs(worked - r[i].workMinutes) < 1e-6);
        if (r[i].action == Action::Glue && r[i].workMinutes <= hours.longest()) RC_ASSERT(s.work[i].size() == 1);
        RC_ASSERT(s.end[i] <= s.length + 1e-9);
        if (r[i].waitMinutes > 0)
            for (const Resource u : r[i].uses) held[u].push_back({s.start[i], s.end[i]});
    }
    std::ranges::sort(hands, {}, &TimeSpan::from);
    for (size_t k = 0; k + 1 < hands.size(); ++k) RC_ASSERT(hands[k].to <= hands[k + 1].from + 1e-6);
    for (const TimeSpan& a : held[Resource::BandClamp])
        RC_ASSERT(std::ranges::count_if(held[Resource::BandClamp], [&](const TimeSpan& b) {
                      return b.from <= a.from + 1e-9 && b.to > a.from + 1e-6;
                  }) <= static_cast<long>(shop.bandClamps));
    RC_ASSERT(s.length >= s.lowerBound - 1e-6);
    RC_ASSERT(s.lowerBound >= s.criticalPath - 1e-6);
}

}  // namespace

TEST(Schedule, SmallRecipesAgainstExhaustiveSearch)
{
    test::property([] {
        Shop shop = openAllDay();
        shop.bandClamps = test::inRange(1, 3);
        const Recipe r = randomRecipe(7);
        const Schedule s = scheduleRecipe(r, shop);
        const double best = shortest(r, static_cast<int>(shop.bandClamps));
        RC_ASSERT(std::abs(s.length - best) < 1e-6);
        RC_ASSERT(s.lowerBound <= best + 1e-6);
    });
}

TEST(Schedule, NoStepBeforeWhatItNeedsInAnyShop)
{
    test::property([] {
        Shop shop;
        shop.bandClamps = test::inRange(1, 4);
        for (auto& day : shop.hours) {
            const double from = test::inRange(0, 20) * 60.0;
            day = {from, from + test::inRange(0, 5) * 30.0};
        }
        shop.hours[test::inRange<size_t>(0, 7)] = {600, 760};
        const Recipe r = randomRecipe(40);
        Progress progress;
        progress.start = test::inRange(0, 20000) * 1.0;
        expectPossible(r, shop, scheduleRecipe(r, shop, progress));
    });
}

TEST(Schedule, SamplesAreNeverLongerThanATenthAboveTheBound)
{
    for (const std::string& name : test::demoNames())
        for (const Shop& shop : {test::harbourShop(), openAllDay()}) {
            const Schedule s = makePlan(test::demo(name), shop).schedule;
            EXPECT_LE(s.length, 1.1 * s.lowerBound) << name << ", bound by " << s.busiest;
            EXPECT_GE(s.length, s.lowerBound - 1e-6) << name;
            EXPECT_GT(std::ranges::count(s.critical, true), 3) << name;
        }
}

TEST(Schedule, WhatHappenedStaysAndTheRestMovesOn)
{
    const Shop shop = test::harbourShop();
    Piece p = test::demo("chart-stand");
    const Plan before = makePlan(p, shop);
    const double start = 29400000;  // a day of 2025
    p.progress.start = start;
    const Plan dated = makePlan(p, shop);
    const size_t first = dated.schedule.order[0], second = dated.schedule.order[1];
    const auto& recipe = dated.assembly.recipe;
    p.progress.done = {{recipe[first].id, start + 100, start + 700, {}}};
    const Plan after = makePlan(p, shop, {}, start + 5000);
    EXPECT_TRUE(after.schedule.done[first]);
    EXPECT_EQ(after.schedule.start[first], 100);
    EXPECT_EQ(after.schedule.end[first], 700);
    for (size_t i = 0; i < recipe.size(); ++i)
        if (i != first) EXPECT_GE(after.schedule.start[i], 5000) << recipe[i].id << " is planned in the past";
    p.progress.moved = {{recipe[second].id, start + 20000, {}}};
    EXPECT_GE(makePlan(p, shop, {}, start + 5000).schedule.start[second], 20000);
    EXPECT_GT(makePlan(p, shop, {}, start + 5000).schedule.length, after.schedule.length);
}

TEST(ShopHours, FollowTheWeek)
{
    // 1970-01-01 was a Thursday (any calendar): minute 0 of the default start is the Monday after.
    const Shop shop;
    const ShopHours hours(shop, aMonday);
    EXPECT_EQ(hours.openAt(0).from, 1080) << "evenings in the week";
    EXPECT_EQ(hours.openAt(5 * 1440.0).from, 5 * 1440 + 540) << "Saturday from nine";
    EXPECT_EQ(hours.openAt(6 * 1440.0).from, 6 * 1440 + 840) << "Sunday from two";
    EXPECT_EQ(hours.endOfWork(0, 200), 1440 + 1080 + 20) << "three hours in the evening, the rest the next";
    EXPECT_EQ(hours.longest(), 480);
}

TEST(GlueUpSpec, SuggestsWhatHoldsAndSaysWhyAnotherDoesNot)
{
    const Species *maple = &speciesOf("maple"), *teak = &speciesOf("teak");
    struct Case {
        JointFaces faces;
        const Species* wood;
        double area;
        int joints;
        double celsius;
        const char* expected;
    };
    // Common practice throughout: wood glue for wood, epoxy for oily wood and end grain, slower glue for many joints
    // and for sheets.
    const Case cases[] = {
        {JointFaces::LongGrain, maple, 8000, 1, 20, "yellow"},
        {JointFaces::MiteredEnds, maple, 9000, 10, 20, "yellow"},
        // 18 · 0.25 + 9000 / 20000 = 4.95 of 5 minutes: no time is left to close the band.
        {JointFaces::MiteredEnds, maple, 9000, 18, 20, "white"},
        {JointFaces::LongGrain, teak, 8000, 1, 20, "polyurethane"},
        {JointFaces::Veneer, maple, 30000, 1, 20, "white"},
        {JointFaces::EndGrain, maple, 5000, 4, 20, "polyurethane"},
        {JointFaces::Block, maple, 8000, 1, 20, "epoxy-5"},
        {JointFaces::Block, maple, 800, 1, 7, "ca-thick"},
        {JointFaces::LongGrain, maple, 8000, 1, 9, "white"},
        {JointFaces::MiteredEnds, maple, 9000, 60, 20, "epoxy-30"},
    };
    for (const Case& c : cases) {
        Shop shop;
        shop.temperature = c.celsius;
        Step s = step("g", 5, 0, {Resource::Clamp}, {}, Action::Glue);
        s.glue = {.faces = c.faces, .area = c.area, .joints = c.joints, .woods = {c.wood}};
        const GluedRecipe got = withGlue({}, shop, {s});
        ASSERT_EQ(got.joints.size(), 1u);
        EXPECT_EQ(got.joints[0].glue, c.expected)
            << jointName(c.faces) << " of " << c.wood->name << " at " << c.celsius;
        EXPECT_TRUE(got.joints[0].troubles.empty()) << print(got.joints[0].troubles[0]);
        // Every other glue of the book that does not suit says so.
        for (const Glue& g : shop.glues) {
            Piece piece;
            piece.glues = {{"g", g.id, {}}};
            const JointGlue own = withGlue(piece, shop, {s}).joints[0];
            EXPECT_EQ(own.glue, g.id);
            std::vector<Text> why;
            if (!suits(g, s.glue, shop.temperature, &why)) {
                EXPECT_FALSE(why.empty());
                EXPECT_GE(own.troubles.size(), why.size());
            }
        }
    }
}

TEST(GlueUpSpec, TimesFollowTheGlueAndTheCold)
{
    const Piece piece = test::demo("flag-bowl");
    Shop warm, cold;
    cold.temperature = 10;
    const Plan at20 = makePlan(piece, warm), at10 = makePlan(piece, cold);
    const auto& recipe = at20.assembly.recipe;
    int veneers = 0;
    for (size_t i = 0; i < recipe.size(); ++i) {
        if (recipe[i].action != Action::Wait || recipe[i].after.size() != 1) continue;
        const auto glue = std::ranges::find(recipe, recipe[i].after[0], &Step::id);
        if (glue->glue.glue.empty()) continue;
        const auto book = std::ranges::find(warm.glues, glue->glue.glue, &Glue::id);
        const bool veneer = glue->glue.faces == JointFaces::Veneer;
        veneers += veneer;
        EXPECT_NEAR(recipe[i].waitMinutes, book->clampMinutes * (veneer && book->water ? 4 : 1), 1e-9) << recipe[i].id;
        // Common practice: water-based glue takes twice as long for every 10 °C.
        if (glue->glue.glue == at10.assembly.recipe[static_cast<size_t>(glue - recipe.begin())].glue.glue)
            EXPECT_NEAR(at10.assembly.recipe[i].waitMinutes / recipe[i].waitMinutes, book->slowdown, 1e-9);
    }
    EXPECT_GE(veneers, 3);
    EXPECT_GT(at10.schedule.length, at20.schedule.length * 0.999);
    for (const Glue& g : warm.glues) EXPECT_EQ(coldFactor(g, 25), 1);
}

TEST(GlueUpSpec, TheRecipeJoinsEveryPartOnceAndSealsInsidesBeforeTheyAreClosed)
{
    for (const std::string& name : test::demoNames()) {
        const Plan plan = makePlan(test::demo(name), test::harbourShop());
        const auto& recipe = plan.assembly.recipe;
        std::map<std::string, int> uses, made;
        for (const Step& s : recipe) {
            for (const std::string& in : s.inputs) ++uses[in];
            for (const std::string& out : s.outputs) ++made[out];
            EXPECT_FALSE(s.why.empty() || s.title.empty()) << name << " " << s.id;
            // What a step takes in comes from a step that it waits for.
            for (const std::string& in : s.inputs)
                for (const Step& from : recipe)
                    if (std::ranges::find(from.outputs, in) != from.outputs.end())
                        EXPECT_NE(std::ranges::find(s.after, from.id), s.after.end())
                            << name << ": " << s.id << " takes " << in << " but does not wait for " << from.id;
        }
        for (const auto& [thing, count] : made) EXPECT_EQ(count, 1) << name << " " << thing;
        for (const auto& [thing, count] : uses) EXPECT_EQ(count, 1) << name << " " << thing << " is used up twice";
        for (const Part& p : plan.assembly.parts) EXPECT_EQ(uses[p.id], 1) << name << " " << p.id;
        for (size_t i = 0; i < recipe.size(); ++i)
            if (recipe[i].id.starts_with("close-") && recipe[i].action == Action::Glue)
                for (size_t k = 0; k < recipe.size(); ++k)
                    if (recipe[k].id == "seal-inside-" + recipe[i].id.substr(6))
                        EXPECT_LE(plan.schedule.end[k], plan.schedule.start[i] + 1e-6);
    }
}

TEST(Sections, AGlobeWithANarrowMouthIsDividedAndABowlIsNot)
{
    const Piece globe = starts()[5].make(), bowl = starts()[0].make();
    auto closes = [](const Plan& p) {
        return std::ranges::count_if(
            p.assembly.recipe, [](const Step& s) { return s.id.starts_with("close-") && s.action == Action::Glue; });
    };
    EXPECT_GE(closes(makePlan(globe, {})), 1);
    EXPECT_EQ(closes(makePlan(bowl, {})), 0);
    Piece whole = globe;
    whole.choices.sections = SectionRule::Whole;
    const Plan plan = makePlan(whole, {});
    EXPECT_EQ(closes(plan), 0);
    const auto inside = std::ranges::find(plan.cautions, "inside", &Caution::id);
    ASSERT_NE(inside, plan.cautions.end()) << "undivided, the shoulder cannot be reached";
    ASSERT_FALSE(inside->fixes.empty());
    EXPECT_EQ(inside->fixes[0].apply(whole), globe);
}

TEST(Session, IsTheNextDayThatHasSomethingLeftToDo)
{
    Piece piece = test::regattaCup();
    const Shop shop = test::harbourShop();
    piece.progress.start = 20000.0 * 1440 + 9 * 60;
    const Plan first = makePlan(piece, shop, {}, *piece.progress.start);
    const Session today = nextSession(first.assembly.recipe, first.schedule);
    ASSERT_FALSE(today.steps.empty());
    double minutes = 0;
    for (const size_t i : today.steps) {
        minutes += first.assembly.recipe[i].workMinutes;
        EXPECT_EQ(dayTimeOf(first.schedule.begins + first.schedule.work[i].front().from).day,
                  dayTimeOf(first.schedule.begins + today.time.from).day);
        EXPECT_LE(today.time.from, first.schedule.work[i].front().from);
    }
    EXPECT_EQ(today.workMinutes, minutes);
    // What is done is not to do again; with all of it done there is no session.
    for (const size_t i : today.steps) {
        const double begins = first.schedule.begins;
        piece.progress.done.push_back(
            {first.assembly.recipe[i].id, begins + first.schedule.start[i], begins + first.schedule.end[i], {}});
    }
    const Plan second = makePlan(piece, shop, {}, first.schedule.begins + today.time.to);
    const Session next = nextSession(second.assembly.recipe, second.schedule);
    for (const size_t i : next.steps)
        EXPECT_EQ(std::ranges::find(piece.progress.done, second.assembly.recipe[i].id, &StepDone::step),
                  piece.progress.done.end());
    for (const Step& step : first.assembly.recipe)
        piece.progress.done.push_back({step.id, 20000.0 * 1440, 20000.0 * 1440, {}});
    EXPECT_TRUE(nextSession(first.assembly.recipe, makePlan(piece, shop).schedule).steps.empty());
}

TEST(Barrier, IsWhatEndsLastOfWhatMustBeDoneFirst)
{
    Recipe r{step("bore", 10, 0), step("glue", 10, 60, {}, {"bore"}), step("sand", 10, 0, {}, {"bore", "glue"})};
    r[2].placedBy.push_back({"glue", "cured", says({"Glue must have set."})});
    const Schedule schedule = scheduleRecipe(r, openAllDay());
    const auto before = barrierTo(r, schedule, 2, 15);
    ASSERT_TRUE(before);
    EXPECT_EQ(before->step, 1u);
    EXPECT_EQ(before->free, schedule.end[1]);
    EXPECT_EQ(print(sayBarrier(r, *before)), "It comes after “a step”. Glue must have set.");
    EXPECT_FALSE(barrierTo(r, schedule, 2, schedule.end[1]));
    const auto made = barrierTo(r, schedule, 1, 0);
    ASSERT_TRUE(made);
    EXPECT_EQ(print(sayBarrier(r, *made)), "It works on what “a step” gives.");
}
