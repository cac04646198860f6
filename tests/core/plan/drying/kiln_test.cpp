// The kiln: schedules for mixed loads, what was learned of them, and forecasts against synthetic drying.
#include "core/plan/drying/kiln.h"
#include "core/plan/drying/rough_turned.h"
#include "core/wood/species.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <cmath>

using namespace vl;

namespace {

InKiln bowl(const char* name, const char* wood, double wall = 25)
{
    InKiln b;
    b.name = name;
    b.wood = wood;
    b.wall = wall;
    return b;
}

/// A load that dried by a rate of its own, down to 8 %.
KilnLoad dried(const char* name, const char* wood, double rate, double wall, double hottest)
{
    KilnLoad load;
    load.name = name;
    load.settings = {{0, 28, 40, {}}, {6, hottest, 60, {}}};
    load.bowls = {bowl("a", wood, wall), bowl("b", wood, wall)};
    for (InKiln& b : load.bowls) {
        b.out = std::log((b.wet - 5) / 3) / rate;  // from the kiln's own 5 %
        b.dry = 8;
    }
    return load;
}

}  // namespace

TEST(Kiln, AMixedLoadIsDriedAsItsGentlestBears)
{
    Shop shop;
    KilnLoad load;
    load.bowls = {bowl("oak bowl", "oak-white"), bowl("pine bowl", "basswood")};
    for (const InKiln& b : load.bowls) ASSERT_TRUE(findSpecies(b.wood)) << b.wood;
    const KilnPlan mixed = planKiln(shop, load);
    ASSERT_EQ(mixed.steps.size(), 5u);
    for (size_t k = 0; k < mixed.steps.size(); ++k) {
        const KilnStep& s = mixed.steps[k];
        // No step is hotter than any wood of the load bears at the wettest it can be there; each is hotter than before.
        for (const InKiln& b : load.bowls) EXPECT_LE(s.celsius, hottestAt(driesAs(b.wood), s.above + 0.1));
        if (k > 0) EXPECT_GT(s.celsius, mixed.steps[k - 1].celsius);
        if (k > 0) EXPECT_EQ(s.below, mixed.steps[k - 1].above);
    }
    EXPECT_FALSE(mixed.cautions.empty()) << "who holds the load back is said";
    load.bowls.erase(load.bowls.begin());
    EXPECT_GT(planKiln(shop, load).steps[0].celsius, mixed.steps[0].celsius);
    EXPECT_TRUE(planKiln(shop, KilnLoad{}).steps.empty());
}

TEST(Kiln, RatesAreLearnedAndGoWithTheSquareOfTheWall)
{
    Shop shop;
    const double own = kilnRate(shop, "maple", 25);
    EXPECT_NEAR(kilnRate(shop, "maple", 50), own / 4, 1e-12);
    shop.kiln = {dried("one", "maple", 0.07, 25, 40), dried("two", "maple", 0.09, 25, 42),
                 dried("three", "maple", 0.4, 12.5, 45)};
    // Three loads: 0.07, 0.09 and, of half the wall, 0.4 / 4.
    EXPECT_NEAR(kilnRate(shop, "maple", 25), 0.09, 0.011);
    KilnLoad next;
    next.name = "next";
    next.bowls = {bowl("c", "maple")};
    EXPECT_NEAR(planKiln(shop, next).days, std::log(35 / 3.0) / kilnRate(shop, "maple", 25), 1e-9);
    test::property([] {
        Shop s;
        const double rate = test::inRange(20, 300) / 1000.0, wall = test::inRange(8, 60);
        s.kiln = {dried("r", "cherry", rate, wall, 40)};
        RC_ASSERT(std::abs(kilnRate(s, "cherry", wall) / rate - 1) < 1e-9);
        // A bowl of the same wall then follows the exponential that it was made by.
        KilnLoad load;
        load.bowls = {bowl("x", "cherry", wall)};
        const double day = test::inRange(0, 60);
        RC_ASSERT(std::abs(moistureInKiln(s, load, load.bowls[0], day) - (5 + 35 * std::exp(-rate * day))) < 1e-9);
    });
}

TEST(Kiln, TheShopsBestRunIsTakenAndWhatItLearnedComesFirst)
{
    Shop shop;
    shop.kiln = {dried("slow", "maple", 0.05, 25, 36), dried("quick", "maple", 0.09, 25, 37),
                 dried("cracked", "maple", 0.2, 25, 48)};
    shop.kiln[2].bowls[0].cracked = true;
    shop.kiln[0].otherwise = "thin the rim";
    shop.kiln[2].otherwise = "not so hot so soon";
    KilnLoad load;
    load.name = "next";
    load.bowls = {bowl("c", "maple")};
    const KilnPlan plan = planKiln(shop, load);
    EXPECT_EQ(plan.bestRun, "quick") << "the quickest in which nothing cracked";
    ASSERT_EQ(plan.steps.size(), 2u);
    EXPECT_EQ(plan.steps[1].celsius, 37);
    ASSERT_EQ(plan.learned.size(), 2u);
    EXPECT_EQ(plan.learned[0], "not so hot so soon") << "the latest first";
    EXPECT_EQ(sumOf(shop.kiln[2]).cracked, 1);
    const auto woods = crackedByWood(shop.kiln);
    ASSERT_EQ(woods.size(), 1u);
    EXPECT_EQ(woods[0].cracked, 1);
    EXPECT_EQ(woods[0].out, 6);
    // Another wood has no run: the table.
    load.bowls = {bowl("d", "oak-white")};
    EXPECT_TRUE(planKiln(shop, load).bestRun.empty());
}

TEST(Kiln, APushedWoodIsSaid)
{
    Shop shop;
    KilnLoad load;
    load.bowls = {bowl("d", "oak-white")};
    load.settings = {{0, 27, 40, {}}, {2, 46, 60, {}}};
    EXPECT_EQ(pushedIn(shop, load).size(), 1u);
    load.settings[1].celsius = 26;
    load.settings[0].celsius = 26;
    EXPECT_TRUE(pushedIn(shop, load).empty());
    load.settings[1] = {300, 60, 60, {}};
    EXPECT_FALSE(pushedIn(shop, load).empty()) << "dry by then, but over 50 °C";
    // A schedule as settings: from day to day, each as hot as its step.
    const KilnPlan plan = planKiln(shop, load);
    const std::vector<KilnSetting> set = settingsOf(plan);
    ASSERT_GT(set.size(), 2u);
    EXPECT_EQ(set.front().day, 0);
    for (size_t k = 1; k < set.size(); ++k) EXPECT_GT(set[k].day, set[k - 1].day);
    KilnLoad followed = load;
    followed.settings = set;
    EXPECT_TRUE(pushedIn(shop, followed).empty()) << "what is planned pushes no wood";
    // A reading comes before the estimate.
    Shop read = shop;
    read.readings.push_back({.of = "d", .at = load.begun + 3 * 1440, .percent = 22, .place = {}, .extra = {}});
    EXPECT_NEAR(moistureInKiln(read, load, load.bowls[0], 3), 22, 1e-9);
    EXPECT_LT(moistureInKiln(read, load, load.bowls[0], 10), 22);
    EXPECT_GT(moistureInKiln(read, load, load.bowls[0], 2), 22);
}

TEST(Kiln, ARunningLoadIsPlannedFromItsReadings)
{
    Shop shop;
    shop.kiln.clear();
    KilnLoad load{.name = "running", .begun = 1000 * 1440.0};
    load.bowls = {{.name = "bowl", .wood = "maple", .wall = 25, .wet = 40}};
    const double rate = kilnRate(shop, "maple", 25), unread = planKiln(shop, load).days;
    EXPECT_NEAR(unread, std::log(35 / 3.0) / rate, 1e-9);
    // On day 4 it is wetter than its rate says: the rest takes as long as it does from there (first order).
    Reading slow;
    slow.of = "bowl";
    slow.at = load.begun + 4 * 1440;
    slow.percent = 36;
    shop.readings = {slow};
    EXPECT_NEAR(planKiln(shop, load).days, 4 + std::log(31 / 3.0) / rate, 1e-9);
    EXPECT_GT(planKiln(shop, load).days, unread);
    // A step that lies behind the reading ended on the way there.
    shop.readings[0].percent = 22;
    const KilnPlan plan = planKiln(shop, load);
    double until25 = 0;
    for (const KilnStep& s : plan.steps)
        if (s.above >= 25) until25 += s.days;
    EXPECT_NEAR(until25, 4 * std::log(35 / 20.0) / std::log(35 / 17.0), 1e-9);
}

TEST(RoughTurned, GetsOvalAsItsWoodShrinks)
{
    // 25 mm of wall on 250 mm: green to 8 % across the grain by 22 thirtieths of the tangential shrinkage.
    Piece p = test::plainCylinder(125, 90, BlockForm::Across, 8, 12);
    p.layers[0].woods = {"cherry"};
    p.layers[0].as<BlockForm>()->moisture = 60;
    const Plan plan = makePlan(p, Shop{});
    const auto rough = roughTurned(p, plan, 8);
    ASSERT_TRUE(rough);
    EXPECT_NEAR(rough->wall, 25, 1e-9);
    EXPECT_NEAR(rough->rough, 250 + 25 - 8, 0.1);
    EXPECT_NEAR(rough->across, rough->rough * (1 - speciesOf("cherry").shrinkTangential / 100 * 22 / 30), 1e-6);
    EXPECT_NEAR(rough->along, rough->rough * (1 - 0.001 * 22 / 30), 1e-6);
    EXPECT_TRUE(rough->holds) << "a tenth is enough for cherry";
    // Drier wood moves less; dry wood does not wait.
    p.layers[0].as<BlockForm>()->moisture = 20;
    EXPECT_LT(roughTurned(p, makePlan(p, Shop{}), 8)->oval(), rough->oval());
    p.layers[0].as<BlockForm>()->moisture = 8;
    EXPECT_FALSE(roughTurned(p, makePlan(p, Shop{}), 8));
    p.layers[0].as<BlockForm>()->moisture = 60;
    p.layers[0].as<BlockForm>()->grain = BlockForm::Along;
    EXPECT_FALSE(roughTurned(p, makePlan(p, Shop{}), 8)) << "end grain shrinks alike all round, nearly";
    // An inch takes a year; half of it a quarter of that; in a room that is no drier it never comes there.
    EXPECT_NEAR(daysInTheRoom(25.4, 60, 6 + 54 / 20.0, 6), 365, 1e-6);
    EXPECT_NEAR(daysInTheRoom(12.7, 60, 6 + 54 / 20.0, 6), 365 / 4.0, 1e-6);
    EXPECT_LT(daysInTheRoom(25, 60, 8, 9), 0);
    EXPECT_EQ(daysInTheRoom(25, 8, 8, 6), 0);
}

TEST(WetBlock, IsTurnedTwiceOrOnceInAnOrderThatHolds)
{
    Piece p = test::plainCylinder(125, 90, BlockForm::Across, 8, 12);
    p.layers[0].woods = {"cherry"};
    BlockForm& block = *p.layers[0].as<BlockForm>();
    block.moisture = 60;
    const auto plan = [&](BlockForm::Wet wet) {
        block.wet = wet;
        return makePlan(p, Shop{});
    };
    const auto placeOf = [](const Plan& of, const std::string& id) {
        const Recipe& r = of.assembly.recipe;
        for (size_t k = 0; k < of.schedule.order.size(); ++k)
            if (r[of.schedule.order[k]].id == id) return static_cast<int>(k);
        return -1;
    };
    const auto warned = [](const Plan& of) { return test::find(of, "wet-block") != nullptr; };
    EXPECT_TRUE(warned(plan(BlockForm::DriedFirst)));
    const Plan twice = plan(BlockForm::TurnedTwice);
    EXPECT_FALSE(warned(twice));
    const auto settingOf = [](const Plan& of, const std::string& id, const std::string& name) {
        for (const Step& s : of.assembly.recipe)
            if (s.id == id)
                for (const Setting& x : s.settings)
                    if (x.name == name) return x.value;
        return std::nan("");
    };
    // A wall of a tenth of 250, half of what it has more than 8 mm outside; the tenon that dried oval is turned
    // smaller.
    EXPECT_NEAR(settingOf(twice, "rough-wet", "rough, Ø"), 250 + 25 - 8, 0.1);
    EXPECT_NEAR(settingOf(twice, "hollow-wet", "wall left all round"), 25, 1e-9);
    const double wetTenon = settingOf(twice, "foot-wet", "tenon, Ø"), dried = settingOf(twice, "foot", "tenon, Ø");
    EXPECT_NEAR(dried, wetTenon * (1 - speciesOf("cherry").shrinkTangential / 100 * 22 / 30) - 2, 1e-6);
    // What it is held on goes into the hollow where it dried narrowest.
    const double hollow = 250 + 25 - 8 - 2 * 25;
    EXPECT_NEAR(settingOf(twice, "mount-dry", "held on, Ø"),
                hollow * (1 - speciesOf("cherry").shrinkTangential / 100 * 22 / 30), 0.1);
    // A blank that is no wider than a dry one needs does not hold that: it is said, and its fix mends it.
    const Caution* narrow = test::find(twice, "rough-blank");
    ASSERT_TRUE(narrow);
    EXPECT_FALSE(test::find(makePlan(narrow->fixes.front().apply(p), Shop{}), "rough-blank"));
    int before = -1;
    for (const char* id :
         {"mount-first-wet", "rough-wet", "foot-wet", "mount-reversed-wet", "hollow-wet", "coat-wet", "dry-wet",
          "mount-dry", "rough", "foot", "mount-reversed", "hollow", "fine", "sand", "finish"}) {
        const int at = placeOf(twice, id);
        EXPECT_GT(at, before) << id;
        before = at;
    }
    const auto& recipe = twice.assembly.recipe;
    const Step& dry = recipe[twice.schedule.order[static_cast<size_t>(placeOf(twice, "dry-wet"))]];
    EXPECT_EQ(dry.untilPercent, 8);
    // 25 mm of wall, a tenth of 250: the same as an inch a year says for cherry, waxed.
    EXPECT_NEAR(dry.waitMinutes / 1440,
                daysInTheRoom(25, 60, 8, heatedRoom, speciesOf("cherry").density, slowedBy(Coat::Wax)), 1e-6);
    const Plan once = plan(BlockForm::TurnedOnce);
    EXPECT_FALSE(warned(once));
    EXPECT_EQ(placeOf(once, "sand-outside"), -1) << "wet wood is not sanded";
    EXPECT_LT(placeOf(once, "fine"), placeOf(once, "dry-wet"));
    EXPECT_LT(placeOf(once, "foot-off"), placeOf(once, "dry-wet")) << "while it is still round";
    EXPECT_LT(placeOf(once, "dry-wet"), placeOf(once, "sand"));
    for (const Step& s : once.assembly.recipe)
        if (s.id == "sand") EXPECT_TRUE(s.uses.empty()) << "no lathe follows an oval";
    p.hollow.floor = 30;
    EXPECT_TRUE(warned(plan(BlockForm::TurnedOnce))) << "a thick floor cracks";
    p.hollow.floor = 12;
    // Where something is left to do by index it cannot be turned once: it is warned of as before.
    p.worked.push_back({});
    identifyCuts(p);
    EXPECT_TRUE(warned(plan(BlockForm::TurnedOnce)));
    p.worked.clear();
    block.moisture = 10;
    EXPECT_EQ(placeOf(plan(BlockForm::TurnedTwice), "dry-wet"), -1) << "dry wood waits for nothing";
}

TEST(Kiln, NoPlannedScheduleOfAMixedLoadPushesAWood)
{
    test::property([] {
        Shop shop;
        KilnLoad load;
        const int bowls = test::inRange(1, 6);
        for (int k = 0; k < bowls; ++k) {
            const char* woods[] = {"oak-white", "basswood", "cherry", "maple", "ash", "unknown"};
            InKiln b = bowl("b", woods[test::inRange(0, 6)], test::inRange(8, 50));
            b.name += std::to_string(k);
            b.wet = test::inRange(9, 90);
            load.bowls.push_back(b);
        }
        load.settings = settingsOf(planKiln(shop, load));
        RC_ASSERT(pushedIn(shop, load).empty());
        for (size_t k = 1; k < load.settings.size(); ++k) RC_ASSERT(load.settings[k].day >= load.settings[k - 1].day);
    });
}
