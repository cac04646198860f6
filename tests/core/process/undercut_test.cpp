// Pieces whose outline falls back, from the drawing to the bench. Figures are worked out by hand.
#include "core/geometry/fall_back.h"
#include "core/picture/closed_surface.h"
#include "core/picture/mesh.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "core/process/finish_area.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

namespace vl::test {
namespace {

Outline straight(const Polyline& line)
{
    Outline o;
    for (const Point& p : line) o.push_back({.z = p.x(), .r = p.y(), .span = Span::Line, .smooth = false});
    return o;
}

/// One round block of the buoy bowl's maple, grain across or along.
Piece block(const Polyline& outside, WallRule rule, bool along = false)
{
    Piece p = demo("buoy-bowl");
    p.worked.clear();
    p.decors.clear();
    p.outside = straight(outside);
    p.hollow.rule = rule;
    p.layers[0].thickness = outlineHeight(p);
    if (along) {
        auto* form = p.layers[0].as<BlockForm>();
        form->shape = BlockForm::Square;
        form->grain = BlockForm::Along;
    }
    return p;
}

const Polyline footed{{5, 0}, {5, 36}, {0, 36}, {0, 44}, {14, 52}, {40, 84}, {80, 98}};
const Polyline ringHolder{{0, 28}, {12, 60}, {16, 62}, {16, 59}, {8, 38}, {8, 8}, {50, 4}};
const Polyline mushroom{{0, 26}, {8, 24}, {60, 10}, {50, 34}, {66, 34}, {84, 4}};

double volumeOfSurface(const Surface& s)
{
    double sum = 0;
    for (const auto& f : s.faces) {
        const auto at = [&](size_t k) {
            const auto& c = s.corners[f[k]];
            return Eigen::Vector3d(c[0], c[1], c[2]);
        };
        sum += at(0).dot(at(1).cross(at(2))) / 6;
    }
    return sum;
}

}  // namespace

TEST(Undercut, IsAirInEveryReading)
{
    const Plan plan = makePlan(block(footed, WallRule::Even), harbourShop());
    Piece flat = block({footed.begin() + 3, footed.end()}, WallRule::Even);
    const Plan filled = makePlan(flat, harbourShop());
    EXPECT_NEAR(filled.shape.woodVolume - plan.shape.woodVolume, pi * 36 * 36 * 5, 1);
    EXPECT_FALSE(plan.surfaces.holds({2, 10, 0}));
    EXPECT_TRUE(plan.surfaces.holds({2, 40, 0}));
    EXPECT_NEAR(stationSeen(plan.surfaces, End::Headstock, 10), 5, 1e-3);
    EXPECT_NEAR(stationSeen(plan.surfaces, End::Headstock, 40), 0, 1e-3);
    EXPECT_NEAR(plan.shape.floorThickness, plan.surfaces.inside.front().x() - 5, 1e-6) << "over the recess";
    // The surface that is printed in three dimensions holds the same wood.
    const Solid solid = solidOf(plan.surfaces, 0.01);
    EXPECT_TRUE(solid.whole);
    EXPECT_NEAR(volumeOfSurface(solid.surface) / plan.shape.woodVolume, 1, 1e-3);
}

TEST(Undercut, AddsItsSkinToWhatIsCoated)
{
    // A cylinder of Ø 60, 40 long: a recess of Ø 40, 6 deep, adds its wall, 2π · 20 · 6.
    const Polyline plain{{0, 30}, {40, 30}}, recessed{{6, 0}, {6, 20}, {0, 20}, {0, 30}, {40, 30}};
    const Piece a = block(plain, WallRule::Solid), b = block(recessed, WallRule::Solid);
    const FinishArea before = finishArea(a, turnedSurfacesOf(a)), after = finishArea(b, turnedSurfacesOf(b));
    EXPECT_NEAR(after.outside - before.outside, 2 * pi * 20 * 6, 1);
}

TEST(Undercut, OfTheFootIsTurnedLastOfAll)
{
    const Plan plan = makePlan(block(footed, WallRule::Even), harbourShop());
    ASSERT_FALSE(plan.mustStop());
    EXPECT_GT(placeOf(plan, "foot-off"), placeOf(plan, "fine"));
    EXPECT_NEAR(settingOf(plan, "foot-off", "recess in the foot, Ø"), 72, 1e-6);
    EXPECT_NEAR(settingOf(plan, "foot-off", "recess, deep"), 5, 1e-6);
    // Its jaws' recess would lie in that of the foot.
    Piece twice = block(footed, WallRule::Even);
    twice.choices.foot = FootMethod::Recess;
    const Plan stopped = makePlan(twice, harbourShop());
    const Caution* c = find(stopped, "falls-back");
    ASSERT_TRUE(c);
    EXPECT_FALSE(find(makePlan(c->fixes.front().apply(twice), harbourShop()), "falls-back"));
}

TEST(Undercut, MeetsABoreInAnEdge)
{
    Piece p = block({{6, 0}, {6, 20}, {0, 20}, {0, 30}, {120, 30}}, WallRule::Bored, true);
    p.hollow.bore = 16;
    const Plan plan = makePlan(p, harbourShop());
    EXPECT_FALSE(find(plan, "wall"));
    EXPECT_TRUE(stepOf(plan, "recess-foot"));
    // A bore as wide as the recess has taken it.
    p.hollow.bore = 42;
    EXPECT_FALSE(stepOf(makePlan(p, harbourShop()), "recess-foot"));
}

TEST(Undercut, OfAStackIsTurnedOnceItIsPartedOff)
{
    Piece cup = regattaCup();
    cup.forms.clear();
    for (Node& n : cup.outside) n.form.clear();
    const double r = cup.outside.front().r;
    const Outline recess = straight({{4, 0}, {4, r - 10}, {0, r - 10}});
    cup.outside.insert(cup.outside.begin(), recess.begin(), recess.end());
    const Plan plan = makePlan(cup, harbourShop());
    ASSERT_FALSE(plan.mustStop());
    EXPECT_LT(placeOf(plan, "part-off"), placeOf(plan, "mount-recess"));
    EXPECT_LT(placeOf(plan, "mount-recess"), placeOf(plan, "recess-foot"));
    EXPECT_NEAR(settingOf(plan, "recess-foot", "recess in the foot, Ø"), 2 * (r - 10), 1e-6);
}

TEST(Undercut, RoundAPostIsHollowedWhereNoCenterStands)
{
    for (const bool along : {false, true}) {
        const Piece piece = block(ringHolder, WallRule::Solid, along);
        const Plan plan = makePlan(piece, harbourShop());
        ASSERT_FALSE(plan.mustStop()) << along;
        EXPECT_LT(placeOf(plan, "mount-reversed"), placeOf(plan, "hollow-at-rim-1")) << along;
        EXPECT_NEAR(settingOf(plan, "hollow-at-rim-1", "deep, from the rim beside it"), 8, 1e-3);
        EXPECT_NEAR(settingOf(plan, "hollow-at-rim-1", "hollowed out to, Ø"), 118, 1e-3);
        // Held by the dish's rim: the post goes into a hole.
        EXPECT_NEAR(settingOf(plan, "mount-last", "held on, Ø"), 124, 1e-3);
        EXPECT_NEAR(settingOf(plan, "mount-last", "post beyond the rim"), 34, 1e-3);
        EXPECT_TRUE(brokenLawsOf(piece, plan).empty()) << along;
    }
}

TEST(Undercut, UnderACapIsTurnedFromTheSide)
{
    const Piece piece = block(mushroom, WallRule::Solid, true);
    const Plan plan = makePlan(piece, harbourShop());
    ASSERT_FALSE(plan.mustStop());
    EXPECT_LT(placeOf(plan, "fine"), placeOf(plan, "undercut-1"));
    EXPECT_LT(placeOf(plan, "undercut-1"), placeOf(plan, "sand"));
    EXPECT_NEAR(settingOf(plan, "undercut-1", "from station"), 50, 1e-3);
    EXPECT_NEAR(settingOf(plan, "undercut-1", "to station"), 60, 1e-3);
    EXPECT_NEAR(settingOf(plan, "undercut-1", "down to, Ø"), 20, 1e-3);
    EXPECT_TRUE(brokenLawsOf(piece, plan).empty());
    // At a station under the cap the caliper finds the skirt and, beside it, the stem.
    const auto at = std::ranges::find_if(plan.stations, [](const Station& s) { return std::abs(s.z - 50) < 1e-6; });
    ASSERT_NE(at, plan.stations.end());
    EXPECT_NEAR(at->outside, 68, 1e-3);
}

TEST(Undercut, GoesWithSidesOnOtherAxes)
{
    Piece p = block(mushroom, WallRule::Solid, true);
    p = edit::addAxis(std::move(p));
    p.axes.back().sides = 3;
    edit::stretchAxis(p.axes.back(), 5, 45);
    const Plan plan = makePlan(p, harbourShop());
    const Solid solid = solidOf(plan.surfaces, 0.05);
    EXPECT_TRUE(solid.whole);
    EXPECT_NEAR(volumeOfSurface(solid.surface) / plan.shape.woodVolume, 1, 5e-3);
    EXPECT_FALSE(turnedMesh(plan.assembly, plan.surfaces, {0.1, false}).indices.empty());
}

TEST(Undercut, APostInAHollowStands)
{
    Piece p = block({{0, 40}, {10, 70}, {36, 90}}, WallRule::Drawn);
    p.hollow.inside = straight({{30, 0}, {30, 8}, {12, 8}, {12, 60}, {36, 82}});
    const Plan plan = makePlan(p, harbourShop());
    ASSERT_FALSE(plan.mustStop());
    EXPECT_TRUE(plan.surfaces.holds({20, 4, 0}));
    EXPECT_FALSE(plan.surfaces.holds({20, 12, 0}));
    // A frustum from Ø 120 to Ø 164, 24 high, less the post of Ø 16, 18 high.
    EXPECT_NEAR(plan.shape.capacity, pi * 24 * (60 * 60 + 60 * 82 + 82 * 82) / 3 - pi * 64 * 18, 5);
    EXPECT_NEAR(settingOf(plan, "hollow", "post that stands, Ø at most"), 16, 1e-3);
    EXPECT_NEAR(settingOf(plan, "hollow", "its end below the rim"), 6, 1e-3);
}

}  // namespace vl::test
