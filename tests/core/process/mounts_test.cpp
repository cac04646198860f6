// What a mount says at the machine: how far the work sweeps, and what it bears; and what nothing may raise.
#include "core/geometry/stave.h"
#include "core/geometry/turned_about.h"
#include "core/plan/plan.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <algorithm>

using namespace vl;

namespace {

constexpr const char* sweeps = "sweeps a radius of";

Piece offAxis(double radius, double height, double offset)
{
    Piece p = test::plainCylinder(radius, height, BlockForm::Along);
    OffAxis a;
    a.id = "A1";
    a.by = AxisBy::Eccentric;
    a.headOffset = offset;
    a.sides = 1;
    a.outside = {test::corner(20, radius - 4), test::corner(height - 20, radius - 4)};
    p.axes = {a};
    return p;
}

const Mount& mountOf(const Plan& plan, const std::string& id)
{
    const auto it = std::ranges::find(plan.mounts, id, &Mount::id);
    EXPECT_NE(it, plan.mounts.end()) << id;
    return *it;
}

std::vector<Caution> stopsAt(const Plan& plan, const char* kind)
{
    std::vector<Caution> all;
    for (const Caution& c : plan.cautions)
        if (c.id.starts_with(kind)) all.push_back(c);
    return all;
}

}  // namespace

TEST(Mounts, SweepTheCornersOfSquareWork)
{
    // A board 203.2 square on its middle, and a winged one 304 by 190: plane geometry (√(a² + b²) / 2).
    struct Case {
        double length, width, corner;
    };
    for (const Case& c : {Case{203.2, 203.2, 143.684}, Case{304, 190, 179.246}, Case{308, 150, 171.292}}) {
        Piece p = test::plainCylinder(c.corner + 1, 40, BlockForm::Across, 12, 12);
        p.edge.kind = Edge::Square;
        p.edge.length = c.length;
        p.edge.width = c.width;
        const Plan plan = makePlan(p, {});
        ASSERT_FALSE(plan.mounts.empty());
        constexpr double allowances = 6;  // mm that the blank is sawn larger, both ways
        for (const Mount& m : plan.mounts) {
            EXPECT_GE(m.sweep, c.corner - 1e-3) << m.id;
            EXPECT_LE(m.sweep, c.corner + allowances) << m.id;
        }
        EXPECT_NEAR(plan.lathe.roughRadius, plan.mounts.front().sweep, 1e-3) << "cover and mount say one number";
    }
}

TEST(Mounts, SweepFartherOffTheirAxis)
{
    // Round Ø 70 set 15 off sweeps 50 (plane geometry), however it is turned on.
    const Plan plan = makePlan(offAxis(35, 120, 15), {});
    const Mount& m = mountOf(plan, "mount-A1-1");
    // Turned round before it is set off; the waste at its ends stands 1 mm proud, as roughing left it.
    EXPECT_NEAR(m.sweep, 51, 1e-3);
    EXPECT_NEAR(mountOf(plan, "mount-centres-L1").sweep, plan.lathe.roughRadius, 1e-3) << "its corners still stand";
    // A slanted one at the worse end: head on its mark, tail 12 off.
    Piece slanted = offAxis(35, 120, 0);
    slanted.axes[0].by = AxisBy::Centers;
    slanted.axes[0].tailOffset = 12;
    const Plan leaning = makePlan(slanted, {});
    EXPECT_GE(mountOf(leaning, "mount-A1-1").sweep, 47 - 1e-9);
}

TEST(Mounts, BearAllThatIsGluedOnMeanwhile)
{
    // A block is mounted bare, and a cup of fifteen layers is built on it.
    const Plan plan = makePlan(test::regattaCup(), test::harbourShop());
    const Mount& m = mountOf(plan, "waste-block");
    double corner = 0, height = 0;
    for (const BuiltLayer& b : plan.assembly.layers) {
        corner = std::max(corner, b.cornerRadius());
        height = std::max(height, b.z1);
    }
    EXPECT_GE(m.sweep, corner - 1e-3);
    EXPECT_GE(m.held.overhang, height) << "from the chuck, over the block, to the uppermost layer";
    EXPECT_LE(m.speed.high, speedRange(2 * corner).high + 1);
}

TEST(Mounts, SayTheSameSweepInTheirStep)
{
    for (const std::string& name : test::demoNames()) {
        const Plan plan = makePlan(test::demo(name), test::harbourShop());
        for (const Mount& m : plan.mounts) {
            const Step& step = *std::ranges::find(plan.assembly.recipe, m.id, &Step::id);
            const auto said = std::ranges::find(step.settings, sweeps, &Setting::name);
            ASSERT_NE(said, step.settings.end()) << name << ", " << m.id;
            EXPECT_EQ(said->value, m.sweep) << name << ", " << m.id;
        }
    }
}

TEST(Mounts, NoSpeedIsRaisedToTheLathesLowest)
{
    Shop shop;
    shop.lathe.lowestRpm = 500;
    const Piece grip = offAxis(35, 120, 10);
    const Plan plan = makePlan(grip, shop);
    EXPECT_LE(mountOf(plan, "mount-A1-1").speed.high, 400) << "out of balance: common practice";
    const auto stops = stopsAt(plan, "mount-speed");
    ASSERT_EQ(stops.size(), 1u);
    EXPECT_EQ(stops[0].level, Level::Stop);
    EXPECT_EQ(stops[0].limit, mountOf(plan, "mount-A1-1").speed.high);
    ASSERT_FALSE(stops[0].fixes.empty());
    EXPECT_TRUE(stopsAt(makePlan(stops[0].fixes.back().apply(grip), shop), "mount-speed").empty());
    // Whatever is mounted in whatever shop: what is printed is a limit, not a wish.
    test::property([] {
        Shop any;
        any.lathe.lowestRpm = test::inRange(30, 1500);
        any.lathe.highestRpm = any.lathe.lowestRpm + test::inRange(100, 3000);
        any.lathe.mass = test::inRange(20, 400);
        const Piece p = offAxis(test::inRange(15, 150), test::inRange(60, 300), test::inRange(0, 60));
        const Plan made = makePlan(p, any);
        for (const Mount& m : made.mounts) {
            RC_ASSERT(m.speed.high <= any.lathe.highestRpm);
            RC_ASSERT(m.speed.high <= 9000 * mmPerInch / (2 * m.sweep) + 1e-6);
            if (m.held.setUp >= 0) RC_ASSERT(m.speed.high <= 400);
            RC_ASSERT(m.speed.low <= m.speed.high);
            if (m.speed.high < any.lathe.lowestRpm - 1e-6) RC_ASSERT(made.mustStop());
        }
    });
}

TEST(Mounts, ASwingBeyondTheBedIsAStopThatIsHealed)
{
    Shop shop;
    shop.lathe.swingRadius = 60;
    const Piece grip = offAxis(35, 120, 25);
    const auto stops = stopsAt(makePlan(grip, shop), "mount-swing");
    ASSERT_EQ(stops.size(), 1u);
    for (const Fix& fix : stops[0].fixes)
        EXPECT_TRUE(stopsAt(makePlan(fix.apply(grip), shop), "mount-swing").empty()) << print(fix.label);
}

TEST(Tilted, ARayLeavesWhereItFirstMeetsTheOutline)
{
    // Against the definition: all of the way to there is kept, and what lies just beyond is not.
    test::property([] {
        Polyline outline;
        double z = -40;
        for (int k = test::inRange(2, 9); k > 0; --k) {
            outline.emplace_back(z, test::inRange(5, 90));
            z += test::inRange(1, 80);
        }
        outline.emplace_back(z, test::inRange(5, 90));
        const auto t = TurnedAbout::tilted(test::inRange(1, 31), test::inRange(0, 360), test::inRange(0, 120), outline);
        const double at = t.from() + (t.to() - t.from()) * test::inRange(1, 100) / 100.0, angle = test::inRange(0, 360);
        const Point inside = t.centerAt(at);
        const auto kept = [&](double far) {
            const Point p = inside + polar(far, angle);
            return t.keeps({at, p.x(), p.y()});
        };
        if (!kept(0)) return;
        const double out = t.exit(at, inside, angle);
        const double most = std::isfinite(out) ? out : 400;
        for (int k = 0; k < 60; ++k) RC_ASSERT(kept(most * k / 60));
        if (std::isfinite(out)) RC_ASSERT(!kept(out + 1e-5));
    });
}

TEST(Mounts, ARingThatHotGlueHoldsRunsSlowly)
{
    // Stuck to scrap by its edge alone: 500 rpm at the most, our own cautious value.
    const Plan plan = makePlan(test::demo("tide-basin"), test::harbourShop());
    const auto mount = std::ranges::find(plan.mounts, "mount-recess-L1", &Mount::id);
    ASSERT_NE(mount, plan.mounts.end());
    EXPECT_EQ(mount->held.by, Hold::GlueBlock);
    EXPECT_LE(mount->speed.high, 500);
    EXPECT_EQ(mount->limit, "hot glue round its edge");
}

TEST(Stave, ItsBoreBeginsWhereTheInnerFacesComeToTheAxis)
{
    // Apothem 41 + 0.05 z, inner faces 43.5 inside them: open from z = 50 (plane geometry).
    Stave s{.sides = 8, .slopeDeg = std::atan(0.05) / degrees, .bottom = 82, .height = 120, .thickness = 0};
    s.thickness = 43.5 * std::cos(s.slopeDeg * degrees);
    EXPECT_NEAR(s.closesAt(), 50, 1e-9);
    // The same of a blank: what holds a bore of its own is closed below and open above.
    Piece p = test::ringCone(40, 46, 120, 1, 8);
    StavesForm staves;
    staves.segments = 8;
    p.layers[0].form = staves;
    const Plan plan = makePlan(p, {});
    for (const BuiltLayer& b : plan.assembly.layers)
        for (size_t i = 1; i < b.innerHold.size(); ++i) EXPECT_LE(b.innerHold[i - 1].y(), b.innerHold[i].y() + 1e-9);
}
