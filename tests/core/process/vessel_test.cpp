// End grain that is hollowed from its free end, rings bored right through, spindles: their blanks, their grips, their
// order. Figures worked by hand beside each case, with the usual jaws: 38 to 100, 8 mm of tenon.
#include "core/blank/stock.h"
#include "core/holding/foot_hold.h"
#include "core/plan/boards/setups.h"
#include "core/plan/plan.h"
#include "core/workpiece/laws.h"
#include "tests/support/plain_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

namespace vl::test {
namespace {

/// A vase Ø 120 by 200, its floor 12 up, its mouth Ø 78.
Piece vase()
{
    Piece p = plainCylinder(60, 200, BlockForm::Along, 6, 12);
    p.outside = {corner(0, 35), corner(80, 60), corner(200, 45)};
    return p;
}

/// A ring Ø 100 by 40, bored to 80.
Piece ring()
{
    Piece p = plainCylinder(50, 40, BlockForm::Along);
    p.hollow.rule = WallRule::Bored;
    p.hollow.bore = 80;
    return p;
}

Piece pin() { return plainCylinder(14, 150, BlockForm::Along); }

/// Whether these steps come in this order.
void expectOrder(const Plan& plan, const std::vector<std::string>& ids)
{
    for (size_t i = 0; i + 1 < ids.size(); ++i) {
        ASSERT_TRUE(stepOf(plan, ids[i])) << ids[i];
        ASSERT_TRUE(stepOf(plan, ids[i + 1])) << ids[i + 1];
        EXPECT_LT(placeOf(plan, ids[i]), placeOf(plan, ids[i + 1])) << ids[i] << " before " << ids[i + 1];
    }
}

const Mount& mountOf(const Plan& plan, const std::string& id)
{
    const auto it = std::ranges::find(plan.mounts, id, &Mount::id);
    EXPECT_NE(it, plan.mounts.end()) << id;
    return *it;
}

}  // namespace

TEST(Vessel, BlankHasWhatHoldingTakes)
{
    struct Case {
        const char* what;
        Piece piece;
        double foot, rim;
    };
    Piece narrow = vase();  // its mouth does not take the drive's mark away
    narrow.outside.back().r = 18;
    Piece parted = pin();  // glued up 20 longer: 10 of the 12 are there at each end
    parted.layers[0].partedFrom = 170;
    Piece lidded = plainCylinder(40, 120, BlockForm::Along, 6, 10);
    lidded.lid.on = true;
    lidded.lid.at = 70;
    const Case cases[]{{"a vase: its tenon, and 2 faced off the rim", vase(), 8, 2},
                       {"a narrow mouth: the drive's mark is parted off", narrow, 8, 12},
                       {"a ring: its tenon, and 6 that close the bore", ring(), 14, 2},
                       {"a pin: 12 for each center", pin(), 12, 12},
                       {"a pin parted down", parted, 2, 2},
                       {"a bowl: its tenon", plainCylinder(60, 50, BlockForm::Across, 6, 10), 8, 0}};
    for (const Case& c : cases) {
        const Plan plan = makePlan(c.piece, {});
        const EndWaste waste = endWaste(c.piece, {}, plan.surfaces);
        EXPECT_NEAR(waste.foot, c.foot, 1e-9) << c.what;
        EXPECT_NEAR(waste.rim, c.rim, 1e-9) << c.what;
        const Part& blank = plan.assembly.parts.front();
        const BlockForm& form = *c.piece.layers[0].as<BlockForm>();
        EXPECT_NEAR(form.alongAxis() ? blank.length : blank.thickness,
                    c.piece.layers[0].gluedThickness() + c.foot + c.rim, 1e-9)
            << c.what;
    }
    // A box: a tenon at each end, the parting cut and the spigot between.
    const EndWaste box = endWaste(lidded, {}, turnedSurfacesOf(lidded));
    EXPECT_NEAR(box.both(), 6 + 6 + lidded.lid.parting + lidded.lid.spigot, 1e-9);
}

TEST(Vessel, IsHollowedWhereNoCenterStands)
{
    const Plan plan = makePlan(vase(), {});
    expectOrder(plan, {"mount-first", "rough", "foot", "fine-outside", "mount-reversed", "bore-start", "hollow", "fine",
                       "mount-last", "foot-off"});
    EXPECT_TRUE(mountOf(plan, "mount-first").held.tailstock);
    EXPECT_TRUE(mountOf(plan, "mount-first").held.rimToHead) << "its foot lies free at the tailstock for the tenon";
    EXPECT_FALSE(mountOf(plan, "mount-reversed").held.tailstock);
    EXPECT_TRUE(mountOf(plan, "mount-reversed").held.alongGrain);
    // 200 − 12 − 3 from the finished rim; the rod 2 over the floor.
    EXPECT_NEAR(settingOf(plan, "bore-start", "deep, from the finished rim"), 185, 1e-6);
    EXPECT_NEAR(settingOf(plan, "hollow", "depth rod stands out"), 186, 1e-6);
    EXPECT_NEAR(settingOf(plan, "bore-start", "bit, Ø"), 35, 1e-9);
    EXPECT_NEAR(settingOf(plan, "bore-start", "bored at, at the most"), 500, 1e-9) << "17,500 / 35";
    // 0.8 · 60 = 48 within the jaws, and two less than the foot's 70.
    EXPECT_NEAR(mountOf(plan, "mount-reversed").held.diameter, 48, 1e-9);
    // Its rim goes into a jam chuck: Ø 90 outside, not the mouth's 78.
    EXPECT_NEAR(mountOf(plan, "mount-last").held.diameter, 90, 1e-9);
    EXPECT_FALSE(plan.mustStop());
}

TEST(Vessel, StartingHoleIsNarrowerThanItsMouth)
{
    for (const double mouth : {8.0, 12.0, 20.0, 30.0, 45.0}) {
        Piece p = vase();
        p.outside.back().r = mouth + 6;
        const Plan plan = makePlan(p, {});
        const double bit = settingOf(plan, "bore-start", "bit, Ø");
        EXPECT_LE(bit, std::max(4.0, 2 * plan.surfaces.inside.back().y())) << mouth;
        EXPECT_LE(bit, 35) << mouth;
        EXPECT_GE(bit, 4) << mouth;
    }
}

TEST(Vessel, RingIsClosedByItsWasteUntilItIsParted)
{
    const Plan plan = makePlan(ring(), {});
    expectOrder(plan, {"mount-reversed", "bore-start", "hollow", "fine", "part-off", "mount-last", "foot-off"});
    EXPECT_NEAR(settingOf(plan, "hollow", "deep, from the finished rim"), 41, 1e-9) << "1 mm into the waste";
    EXPECT_NEAR(settingOf(plan, "hollow", "waste left to close the bore"), 5, 1e-9) << "14 − the tenon's 8 − 1";
    EXPECT_NEAR(settingOf(plan, "part-off", "waste under it"), 14, 1e-9);
    EXPECT_FALSE(mountOf(plan, "mount-last").held.tailstock) << "no center holds a ring";
    EXPECT_NEAR(mountOf(plan, "mount-last").held.diameter, 100, 1e-9);
    // A bore that a bit makes is drilled before it is mounted, and stays between cones.
    Piece drilled = ring();
    drilled.hollow.bore = 30;
    const Plan cones = makePlan(drilled, {});
    EXPECT_FALSE(stepOf(cones, "mount-reversed"));
    expectOrder(cones, {"bore-L1", "mount-centres-L1", "rough", "part-off"});
}

TEST(Vessel, IsBuiltOnABlockWhereThatIsChosen)
{
    Piece p = vase();
    p.choices.holding = HoldMethod::GlueBlock;
    const Plan plan = makePlan(p, {});
    EXPECT_TRUE(stepOf(plan, "waste-block"));
    EXPECT_FALSE(stepOf(plan, "mount-first"));
    for (const BrokenLaw& b : brokenLaws(plan.assembly.recipe, plan.schedule.order, stockOf(plan.assembly), {}))
        ADD_FAILURE() << lawName(b.law) << " at " << b.step;
}

TEST(Vessel, SidesOnOtherAxesAreCutWhileItIsSolid)
{
    Piece p = vase();
    OffAxis a;
    a.id = "A1";
    a.by = AxisBy::Centers;
    a.headOffset = a.tailOffset = 6;
    a.outside = {corner(40, 50), corner(160, 50)};
    p.axes = {a};
    const Plan plan = makePlan(p, {});
    expectOrder(plan,
                {"centres", "mount-first", "fine-outside", "turn-A1-1", "mount-reversed", "bore-start", "hollow"});
    Piece box = plainCylinder(40, 120, BlockForm::Along, 6, 10);
    box.lid.on = true;
    box.lid.at = 70;
    a.outside = {corner(20, 36), corner(60, 36)};
    box.axes = {a};
    expectOrder(makePlan(box, {}), {"centres", "mount-centres", "fine-outside", "turn-A1-1", "part-lid", "hollow-lid"});
}

TEST(Vessel, WetLogIsBoredAndTurnedTwice)
{
    Piece p = vase();
    BlockForm& log = *p.layers[0].as<BlockForm>();
    log.shape = BlockForm::Log;
    log.log = 180;
    log.moisture = 40;
    log.wet = BlockForm::TurnedTwice;
    const Plan plan = makePlan(p, {});
    expectOrder(plan, {"mount-first-wet", "rough-wet", "foot-wet", "mount-reversed-wet", "bore-start", "hollow-wet",
                       "dry-wet", "mount-dry", "rough", "mount-reversed", "hollow"});
    // A tenth of the greatest diameter stays all round: the hole ends that much more over the floor.
    const double wall = settingOf(plan, "hollow-wet", "wall left all round");
    EXPECT_GT(settingOf(plan, "bore-start", "left over the floor"), 3);
    EXPECT_LT(settingOf(plan, "bore-start", "left over the floor"), wall + 3);
    // Round wood goes through no thicknesser and no rip fence.
    for (const vl::Setup& s : setupsOf(p, plan.assembly, {})) EXPECT_EQ(s.machine, "bandsaw, the log in a cradle");
}

TEST(WasteBlock, HasATenonThatTheJawsTake)
{
    for (const auto& [least, most, depth] :
         {std::tuple{20.0, 65.0, 6.0}, {38.0, 100.0, 10.0}, {50.0, 60.0, 4.0}, {70.0, 120.0, 12.0}}) {
        Shop shop;
        shop.jaws.gripLeast = least;
        shop.jaws.gripMost = most;
        shop.jaws.depth = depth;
        for (const double foot : {12.0, 30.0, 60.0, 110.0}) {
            const Piece stack = ringCone(foot, foot + 20, 90, 3, 12);
            const Plan plan = makePlan(stack, shop);
            const Held& held = mountOf(plan, "waste-block").held;
            EXPECT_GE(held.diameter, least) << foot;
            EXPECT_LE(held.diameter, most) << foot;
            EXPECT_LE(held.depth, depth) << foot;
            const double block = settingOf(plan, "waste-block", "block, Ø");
            EXPECT_GE(block, held.diameter + 6 - 1e-9) << "3 mm of shoulder all round, for " << foot;
        }
    }
}

TEST(Wings, AreThinnedFromTheTipWhileTheMiddleIsSolid)
{
    const Plan plan = makePlan(demo("gull-dish"), harbourShop());
    expectOrder(plan, {"mount-reversed", "wing-1", "wing-2", "hollow", "fine"});
    double last = 1e9;
    for (const Step* s : stepsOf(plan, "wing-")) {
        const double from = settingOf(plan, s->id, "from a radius of"), to = settingOf(plan, s->id, "to a radius of");
        EXPECT_LT(to, from);
        EXPECT_LE(from, last);
        EXPECT_LE(from - to, 75 + 1e-9) << "no band wider than three inches";
        last = to;
    }
    EXPECT_NEAR(settingOf(plan, "hollow", "within a radius of"), last, 1e-6) << "and no second cut";
    // A tray whose hollow ends within the wood all round has no wings to thin.
    EXPECT_TRUE(stepsOf(makePlan(demo("lead-tray"), harbourShop()), "wing-").empty());
    // A cushion bears on a circle that is there.
    EXPECT_LE(mountOf(plan, "mount-last").held.diameter, 2 * last + 1e-6);
}

TEST(Box, SeatStaysTightUntilTheLidIsFitted)
{
    const Plan plan = makePlan(demo("pilot-box"), harbourShop());
    const double now = settingOf(plan, "hollow", "lid’s seat for now, Ø"),
                 fitted = settingOf(plan, "fit-lid", "bore, Ø, snug");
    EXPECT_NEAR(fitted - now, 0.5, 1e-9);
}

TEST(Cracks, AreFilledWhileTheWallIsThick)
{
    const Plan plan = makePlan(demo("ballast-bowl"), harbourShop());
    const auto opened = stepsOf(plan, "open-");
    ASSERT_FALSE(opened.empty());
    for (const Step* s : opened) {
        EXPECT_LT(placeOf(plan, s->id), placeOf(plan, "hollow"));
        EXPECT_LT(placeOf(plan, s->id), placeOf(plan, "fine-outside"));
    }
    // Two of them cure side by side: only the last is waited for.
    Piece two = demo("ballast-bowl");
    two.inlays.push_back(two.inlays.front());
    two.inlays.back().id = "I2";
    two.inlays.back().direction += 120;
    const Plan both = makePlan(two, harbourShop());
    double waits = 0, once = 0;
    for (const Step* s : stepsOf(both, "fill-")) waits += s->waitMinutes;
    for (const Step* s : stepsOf(plan, "fill-")) once += s->waitMinutes;
    EXPECT_NEAR(waits, once, 1e-9);
}

}  // namespace vl::test
