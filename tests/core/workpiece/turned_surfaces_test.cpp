// Facts of the outline and its joints, each against its own closed form.
#include "core/blank/contact.h"
#include "core/geometry/outline.h"
#include "core/holding/station.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>

using namespace vl;

namespace {

/// Three layers of `each` mm: a cylinder of `radius`, its floor at `floor`.
Piece threeLayers(double each, double radius, double floor)
{
    Piece p;
    p.outside = {test::corner(0, radius), test::corner(3 * each, radius)};
    p.hollow.rule = WallRule::Even;
    p.hollow.rimWall = 6;
    p.hollow.floor = floor;
    p.hollow.floorRound = 0;
    Layer base, ring;
    base.form = DiscForm{};
    base.thickness = ring.thickness = each;
    p.layers = {base, ring, ring};
    identifyLayers(p);
    return p;
}

using test::find;

}  // namespace

TEST(Joint, AFloorInItBelongsToTheLayerThatItBounds)
{
    for (const double each : {10.0, 10.1, 25.4 / 3, 7.7}) {
        const Piece p = threeLayers(each, 60, each);
        const Plan plan = makePlan(p, {});
        // The ring above is as wide as its wall and its two allowances: A − V · cos h.
        const double h = 15 * degrees, wide = 62 - (54 - 2) * std::cos(h);
        EXPECT_NEAR(plan.assembly.layers[1].stock.boardWidth(), wide, 1e-9) << each;
        // In the joint glue holds between wall and bore, not across the floor.
        EXPECT_NEAR(plan.overlaps[0].finished, 6, 1e-9);
        EXPECT_NEAR(plan.overlaps[0].wall, 6, 1e-9);
        // As soon as it lies higher than the joint, the ring is solid wedges.
        Piece higher = p;
        higher.hollow.floor = each + 0.01;
        EXPECT_NEAR(makePlan(higher, {}).assembly.layers[1].stock.inner, 0, 1e-9);
    }
    // Where layers add up to what the floor is typed as.
    const Piece sums = threeLayers(10.1, 60, 30.3 - 10.1 * 2);
    EXPECT_GT(makePlan(sums, {}).assembly.layers[1].stock.inner, 80);
}

TEST(Joint, AStepInItNarrowsNeitherNeighborAndTheOverlapIsThatOfBothSides)
{
    Piece p = threeLayers(20, 60, 5);
    p.outside = {test::corner(0, 40), test::corner(20, 40), test::corner(20, 60), test::corner(60, 60)};
    const Plan plan = makePlan(p, {});
    EXPECT_NEAR(plan.assembly.layers[0].finishedOuter.high, 40, 1e-9);
    EXPECT_NEAR(plan.assembly.layers[1].finishedOuter.low, 60, 1e-9);
    // Wood from the bore of the wider to the outside of the slimmer.
    const double bore = radiusAfter(plan.surfaces.inside, 20);
    EXPECT_NEAR(plan.overlaps[0].wall, std::min(40.0, 60.0) - std::max(bore, radiusBefore(plan.surfaces.inside, 20)),
                1e-9);
    // The even wall keeps its 6 mm from the step's corner too.
    EXPECT_NEAR(plan.overlaps[0].wall, 6, 1e-6);
    EXPECT_NEAR(plan.overlaps[0].finished, 6, 1e-6);

    // Staves between two flanges are as thin as their own wall, and upright.
    Piece flanged = threeLayers(20, 60, 20);
    flanged.outside = {test::corner(0, 80),  test::corner(20, 80), test::corner(20, 50),
                       test::corner(40, 50), test::corner(40, 70), test::corner(60, 70)};
    flanged.hollow.rule = WallRule::Bored;
    flanged.hollow.bore = 84;
    flanged.layers[1].form = StavesForm{};
    flanged.layers[1].as<StavesForm>()->segments = 12;
    const Plan staved = makePlan(flanged, {});
    const BuiltLayer& s = staved.assembly.layers[1];
    EXPECT_NEAR(s.settings[2].value, 0, 1e-9) << "no lean";
    const double outer = 50 + flanged.layers[1].outerAllowance, bored = 42 - flanged.layers[1].innerAllowance;
    EXPECT_NEAR(s.planeTo, outer - bored * std::cos(15 * degrees), 1e-6);
}

TEST(Wall, IsMeasuredFromBothSidesAndThroughIsSaid)
{
    // A bore of 46 through a waist of 30: the bore has no node there.
    Piece p = threeLayers(20, 40, 5);
    p.outside = {test::corner(0, 40), test::corner(28, 15), test::corner(32, 15), test::corner(60, 40)};
    p.hollow.rule = WallRule::Bored;
    p.hollow.bore = 46;
    Plan plan = makePlan(p, {});
    const Caution* wall = find(plan, "wall");
    ASSERT_NE(wall, nullptr);
    EXPECT_EQ(wall->level, Level::Stop);
    EXPECT_EQ(plan.shape.thinnest.wall, 0);
    // A bore of 20 leaves 5 mm at the waist.
    p.hollow.bore = 20;
    plan = makePlan(p, {});
    EXPECT_NEAR(plan.shape.thinnest.wall, 5, 1e-9);

    // A drawn inside that is drawn past the rim ends there.
    Piece drawn = threeLayers(20, 40, 5);
    drawn.hollow.rule = WallRule::Drawn;
    drawn.hollow.inside = {test::corner(10, 0), test::corner(10, 20), test::corner(90, 30)};
    EXPECT_NEAR(makePlan(drawn, {}).surfaces.inside.back().x(), 60, 1e-9);
    EXPECT_NEAR(makePlan(drawn, {}).surfaces.inside.back().y(), 20 + 10 * 50 / 80.0, 1e-9);
}

TEST(Wall, NoStationSaysLessThanTheThinnestAndTheFloorAndRimAreThere)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        if (plan.shape.solid) return;
        // Where the hollow comes to a point the wall there is the floor's.
        for (const Point& q : wallLine(plan.surfaces))
            if (q.y() <= 0) return;
        for (const Station& s : plan.stations)
            if (!std::isnan(s.wall) && s.inside > 0 && s.z > plan.surfaces.inside.front().x() + 1e-6)
                RC_ASSERT(s.wall >= plan.shape.thinnest.wall - 1e-6);
        const double rim = outlineHeight(p), floor = plan.surfaces.inside.front().x();
        RC_ASSERT(std::abs(plan.stations.back().z - rim) < 1e-9);
        if (floor > 0 && floor < rim - 0.5)
            RC_ASSERT(std::ranges::any_of(plan.stations, [&](const Station& s) { return s.z == floor; }));
    });
}

TEST(Shape, NoStopIsWithoutAWayOutAndNothingWeighsLessThanNothing)
{
    test::property([] {
        const Plan plan = makePlan(test::randomPiece(), {});
        for (const Caution& c : plan.cautions)
            if (c.level == Level::Stop && c.fixes.empty()) RC_FAIL(c.id + " at " + c.at + ": " + print(c.message));
        RC_ASSERT(plan.shape.weight >= 0 && plan.shape.woodVolume >= 0 && plan.shape.capacity >= 0);
        for (const Step& s : plan.assembly.recipe) RC_ASSERT(s.glue.area >= 0 && s.glue.grams >= 0);
    });
    // A drawn inside far outside the outside, and a bore wider than the piece: mended by the fix.
    for (const bool bored : {true, false}) {
        Piece p = threeLayers(20, 40, 5);
        p.hollow.rule = bored ? WallRule::Bored : WallRule::Drawn;
        p.hollow.bore = 120;
        p.hollow.inside = {test::corner(10, 0), test::corner(10, 70), test::corner(60, 55)};
        const Plan plan = makePlan(p, {});
        const Caution* wall = find(plan, "wall");
        ASSERT_NE(wall, nullptr);
        EXPECT_EQ(wall->level, Level::Stop);
        EXPECT_NEAR(wall->measure, bored ? -20 : -30, 1e-6);
        EXPECT_EQ(find(makePlan(wall->fixes[0].apply(p), {}), "wall"), nullptr) << print(wall->fixes[0].label);
    }
}

TEST(Stations, PartToTheStockThatIsThere)
{
    // Upright staves: the stock is as wide all along; rings from one board: it slopes with the cut.
    Piece p = threeLayers(20, 50, 5);
    p.outside = {test::corner(0, 30), test::corner(60, 60)};
    for (Layer& l : p.layers) l.form = StavesForm{};
    const Plan plan = makePlan(p, {});
    for (const Station& s : plan.stations) {
        double stock = 0;
        for (const BuiltLayer& b : plan.assembly.layers)
            if (s.z >= b.z0 && s.z <= b.z1) stock = std::max(stock, radiusAt(b.outerHold, s.z));
        EXPECT_NEAR(s.parting, stock - s.outside / 2, 1e-6) << s.z;
        EXPECT_GT(s.parting, 0) << s.z;
        EXPECT_NEAR(s.fromRim + s.z, 60, 1e-9);
    }
}

TEST(Outline, TwoNodesAtOnePlaceAreDrawn)
{
    for (const Span a : {Span::Line, Span::Arc, Span::Curve})
        for (const Span b : {Span::Line, Span::Arc, Span::Curve})
            for (const bool smooth : {false, true}) {
                Outline o{{0, 30, a, 0.3, smooth, {}},   {20, 40, b, 0.3, smooth, {}}, {20, 40, a, 0.3, smooth, {}},
                          {20, 40, b, -0.2, smooth, {}}, {50, 20, a, 0, smooth, {}},   {50, 20, b, 0, smooth, {}}};
                const Polyline line = flatten(o);
                ASSERT_GE(line.size(), 3u);
                for (const Point& p : line) EXPECT_TRUE(std::isfinite(p.x()) && std::isfinite(p.y()));
            }
}

TEST(Outline, ArcsStayWithinTheirTolerance)
{
    test::property([] {
        const double length = test::inRange(5, 3000), bulge = test::inRange(1, 9000) / 1e4 / 10;
        const double rise = test::inRange(-20, 21) * length / 100;
        const Outline o{{0, 5000, Span::Arc, bulge, false, {}}, {length, 5000 + rise, Span::Line, 0, false, {}}};
        // Circle through both ends with this sagitta (plane geometry).
        const Point a(0, 5000), b(length, 5000 + rise), mid = (a + b) / 2;
        const double half = (b - a).norm() / 2, sagitta = bulge * half;
        const double radius = (half * half + sagitta * sagitta) / (2 * sagitta);
        const Point along = (b - a) / (2 * half), center = mid + Point(-along.y(), along.x()) * (sagitta - radius);
        const Polyline line = flatten(o, 0.01);
        for (size_t i = 0; i + 1 < line.size(); ++i) {
            RC_ASSERT(std::abs((line[i] - center).norm() - radius) < 1e-5);
            RC_ASSERT(radius - ((line[i] + line[i + 1]) / 2 - center).norm() < 0.0101);
        }
    });
}

TEST(Hollow, ARoundedFloorIsABallThatTouchesFloorAndWall)
{
    // A cone of 90°, its wall square to the surface 6 mm: the inside is a cone too, and the fillet touches it where
    // geometry says, in the wall's tangent direction.
    Piece p = threeLayers(30, 10, 10);
    p.outside = {test::corner(0, 30), test::corner(90, 120)};
    p.hollow.rimWall = 6;
    p.hollow.floorRound = 0;
    const Polyline sharp = turnedSurfacesOf(p).inside;
    p.hollow.floorRound = 15;
    const Polyline round = turnedSurfacesOf(p).inside;
    const double foot = radiusAfter(sharp, 10);
    // The ball's center: 15 from the floor, and 15 from the wall square to it; the wall leans 45°.
    const double center = foot + 15 - 15 * std::sqrt(2.0);
    double least = 1e9;
    for (const Point& q : round) {
        if (q.y() <= 0) continue;
        const double z = q.x() - 10, wall = foot + z;
        EXPECT_LE(q.y(), wall + 1e-6) << "the fillet is wood";
        const double touches = 15 - 15 / std::sqrt(2.0);
        if (z < touches - 0.3) {
            EXPECT_NEAR(q.y(), center + std::sqrt(225 - (z - 15) * (z - 15)), 0.06) << z;
        } else if (z > touches + 0.3) {
            EXPECT_NEAR(q.y(), wall, 1e-3) << z;
        }
        least = std::min(least, q.y());
    }
    EXPECT_NEAR(least, center, 0.5);
    // Wider than the hollow it is as round as there is room for.
    Piece narrow = threeLayers(30, 20, 10);
    narrow.hollow.floorRound = 300;
    for (const Point& q : turnedSurfacesOf(narrow).inside) EXPECT_GE(q.y(), 0);
    EXPECT_LT(radiusAfter(turnedSurfacesOf(narrow).inside, 10.01), 3);
}

TEST(Ring, AGapThatIsAcceptedLeavesAnInnerEdge)
{
    test::property([] {
        Piece p = threeLayers(20, test::inRange(20, 120), 20);
        RingForm ring;
        ring.segments = test::inRange(3, 25);
        ring.joint.kind = SegmentJoint::GapByWidth;
        ring.joint.width = test::inRange(1, 500) / 10.0;
        p.layers[1].form = p.layers[2].form = ring;
        const Plan plan = makePlan(p, {});
        const BuiltLayer& b = plan.assembly.layers[1];
        const double h = pi / ring.segments;
        const double edge = 2 * b.stock.innerCorner() * std::sin(h) - ring.joint.width / std::cos(h);
        const bool stopped = find(plan, "gap-") != nullptr;
        RC_ASSERT(stopped || edge > 0);
    });
}

TEST(Shape, WhatLiesBeyondTheOutlineIsSaid)
{
    struct Case {
        const char* id;
        Level level;
        void (*change)(Piece&);
    };
    const Case cases[] = {
        {"beyond-", Level::Care, [](Piece& p) { p.layers[2].thickness = 25; }},
        {"beyond-", Level::Stop, [](Piece& p) { p = edit::addLayer(p, 2); }},
        {"floor-beyond", Level::Stop, [](Piece& p) { p.hollow.floor = 60; }},
        {"nest-wide", Level::Stop, [](Piece& p) { p.nest.on = true, p.nest.largest = 200, p.nest.smallest = 60; }},
        {"let-in-open", Level::Stop,
         [](Piece& p) {
             LetInForm f;
             f.joint.kind = SegmentJoint::GapByWidth;
             p.layers[0].form = f;
         }},
        {"reach-inside-", Level::Stop,
         [](Piece& p) {
             p.hollow.rule = WallRule::Solid;
             BoardRingForm f;
             f.rings = 3;
             f.angle = 45;
             p.outside = {test::corner(0, 60), test::corner(60, 120)};
             p.layers.resize(1);
             p.layers[0].form = f;
             p.layers[0].thickness = 60;
         }},
    };
    for (const Case& c : cases) {
        Piece p = threeLayers(20, 60, 20);
        c.change(p);
        const Plan plan = makePlan(p, {});
        const Caution* said = find(plan, c.id);
        ASSERT_NE(said, nullptr) << c.id;
        EXPECT_EQ(said->level, c.level) << c.id;
        ASSERT_FALSE(said->fixes.empty()) << c.id << ": no stop without a way out";
        for (const Fix& fix : said->fixes) {
            const Plan after = makePlan(fix.apply(p), {});
            EXPECT_TRUE(std::ranges::none_of(after.cautions, [&](const Caution& a) { return a.id == said->id; }))
                << c.id << ": " << print(fix.label);
        }
    }
}

TEST(Stations, TheRimStaysWhereTheFloorLiesCloseUnderIt)
{
    for (const double under : {0.1, 0.3, 0.49, 0.6}) {
        const Plan plan = makePlan(threeLayers(10, 40, 30 - under), {});
        ASSERT_FALSE(plan.stations.empty());
        EXPECT_EQ(plan.stations.back().z, 30) << under;
    }
}
