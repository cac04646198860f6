// Ids last: what was done, chosen, cut and painted stays with the layer it belongs to, however layers come, go and
// move.
#include "core/piece/edits/edit.h"
#include "core/piece/edits/pattern.h"
#include "core/plan/boards/board_plan.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <map>

using namespace vl;

namespace {

/// One edit of the stack: a layer put in, split, taken out or moved.
Piece stirred(Piece p)
{
    const int n = static_cast<int>(p.layers.size()), at = test::inRange(0, n);
    switch (test::inRange(0, 4)) {
    case 0:
        return edit::addLayer(p, test::inRange(-1, n));
    case 1:
        return edit::splitLayer(p, at);
    case 2:
        return n > 3 ? edit::removeLayers(p, {at}) : p;
    default:
        return edit::moveLayer(p, at, test::inRange(0, n));
    }
}

}  // namespace

TEST(Ids, StayWithTheirLayersAndAreNeverGivenTwice)
{
    test::property([] {
        Piece p = starts()[static_cast<size_t>(test::inRange(0, 6))].make();
        std::map<std::string, std::vector<std::string>> woods;
        std::set<std::string> gone;
        // Each layer is painted so that it is known again.
        for (size_t i = 0; i < p.layers.size(); ++i) {
            p.layers[i].woods = {allSpecies()[i % allSpecies().size()].id, "maple",
                                 allSpecies()[(i / 5) % allSpecies().size()].id};
            woods[p.layers[i].id] = p.layers[i].woods;
        }
        for (int k = test::inRange(1, 20); k > 0; --k) {
            const Piece before = p;
            p = stirred(p);
            for (const Layer& l : before.layers)
                if (!layerOf(p, l.id)) gone.insert(l.id);
            std::set<std::string> seen;
            for (const Layer& l : p.layers) {
                RC_ASSERT(seen.insert(l.id).second);
                RC_ASSERT(!gone.contains(l.id));
                if (woods.contains(l.id)) RC_ASSERT(l.woods == woods[l.id]);
            }
        }
        RC_PRE(std::ranges::all_of(p.layers, [](const Layer& l) { return l.thickness >= limits::thickness.low; }));
        checkPiece(p);
    });
}

TEST(Ids, KeepProgressGlueAndPaintWhereTheyBelong)
{
    test::property([] {
        const Shop shop = test::harbourShop();
        Piece p = test::regattaCup();
        p.progress.start = aMonday;
        const Layer ring = p.layers[static_cast<size_t>(test::inRange(5, 15))];
        const std::string cut = "cut-" + ring.id, glue = "glue-" + ring.id;
        p.progress.done = {{cut, aMonday + 600, aMonday + 620, {}}};
        p.progress.moved = {{glue, aMonday + 5000, {}}};
        p.glues = {{glue, "epoxy-30", {}}};
        for (int k = test::inRange(1, 12); k > 0; --k) p = stirred(p);
        RC_PRE(placeOf(p, ring.id) >= 0);
        RC_PRE(stackHeight(p) < 800);
        const Plan plan = makePlan(p, shop);
        const auto i = static_cast<size_t>(test::stepOf(plan, cut) - plan.assembly.recipe.data());
        RC_ASSERT(plan.schedule.done[i]);
        RC_ASSERT(plan.assembly.recipe[i].layer == placeOf(p, ring.id));
        RC_ASSERT(std::ranges::count(plan.schedule.done, true) == 1);
        const Step* step = test::stepOf(plan, glue);
        RC_ASSERT(step && step->glue.glue == "epoxy-30");
        RC_ASSERT(plan.schedule.start[static_cast<size_t>(step - plan.assembly.recipe.data())] >= 5000 - 1e-6);
        RC_ASSERT(layerOf(p, ring.id)->woods == ring.woods);
    });
}

TEST(Ids, AKeptStripServesOnlyWhileWidthThicknessAndWoodAreTheSame)
{
    const Shop shop = test::harbourShop();
    const Piece whole = test::regattaCup();
    const Plan plan = makePlan(whole, shop);
    // A strip of one ring alone.
    const BoardPlan first = planBoards(whole, shop, plan.assembly);
    std::optional<KeptStrip> kept;
    for (const PlannedBoard& b : first.boards)
        for (const PlannedStrip& s : b.strips)
            if (s.runs.size() == 1)
                if (const auto part = std::ranges::find(plan.assembly.parts, s.runs[0].part, &Part::id);
                    whole.layers[static_cast<size_t>(part->layer)].is<RingForm>())
                    kept = keptStrip(b, s);
    ASSERT_TRUE(kept);
    const auto part = std::ranges::find(plan.assembly.parts, kept->runs[0].part, &Part::id);
    ASSERT_NE(part, plan.assembly.parts.end());
    const int layer = part->layer, have = kept->runs[0].count;
    auto stillToCut = [&](auto change) {
        Piece p = whole;
        p.progress.strips = {*kept};
        change(p, p.layers[static_cast<size_t>(layer)]);
        const Assembly a = makePlan(p, shop).assembly;
        const BoardPlan next = planBoards(p, shop, a);
        int count = 0;
        for (const PlannedBoard& b : next.boards)
            for (const PlannedStrip& s : b.strips)
                for (const PlannedRun& r : s.runs)
                    if (!s.kept && r.part == kept->runs[0].part) count += r.count;
        for (const Shortfall& s : next.shortfall)
            if (s.part == kept->runs[0].part) count += s.count;
        return count;
    };
    auto alone = [](Piece&, Layer&) {};
    EXPECT_EQ(stillToCut(alone), part->count - have);
    EXPECT_EQ(stillToCut([&](Piece& p, Layer&) { p = edit::addLayer(p, static_cast<int>(p.layers.size()) - 1); }),
              part->count - have)
        << "another ring changes nothing for this one";
    EXPECT_EQ(stillToCut([](Piece&, Layer& l) { l.thickness += 3; }), part->count) << "too thin now";
    EXPECT_EQ(stillToCut([](Piece&, Layer& l) { l.innerAllowance += 4; }), part->count) << "too narrow now";
    EXPECT_EQ(stillToCut([](Piece& p, Layer&) { p.progress.strips[0].wood = "walnut"; }), part->count)
        << "of another wood";
}

TEST(Ids, AnInsertedRingTakesTheFormOfItsNeighbors)
{
    Piece p = starts()[0].make();
    p.layers[1].ring()->segments = 18;
    const Piece q = edit::addLayer(p, 0);
    ASSERT_TRUE(q.layers[1].is<RingForm>()) << "above a disc comes a ring";
    EXPECT_EQ(q.layers[1].ring()->segments, 18);
    EXPECT_EQ(q.layers[2], p.layers[1]);
}

TEST(Layer, AsAnotherKindKeepsWhatBothHave)
{
    Layer l;
    l.ring()->segments = 18;
    l.ring()->turn = 0.25;
    l.ring()->madeUp.kind = MadeUp::Zigzag;
    auto kind = [](const char* name) {
        return static_cast<size_t>(
            std::ranges::find(layerKinds(), std::string(name), [](const Choice& c) { return std::string(c.name); }) -
            layerKinds().begin());
    };
    EXPECT_EQ(asKind(l, kind("staves")).sectors()->turn, 0.25);
    EXPECT_EQ(*asKind(l, kind("billet")).counted(), 18);
    EXPECT_EQ(asKind(l, kind("let-in base")).ring()->madeUp.kind, MadeUp::Zigzag);
    EXPECT_EQ(asKind(asKind(l, kind("let-in base")), kind("ring")), l);
    EXPECT_EQ(asKind(l, kind("disc")).counted(), nullptr);
    Layer slab = asKind(l, kind("slab"));
    slab.as<SlabForm>()->strip = 12;
    EXPECT_EQ(asKind(slab, kind("board rings")).as<BoardRingForm>()->board.strip, 12);
}
