// Segments that run to a point, stems and their spindles, wood that moves against its neighbor.
#include "core/piece/edits/edit.h"
#include "core/plan/figures/movement.h"
#include "core/plan/plan.h"
#include "core/wood/moisture.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>

using namespace vl;

namespace {

using test::find;

double settingOf(const Step& s, const std::string& name)
{
    for (const Setting& one : s.settings)
        if (one.name == name) return one.value;
    return std::nan("");
}

/// A cup whose stem is built of rings of segments that run to a point.
Piece ringedStem()
{
    Piece p = test::regattaCup();
    RingForm ring;
    ring.segments = 8;
    const auto stem = std::ranges::find_if(p.layers, [](const Layer& l) { return l.is<SpindleForm>(); });
    stem->form = ring;
    stem->woods = {"walnut"};
    return p;
}

}  // namespace

TEST(Points, NoStartNoSampleAndNoFixMakesSegmentsThatRunToOne)
{
    for (const Start& start : starts()) EXPECT_EQ(find(makePlan(start.make(), {}), "point-"), nullptr) << start.name;
    for (const std::string& name : test::demoNames())
        EXPECT_EQ(find(makePlan(test::demo(name), test::harbourShop()), "point-"), nullptr) << name;
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        std::set<std::string> pointed;
        for (const Caution& c : plan.cautions)
            if (c.id.starts_with("point-")) {
                pointed.insert(c.id);
                RC_ASSERT(!c.fixes.empty());
                RC_ASSERT(plan.assembly.layers[static_cast<size_t>(c.layer)].stock.innerEdge() < 3);
            }
        for (const Caution& c : plan.cautions)
            for (const Fix& fix : c.fixes) {
                // Fixes that only take something away from the outside or the number of layers may uncover one that
                // was there; a construction that a fix puts in place is none.
                if (!c.id.starts_with("point-") && !c.id.starts_with("season-") && !c.id.starts_with("short-grain-"))
                    continue;
                for (const Caution& a : makePlan(fix.apply(p), {}).cautions)
                    if (a.id.starts_with("point-") && (!pointed.contains(a.id) || a.id == c.id))
                        RC_FAIL(c.id + " / " + print(fix.label) + " makes " + a.id);
            }
    });
}

TEST(Stem, BecomesASpindleWhoseTenonsStandInWood)
{
    const Piece ringed = ringedStem();
    const Plan before = makePlan(ringed, {});
    ASSERT_NE(find(before, "short-grain-"), nullptr) << "grain across a stem of 25 mm";
    ASSERT_NE(find(before, "point-"), nullptr);
    for (const char* kind : {"short-grain-", "point-"}) {
        const Piece mended = find(before, kind)->fixes[0].apply(ringed);
        const auto stem = std::ranges::find_if(mended.layers, [](const Layer& l) { return l.is<SpindleForm>(); });
        ASSERT_NE(stem, mended.layers.end()) << kind;
        const Plan after = makePlan(mended, {});
        EXPECT_EQ(find(after, "short-grain-"), nullptr);
        EXPECT_EQ(find(after, "tenon-"), nullptr) << "holes stay within the wood";
        EXPECT_NEAR(stackHeight(mended), stackHeight(ringed), 1e-9);
        const auto i = static_cast<size_t>(stem - mended.layers.begin());
        const Part& part = *std::ranges::find(after.assembly.parts, static_cast<int>(i), &Part::layer);
        const SpindleForm& f = *stem->as<SpindleForm>();
        EXPECT_NEAR(part.length, stem->thickness + f.below + f.above, 1e-9);
        EXPECT_EQ(part.grain, "along the axis");
    }
}

TEST(Stem, HolesAreDrilledBeforeItIsGluedDeeperThanItsTenonsAndNotThroughTheFloor)
{
    const Piece cup = test::regattaCup();
    const Plan plan = makePlan(cup, {});
    const size_t i = static_cast<size_t>(
        std::ranges::find_if(cup.layers, [](const Layer& l) { return l.is<SpindleForm>(); }) - cup.layers.begin());
    const SpindleForm& f = *cup.layers[i].as<SpindleForm>();
    const Step *below = test::stepOf(plan, "tenon-hole-" + cup.layers[i - 1].id),
               *above = test::stepOf(plan, "tenon-socket-" + cup.layers[i + 1].id),
               *glued = test::stepOf(plan, "stack-" + cup.layers[i].id),
               *next = test::stepOf(plan, "stack-" + cup.layers[i + 1].id);
    ASSERT_TRUE(below && above && glued && next);
    EXPECT_EQ(settingOf(*below, "depth"), f.below + 1);
    EXPECT_EQ(settingOf(*above, "depth"), f.above + 1);
    EXPECT_EQ(settingOf(*below, "bit, Ø"), f.tenon);
    EXPECT_TRUE(std::ranges::find(glued->after, below->id) != glued->after.end());
    EXPECT_TRUE(std::ranges::find(next->after, above->id) != next->after.end());
    EXPECT_EQ(test::stepOf(plan, "true-face-" + cup.layers[i].id), nullptr)
        << "facing the shoulder would take the tenon off";
    // The tenon passes through the two rings below, whose middles it fills.
    const double deep = plan.assembly.layers[i].z0 - f.below;
    for (size_t k = i - 2; k < i; ++k) {
        const BuiltLayer& b = plan.assembly.layers[k];
        ASSERT_GE(b.z0, deep - 1.5);
        const Cell* core = b.cellAt((b.z0 + b.z1) / 2, f.tenon / 2 - 0.5, 33);
        ASSERT_NE(core, nullptr);
        EXPECT_STREQ(core->wood->id, "walnut");
        EXPECT_GT(core->endGrain(Eigen::Vector3d::UnitX()), 0.99);
        EXPECT_STREQ(b.cellAt((b.z0 + b.z1) / 2, f.tenon / 2 + 0.5, 33)->wood->id, "maple");
    }
    struct Case {
        const char* id;
        void (*change)(SpindleForm&);
    };
    for (const Case& c : {Case{"tenon-above-", [](SpindleForm& s) { s.above = 9; }},
                          Case{"tenon-below-", [](SpindleForm& s) { s.below = 60; }},
                          Case{"tenon-wide-", [](SpindleForm& s) { s.tenon = 35; }}}) {
        Piece p = cup;
        c.change(*p.layers[i].as<SpindleForm>());
        const Plan wrong = makePlan(p, {});
        const Caution* said = find(wrong, c.id);
        ASSERT_NE(said, nullptr) << c.id;
        ASSERT_FALSE(said->fixes.empty());
        EXPECT_EQ(find(makePlan(said->fixes[0].apply(p), {}), c.id), nullptr) << c.id;
    }
}

TEST(Movement, IsThatOfTheGrainOnBothSidesOverTheTurnedJoint)
{
    const Shop shop;
    const double change = seasonOf(shop);
    // Wood Handbook ch. 13, linear: D · S/30/100 · ΔM.
    auto moved = [&](double width, const char* wood) {
        return width * speciesOf(wood).shrinkTangential / 30 / 100 * change;
    };
    struct Case {
        LayerForm below, above;
        double moves;  // of 100 mm of maple below and walnut above
    };
    BilletForm billet;
    SlabForm slab;
    slab.pattern = SlabForm::Plain;
    const Case cases[] = {
        {DiscForm{}, RingForm{}, moved(100, "maple")},
        {RingForm{}, DiscForm{}, moved(100, "walnut")},
        {RingForm{}, RingForm{}, 0},
        {DiscForm{}, DiscForm{}, moved(100, "maple") - moved(100, "walnut")},
        {slab, RingForm{}, moved(100, "maple")},
        {billet, RingForm{}, moved(100, "maple")},
        // One moves every way, the other across only: along the board's grain they differ by all of it.
        {billet, DiscForm{}, moved(100, "maple")},
        {LetInForm{}, RingForm{}, 0},
    };
    for (const Case& c : cases) {
        Piece p = starts()[4].make();
        p.outside = {
            {0, 60, Span::Line, 0, false, {}}, {20, 50, Span::Line, 0, false, {}}, {40, 70, Span::Line, 0, false, {}}};
        p.hollow.rule = WallRule::Solid;
        p.layers.resize(2);
        p.layers[0].form = c.below;
        p.layers[1].form = c.above;
        p.layers[0].woods = {"maple"};
        p.layers[1].woods = {"walnut"};
        p.layers[0].thickness = p.layers[1].thickness = 20;
        const Plan plan = makePlan(p, shop);
        const auto all = movementsOf(plan.assembly, plan.surfaces, shop);
        ASSERT_EQ(all.size(), 1u);
        EXPECT_NEAR(all[0].width, 100, 1e-9) << "the joint's own width, not the layer's";
        EXPECT_NEAR(all[0].moves, std::abs(c.moves), 0.02 * moved(100, "maple"))
            << p.layers[0].form.index() << " under " << p.layers[1].form.index();
        const bool said = find(plan, "season-") != nullptr;
        EXPECT_EQ(said, all[0].moves > shop.mostMovement);
    }
}

TEST(Movement, ALetInBaseIsOfferedWhereItCures)
{
    for (const bool cures : {true, false}) {
        Piece p = starts()[0].make();
        p.layers[0].form = DiscForm{};
        p.layers[0].woods = {"beech"};
        if (!cures) p.layers[1].form = StavesForm{};  // they move round, as a let-in base's ring does not
        const Plan plan = makePlan(p, {});
        const Caution* season = find(plan, "season-" + p.layers[0].id);
        if (!season) season = find(plan, "season-");
        ASSERT_NE(season, nullptr);
        const bool offered = std::ranges::any_of(
            season->fixes, [](const Fix& f) { return print(f.label).find("let in") != std::string::npos; });
        EXPECT_EQ(offered, cures);
        for (const Fix& f : season->fixes) {
            const Plan after = makePlan(f.apply(p), {});
            EXPECT_EQ(find(after, season->id), nullptr) << print(f.label);
            EXPECT_EQ(find(after, "point-"), nullptr) << print(f.label);
        }
    }
}
