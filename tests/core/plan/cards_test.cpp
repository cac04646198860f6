// The plan as cards at the machine: order, cautions, lists, rounds, clocks, speeds, marks round a piece.
#include "core/plan/cards.h"
#include "core/plan/progress.h"
#include "core/process/round_marks.h"
#include "tests/support/samples.h"

#include <map>
#include <set>

using namespace vl;

TEST(Cards, WalkEveryStepInItsOrderAndStandAtTheFirstThatIsNotDone)
{
    for (const std::string& name : test::demoNames()) {
        Piece p = test::demo(name);
        Plan plan = makePlan(p, test::harbourShop());
        std::vector<Card> cards = cardsOf(plan);
        ASSERT_EQ(cards.size(), plan.schedule.order.size()) << name;
        for (size_t k = 0; k < cards.size(); ++k) {
            const Step& s = plan.assembly.recipe[cards[k].step];
            EXPECT_EQ(cards[k].step, plan.schedule.order[k]) << name;
            EXPECT_EQ(cards[k].others.size() + (cards[k].number ? 1 : 0), s.settings.size()) << name << " " << s.id;
            // A setting of a machine is set; what is only a measure is not before it.
            const bool any =
                std::ranges::any_of(s.settings, [](const Setting& x) { return x.machine != Resource::None; });
            if (any) EXPECT_NE(cards[k].number->machine, Resource::None) << name << " " << s.id;
            if (s.action == Action::Mount && s.held.set) EXPECT_FALSE(cards[k].hazards.empty()) << s.id;
            if (s.action == Action::PartOff || s.action == Action::Drill)
                EXPECT_FALSE(cards[k].hazards.empty()) << s.id;
        }
        if (!p.progress.done.empty()) continue;
        EXPECT_EQ(nextCard(cards), 0u) << name;
        const std::string first = plan.assembly.recipe[cards[0].step].id;
        p = withStepTicked(std::move(p), plan, first, 30000000);
        plan = makePlan(p, test::harbourShop(), {}, 30000000);
        cards = cardsOf(plan);
        for (const Card& c : cards) EXPECT_EQ(c.done, plan.assembly.recipe[c.step].id == first) << name;
        EXPECT_TRUE(withStepTicked(p, plan, first, 30000000).progress.done.empty()) << "ticked again it is not done";
        EXPECT_EQ(withStepTicked(p, plan, "no-such-step", 0), p);
    }
}

TEST(Cards, EveryMachineOfARecipeHasItsCautionsOfTheDay)
{
    for (const std::string& name : test::demoNames()) {
        const Plan plan = makePlan(test::demo(name), test::harbourShop());
        for (const Card& c : cardsOf(plan)) {
            const std::set harmless{Resource::None, Resource::Plate, Resource::Index, Resource::Caliper,
                                    Resource::Wedge};
            if (!harmless.contains(c.machine)) EXPECT_TRUE(dayCautionOf(c.machine)) << resourceName(c.machine);
        }
    }
}

TEST(Cards, ListsAreWalkedByPlacesOfTheirOwn)
{
    Piece p = test::demo("flare-case");
    p.choices.finish = "oil";
    const Plan plan = makePlan(p, test::harbourShop());
    const BoardPlan boards = planBoards(p, test::harbourShop(), plan.assembly);
    std::set<std::string> ids, kinds;
    for (const Checklist& w : checklistsOf(p, plan, boards)) {
        kinds.insert(w.id);
        for (const Checklist::Place& at : w.places) EXPECT_TRUE(ids.insert(at.id).second) << at.id;
    }
    for (const char* kind : {"setups", "strips", "parts", "stations", "index", "coats", "cracks"})
        EXPECT_TRUE(kinds.contains(kind)) << kind;
    Piece ticked = withPlaceTicked(p, *ids.begin());
    EXPECT_TRUE(isTicked(ticked, *ids.begin()));
    EXPECT_FALSE(isTicked(withPlaceTicked(ticked, *ids.begin()), *ids.begin()));
}

TEST(Cards, WhatIsTickedInAListIsDoneInThePlan)
{
    const Shop shop = test::harbourShop();
    Piece p = test::demo("regatta-cup");
    p.progress = {};
    p.choices.finish = "oil";
    const Plan plan = makePlan(p, shop);
    BoardPlan boards = planBoards(p, shop, plan.assembly);
    const auto walk = [&](std::string_view id) {
        for (Checklist& w : checklistsOf(p, plan, boards))
            if (id == w.id) return std::move(w);
        return Checklist{};
    };
    // A strip that is ticked is cut: it stays where it is, and the boards follow.
    const Checklist strips = walk("strips");
    ASSERT_GT(strips.places.size(), 2u);
    p = withPlaceDone(p, plan, strips, 1, 30000000);
    ASSERT_EQ(p.progress.strips.size(), 1u);
    EXPECT_TRUE(isDone(p, strips.places[1])) << "before the boards are planned anew";
    EXPECT_EQ(withPlaceDone(p, plan, strips, 1, 30000000), p) << "nothing is cut twice";
    boards = planBoards(p, shop, plan.assembly);
    int kept = 0;
    for (const PlannedBoard& b : boards.boards)
        for (const PlannedStrip& s : b.strips) kept += s.kept;
    EXPECT_EQ(kept, 1);
    const Checklist again = walk("strips");
    EXPECT_EQ(std::ranges::count(again.places, true, &Checklist::Place::cut), 1);
    // The parts of a step make it done with the last of them, and so do the coats of a layer.
    for (const char* id : {"parts", "coats"}) {
        const Checklist w = walk(id);
        ASSERT_FALSE(w.places.empty()) << id;
        std::map<std::string, int> of;
        for (const Checklist::Place& at : w.places) ++of[at.step];
        const std::string first = w.places.front().step;
        ASSERT_FALSE(first.empty()) << id;
        for (size_t k = 0; k < w.places.size(); ++k) {
            if (w.places[k].step != first) continue;
            EXPECT_EQ(std::ranges::count(p.progress.done, first, &StepDone::step), 0) << id;
            p = withPlaceDone(p, plan, w, k, 30000000);
            --of[first];
        }
        EXPECT_EQ(of[first], 0);
        EXPECT_EQ(std::ranges::count(p.progress.done, first, &StepDone::step), 1) << id;
    }
}

TEST(Cards, AnotherRoundMovesTheTimetable)
{
    const Shop shop = test::harbourShop();
    int repeated = 0;
    for (const std::string& name : test::demoNames()) {
        Piece p = test::demo(name);
        const Plan plan = makePlan(p, shop);
        for (const Step& s : plan.assembly.recipe) {
            if (s.rounds.usual == 0) continue;
            ++repeated;
            EXPECT_FALSE(s.rounds.until.empty()) << s.id;
            Piece more = p;
            for (int k = 0; k < s.rounds.usual + 1; ++k) more = withRoundDone(std::move(more), s.id);
            checkPiece(more);
            const Plan longer = makePlan(more, shop);
            const auto after = std::ranges::find(longer.assembly.recipe, s.id, &Step::id);
            // One more than were done is planned, each as long as the usual ones.
            const double times = (s.rounds.usual + 2.0) / s.rounds.usual;
            EXPECT_EQ(after->rounds.planned, s.rounds.usual + 2) << name << " " << s.id;
            EXPECT_NEAR(after->workMinutes, s.workMinutes * times, 1e-9) << name << " " << s.id;
            EXPECT_NEAR(after->waitMinutes, s.waitMinutes * times, 1e-9) << name << " " << s.id;
            EXPECT_GT(longer.schedule.workMinutes, plan.schedule.workMinutes) << name << " " << s.id;
        }
    }
    EXPECT_GE(repeated, 10);
}

TEST(Cards, AClockRunsForWhatCannotWait)
{
    Piece p = test::demo("regatta-cup");
    p.choices.finish = "two-part oil";
    const Plan plan = makePlan(p, test::harbourShop());
    int open = 0, pot = 0;
    for (const Card& c : cardsOf(plan)) {
        const Step& s = plan.assembly.recipe[c.step];
        if (s.action == Action::Glue) {
            const auto glue = std::ranges::find(plan.glues, c.step, &JointGlue::step);
            ASSERT_NE(glue, plan.glues.end());
            EXPECT_EQ(c.clock.minutes, glue->openMinutes) << s.id;
            ++open;
        } else if (s.id == "finish") {
            EXPECT_EQ(c.clock.minutes, plan.finish.layers.front().potMinutes);
            ++pot;
        } else
            EXPECT_EQ(c.clock.minutes, 0) << s.id;
    }
    EXPECT_GT(open, 10);
    EXPECT_EQ(pot, 1);
}

TEST(Cards, ASpeedIsJudgedByTheMountThatTheWorkStandsIn)
{
    const Piece p = test::demo("buoy-bowl");
    const Plan plan = makePlan(p, test::harbourShop());
    const std::vector<Card> cards = cardsOf(plan);
    double borne = 0;
    for (size_t k = 0; k < cards.size(); ++k) {
        for (const Mount& m : plan.mounts)
            if (m.id == plan.assembly.recipe[cards[k].step].id) borne = m.speed.high;
        EXPECT_EQ(speedBorne(plan, cards, k), borne) << k;
    }
    EXPECT_GT(borne, 0);
    // To a mark the short way round.
    const Checklist::Place at{"m", {}, {.name = "towards", .value = 350, .unit = Unit::Angle}};
    EXPECT_NEAR(*toMark(at, 10), -20, 1e-9);
    EXPECT_NEAR(*toMark(at, 340), 10, 1e-9);
    EXPECT_FALSE(toMark({"s", {}, {.name = "outside", .value = 3}}, 10));
}

TEST(RoundMarks, AreToldSoThatTheyComeOutWhereTheyLie)
{
    for (const int plate : {0, 12, 24, 30})
        for (const int count : {2, 3, 4, 5})
            for (const bool every : {true, false}) {
                std::vector<RoundMark> marks;
                for (const IndexMark& m : laidOut(count, plate, 0))
                    marks.push_back({m.hole, 15 + m.wanted + m.errorDeg});
                StepSpec d{.title = {}, .why = {}};
                sayRound(Resource::Index, plate, marks, every, d);
                // From the settings alone, as a turner would: the first, and on by a step or to the next one told.
                std::vector<double> told;
                double on = 0;
                for (const Setting& s : d.settings) {
                    if (s.name == "direction" || s.name == "index hole") told.push_back(s.value);
                    if (s.name == "on from each to the next" || s.name == "holes on") on = s.value;
                }
                while (on > 0 && static_cast<int>(told.size()) < count) told.push_back(told.back() + on);
                ASSERT_EQ(told.size(), marks.size()) << plate << " " << count;
                for (size_t k = 0; k < marks.size(); ++k)
                    EXPECT_NEAR(told[k], plate ? marks[k].hole : marks[k].angleDeg, 1e-9) << plate << " " << count;
                EXPECT_EQ(on > 0, !every && (plate == 0 || plate % count == 0));
            }
}
