// The largest pieces that are accepted are planned to the end; what would take forever is refused with its limit.
// Whether they are quick the benchmarks say; here a plan that does not end fails by the test's own time.
#include "core/blank/sections.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <cmath>

using namespace vl;

namespace {

/// As many layers and nodes as a piece may have, hollowed: a wavy tube.
Piece largest(LayerForm form)
{
    Piece p;
    p.outside.clear();
    for (int i = 0; i < 200; ++i)
        p.outside.push_back({800.0 * i / 199, 60 + 20.0 * ((i * 7) % 13) / 13, Span::Curve, 0, true, {}});
    p.hollow.rule = WallRule::Even;
    p.hollow.rimWall = 6;
    p.hollow.floor = 5;
    Layer l;
    l.thickness = 2;
    l.form = form;
    p.layers.assign(400, l);
    identifyLayers(p);
    return p;
}

}  // namespace

TEST(Largest, FourHundredHollowRingsAreDividedAndPlanned)
{
    const Piece p = largest(RingForm{});
    const Plan plan = makePlan(p, {});
    EXPECT_EQ(plan.assembly.layers.size(), 400u);
    EXPECT_GT(plan.assembly.recipe.size(), 2000u);
    const auto sections = sectionsOf(p, {}, plan.surfaces);
    EXPECT_EQ(sections.front().first, 0u);
    EXPECT_EQ(sections.back().last, 399u);
    for (size_t i = 0; i + 1 < sections.size(); ++i) EXPECT_EQ(sections[i].last + 1, sections[i + 1].first);
}

TEST(Largest, ASlabForEveryLayerIsCutFromTheRack)
{
    SlabForm slab;
    slab.pattern = SlabForm::Striped;
    Piece p = largest(slab);
    p.layers.resize(100);
    p.hollow.rule = WallRule::Solid;
    const Plan plan = makePlan(p, test::harbourShop());
    const BoardPlan boards = planBoards(p, test::harbourShop(), plan.assembly);
    int wanted = 0, cut = 0, lacking = 0;
    for (const Part& part : plan.assembly.parts) wanted += part.count;
    for (const PlannedBoard& b : boards.boards)
        for (const PlannedStrip& s : b.strips)
            for (const PlannedRun& r : s.runs) cut += r.count;
    for (const Shortfall& s : boards.shortfall) lacking += s.count;
    EXPECT_EQ(cut + lacking, wanted);
    EXPECT_GT(cut, 0);
    EXPECT_GE(boards.consumed, boards.lowerBound * (1 - 1e-9));
}

TEST(Largest, MorePiecesOfWoodThanCanBeHandledAreRefusedInWords)
{
    SlabForm fine;
    fine.pattern = SlabForm::Checkered;
    fine.strip = fine.row = 2;
    Piece p = largest(fine);
    try {
        checkPiece(p);
        ADD_FAILURE() << "accepted";
    } catch (const InputError& e) {
        EXPECT_NE(std::string(e.what()).find("30000"), std::string::npos) << e.what();
    }
    p.layers.resize(401);
    EXPECT_THROW(checkPiece(p), InputError);
}

TEST(Sections, AreTheSameByHalvingAsByTryingEveryLayer)
{
    // Within a section that is worked from below, what lies further in never opens the way to what lies nearer.
    for (const Start& start : starts()) {
        Piece p = start.make();
        p = edit::divide(p, 8, 14, 12);
        for (const double shank : {8.0, 16.0, 30.0}) {
            Shop shop;
            shop.toolShank = shank;
            const Plan plan = makePlan(p, shop);
            if (plan.shape.solid) continue;
            for (size_t a = 1; a < p.layers.size(); ++a) {
                bool before = true;
                for (size_t b = a; b < p.layers.size(); ++b) {
                    const bool reached = unreached(plan.surfaces.inside, plan.assembly.layers[a].z0,
                                                   plan.assembly.layers[b].z1, true, shop)
                                             .empty();
                    EXPECT_TRUE(before || !reached) << start.name << " " << a << " " << b;
                    before = reached;
                }
            }
        }
    }
}
