// A log whose bark stays on one flank: the piece is what the tools leave of it. Figures are worked out by hand.
#include "core/picture/closed_surface.h"
#include "core/plan/plan.h"
#include "core/process/finish_area.h"
#include "core/workpiece/air_sweep.h"
#include "tests/support/plain_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>

namespace vl::test {
namespace {

/// A cylinder of Ø 200, 100 long, in a log of Ø 240 whose middle lies 30 mm towards 6 o'clock: at 12 o'clock the bark
/// is 90 mm from the axis, at 6 o'clock 150.
Piece inLog(WallRule rule)
{
    Piece p = demo("buoy-bowl");
    p.worked.clear();
    p.decors.clear();
    p.outside = {{.z = 0, .r = 100, .span = Span::Line}, {.z = 100, .r = 100, .span = Span::Line}};
    p.hollow.rule = rule;
    p.hollow.rimWall = 14;
    p.hollow.floor = 20;
    p.hollow.floorRound = 0;
    p.layers[0].thickness = 100;
    auto* log = p.layers[0].as<BlockForm>();
    log->shape = BlockForm::Log;
    log->log = 240;
    log->offset = 30;
    log->offsetDirection = 0;
    log->moisture = 11;
    p.edge.kind = Edge::Bark;
    return p;
}

}  // namespace

TEST(Bark, StaysWhereTheOutlineGoesBeyondTheLog)
{
    const Piece p = inLog(WallRule::Solid);
    const Plan plan = makePlan(p, harbourShop());
    EXPECT_FALSE(plan.surfaces.holds({50, 92, 0})) << "12 o'clock: beyond the bark";
    EXPECT_TRUE(plan.surfaces.holds({50, 88, 0}));
    EXPECT_TRUE(plan.surfaces.holds({50, -99, 0})) << "6 o'clock: turned";
    // Faces round the log stand a little out from it: 120 / cos(180° / 48) is 0.26 mm more.
    EXPECT_NEAR(plan.shape.woodVolume / (100 * lens(100, 120, 30)), 1, 3e-3);
    const Solid solid = solidOf(plan.surfaces, 0.05);
    EXPECT_TRUE(solid.whole);
    // Less is coated than of a whole cylinder, more than of one that the bark's side is cut off of.
    const double all = 2 * pi * 100 * (100 + 100), area = finishArea(p, plan.surfaces).outside;
    EXPECT_LT(area, all);
    EXPECT_GT(area, 0.9 * all);
}

TEST(Bark, ComesRoundFartherThanWhatIsTurned)
{
    const Piece p = inLog(WallRule::Even);
    const Plan plan = makePlan(p, harbourShop());
    ASSERT_FALSE(plan.mustStop());
    const Range air = airSweep(p, plan.surfaces);
    EXPECT_NEAR(air.low, 90, 1e-6);
    EXPECT_NEAR(air.high, 100, 1e-6);
    EXPECT_NEAR(settingOf(plan, "rough", "wood all round to a radius of"), 90, 1e-6);
    EXPECT_GE(settingOf(plan, "rough", "sweeps a radius of"), 150);
    ASSERT_FALSE(plan.mounts.empty());
    EXPECT_GE(plan.mounts.front().sweep, 150) << "the rest stands clear of the whole log";
    EXPECT_TRUE(find(plan, "air-sweep"));
    EXPECT_FALSE(find(plan, "short")) << "the outline may go beyond the log";
    // The wall at 12 o'clock is the bark's 90 mm less the hollow's 86.
    EXPECT_NEAR(plan.shape.thinnest.wall, 4, 0.05);
    EXPECT_TRUE(find(plan, "wall"));
}

TEST(Bark, ALogOffItsMiddleHasAHeavySideUntilItIsRound)
{
    Piece p = inLog(WallRule::Even);
    p.edge.kind = Edge::Turned;
    p.outside = {{.z = 0, .r = 80, .span = Span::Line}, {.z = 100, .r = 80, .span = Span::Line}};
    const Plan plan = makePlan(p, harbourShop());
    ASSERT_GE(plan.mounts.size(), 2u);
    EXPECT_NEAR(plan.mounts[0].offset, 30, 1e-6);
    EXPECT_LE(plan.mounts[0].speed.high, 400) << "out of balance: common practice";
    EXPECT_EQ(plan.mounts[1].offset, 0) << "round";
    // What stays of the bark keeps it out of balance: what the circle has beyond the lens lies at 12 o'clock.
    const Piece bark = inLog(WallRule::Even);
    const Plan flank = makePlan(bark, harbourShop());
    EXPECT_GT(flank.mounts[1].offset, 0.1);
    EXPECT_LT(flank.mounts[1].offset, 5);
}

TEST(Bark, IsTurnedOnceWhileWetButNeverTwice)
{
    Piece p = inLog(WallRule::Even);
    p.hollow.rimWall = 8;
    p.hollow.floor = 12;
    auto* log = p.layers[0].as<BlockForm>();
    log->moisture = 40;
    for (const BlockForm::Wet wet : {BlockForm::TurnedOnce, BlockForm::TurnedTwice}) {
        log->wet = wet;
        const Plan plan = makePlan(p, harbourShop());
        EXPECT_EQ(find(plan, "wet-block") != nullptr, wet == BlockForm::TurnedTwice);
    }
}

TEST(Bark, IsOfALogAlone)
{
    Piece p = inLog(WallRule::Even);
    p.layers[0].as<BlockForm>()->shape = BlockForm::Square;
    const Plan plan = makePlan(p, harbourShop());
    EXPECT_TRUE(plan.surfaces.round());
    EXPECT_TRUE(find(plan, "edge-bark"));
}

}  // namespace vl::test
