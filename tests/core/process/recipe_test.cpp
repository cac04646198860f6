// The recipe as data: texts that print their numbers in the shop's units, and numbers that are settings, never only
// prose.
#include "core/blank/faces.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/recipe/bench.h"
#include "core/words/glue.h"
#include "tests/support/property.h"
#include "tests/support/random_fields.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

using namespace vl;

namespace {

/// Every number of a step's words stands among its settings. Counts that say how many are no settings.
void expectNumbersAreSettings(const Plan& plan)
{
    for (const Step& s : plan.assembly.recipe) {
        std::vector<Quantity> said = s.how.quantities();
        for (const Text* t : {&s.title, &s.why})
            for (const Quantity& q : t->quantities()) said.push_back(q);
        for (const Quantity& q : said)
            RC_ASSERT(std::ranges::any_of(
                s.settings, [&](const Setting& one) { return one.value == q.value && one.unit == q.unit; }));
        for (const Setting& one : s.settings) RC_ASSERT(std::isfinite(one.value) && !one.name.empty());
    }
}

Cell cellAlong(const Eigen::Vector3d& fibers)
{
    Cell c;
    c.board.axes.row(0) = fibers.normalized();
    return c;
}

}  // namespace

TEST(Text, FillsItsPlacesInTheShopsUnits)
{
    const Pattern fence{"fence %1, %2 cuts at %3; %1 again"};
    const Text t = says(fence, Quantity{25.4, Unit::Length, 2}, 7, Quantity{15, Unit::Angle, 3});
    EXPECT_EQ(print(t), "fence 25.40 mm, 7 cuts at 15.000°; 25.40 mm again");
    EXPECT_EQ(print(t, {LengthStyle::Unit::Inch}), "fence 1.0000 in, 7 cuts at 15.000°; 1.0000 in again");
    EXPECT_EQ(t.quantities().size(), 2u);
    Text two = says({"first"});
    two.also(says({"then %1"}, says({"layer %1"}, 3))).also(Text());
    EXPECT_EQ(print(two), "first; then layer 3");
    EXPECT_TRUE(Text().empty());
    EXPECT_EQ(print(says({"100 %, %9 and a %"})), "100 %, %9 and a %") << "what is no place stays as it is";
}

TEST(Recipe, SaysNoNumberThatIsNoSetting)
{
    for (const std::string& name : test::demoNames())
        expectNumbersAreSettings(makePlan(test::demo(name), test::harbourShop()));
    test::property([] { expectNumbersAreSettings(makePlan(test::randomPiece(), {})); });
}

TEST(Bench, GluesAndWaitsInOneBreath)
{
    Recipe recipe;
    Bench bench(recipe, "L7", 3, says({"layer %1"}, 4));
    const WorkItem cut =
        bench.step(Action::Cut, "cut", {{"L7-maple", ""}}, "segments", {.title = says({"Cut"}), .why = {}, .how = {}});
    const WorkItem ring = bench.glue("glue", {cut, {"L7-spacer", ""}}, "ring",
                                     {.title = says({"Glue"}),
                                      .why = {},
                                      .how = {},
                                      .joint = {.joints = 2, .woods = {}},
                                      .uses = {Resource::Clamp}});
    ASSERT_EQ(recipe.size(), 5u);
    EXPECT_EQ(recipe[3].id, "glue-light-L7");
    EXPECT_EQ(recipe[3].cure, Step::ForLight);
    EXPECT_EQ(recipe[4].id, "glue-cure-L7");
    EXPECT_EQ(recipe[4].cure, Step::ForHeavy);
    for (const size_t cure : {3u, 4u}) {
        EXPECT_TRUE(recipe[cure].uses.empty()) << "out of the clamp it holds nothing";
        EXPECT_EQ(recipe[cure].after, std::vector<std::string>{"glue-wait-L7"});
    }
    EXPECT_EQ(recipe[1].id, "glue-L7");
    EXPECT_EQ(recipe[1].inputs, (std::vector<std::string>{"segments-L7", "L7-spacer"}));
    EXPECT_EQ(recipe[1].after, std::vector<std::string>{"cut-L7"}) << "a part is waited for by nobody";
    EXPECT_EQ(recipe[2].id, "glue-wait-L7");
    EXPECT_EQ(recipe[2].action, Action::Wait);
    EXPECT_EQ(recipe[2].uses, std::vector{Resource::Clamp});
    EXPECT_EQ(print(recipe[2].title), "Leave layer 4 in the clamp");
    EXPECT_EQ(ring.step, "glue-wait-L7");
    EXPECT_EQ(recipe[2].layer, 3);
}

TEST(Faces, KnowTheirGrain)
{
    // How fibers meet in a face, from what a joiner calls it (common practice).
    const Eigen::Vector3d x(1, 0, 0), y(0, 1, 0), z(0, 0, 1);
    EXPECT_EQ(facesOf(cellAlong(y), cellAlong(y), x), JointFaces::LongGrain) << "edge to edge";
    EXPECT_EQ(facesOf(cellAlong(y), cellAlong(z), x), JointFaces::CrossGrain) << "a cross of two boards";
    EXPECT_EQ(facesOf(cellAlong(y), cellAlong(x), x), JointFaces::EndToLong) << "a post on a board";
    EXPECT_EQ(facesOf(cellAlong(x), cellAlong(-x), x), JointFaces::EndGrain) << "butt to butt";
    for (const int n : {4, 6, 12, 24, 96}) {
        const double h = pi / n;
        const Eigen::Vector3d left(std::cos(h), std::sin(h), 0), right(std::cos(h), -std::sin(h), 0);
        EXPECT_EQ(facesOf(cellAlong(left), cellAlong(right), x), JointFaces::MiteredEnds) << n << " segments";
    }
}

TEST(Faces, OfTheSamplesAreWhatTheirWoodSays)
{
    auto jointOf = [](const Plan& plan, const std::string& id) {
        const auto step = std::ranges::find(plan.assembly.recipe, id, &Step::id);
        return step == plan.assembly.recipe.end() ? JointFaces::Block : step->glue.faces;
    };
    const Plan cup = makePlan(test::demo("regatta-cup"), {});
    EXPECT_EQ(jointOf(cup, "glue-L10"), JointFaces::MiteredEnds);
    EXPECT_EQ(jointOf(cup, "stack-L10"), JointFaces::LongGrain) << "ring on ring";
    EXPECT_EQ(jointOf(cup, "stack-L2"), JointFaces::CrossGrain) << "the first ring on the base disc";
    const Plan dish = makePlan(test::demo("ballast-dish"), {});
    EXPECT_EQ(jointOf(dish, "rejoin-L1"), JointFaces::LongGrain)
        << "sawn along its strips, the board meets itself side by side";
    Piece stand = test::demo("lamp-stand");
    EXPECT_EQ(jointOf(makePlan(stand, {}), "stack-L3"), JointFaces::EndToLong) << "staves stand end on";
    EXPECT_EQ(jointOf(makePlan(stand, {}), "glue-L3"), JointFaces::LongGrain);
    stand.choices.staves = StaveMethod::MiterGauge;
    EXPECT_EQ(jointOf(makePlan(stand, {}), "stack-L3"), JointFaces::LongGrain)
        << "with the grain round, they lie flat on the ring";
    EXPECT_EQ(jointOf(makePlan(stand, {}), "glue-L3"), JointFaces::MiteredEnds);
}

TEST(Cells, InALatticeAreFoundAsByAskingEachOfThem)
{
    test::property([] {
        Piece p = starts()[1].make();
        p.layers.resize(1);
        p.layers[0].thickness = 40;
        BoardRingForm f;
        test::randomize(f, "", 60);
        f.rings = test::inRange(1, 6);
        f.board.strip = test::inRange(8, 60);
        f.board.row = test::inRange(8, 60);
        if (test::coin())
            p.layers[0].form = f;
        else
            p.layers[0].form = f.board;
        const Plan plan = makePlan(p, {});
        const BuiltLayer& b = plan.assembly.layers[0];
        RC_ASSERT(!b.lattices.empty());
        for (int k = 0; k < 60; ++k) {
            const double z = b.z0 + (b.z1 - b.z0) * test::inRange(1, 1000) / 1000.0,
                         r = test::inRange(0, 1400) / 10.0 + 0.013;
            const double angle = test::inRange(0, 3600) / 10.0 + 0.0171;
            const Eigen::Vector3d place = pointAt(z, r, angle);
            const Cell* found = b.cellAt(z, r, angle);
            const auto asked = std::ranges::find_if(b.cells, [&](const Cell& c) { return c.within(place, r); });
            RC_ASSERT((asked == b.cells.end()) == (found == nullptr));
            if (!found) continue;
            RC_ASSERT(found->within(place, r));
            // Its box round the axis holds the point.
            const BuiltLayer::Extent box = b.extentOf(*found);
            RC_ASSERT(z >= box.z.low - 1e-9 && z <= box.z.high + 1e-9 && r >= box.r.low - 1e-6 &&
                      r <= box.r.high + 1e-6);
            const double on = std::fmod(angle - box.from + 720, 360);
            RC_ASSERT(box.to - box.from >= 360 || on <= box.to - box.from + 1e-6 || on >= 360 - 1e-6);
        }
    });
}

TEST(Cells, MoreThanCanBeHandledAreRefusedWithTheLimitInWords)
{
    Piece p = test::demo("ballast-dish");
    BoardRingForm& f = *p.layers[0].as<BoardRingForm>();
    f.rings = 40;
    f.board.pattern = SlabForm::Checkered;
    f.board.strip = f.board.row = 4;
    try {
        makePlan(p, {});
        FAIL();
    } catch (const InputError& e) {
        EXPECT_EQ(e.field(), "layers");
        EXPECT_NE(e.limit().find("up to 30000 are: wider strips"), std::string::npos) << e.limit();
    }
    f.rings = 12;
    f.board.strip = f.board.row = 10;
    const BuiltLayer built = makePlan(p, {}).assembly.layers[0];
    EXPECT_GT(built.cells.size(), 10000u);
    EXPECT_EQ(built.lattices.size(), 12u);
}
