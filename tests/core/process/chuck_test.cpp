// What holds long work: tenons for chucks that swing, bores that wait for the sides, tubes that carry a wall, nubs that
// go last. Every figure is worked out beside it.
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "core/process/finish_area.h"
#include "tests/support/plain_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>

namespace vl::test {
namespace {

std::string sayOf(const Plan& plan, const std::string& step)
{
    const Step* s = stepOf(plan, step);
    return s ? print(s->how) : "";
}

/// A cylinder with the grain along it and sides about an axis 22 mm off, by the middle of its height.
Piece sided(AxisBy by, double wall)
{
    Piece p = edit::addAxis(plainCylinder(45, 120, BlockForm::Along, wall, 12));
    OffAxis& axis = p.axes.back();
    axis.by = by;
    axis.headOffset = axis.tailOffset = 22;
    axis.sides = 1;
    axis.outside = {corner(20, 62), corner(100, 62)};
    return p;
}

}  // namespace

TEST(Chuck, SwingsASpindleByATenonAndBoresItOnceItsSidesAreCut)
{
    const Plan plan = makePlan(demo("flare-case"), harbourShop());
    // 8 mm of tenon and 6 that close the bore at the foot; 12 that a center's mark needs at the rim.
    EXPECT_NEAR(plan.assembly.parts.front().length, 180 + 14 + 12, 1e-9);
    // Foot Ø 42, roughed 1 mm over all round, less a shoulder of 3 mm.
    EXPECT_NEAR(settingOf(plan, "foot", "tenon, Ø"), 42 + 2 * 1 - 2 * 3, 1e-9);
    EXPECT_LT(placeOf(plan, "foot"), placeOf(plan, "mount-A1-1"));
    EXPECT_LT(placeOf(plan, "sand-A1-7"), placeOf(plan, "bore")) << "a center stands under each end till then";
    EXPECT_NEAR(settingOf(plan, "bore", "deep"), 181, 1e-9) << "1 mm into the waste";
    EXPECT_NEAR(settingOf(plan, "bore", "waste left to close the bore"), 14 - 8 - 1, 1e-9);
    EXPECT_NEAR(settingOf(plan, "bore", "bored at, at the most"), 500, 1e-9)
        << "17,500 / 22 is faster than one end bears";
    const auto drilled = std::ranges::find(plan.mounts, "mount-bore", &Mount::id),
               coned = std::ranges::find(plan.mounts, "mount-cone", &Mount::id);
    ASSERT_NE(drilled, plan.mounts.end());
    ASSERT_NE(coned, plan.mounts.end());
    EXPECT_FALSE(drilled->held.tailstock);
    EXPECT_EQ(drilled->speed.high, 500) << "one speed in mount and step";
    EXPECT_TRUE(coned->held.tailstock) << "what is sanded and parted is carried at both ends";
    for (const Mount& m : plan.mounts)
        if (m.held.setUp >= 0) {
            EXPECT_EQ(m.held.by, Hold::Eccentric);
            EXPECT_NEAR(m.held.diameter, 38, 1e-9) << "the tenon, not the finished outside";
        }
}

TEST(Chuck, HoldsASpindleForAHoleWhereItsCenterStood)
{
    Piece stick = edit::addHole(plainCylinder(25, 160, BlockForm::Along));
    Hole& h = stick.holes.back();
    h.into = Hole::Rim;
    h.at = 0;
    h.count = 1;
    h.ends = Hole::Depth;
    h.depth = 30;
    h.diameter = 22;
    const Plan plan = makePlan(stick, {});
    const std::string drill = "drill-" + h.id;
    ASSERT_GE(placeOf(plan, drill), 0);
    EXPECT_LT(placeOf(plan, "mount-bore"), placeOf(plan, "face-rim"));
    EXPECT_LT(placeOf(plan, "face-rim"), placeOf(plan, drill)) << "the center's waste comes off first";
    EXPECT_LT(placeOf(plan, drill), placeOf(plan, "mount-cone"));
    EXPECT_LT(placeOf(plan, "mount-cone"), placeOf(plan, "sand"));
    // 8 mm of tenon, 3 of shoulder: a center's 12 are more.
    EXPECT_NEAR(plan.assembly.parts.front().length, 160 + 12 + 12, 1e-9);
}

TEST(Chuck, TakesTheTenonAfterSidesWhoseMarksLieBesideIt)
{
    // 22 mm off and 9 of wood round the mark: beside a tenon of Ø 38 (0.8 · 45 is less than the jaws' least).
    const Plan marked = makePlan(sided(AxisBy::Centers, 15), {});
    EXPECT_LT(placeOf(marked, "sand-A1-1"), placeOf(marked, "mount-true"));
    EXPECT_LT(placeOf(marked, "mount-true"), placeOf(marked, "foot")) << "never turned on the sides' axis";
    EXPECT_LT(placeOf(marked, "foot"), placeOf(marked, "mount-reversed"));
    EXPECT_LT(placeOf(marked, "mount-reversed"), placeOf(marked, "hollow"));
    // A chuck needs it first.
    const Plan chucked = makePlan(sided(AxisBy::Eccentric, 15), {});
    EXPECT_LT(placeOf(chucked, "foot"), placeOf(chucked, "mount-A1-1"));
    for (const Plan* plan : {&marked, &chucked})
        for (const Mount& m : plan->mounts) EXPECT_TRUE(m.held.served) << m.id;
    // On a faceplate there is no tenon: said, with a way out.
    Piece plate = sided(AxisBy::Eccentric, 15);
    plate.choices.foot = FootMethod::Faceplate;
    const Plan none = makePlan(plate, {});
    const Caution* said = find(none, "no-tenon");
    ASSERT_TRUE(said);
    for (const Fix& fix : said->fixes) EXPECT_FALSE(find(makePlan(fix.apply(plate), {}), "no-tenon"));
}

TEST(Chuck, KnowsThatOneSideLeavesTheWorkOutOfBalance)
{
    // A disc of radius 45 less what lies outside a circle of 62 about a point 22 off it: its middle by plane geometry.
    const double R = 45, r = 62, d = 22, whole = pi * R * R, kept = lens(R, r, d);
    ASSERT_LT(kept, whole);
    double moment = 0;  // of the kept lens about the disc's middle, by strips across the line of middles
    constexpr int strips = 200000;
    for (int k = 0; k < strips; ++k) {
        const double x = -R + 2 * R * (k + 0.5) / strips;
        const double a = R * R - x * x, b = r * r - (x - d) * (x - d);
        if (a > 0 && b > 0) moment += 2 * std::sqrt(std::min(a, b)) * x * 2 * R / strips;
    }
    // 80 of its 120 mm are cut so; the mean is by weight.
    const double cut = 80.0 / 120, offset = cut * moment / (cut * kept + (1 - cut) * whole);
    const Plan plan = makePlan(sided(AxisBy::Eccentric, 15), {});
    const auto reversed = std::ranges::find(plan.mounts, "mount-reversed", &Mount::id);
    ASSERT_NE(reversed, plan.mounts.end());
    EXPECT_NEAR(reversed->offset, offset, 0.08);
    EXPECT_EQ(reversed->limit == "diameter", false) << "it is not round any more";
}

TEST(Chuck, TakesABlankThatWasNeverTurnedForTwoMillimetersOffItsMiddle)
{
    Shop light;
    light.lathe.mass = 40;
    const Plan plan = makePlan(plainCylinder(170, 120, BlockForm::Across, 12), light);
    const Mount& first = plan.mounts.front();
    EXPECT_EQ(first.offset, 2);
    // A tenth of the lathe's weight = m · e · ω².
    const double omega = std::sqrt(0.1 * 40 * 9.80665 / (plan.shape.roughWeight * 0.002));
    EXPECT_LE(first.speed.high, omega * 60 / (2 * pi) + 1);
}

TEST(Block, IsAsWideAsItsProofAsks)
{
    // A foot of Ø 20 under a stack of 180 mm: 0.6 of the least block would be a tenon of Ø 24.
    const Plan plan = makePlan(demo("plumb-bob"), harbourShop());
    const auto block = std::ranges::find(plan.mounts, "waste-block", &Mount::id);
    ASSERT_NE(block, plan.mounts.end());
    EXPECT_TRUE(block->proof.holds) << block->why;
    EXPECT_GE(settingOf(plan, "waste-block", "block, Ø"), block->held.diameter + 6) << "a shoulder of 3 mm";
}

TEST(Barrel, IsLinedAndSquaredBeforeItIsTurned)
{
    const Piece pen = demo("log-pen");
    const Plan plan = makePlan(pen, harbourShop());
    EXPECT_FALSE(plan.mustStop());
    const char* order[]{"bore-L1", "tube-L1", "square-L1", "mount-mandrel", "rough",
                        "fine",    "sand",    "finish",    "fit-B2"};
    for (size_t k = 1; k < std::size(order); ++k)
        EXPECT_LT(placeOf(plan, order[k - 1]), placeOf(plan, order[k])) << order[k];
    EXPECT_GE(placeOf(plan, order[0]), 0);
    EXPECT_FALSE(stepOf(plan, "part-off")) << "its ends are done";
    EXPECT_FALSE(stepOf(plan, "fit-B1")) << "the tube is in";
    EXPECT_NEAR(plan.assembly.parts.front().length, 52 + 2 * 1.5, 1e-9) << "what squaring takes";
    EXPECT_NEAR(stepOf(plan, "tube-L1")->glue.area, pi * 7 * 52, 1e-9);
    EXPECT_NEAR(settingOf(plan, "mount-mandrel", "bushing at the foot’s end, Ø"), 12.2, 1e-9);
    EXPECT_NEAR(settingOf(plan, "mount-mandrel", "bushing at the rim’s end, Ø"), 11.4, 1e-9);
    EXPECT_EQ(finishArea(pen, plan.surfaces).inside, 0) << "no finish reaches the wood behind the tube";
    // A hole where a center stands elsewhere needs no tenon here: there is no waste for one.
    Piece ended = edit::addHole(pen);
    ended.holes.back().into = Hole::Rim;
    ended.holes.back().at = 0;
    ended.holes.back().count = 1;
    EXPECT_FALSE(stepOf(makePlan(ended, harbourShop()), "foot"));
    // A tube wider than its bore is a stop that ends with its way out.
    Piece tight = pen;
    tight.hollow.bore = 6.9;
    const Plan stopped = makePlan(tight, harbourShop());
    const Caution* fit = find(stopped, "bought-fit-B1");
    ASSERT_TRUE(fit);
    EXPECT_EQ(fit->level, Level::Stop);
    EXPECT_FALSE(find(makePlan(fit->fixes[0].apply(tight), harbourShop()), "bought-fit-B1"));
}

TEST(Nub, GoesLast)
{
    // Legs are hollowed while it still stands under the live center.
    const Plan legs = makePlan(demo("buoy-bowl"), harbourShop());
    EXPECT_NE(sayOf(legs, "foot-off").find("The nub stays"), std::string::npos);
    EXPECT_NE(sayOf(legs, "hollow-legs-W1").find("saw the nub off"), std::string::npos);
    // In a recess it is cut off before the jaws go in.
    Piece bowl = plainCylinder(100, 60, BlockForm::Across, 8);
    bowl.choices.foot = FootMethod::Recess;
    const Plan plan = makePlan(bowl, {});
    EXPECT_LT(placeOf(plan, "foot"), placeOf(plan, "nub-of-foot"));
    EXPECT_LT(placeOf(plan, "nub-of-foot"), placeOf(plan, "mount-reversed"));
    EXPECT_GE(placeOf(plan, "foot"), 0);
}

}  // namespace vl::test
