// Blocks of one wood: their shapes against closed forms, what holds them against what it has to stand, and square work
// that keeps its edges.
#include "core/picture/mesh.h"
#include "core/piece/edits/log_middle.h"
#include "core/plan/foot_choices.h"
#include "core/plan/plan.h"
#include "core/process/block_recipe.h"
#include "core/wood/figure.h"
#include "core/workpiece/cross_section.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <boost/math/quadrature/gauss_kronrod.hpp>

#include <algorithm>
#include <cmath>

using namespace vl;

namespace {

/// A bowl out of one block, grain across.
Piece bowl(double radius = 100, double height = 70, double foot = 45)
{
    Piece p;
    p.outside = {test::corner(0, foot), test::corner(3, foot), test::corner(height * 0.6, radius * 0.9),
                 test::corner(height, radius)};
    p.hollow.rule = WallRule::Even;
    p.hollow.rimWall = 8;
    p.hollow.floor = 14;
    Layer layer;
    layer.thickness = height;
    layer.woods = {"cherry"};
    layer.form = BlockForm{};
    p.layers = {layer};
    identifyLayers(p);
    return p;
}

}  // namespace

TEST(Block, ShapesHaveTheVolumesOfTheirForms)
{
    struct Case {
        BlockForm::Shape shape;
        double expected;
        double within;
    };
    const double height = 70, half = 102;  // radius and allowance
    // A half log 70 high of a log of 300: its section is a circle's segment between two chords.
    const double strip = boost::math::quadrature::gauss_kronrod<double, 31>::integrate(
        [](double t) { return 2 * std::sqrt(150.0 * 150 - t * t); }, 0.0, height, 10, 1e-9);
    for (const Case& c :
         {Case{BlockForm::Square, 4 * half * half * height, 1e-9},
          Case{BlockForm::Round, pi * half * half * height, 3e-3}, Case{BlockForm::HalfLog, strip * 2 * half, 5e-3},
          Case{BlockForm::Log, pi * 150 * 150 * height, 3e-3}}) {
        Piece p = bowl();
        p.layers[0].as<BlockForm>()->shape = c.shape;
        const BuiltLayer b = makePlan(p, Shop{}).assembly.layers[0];
        EXPECT_NEAR(b.volume / c.expected, 1, c.within) << choices(BlockForm::Shape{})[c.shape].name;
        // As much as it says it holds, and no more: a circle a little wider comes out of it somewhere.
        for (const Point& hold : b.outerHold) {
            if (hold.y() < 1) continue;
            double least = 1e9;
            for (int k = 0; k < 360; ++k) {
                double reach = 1e9;
                for (const HalfSpace& h : b.sawnFaces(b.cells[0])) {
                    const double slope = h.normal.dot(outwards(k));
                    if (slope > 1e-9) reach = std::min(reach, (h.offset - h.normal.x() * hold.x()) / slope);
                }
                least = std::min(least, reach);
            }
            EXPECT_NEAR(least, hold.y(), 0.02 * hold.y()) << c.expected << " at " << hold.x();
        }
    }
}

TEST(Block, ALogOffItsMiddleHoldsWhatIsLeftOnItsNarrowSide)
{
    Piece p = bowl();
    BlockForm& log = *p.layers[0].as<BlockForm>();
    log.shape = BlockForm::Log;
    log.log = 300;
    for (const auto& [off, towards] : {std::pair{0.0, 0.0}, {25.0, 90.0}, {60.0, -135.0}, {400.0, 10.0}}) {
        setLogMiddle(log, off, towards);
        EXPECT_NEAR(std::remainder(logMiddleTowards(log) - towards, 360), 0, 1e-9);
        EXPECT_LT(logOffset(log), 150) << "the axis stays in the wood";
        const BuiltLayer b = makePlan(p, Shop{}).assembly.layers[0];
        const auto reach = [&](double angleDeg) {
            double out = 1e9;
            for (const HalfSpace& h : b.sawnFaces(b.cells[0]))
                if (const double slope = h.normal.dot(outwards(angleDeg)); slope > 1e-9)
                    out = std::min(out, (h.offset - h.normal.x() * p.layers[0].thickness / 2) / slope);
            return out;
        };
        // The years go round the middle: along a circle about it the wood is of one year, so of one color but for its
        // own waviness; about the axis it is not.
        const auto spread = [&](double aboutOff) {
            const Eigen::Vector3d middle = aboutOff * outwards(towards) + 20 * Eigen::Vector3d::UnitX();
            double sum = 0, squares = 0;
            constexpr int looks = 72;
            for (int k = 0; k < looks; ++k) {
                const Eigen::Vector3d at = b.cells[0].board.place(middle + 60 * outwards(360.0 * k / looks));
                const auto [across, through] = pithOf(b.cells[0].seed);
                const double r = std::hypot(at.y() - across, at.z() - through);
                sum += r;
                squares += r * r;
            }
            return std::sqrt(std::max(0.0, squares / looks - std::pow(sum / looks, 2)));
        };
        EXPECT_NEAR(spread(logOffset(log)), 0, 1e-3) << off;
        if (off > 0) EXPECT_GT(spread(0), 5) << off;
        // The bark is farthest where the middle lies, and nearest across from there.
        EXPECT_NEAR(reach(towards), 150 + logOffset(log), 0.6) << off;
        EXPECT_NEAR(2 * reach(towards + 180), logHolds(log), 1.2) << off;
    }
}

TEST(Block, IsTurnedFromBothSidesInTheOrderOfTheMethod)
{
    Piece p = bowl();
    p.choices.sides = SideMethod::OneThenOther;
    const Plan one = makePlan(p, Shop{});
    EXPECT_LT(test::placeOf(one, "mount-first"), test::placeOf(one, "rough"));
    EXPECT_LT(test::placeOf(one, "foot"), test::placeOf(one, "fine-outside"));
    EXPECT_LT(test::placeOf(one, "sand-outside"), test::placeOf(one, "mount-reversed"))
        << "finished before it is reversed";
    EXPECT_LT(test::placeOf(one, "mount-reversed"), test::placeOf(one, "hollow"));
    EXPECT_LT(test::placeOf(one, "sharpen-inside"), test::placeOf(one, "fine"));
    EXPECT_LT(test::placeOf(one, "sand"), test::placeOf(one, "mount-last"));
    EXPECT_LT(test::placeOf(one, "mount-last"), test::placeOf(one, "foot-off"));
    p.choices.sides = SideMethod::BothRoughed;
    const Plan both = makePlan(p, Shop{});
    EXPECT_LT(test::placeOf(both, "hollow"), test::placeOf(both, "fine-outside"))
        << "both roughed before either is finished";
    p.choices.foot = FootMethod::Recess;
    const Plan recess = makePlan(p, Shop{});
    EXPECT_EQ(test::placeOf(recess, "mount-last"), -1) << "a recess stays";
    // Every step hangs on the one before it.
    for (const Plan* plan : {&one, &both, &recess})
        for (const Step& s : plan->assembly.recipe) EXPECT_TRUE(!s.after.empty() || s.id == "inspect-L1") << s.id;
}

TEST(Block, IsSawnThickEnoughForWhatIsTurnedOffLast)
{
    for (const auto& [method, waste] : {std::pair{FootMethod::Tenon, 8.0}, std::pair{FootMethod::Recess, 0.0},
                                        std::pair{FootMethod::Faceplate, 12.0}}) {
        Piece p = bowl();
        p.choices.foot = method;
        const Plan plan = makePlan(p, Shop{});
        EXPECT_NEAR(plan.assembly.parts[0].thickness, 70 + waste, 1e-9);
    }
}

TEST(Block, NoGripGoesDeeperThanTheFloorUnsaid)
{
    Piece p = bowl();
    p.choices.foot = FootMethod::Recess;
    p.hollow.floor = 4;
    const Plan plan = makePlan(p, Shop{});
    EXPECT_TRUE(plan.mustStop()) << "the recess comes through the floor";
    const auto c = std::ranges::find_if(plan.cautions, [](const Caution& x) { return x.id.starts_with("foot-floor"); });
    ASSERT_NE(c, plan.cautions.end());
    ASSERT_FALSE(c->fixes.empty());
    for (const Fix& fix : c->fixes) {
        const Plan mended = makePlan(fix.apply(p), Shop{});
        EXPECT_TRUE(std::ranges::none_of(mended.cautions, [](const Caution& x) {
            return x.id.starts_with("foot-floor");
        })) << print(fix.label);
    }
    // A foot that no jaws take.
    const Plan narrow = makePlan(bowl(100, 70, 12), Shop{});
    EXPECT_TRUE(narrow.mustStop());
}

TEST(Block, EveryMountIsHeldAgainstOneCatch)
{
    test::property([] {
        const double radius = test::inRange(500, 1500) / 10.0, height = test::inRange(300, 1200) / 10.0;
        Piece p = bowl(radius, height, test::inRange(200, 450) / 10.0);
        p.choices.foot = static_cast<FootMethod>(test::inRange(0, 3));
        p.choices.last = static_cast<LastMethod>(test::inRange(0, 4));
        Shop shop;
        shop.catchLoad = test::inRange(20, 800);
        const Plan plan = makePlan(p, shop);
        RC_ASSERT(plan.mounts.size() >= 2);
        for (const Mount& m : plan.mounts) {
            // The load's own moment about the grip, and a round bar bent: worked out again from the values.
            const double arm = m.held.overhang * (m.held.tailstock ? 0.1925 : 1) / 1000;
            RC_ASSERT(std::abs(m.proof.moment - shop.catchLoad * arm) < 1e-9);
            RC_ASSERT(m.proof.holds == (m.proof.moment <= m.proof.limit));
            if (m.held.by == Hold::Vacuum) {
                const double d = m.held.diameter / 1000;
                RC_ASSERT(std::abs(m.proof.limit - shop.grips.vacuum * 1000 * pi * d * d * d / 8) < 1e-6);
            }
            // What would hold does.
            if (!m.proof.holds) {
                RC_ASSERT(proveMount(m.held.by, m.proof.wouldHold * 1.0001, m.held.depth, arm * 1000, shop.catchLoad,
                                     shop.grips)
                              .holds);
            }
            // No rim faster than the rule, the lathe and its joints allow.
            const double inches = 2 * m.sweep / 25.4;
            RC_ASSERT(m.speed.high <= std::max(9000 / inches, shop.lathe.lowestRpm) + 1e-6);
            RC_ASSERT(m.speed.high <= shop.lathe.highestRpm + 1e-9);
            RC_ASSERT(m.speed.low <= m.speed.high && m.speed.low <= shop.lathe.lowestRpm + 1e-9);
            if (!m.proof.holds)
                RC_ASSERT(std::ranges::any_of(plan.cautions, [&](const Caution& c) { return c.id == "hold-" + m.id; }));
        }
        RC_ASSERT(!plan.mustStop() || std::ranges::all_of(plan.cautions, [](const Caution& c) {
            return c.level != Level::Stop || !c.fixes.empty();
        }));
    });
}

TEST(Square, WorkKeepsItsEdgesInMeshVolumeAndSection)
{
    // A board 160 by 120 and 30 thick, a straight-sided recess of 50 in it, 20 deep: plane arithmetic.
    Piece p;
    p.outside = {test::corner(0, 200), test::corner(30, 200)};
    p.hollow.rule = WallRule::Drawn;
    p.hollow.inside = {test::corner(10, 0), test::corner(10, 50), test::corner(30, 50)};
    p.edge.kind = Edge::Square;
    p.edge.length = 160;
    p.edge.width = 120;
    Layer layer;
    layer.thickness = 30;
    layer.woods = {"walnut"};
    layer.form = BlockForm{};
    p.layers = {layer};
    identifyLayers(p);
    const Plan plan = makePlan(p, Shop{});
    const double expected = 160.0 * 120 * 30 - pi * 50 * 50 * 20;
    EXPECT_NEAR(plan.shape.woodVolume / expected, 1, 1e-6);
    for (const double tolerance : {0.2, 0.02})
        EXPECT_NEAR(meshVolume(turnedMesh(plan.assembly, plan.surfaces, {tolerance, false})) / expected, 1,
                    tolerance * 0.02);
    const CrossSection section(plan.surfaces, 15);
    EXPECT_NEAR(section.region().area(), 160 * 120, 1e-9);
    EXPECT_NEAR(section.region().widest().across, 200, 1e-6) << "3, 4, 5";
    // The grain runs along the longer side, at 9 o'clock.
    EXPECT_NEAR(section.reach(90), 80, 1e-9);
    EXPECT_NEAR(section.reach(0), 60, 1e-9);
    EXPECT_GT(plan.assembly.layers[0].cells[0].endGrain(onwards(0)), 0.99);
    EXPECT_NEAR(plan.shape.greatestDiameter, 200, 1e-6) << "what it sweeps";
    for (const Mount& m : plan.mounts) EXPECT_GE(m.sweep, 100 - 1e-6);
}

TEST(Block, WhatEachWayOfHoldingTheFootCostsIsTold)
{
    const Piece p = bowl();
    const auto all = footChoices(p, Shop{});
    ASSERT_EQ(all.size(), choicesOf<FootMethod>().size());
    for (const FootChoice& f : all) {
        Piece as = p;
        as.choices.foot = f.method;
        const Plan plan = makePlan(as, Shop{});
        double minutes = 0;
        for (const Step& s : plan.assembly.recipe) minutes += s.workMinutes;
        // Setting a saw is no part of what a grip costs.
        EXPECT_NEAR(f.minutes, minutes, 3 * Shop{}.setupMinutes) << static_cast<int>(f.method);
        EXPECT_NEAR(plan.assembly.parts[0].thickness, 70 + f.waste, 1e-9) << "the block is higher by what is lost";
        EXPECT_TRUE(f.holds);
        EXPECT_FALSE(print(f.leaves).empty());
    }
    EXPECT_EQ(all[1].waste, 0) << "a recess goes into the foot";
    EXPECT_TRUE(footChoices(test::demo("regatta-cup"), Shop{}).empty()) << "of blocks alone";
}
