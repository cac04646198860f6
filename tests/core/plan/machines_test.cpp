// What the shop's machines can do safely: each limit is a caution or a stop where it bites, and its fix heals it.
#include "core/blank/sections.h"
#include "core/holding/speed.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>

using namespace vl;

namespace {

using test::find;

struct Limited {
    const char* sample;
    const char* caution;
    Level level;
    void (*piece)(Piece&);
    void (*shop)(Shop&);
};

BoardRingForm& rings(Piece& p) { return *p.layers[0].as<BoardRingForm>(); }

}  // namespace

class Machine : public testing::TestWithParam<Limited> {};

TEST_P(Machine, IsNotAskedForMoreThanItCan)
{
    const Limited& c = GetParam();
    Piece p = test::demo(c.sample);
    Shop shop = test::harbourShop();
    ASSERT_EQ(find(makePlan(p, shop), c.caution), nullptr) << "the sample is within its shop";
    c.piece(p);
    c.shop(shop);
    const Plan plan = makePlan(p, shop);
    const Caution* said = find(plan, c.caution);
    ASSERT_NE(said, nullptr) << c.caution;
    EXPECT_EQ(said->level, c.level);
    EXPECT_NE(said->measure, said->limit);
    if (c.level == Level::Stop) {
        ASSERT_FALSE(said->fixes.empty());
        Piece mended = p;
        // A ring more or fewer may have to be asked for more than once.
        for (int k = 0; k < 12; ++k) {
            const Plan now = makePlan(mended, shop);
            const Caution* still = find(now, c.caution);
            if (!still) break;
            mended = still->fixes[0].apply(mended);
        }
        EXPECT_EQ(find(makePlan(mended, shop), c.caution), nullptr) << print(said->fixes[0].label);
    } else
        EXPECT_NE(print(said->message).find("manual"), std::string::npos) << "deferred to the machine's manual";
}

INSTANTIATE_TEST_SUITE_P(
    All, Machine,
    testing::Values(
        Limited{"ballast-dish", "table-", Level::Stop, [](Piece& p) { rings(p).angle = 40; }, [](Shop&) {}},
        Limited{"ballast-dish", "table-", Level::Stop, [](Piece&) {}, [](Shop& s) { s.bandsawTilt = 40; }},
        Limited{"ballast-dish", "blade-radius-", Level::Stop, [](Piece&) {}, [](Shop& s) { s.bandsawRadius = 80; }},
        Limited{"ballast-dish", "tool-length-", Level::Stop,
                [](Piece& p) { rings(p).tool = BoardRingForm::PartingTool; },
                [](Shop& s) {
                    s.partingReach = 24;
                    s.tools.clear();
                }},
        Limited{"regatta-cup", "narrow-", Level::Care, [](Piece&) {}, [](Shop& s) { s.ripLeastWidth = 15; }},
        Limited{"regatta-cup", "thin-", Level::Care, [](Piece&) {}, [](Shop& s) { s.planeLeastThickness = 9; }},
        Limited{"regatta-cup", "speed-", Level::Stop, [](Piece&) {}, [](Shop& s) { s.lathe.lowestRpm = 2500; }},
        Limited{"regatta-cup", "swing", Level::Stop, [](Piece&) {}, [](Shop& s) { s.lathe.swingRadius = 60; }}));

TEST(Speed, KnowsThreeStates)
{
    for (const double mm : {50.0, 150.0, 400.0}) {
        const SpeedRange round = speedRange(mm), corners = speedRange(mm, Balance::Corners),
                         heavy = speedRange(mm, Balance::OutOfBalance);
        EXPECT_EQ(corners.low, 0) << "begun at the lathe's least";
        EXPECT_EQ(corners.high, round.high) << "the same rule, over the corners' circle";
        EXPECT_LE(heavy.high, std::min(400.0, round.high));
    }
    // Square stock starts at the lathe's lowest speed, and by its corners; a stack of rings by the rule.
    const Plan grip = makePlan(test::demo("spyglass-barrel"), test::harbourShop());
    EXPECT_EQ(grip.lathe.roughBalance, Balance::Corners);
    EXPECT_EQ(grip.lathe.rough.low, test::harbourShop().lathe.lowestRpm);
    EXPECT_NEAR(grip.lathe.roughRadius, 40 * std::sqrt(2.0), 1e-6) << "post 18 and two wraps of 31: 80 mm square";
}

TEST(Reach, NothingGoesThroughAMouthNarrowerThanTheShank)
{
    // A bottle: its neck of Ø 20 lets a shank of 16 in and none of 24; the belly behind it is wider.
    const Polyline inside{{10, 0}, {10, 30}, {60, 30}, {80, 10}, {120, 10}};
    Shop shop;
    shop.toolAngle = 85;
    shop.toolShank = 24;
    EXPECT_FALSE(unreached(inside, 10, 120, false, shop).empty());
    bool bottom = false;
    for (const Unreached& u : unreached(inside, 10, 120, false, shop)) bottom |= u.z < 60;
    EXPECT_TRUE(bottom);
    shop.toolShank = 6;
    for (const Unreached& u : unreached(inside, 10, 120, false, shop)) EXPECT_GT(u.r, 10) << "straight in is reached";
}

TEST(Tip, IsSaidOnlyOfWhatStands)
{
    Piece p = test::demo("boathook-grip");
    EXPECT_EQ(find(makePlan(p, test::harbourShop()), "tip"), nullptr) << "a grip is held";
    p.choices.stands = true;
    const Plan plan = makePlan(p, test::harbourShop());
    const Caution* tip = find(plan, "tip");
    ASSERT_NE(tip, nullptr);
    for (const Fix& fix : tip->fixes) EXPECT_EQ(find(makePlan(fix.apply(p), test::harbourShop()), "tip"), nullptr);
}
