// Patterns worked backwards: what is promised of the turned surface is measured on it.
#include "core/geometry/profile.h"
#include "core/plan/inverse_design.h"
#include "core/plan/plan.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <cmath>
#include <set>

using namespace vl;

namespace {

/// How much higher than wide the segments of a ring are on the turned wall: added up in small steps.
double heightOverWidth(const Plan& plan, size_t layer)
{
    const BuiltLayer& b = plan.assembly.layers[layer];
    const double to = std::min(b.z1, plan.shape.height);
    double tall = 0;
    constexpr int steps = 2000;
    Point before(b.z0, radiusAt(plan.surfaces.outside, b.z0 + 1e-7));
    for (int k = 1; k <= steps; ++k) {
        const double z = b.z0 + (to - b.z0) * k / steps;
        const Point now(z, radiusAt(plan.surfaces.outside, k == steps ? z - 1e-7 : z));
        tall += (now - before).norm();
        before = now;
    }
    return tall / (2 * pi * radiusAt(plan.surfaces.outside, (b.z0 + to) / 2) / b.count());
}

/// Woods that show on the turned outside at a station.
std::set<std::string> shownAt(const Plan& plan, double z)
{
    std::set<std::string> woods;
    const BuiltLayer& layer = plan.assembly.layers[plan.assembly.layerAt(z)];
    for (int k = 0; k < 1440; ++k)
        if (const Cell* cell = layer.cellAt(z, radiusAt(plan.surfaces.outside, z) - 1e-3, k / 4.0))
            woods.insert(cell->wood->id);
    return woods;
}

}  // namespace

TEST(InverseDesign, SquaresOnAConeGrowInAGeometricRow)
{
    for (const double r1 : {40.0, 70.0, 100.0}) {
        constexpr double r0 = 40, height = 80;
        constexpr int n = 12;
        const auto all = squareBricks(test::ringCone(r0, r1, height, 5, n), 2);
        ASSERT_FALSE(all.empty());
        const Piece& p = all[0].piece;
        const auto rings = static_cast<double>(p.layers.size());
        // r' / r = (1 + k·π·s/n) / (1 − k·π·s/n) for a wall that leans by the sine s; k: height over width.
        const double s = (r1 - r0) / std::hypot(r1 - r0, height), q = std::pow(r1 / r0, 1 / rings);
        const double k = s > 0 ? (q - 1) / (q + 1) * n / (pi * s) : height / rings / (2 * pi * r0 / n);
        EXPECT_NEAR(std::log(k), all[0].off * (k > 1 ? 1 : -1), 1e-3);
        double z = 0;
        for (const Layer& l : p.layers) {
            const double a = r0 + (r1 - r0) * z / height, b = r0 + (r1 - r0) * (z + l.thickness) / height;
            EXPECT_NEAR(b / a, q, 1e-4) << z;
            z += l.thickness;
        }
        EXPECT_NEAR(z, height, 1e-6);
    }
}

TEST(InverseDesign, SquaresAreSquareOnTheTurnedWall)
{
    for (const double r0 : {22.0, 30.0, 55.0})
        for (const int n : {8, 12, 24}) {
            Piece p = test::ringCone(r0, 60, 110, 6, n);
            p.outside.insert(p.outside.begin() + 1, test::corner(50, 75));  // two slopes
            const auto all = squareBricks(p, 3);
            ASSERT_FALSE(all.empty()) << r0 << " " << n;
            double best = 1e9;
            for (const InverseDesign& one : all) {
                const Plan plan = makePlan(one.piece, Shop{});
                for (size_t i = 0; i < one.piece.layers.size(); ++i)
                    EXPECT_NEAR(std::abs(std::log(heightOverWidth(plan, i))), one.off, 0.02)
                        << print(one.said) << " ring " << i;
                best = std::min(best, one.off);
            }
            EXPECT_LE(best, all[0].off);
            if (all[0].off > 0.02) {
                EXPECT_EQ(all.size(), 2u) << "the nearest that can be had is offered";
            }
        }
    EXPECT_TRUE(squareBricks(test::plainCylinder(30, 60, BlockForm::Along), 0).empty()) << "no rings";
}

TEST(InverseDesign, PointsReachTheFacesOfTheirRing)
{
    for (const auto kind : {MadeUp::Zigzag, MadeUp::Diamond})
        for (const double r1 : {60.0, 50.0}) {
            Piece p = test::ringCone(60, r1, 60, 3, 12);
            MadeUp& m = p.layers[1].ring()->madeUp;
            m.kind = kind;
            m.wood = "holly";
            m.band = 3;
            m.rise = 2;
            const auto all = pointsMeet(p, 1);
            ASSERT_EQ(all.size(), 1u);
            const Plan plan = makePlan(all[0].piece, Shop{}), before = makePlan(p, Shop{});
            for (const Caution& c : plan.cautions) EXPECT_NE(c.id.substr(0, 4), "band") << print(c.message);
            const double wide = 20.3, narrow = 39.7;  // just inside both its faces
            EXPECT_TRUE(shownAt(plan, wide).contains("holly"));
            EXPECT_FALSE(shownAt(before, wide).contains("holly")) << "as drawn they end before";
            if (r1 == 60) {
                EXPECT_TRUE(shownAt(plan, narrow).contains("holly"));
                EXPECT_EQ(all[0].off, 0);
            } else
                EXPECT_GT(all[0].off, 0) << "it is said how short they fall";
        }
}

TEST(InverseDesign, WedgesStayOrAreSaidToGo)
{
    for (const double waist : {33.0, 30.0, 20.0}) {
        Piece p = test::plainCylinder(35, 120, BlockForm::Along);
        p.outside.insert(p.outside.begin() + 1, test::corner(60, waist));
        p.layers[0].form = WrapForm{.post = 40, .wrap = 20, .wedges = true, .wedgeWood = "holly", .extra = {}};
        const auto all = wedgesStay(p, 0);
        ASSERT_EQ(all.size(), 1u) << waist;
        const Plan plan = makePlan(all[0].piece, Shop{});
        bool everywhere = true;
        for (double z = 1; z < 120; z += 1) everywhere = everywhere && shownAt(plan, z).contains("holly");
        EXPECT_EQ(everywhere, all[0].off == 0) << print(all[0].said);
        EXPECT_TRUE(shownAt(plan, 1).contains("holly")) << "at the ends they are there";
        for (const Caution& c : plan.cautions)
            EXPECT_FALSE(c.id.starts_with("wrap-small")) << "the blank holds the piece";
    }
}

TEST(InverseDesign, OfAnyRingsAreRightOrNotOffered)
{
    test::property([] {
        const int rings = test::inRange(1, 12), n = test::inRange(3, 40);
        Piece p =
            test::ringCone(10 + test::inRange(0, 60), 10 + test::inRange(0, 60), 20 + test::inRange(0, 150), rings, n);
        const int layer = test::inRange(0, rings);
        for (const InverseDesign& one : inverseDesigns(p, layer)) checkPiece(one.piece);
        for (const InverseDesign& one : squareBricks(p, layer)) {
            RC_ASSERT(std::abs(stackHeight(one.piece) - stackHeight(p)) < 1e-6);
            const Plan plan = makePlan(one.piece, Shop{});
            for (size_t i = 0; i < one.piece.layers.size(); ++i)
                RC_ASSERT(std::abs(std::abs(std::log(heightOverWidth(plan, i))) - one.off) < 0.03);
        }
    });
}

TEST(InverseDesign, ASpiralClimbsOneWayAlsoWhereItIsStackedUpsideDown)
{
    Piece p = test::ringCone(45, 60, 200, 10, 12);
    for (Layer& l : p.layers) l.woods = std::vector<std::string>(12, "maple");
    for (Layer& l : p.layers) l.woods[0] = "walnut";
    p.outside.back().r = 22;  // too narrow a mouth to reach the inside: built in sections
    p.outside.insert(p.outside.begin() + 1, test::corner(110, 90));
    p.hollow.rule = WallRule::Even;
    p.hollow.floor = 10;
    const auto both = spirals(p, 4);
    ASSERT_EQ(both.size(), 2u);
    const double step = 360.0 / 12;  // twelve segments, one of walnut: a whole one on each time
    for (size_t side = 0; side < 2; ++side) {
        const Plan plan = makePlan(both[side].piece, Shop{});
        const double way = side == 0 ? 1 : -1;
        const auto walnutAt = [&](size_t i) {
            const BuiltLayer& b = plan.assembly.layers[i];
            Eigen::Vector2d sum(0, 0);
            for (int k = 0; k < 3600; ++k) {
                const double z = (b.z0 + b.z1) / 2, a = k / 10.0 * degrees;
                const Cell* cell = b.cellAt(z, radiusAt(plan.surfaces.outside, z) - 1e-3, k / 10.0);
                if (cell && std::string_view(cell->wood->id) == "walnut")
                    sum += Eigen::Vector2d(std::cos(a), std::sin(a));
            }
            return std::atan2(sum.y(), sum.x()) / degrees;
        };
        for (size_t i = 1; i < plan.assembly.layers.size(); ++i)
            EXPECT_NEAR(std::remainder(walnutAt(i) - walnutAt(i - 1) - way * step, 360), 0, 0.2) << i;
        // A helix is the same from both ends: also the rings stacked upside down are turned the same way as seen from
        // the face that is open then.
        int upsideDown = 0;
        for (const Step& s : plan.assembly.recipe) {
            const std::string why = print(s.why);
            if (!why.starts_with("turned ") || why.find("clockwise") == std::string::npos) continue;
            EXPECT_EQ(why.find("anticlockwise") != std::string::npos, way > 0) << why;
            upsideDown += why.find("open face") != std::string::npos;
        }
        EXPECT_GT(upsideDown, 1);
        EXPECT_NE(print(both[side].said).find("upside down"), std::string::npos) << print(both[side].said);
    }
}

TEST(InverseDesign, AChosenStripeReachesTheRim)
{
    const Piece dish = test::demo("ballast-dish");
    const int top = static_cast<int>(dish.layers.size()) - 1;
    const auto all = stripesAtRim(dish, top);
    ASSERT_GE(all.size(), 2u) << "one for each of its woods";
    for (const InverseDesign& one : all) {
        const Plan plan = makePlan(one.piece, Shop{});
        const double z = plan.shape.height - 1e-3, outer = radiusAt(plan.surfaces.outside, z),
                     inner = plan.surfaces.inside.back().y();
        const auto& form = *one.piece.layers.back().as<BoardRingForm>();
        // Along the strips' own sides the whole rim, or the strip's share of it, is of one wood: the one that is named.
        for (const double side : {90.0, -90.0}) {
            const double turned = side + form.rotate * (form.rings - 1);
            const double half = std::min(form.board.strip, outer - inner) / 2 - 0.2;
            for (const double off : {-half, 0.0, half}) {
                const Cell* cell = plan.assembly.layers.back().cellAt(z, (outer + inner) / 2 + off, turned);
                ASSERT_TRUE(cell);
                if (side > 0) EXPECT_EQ(print(one.said).find(cell->wood->name), 0u) << print(one.said);
            }
        }
        checkPiece(one.piece);
    }
}
