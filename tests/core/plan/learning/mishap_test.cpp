// Ways out when something went wrong: the numbers that they say, and that what they offer is a piece that holds them.
#include "core/blank/assembly.h"
#include "core/geometry/profile.h"
#include "core/piece/edits/edit.h"
#include "core/plan/learning/mishap.h"
#include "core/plan/plan.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>

using namespace vl;

namespace {

/// A plain bowl of rings, as the starts have it.
Piece bowl()
{
    Piece p = starts()[0].make();
    identifyLayers(p);
    return p;
}

std::vector<WayOut> ways(const Piece& p, Mishap::What what, double at, double measured, const std::string& layer = {})
{
    return waysOut(p, Shop{}, {.what = what, .at = at, .measured = measured, .layer = layer, .extra = {}});
}

const WayOut* named(const std::vector<WayOut>& all, const std::string& begin)
{
    std::string names;
    for (const WayOut& w : all) {
        if (print(w.name).starts_with(begin)) return &w;
        names += "; " + print(w.name);
    }
    ADD_FAILURE() << "no way out begins with " << begin << names;
    return nullptr;
}

Plan planned(const Piece& p) { return makePlan(p, Shop{}); }

}  // namespace

TEST(Mishap, AFloorCutThroughIsPluggedOrStandsOnANewFoot)
{
    const Piece p = bowl();
    const Plan before = planned(p);
    const auto all = ways(p, Mishap::FloorThrough, 0, 7.5);
    if (const WayOut* plug = named(all, "A plug")) {
        ASSERT_EQ(plug->piece.holes.size(), 1u);
        EXPECT_GE(plug->piece.holes[0].diameter, 7.5 + 4) << "the torn edge is gone";
        EXPECT_TRUE(plug->piece.holes[0].filled);
        const Plan plan = planned(plug->piece);
        ASSERT_EQ(plan.surfaces.filled.size(), 1u) << "it goes through the floor and is filled";
        EXPECT_NEAR(plan.shape.capacity, before.shape.capacity, 1e-6 * before.shape.capacity);
    }
    if (const WayOut* post = named(all, "A post")) {
        Piece q = post->piece;
        q.holes[0].fill = "padauk";
        const Plan plan = planned(q);
        const double beside = (q.holes[0].diameter + q.holes[0].wide) / 4, deep = q.holes[0].wideDepth;
        const auto woodAt = [&](double z, double r) {
            const Cell* cell = plan.assembly.layers[plan.assembly.layerAt(z)].cellAt(z, r, 33);
            return cell ? std::string_view(cell->wood->id) : std::string_view();
        };
        EXPECT_EQ(woodAt(deep / 2, 0.5), "padauk");
        EXPECT_EQ(woodAt(deep / 2, beside), "padauk") << "its shoulder";
        EXPECT_NE(woodAt(deep + 0.5, beside), "padauk") << "above it the floor goes on";
        EXPECT_EQ(woodAt(before.surfaces.inside.front().x() - 0.5, 0.5), "padauk") << "through the floor";
        bool said = false;
        for (const Step& s : plan.assembly.recipe) said = said || print(s.how).find("shoulder") != std::string::npos;
        EXPECT_TRUE(said);
    }
    if (const WayOut* foot = named(all, "A foot")) {
        const Plan plan = planned(foot->piece);
        const double thick = foot->piece.layers[0].thickness;
        EXPECT_NEAR(plan.shape.height, before.shape.height + thick, 1e-9);
        EXPECT_NEAR(plan.shape.capacity, before.shape.capacity, 1e-3 * before.shape.capacity) << "what it holds stays";
        EXPECT_EQ(foot->piece.layers.size(), p.layers.size() + 1);
        EXPECT_EQ(foot->piece.layers[1].id, p.layers[0].id);
        EXPECT_NEAR(stackHeight(foot->piece), stackHeight(p) + thick, 1e-9);
    }
    EXPECT_TRUE(ways(p, Mishap::FloorThrough, 0, 0).empty()) << "nothing is wrong";
}

TEST(Mishap, AThinWallIsEvenedOpenedOrCutDown)
{
    const Piece p = bowl();
    const Plan before = planned(p);
    const double at = before.shape.height * 0.6, left = p.hollow.leastWall - 0.5;
    const auto all = ways(p, Mishap::WallThin, at, left);
    if (left >= 1.5)
        if (const WayOut* even = named(all, "The wall thinned"))
            EXPECT_NEAR(planned(even->piece).shape.thinnest.wall, left, 0.2);
    if (const WayOut* open = named(all, "A row of openings")) {
        const Worked& w = open->piece.worked.back();
        EXPECT_LT(w.from, at);
        EXPECT_GT(w.to, at);
        EXPECT_GT(w.from, before.surfaces.inside.front().x()) << "above the floor";
    }
    if (const WayOut* down = named(all, "Cut down")) {
        const Plan plan = planned(down->piece);
        EXPECT_LT(plan.shape.height, at);
        EXPECT_NEAR(stackHeight(down->piece), plan.shape.height, 1.001);
        for (double z = 0; z < plan.shape.height - 15; z += 5)
            EXPECT_NEAR(radiusAt(plan.surfaces.outside, z), radiusAt(before.surfaces.outside, z), 1.5) << z;
    }
    EXPECT_TRUE(ways(p, Mishap::WallThin, at, p.hollow.leastWall + 1).empty());
}

TEST(Mishap, ANeckCutTooFarIsLedDownTo)
{
    const Piece p = bowl();
    const Polyline drawn = planned(p).surfaces.outside;
    const double at = outlineHeight(p) * 0.4, r = radiusAt(drawn, at) - 4;
    const auto all = ways(p, Mishap::NeckThin, at, 2 * r);
    const WayOut* neck = named(all, "The outline drawn in");
    ASSERT_NE(neck, nullptr);
    EXPECT_NEAR(radiusAt(planned(neck->piece).surfaces.outside, at), r, 1e-6);
    EXPECT_TRUE(ways(p, Mishap::NeckThin, at, 2 * r + 20).empty()) << "thicker than drawn";
}

TEST(Mishap, APartedBaseIsGluedAnewOrIsTheFoot)
{
    Piece p = test::plainCylinder(40, 100, BlockForm::Along, 6, 30);
    identifyLayers(p);
    const auto all = ways(p, Mishap::BaseParted, 12, 0);
    if (const WayOut* anew = named(all, "A new base")) {
        EXPECT_EQ(anew->piece.outside, p.outside) << "as drawn";
        EXPECT_NEAR(anew->piece.layers[0].thickness, 12, 1e-9);
        EXPECT_NEAR(stackHeight(anew->piece), stackHeight(p), 1e-9);
    }
    if (const WayOut* ends = named(all, "It ends there")) {
        const Plan plan = planned(ends->piece);
        EXPECT_NEAR(plan.shape.height, 88, 1e-9);
        EXPECT_NEAR(plan.surfaces.inside.front().x(), 18, 0.5) << "the floor is that much thinner";
    }
    EXPECT_EQ(ways(p, Mishap::BaseParted, 29, 0).size(), 1u) << "a floor of a millimeter is none to stand on";
}

TEST(Mishap, ARingTooSmallIsMadeAnewOrTheOutlineFollows)
{
    const Piece p = bowl();
    const Plan before = planned(p);
    size_t ring = 2;
    ASSERT_TRUE(p.layers[ring].ring());
    const double drawn = 2 * before.assembly.layers[ring].finishedOuter.high, short_ = drawn - 3;
    const auto all = ways(p, Mishap::RingShort, 0, short_, p.layers[ring].id);
    if (const WayOut* in = named(all, "The outline drawn in"))
        EXPECT_LE(2 * planned(in->piece).assembly.layers[ring].finishedOuter.high, short_ - 0.9) << "it turns clean";
    if (const WayOut* anew = named(all, "Another ring")) {
        EXPECT_GE(2 * planned(anew->piece).assembly.layers[ring].stockOuterRadius(), drawn + 1);
        EXPECT_EQ(anew->piece.outside, p.outside);
    }
    EXPECT_TRUE(ways(p, Mishap::RingShort, 0, drawn + 4, p.layers[ring].id).empty());
    EXPECT_TRUE(ways(p, Mishap::RingShort, 0, short_, "none such").empty());
}

TEST(Mishap, ARingThatSlidTakesAllWithItOrIsTheOnlyOne)
{
    const Piece p = bowl();
    const Plan before = planned(p);
    const size_t ring = 2;
    const double round = 2 * pi * before.assembly.layers[ring].stockOuterRadius(), slid = round / 72;  // five degrees
    const auto all = ways(p, Mishap::RingSlipped, 0, slid, p.layers[ring].id);
    const auto turned = [&](const Piece& q, size_t k) {
        const double share = 360.0 / before.assembly.layers[k].count();
        return std::remainder(planned(q).assembly.layers[k].phaseDeg - before.assembly.layers[k].phaseDeg, share);
    };
    ASSERT_EQ(all.size(), 2u);
    EXPECT_NEAR(turned(all[0].piece, ring), 5, 1e-6);
    EXPECT_NEAR(turned(all[0].piece, ring + 1), 5, 1e-6) << "and what is above it";
    EXPECT_NEAR(turned(all[1].piece, ring), 5, 1e-6);
    EXPECT_NEAR(turned(all[1].piece, ring + 1), 0, 1e-6) << "the next is where it was";
}

TEST(Mishap, AnOpenJointIsFilledSawnApartOrTheRingMadeAnew)
{
    const Piece p = bowl();
    const size_t ring = 2;
    const double glued = 2 * planned(p).assembly.layers[ring].stockOuterRadius();
    const auto all = ways(p, Mishap::JointOpen, 0, 0.2, p.layers[ring].id);
    EXPECT_NE(named(all, "Filled"), nullptr);
    EXPECT_NE(named(all, "Another ring"), nullptr);
    if (const WayOut* apart = named(all, "Sawn apart")) {
        ASSERT_FALSE(apart->piece.progress.measured.empty());
        // What two kerfs and the gap take of the way round.
        EXPECT_NEAR(pi * (glued - apart->piece.progress.measured.back().value), 2 * Shop{}.kerf + 0.2, 1e-9);
    }
    for (const WayOut& w : ways(p, Mishap::JointOpen, 0, 2, p.layers[ring].id))
        EXPECT_FALSE(print(w.name).starts_with("Filled")) << "two millimeters are not bridged by dust";
}

TEST(Mishap, OfAnyPieceOffersPiecesThatCanBePlanned)
{
    test::property([] {
        const Piece p = test::randomWorkpiece();
        const double height = outlineHeight(p);
        const auto what = static_cast<Mishap::What>(test::inRange(0, 7));
        const size_t layer = static_cast<size_t>(test::inRange<int>(0, static_cast<int>(p.layers.size())));
        for (const WayOut& w : ways(p, what, height * test::inRange(0, 100) / 100.0, test::inRange(-30, 800) / 10.0,
                                    p.layers[layer].id)) {
            checkPiece(w.piece);
            RC_ASSERT(!print(w.name).empty() && !print(w.how).empty());
            RC_ASSERT(makePlan(w.piece, Shop{}).shape.height > 0);
        }
    });
}
