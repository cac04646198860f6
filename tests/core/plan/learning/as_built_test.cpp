// What was measured on the wood, and the ways on from there.
#include "core/geometry/profile.h"
#include "core/piece/edits/edit.h"
#include "core/plan/learning/as_built.h"
#include "core/plan/learning/measured_place.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>

using namespace vl;

TEST(AsBuilt, WaysOnHoldThePieceOrAreNotOffered)
{
    test::property([] {
        Piece p = test::randomPiece();
        const auto share = [] { return test::inRange(0, 1001) / 1e3; };
        p = edit::fitLayers(std::move(p));
        for (const Layer& l : p.layers) RC_PRE(l.thickness >= limits::thickness.low);
        Shop shop;
        shop.mostNudge = 5 * share();
        const Plan plan = makePlan(p, shop);
        for (const Layer& l : p.layers)
            if (share() < 0.5)
                p = withMeasured(std::move(p), plan,
                                 {l.id, Measured::Height, std::max(0.6, l.thickness * (0.9 + 0.2 * share()))});
        const double off = std::abs(stackHeight(asMeasured(p)) - outlineHeight(p));
        bool nudged = false;
        for (const WayOn& way : waysOn(p, shop)) {
            checkPiece(way.piece);
            RC_ASSERT(std::abs(stackHeight(way.piece) - outlineHeight(way.piece)) <= 0.1 + 1e-9);
            nudged = nudged || std::abs(outlineHeight(way.piece) - outlineHeight(p)) > 1e-6;
            for (const Layer& l : way.piece.layers) {
                const double mm = measuredOf(p, l.id, Measured::Height);
                if (!std::isnan(mm)) RC_ASSERT(std::abs(l.thickness - mm) < 1e-9);
            }
        }
        // The outline follows the wood within the shop's limit, and no further.
        RC_ASSERT(nudged == (off > 0.1 && off <= shop.mostNudge));
        // What was planned stays beside what was measured when a way is taken.
        for (const Deviation& d : deviationsOf(p, plan)) {
            const auto i = static_cast<size_t>(std::stoi(d.of) - 1);
            RC_ASSERT(std::abs(d.planned - p.layers[i].thickness) < 1e-9);
        }
        for (const WayOn& way : waysOn(p, shop)) {
            const auto before = deviationsOf(p, plan), after = deviationsOf(way.piece, makePlan(way.piece, shop));
            RC_ASSERT(before.size() == after.size());
            for (size_t k = 0; k < before.size(); ++k) RC_ASSERT(before[k].planned == after[k].planned);
        }
    });
}

TEST(AsBuilt, WhatIsLeftOfARingIsItsMeasureLessTheTurnedPiece)
{
    Piece p = test::demo("regatta-cup");
    const Plan plan = makePlan(p, Shop{});
    const BuiltLayer& b = plan.assembly.layers[3];
    const std::string id = p.layers[3].id;
    p = withMeasured(p, plan, {id, Measured::Outside, 2 * b.finishedOuter.high + 3});
    Left left = leftOf(p, id, b.finishedOuter.high, b.finishedInner.low);
    EXPECT_NEAR(left.outside, 1.5, 1e-9);
    EXPECT_TRUE(std::isnan(left.inside));
    EXPECT_NEAR(*asMeasured(p).layers[3].stockOuter, 2 * b.finishedOuter.high + 3, 1e-9);
    // Beside the axis it has that much less on one side.
    p = withMeasured(p, plan, {id, Measured::Aside, 0.4});
    EXPECT_NEAR(leftOf(p, id, b.finishedOuter.high, b.finishedInner.low).outside, 1.1, 1e-9);
}

TEST(AsBuilt, WhatIsLessThanPlannedHasItsWays)
{
    const Shop shop = test::harbourShop();
    const Piece drawn = test::demo("regatta-cup");
    const Plan plan = makePlan(drawn, shop);
    size_t at = 3;
    while (!plan.cutOf(static_cast<int>(at))) ++at;
    const std::string ring = drawn.layers[at].id;
    const auto ways = [&](const Measured& m) { return waysOn(withMeasured(drawn, plan, m), shop); };
    const double station = plan.shape.walls[plan.shape.walls.size() / 2].inside.x();
    struct Row {
        Measured measured;
        bool any;
    };
    const double floor = plan.surfaces.inside.front().x() - plan.surfaces.outside.front().x(),
                 outside = plan.assembly.layers[at].finishedOuter.high;
    for (const Row& row :
         {Row{{"", Measured::Floor, floor - 2}, true}, Row{{"", Measured::Floor, floor + 2}, false},
          Row{{"", Measured::Wall, 1.5, station}, true}, Row{{"", Measured::Wall, 9, station}, false},
          Row{{ring, Measured::Outside, 2 * outside - 3}, true}, Row{{ring, Measured::Outside, 2 * outside + 3}, false},
          Row{{ring, Measured::Gap, 0.6}, true}, Row{{ring, Measured::Gap, 0.05}, false},
          Row{{ring, Measured::Overlap, 3}, false}}) {
        const std::vector<WayOn> all = ways(row.measured);
        EXPECT_EQ(!all.empty(), row.any) << static_cast<int>(row.measured.what) << " " << row.measured.value;
        for (const WayOn& way : all) checkPiece(way.piece);
    }
    const std::vector<WayOn> thin = ways({"", Measured::Floor, floor - 2});
    EXPECT_NEAR(makePlan(thin.front().piece, shop).surfaces.inside.front().x(), floor - 2, 0.05)
        << "the floor as it is";
    // Both versions, layer by layer: what is made keeps its height, what comes follows.
    const Piece low = withMeasured(drawn, plan, {ring, Measured::Height, drawn.layers[at].thickness - 1});
    for (const WayOn& way : waysOn(low, shop)) {
        const auto then = versionOf(way.piece, makePlan(way.piece, shop));
        ASSERT_EQ(then.size(), drawn.layers.size());
        EXPECT_NEAR(then[at].thickness, drawn.layers[at].thickness - 1, 1e-9);
        EXPECT_GT(then[at].edge, 0);
    }
}

TEST(AsBuilt, AbsurdMeasuresOfferNothingThatDoesNotStand)
{
    int ways = 0;
    for (Piece p : {test::plainCylinder(125, 90, BlockForm::Across, 8, 12),
                    test::plainCylinder(40, 90, BlockForm::Along), test::ringCone(60, 60, 100, 5, 12)}) {
        identifyLayers(p);
        const Shop shop;
        const Plan plan = makePlan(p, shop);
        for (size_t what = 0; what < choicesOf<Measured::What>().size(); ++what)
            for (const double mm : {0.0, 0.05, 1.0, 30.0, 3000.0})
                for (const double at : {0.0, 45.0, 3000.0}) {
                    Measured m{.what = static_cast<Measured::What>(what), .value = mm, .at = at};
                    if (isOfALayer(m.what)) m.layer = p.layers.back().id;
                    const Piece measured = withMeasured(p, plan, m);
                    checkPiece(measured);
                    for (const WayOn& way : waysOn(measured, shop)) {
                        checkPiece(way.piece);
                        EXPECT_EQ(makePlan(way.piece, shop).assembly.layers.size(), way.piece.layers.size());
                        ++ways;
                    }
                    for (const Deviation& d : deviationsOf(measured, plan)) EXPECT_EQ(d.measured, mm);
                }
    }
    EXPECT_GT(ways, 20);
}

// What is pressed on the drawing is what is measured there, and its jaws lie on the drawing's own lines.
TEST(MeasuredPlace, WhatIsPressedOnItsSeatIsOffered)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, Shop{});
        const auto share = [] { return test::inRange(1, 1000) / 1e3; };
        const double height = plan.assembly.layers.back().z1;
        const Point place(share() * height, share() * 200);
        const std::vector<Measured> all = measurableAt(p, plan, place);
        double before = 0;
        for (const Measured& m : all) {
            RC_ASSERT(std::abs(m.value - plannedOf(p, plan, m)) < 1e-9);
            const Polyline seat = seatOf(p, plan, m);
            const double far = distanceTo(seat, place);
            RC_ASSERT(far >= before);
            before = far;
            if (isOfALayer(m.what)) RC_ASSERT(m.layer == p.layers[plan.assembly.layerAt(place.x())].id);
            // Pressed on the seat itself, within the layer and off its faces, it is the nearest, or one as near.
            if (seat.empty() || m.what == Measured::Wall) continue;
            const Point on = (seat.front() + seat.back()) / 2;
            if (plan.assembly.layerAt(on.x()) != plan.assembly.layerAt(place.x())) continue;
            const std::vector<Measured> there = measurableAt(p, plan, on);
            const double off = distanceTo(seat, on);
            RC_ASSERT(distanceTo(seatOf(p, plan, there.front()), on) <= off + 1e-9);
        }
    });
}

TEST(MeasuredPlace, ItsSeatIsAsLongAsWhatIsMeasured)
{
    // A tube of one block by plane geometry: wall 8, floor 12, outside 125 on the radius.
    Piece p = test::plainCylinder(125, 90, BlockForm::Across, 8, 12);
    const Plan plan = makePlan(p, Shop{});
    struct Row {
        Point place;
        Measured::What what;
        Point from, to;
    };
    const double blank = plan.assembly.layers[0].stockOuterRadius();
    ASSERT_GT(blank, 125);
    for (const Row& row :
         {Row{{50, 117.5}, Measured::Wall, {50, 117}, {50, 125}},
          Row{{50, 125.4}, Measured::Neck, {50, 125}, {50, 125}}, Row{{12.2, 30}, Measured::Floor, {12, 0}, {12, 117}},
          Row{{50, blank + 1}, Measured::Outside, {0, blank}, {90, blank}},
          Row{{89.9, blank - 1}, Measured::Height, {90, 0}, {90, blank}}}) {
        const std::vector<Measured> all = measurableAt(p, plan, row.place);
        ASSERT_FALSE(all.empty());
        EXPECT_EQ(all.front().what, row.what) << row.place.transpose();
        const Polyline seat = seatOf(p, plan, all.front());
        ASSERT_FALSE(seat.empty());
        EXPECT_LT((seat.front() - row.from).norm(), 0.02) << row.place.transpose();
        EXPECT_LT((seat.back() - row.to).norm(), 0.02) << row.place.transpose();
        // The same below the axis.
        EXPECT_EQ(measurableAt(p, plan, {row.place.x(), -row.place.y()}).front().what, row.what);
    }
    // Below the floor there is no wall, nor beyond the ends: the nearest is offered.
    for (const double z : {6.0, 95.0})
        for (const Measured& m : measurableAt(p, plan, {z, 120}))
            if (m.what == Measured::Wall) EXPECT_TRUE(m.at >= 12 && m.at <= 90) << m.at;
    EXPECT_TRUE(std::isnan(plannedOf(p, plan, {.what = Measured::Wall, .at = 6})));
    // On the samples the wall's seat is as long as the wall that is planned, and the one that the list of stations has.
    for (const std::string& name : test::demoNames()) {
        const Piece piece = test::demo(name);
        const Plan sample = makePlan(piece, test::harbourShop());
        if (sample.shape.solid) continue;
        for (const Station& s : sample.stations) {
            const Measured m{.what = Measured::Wall, .at = s.z};
            const double planned = plannedOf(piece, sample, m);
            EXPECT_EQ(std::isnan(planned), std::isnan(s.wall)) << name << " " << s.z;
            if (std::isnan(planned)) continue;
            EXPECT_NEAR(planned, s.wall, 1e-9) << name << " " << s.z;
            const Polyline seat = seatOf(piece, sample, m);
            ASSERT_EQ(seat.size(), 2u);
            if (planned > 0) EXPECT_NEAR((seat.back() - seat.front()).norm(), planned, 1e-9) << name << " " << s.z;
            // Never thinner than the thinnest that the plan tells.
            EXPECT_GE(planned, sample.shape.thinnest.wall - 0.02) << name << " " << s.z;
        }
    }
}
