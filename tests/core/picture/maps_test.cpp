// Measures on the turned surface, against what is known of plain pieces.
#include "core/plan/figures/movement.h"
#include "core/plan/maps.h"
#include "tests/support/plain_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>

using namespace vl;

namespace {

/// A tube of one block, radius 40, wall 6, its floor 10.
Piece tube(BlockForm::Grain grain) { return test::plainCylinder(40, 80, grain, 6); }

struct Looked {
    Plan plan;
    Mesh mesh;
    SurfaceMap map;
};
Looked look(MapKind kind, const Piece& piece, const Shop& shop = {})
{
    Looked l{makePlan(piece, shop), {}, {}};
    l.mesh = turnedMesh(l.plan.assembly, l.plan.surfaces, {0.05, false});
    l.map = surfaceMap(kind, l.mesh, shop, l.plan);
    EXPECT_EQ(l.map.values.size(), l.mesh.vertices.size());
    return l;
}

/// Every vertex of the outside between two stations: its angle from 12 o'clock, and the value there.
template <class See> void onOutside(const Looked& l, double radius, double from, double to, See see)
{
    int seen = 0;
    for (size_t i = 0; i < l.mesh.vertices.size(); ++i) {
        const auto& p = l.mesh.vertices[i].position;
        const auto& n = l.mesh.vertices[i].normal;
        const double r = std::hypot(p[1], p[2]);
        if (std::abs(r - radius) > 0.01 || p[0] < from || p[0] > to || std::abs(n[0]) > 0.1) continue;
        if (n[1] * p[1] + n[2] * p[2] < 0) continue;
        ++seen;
        see(std::atan2(p[2], p[1]) / degrees, static_cast<double>(l.map.values[i]));
    }
    EXPECT_GT(seen, 20);
}

}  // namespace

TEST(Maps, EndGrainTurnsRoundACrossGrainWallAndIsNowhereOnALongGrainOne)
{
    // Grain towards 9 o'clock: the wall there shows it end on, at 12 o'clock along.
    const Looked across = look(MapKind::EndGrain, tube(BlockForm::Across));
    onOutside(across, 40, 0, 80, [](double angle, double value) {
        EXPECT_NEAR(value, std::asin(std::abs(std::sin(angle * degrees))) / degrees, 3) << angle;
    });
    EXPECT_NEAR(across.map.worst, 90, 2);
    onOutside(look(MapKind::EndGrain, tube(BlockForm::Along)), 40, 0, 80,
              [](double, double value) { EXPECT_LT(value, 1); });
}

TEST(Maps, ShortGrainIsTheWallWhereTheFiberStandsSquareInIt)
{
    onOutside(look(MapKind::ShortGrain, tube(BlockForm::Across)), 40, 79, 81, [](double angle, double value) {
        // Wall over the sine of the angle at which the fiber meets it, up to 40.
        const double sine = std::abs(std::sin(angle * degrees));
        if (sine > 0.3) EXPECT_NEAR(value, 6 / sine, 0.12 * 6 / sine) << angle;
    });
}

TEST(Maps, TheWallIsThePiecesOwnAndItsLeastIsTheThinnest)
{
    const Looked l = look(MapKind::Wall, tube(BlockForm::Along));
    onOutside(l, 40, 79, 81, [](double, double value) { EXPECT_NEAR(value, 6, 0.15); });
    const Looked cup = look(MapKind::Wall, test::demo("regatta-cup"), test::harbourShop());
    EXPECT_NEAR(cup.map.worst, cup.plan.shape.thinnest.wall, 0.35) << cup.map.worstAt.transpose();
}

TEST(Maps, MovementIsThatOfTheNearestJoint)
{
    const Piece cup = test::demo("regatta-cup");
    const Looked l = look(MapKind::Movement, cup, test::harbourShop());
    const auto joints = movementsOf(l.plan.assembly, l.plan.surfaces, test::harbourShop());
    ASSERT_FALSE(joints.empty());
    double most = 0;
    for (const JointMovement& m : joints) most = std::max(most, m.moves);
    EXPECT_NEAR(l.map.worst, most, 1e-5);
}

TEST(Maps, BrickworkIsHalfASegmentApartAndJointsInLineAreNothing)
{
    Piece p = test::demo("regatta-cup");
    for (const double turn : {0.0, 0.5}) {
        for (Layer& l : p.layers) {
            if (Sectors* s = l.sectors()) s->segments = 12, s->turn = turn;
            if (RingForm* r = l.ring()) r->joint = {};
        }
        const Looked l = look(MapKind::JointsOver, p, test::harbourShop());
        ASSERT_FALSE(std::isnan(l.map.worst));
        // Half a twelfth of a turn, where the ring is narrowest that has one.
        if (turn == 0)
            EXPECT_NEAR(l.map.worst, 0, 1e-3);
        else
            EXPECT_GT(l.map.worst, 15 * degrees * l.plan.shape.leastDiameter / 2 * 0.2);
    }
}

TEST(Maps, ToolMarksFollowFeedAndEdge)
{
    // Height = pitch² / (8 · radius of the edge), the theoretical roughness of turning (from memory): four times as
    // high with twice the feed, half as high with an edge of twice the radius.
    Shop shop;
    const double as = look(MapKind::ToolMarks, tube(BlockForm::Along), shop).map.worst;
    shop.feed *= 2;
    EXPECT_NEAR(look(MapKind::ToolMarks, tube(BlockForm::Along), shop).map.worst / as, 4, 1e-6);
    shop.toolNose *= 2;
    const Looked l = look(MapKind::ToolMarks, tube(BlockForm::Along), shop);
    EXPECT_NEAR(l.map.worst / as, 2, 1e-6);
    EXPECT_NEAR(l.map.range.low, l.map.range.high, 1e-6) << "one set-up, one height";
}

TEST(Maps, ShadesRunFromHarmlessToWorst)
{
    const Looked l = look(MapKind::EndGrain, tube(BlockForm::Across));
    const std::vector<float> shades = l.map.shades();
    for (size_t i = 0; i < shades.size(); ++i) {
        if (std::isnan(l.map.values[i]))
            EXPECT_LT(shades[i], 0);
        else
            EXPECT_TRUE(shades[i] >= 0 && shades[i] <= 1.0f + 1e-5f);
    }
    const Looked wall = look(MapKind::Wall, tube(BlockForm::Along));
    for (size_t i = 0; i < wall.map.values.size(); ++i) {
        const double value = static_cast<double>(wall.map.values[i]);
        if (std::abs(value - wall.map.range.low) < 1e-5) EXPECT_GT(wall.map.shades()[i], 0.99f) << "thin is the worst";
        if (std::abs(value - wall.map.range.high) < 1e-5) EXPECT_LT(wall.map.shades()[i], 0.01f);
    }
}
