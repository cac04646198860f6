// One ring that gives the first and the last layer; plugs; tenons that end inside a layer.
#include "core/constructions/end_rings.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/boards/setups.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>
#include <set>

using namespace vl;

namespace {

using test::find;
using test::stepsOf;

/// A closed form whose inside cannot be reached through its mouth, its two ends alike.
Piece closedForm()
{
    Piece p = test::tallVase(9, 12);
    const double end = outlineHeight(p);
    p.outside.clear();
    for (const auto& [z, r] : {std::pair{0.0, 30.0}, {end / 2, 75.0}, {end, 24.0}}) {
        p.outside.emplace_back();
        p.outside.back().z = z;
        p.outside.back().r = r;
    }
    p.hollow = {};
    p.hollow.rule = WallRule::Even;
    p.hollow.rimWall = 7;
    p.hollow.floor = 0;
    for (Layer& l : p.layers) {
        l.form = RingForm{};
        l.ring()->segments = 12;
        l.woods = {"maple"};
    }
    p.layers[0].woods = {"walnut", "maple"};
    p.layers.back().woods = {"maple", "walnut"};
    p.layers.back().ring()->turn = 0.5;
    p.choices.ends = EndMethod::PartedRing;
    return p;
}

}  // namespace

TEST(EndRings, OneRingGivesBothLayersAndHasTheWoodForThem)
{
    const Piece p = closedForm();
    const Plan plan = makePlan(p, {});
    ASSERT_EQ(find(plan, "end-rings"), nullptr);
    const size_t last = p.layers.size() - 1;
    const std::string end = p.layers[last].id;
    for (const Part& part : plan.assembly.parts) {
        EXPECT_NE(part.layer, static_cast<int>(last)) << part.id;
        if (part.layer > 0) continue;
        EXPECT_NE(part.name.find("ring " + std::to_string(last + 1)), std::string::npos) << part.name;
        // Both layers, a 3 mm groove, and four faces of 0.4 mm.
        EXPECT_NEAR(part.thickness, p.layers[0].thickness + p.layers[last].thickness + 3 + 4 * 0.4, 1e-9);
    }
    const BuiltLayer &a = plan.assembly.layers[0], &b = plan.assembly.layers[last];
    EXPECT_EQ(a.stockOuterRadius(), b.stockOuterRadius());
    EXPECT_EQ(a.stockInnerRadius(), b.stockInnerRadius());
    for (const BuiltLayer* l : {&a, &b}) EXPECT_GE(l->stockOuterRadius(), l->finishedOuter.high + 2 - 1e-9);

    // Flattened on both faces, taped, parted, each half glued to its block before anything goes onto it.
    const long far = test::placeOf(plan, "far-face-L1"), tape = test::placeOf(plan, "tape-L1"),
               part = test::placeOf(plan, "part-ends-L1");
    ASSERT_GE(far, 0);
    EXPECT_LT(test::placeOf(plan, "flatten-L1"), far);
    EXPECT_LT(far, tape);
    EXPECT_LT(tape, part);
    EXPECT_EQ(test::placeOf(plan, "flatten-" + end), -1) << "it is no ring of its own";
    const auto& recipe = plan.assembly.recipe;
    for (const std::string& half : {std::string("stack-L1"), "stack-" + end}) {
        const auto glued = std::ranges::find(recipe, half, &Step::id);
        ASSERT_NE(glued, recipe.end()) << half;
        EXPECT_EQ(glued->glue.faces, JointFaces::Block);
        EXPECT_GT(test::placeOf(plan, half), part);
    }
    EXPECT_EQ(stepsOf(plan, "waste-block").size(), stepsOf(plan, "inside").size()) << "a block for each section";
    // What is left at each block, and the groove, make up the ring between its two flat faces.
    const auto parted = std::ranges::find(recipe, "part-ends-L1", &Step::id);
    double sum = 0;
    for (const Setting& s : parted->settings) sum += s.value;
    EXPECT_NEAR(sum, a.glued, 1e-9);
    EXPECT_NE(print(parted->how).find("tailstock up"), std::string::npos);
}

TEST(EndRings, LoseEachFaceOnceInBothSchools)
{
    Piece p = closedForm();
    for (const StackMethod method : {StackMethod::RingByRing, StackMethod::SectionAtOnce}) {
        p.choices.stacking = method;
        const Plan plan = makePlan(p, {});
        int sanded = 0;  // faces of the ring before it is taped
        for (const Step* s : stepsOf(plan, "flatten-L1"))
            if (s->id == "flatten-L1") sanded += print(s->title).find("both") == std::string::npos ? 1 : 2;
        sanded += static_cast<int>(stepsOf(plan, "far-face").size());
        EXPECT_EQ(sanded, 2) << static_cast<int>(method);
    }
}

TEST(EndRings, AreOnEverySetupAndLeaveNoThingUnmade)
{
    for (const double alike : {0.0, 2.0}) {
        Piece p = closedForm();
        p.choices.setOnceWithin = alike;
        const Plan plan = makePlan(p, {});
        std::set<std::string> made;
        for (const Part& part : plan.assembly.parts) made.insert(part.id);
        for (const size_t k : plan.schedule.order) {
            const Step& s = plan.assembly.recipe[k];
            for (const std::string& in : s.inputs)
                EXPECT_TRUE(made.contains(in) || in.find("waste-block") != std::string::npos)
                    << s.id << " takes " << in;
            made.insert(s.outputs.begin(), s.outputs.end());
        }
        std::set<std::string> set;
        for (const vl::Setup& s : setupsOf(p, plan.assembly, {})) set.insert(s.parts.begin(), s.parts.end());
        for (const Part& part : plan.assembly.parts) EXPECT_TRUE(set.contains(part.id)) << part.id;
        EXPECT_EQ(plan.assembly.layers.front().stock.outerEdge(), plan.assembly.layers.back().stock.outerEdge());
    }
}

TEST(EndRings, ThatCannotBeOneAreSaidAndMendedByEveryFix)
{
    Piece unlike = closedForm(), open = closedForm(), whole = closedForm(), woods = closedForm();
    unlike.layers.back().ring()->segments = 10;
    open.layers.back().ring()->joint.kind = SegmentJoint::GapByWidth;
    whole.choices.sections = SectionRule::Whole;
    woods.layers.back().woods = {"maple", "maple", "walnut"};
    for (const Piece& p : {unlike, open, whole, woods}) {
        const Plan plan = makePlan(p, {});
        const Caution* said = find(plan, "end-rings");
        ASSERT_NE(said, nullptr);
        EXPECT_TRUE(std::ranges::any_of(plan.assembly.parts, [&](const Part& part) {
            return part.layer + 1 == static_cast<int>(p.layers.size());
        })) << "made by itself";
        for (const Fix& fix : said->fixes)
            EXPECT_EQ(find(makePlan(fix.apply(p), {}), "end-rings"), nullptr) << print(fix.label);
    }
}

TEST(Plug, FillsTheMiddleWhereSegmentsWouldRunToAPoint)
{
    Piece p = test::tallVase(3, 12);
    p.hollow.rule = WallRule::Solid;
    for (Layer& l : p.layers) l.stockInner.reset();
    const Plan pointed = makePlan(p, {});
    const Caution* said = find(pointed, "point-");
    ASSERT_NE(said, nullptr);
    const auto fix =
        std::ranges::find(said->fixes, "bored, and a plug glued in", [](const Fix& f) { return print(f.label); });
    ASSERT_NE(fix, said->fixes.end());
    const Piece mended = fix->apply(p);
    const auto i = static_cast<size_t>(said->layer);
    const auto* form = mended.layers[i].as<LetInForm>();
    ASSERT_NE(form, nullptr);
    EXPECT_TRUE(form->plug);
    const Plan plan = makePlan(mended, {});
    const BuiltLayer& b = plan.assembly.layers[i];
    EXPECT_GE(b.stock.innerEdge(), 3);
    // The hole is the plug's: no air round it.
    EXPECT_EQ(b.cellAt((b.z0 + b.z1) / 2, form->diameter / 2 - 0.01, 33)->wood->id, form->discWood);
    const Step* bore = stepsOf(plan, "recess-" + mended.layers[i].id).at(0);
    EXPECT_EQ(bore->action, Action::Drill);
    EXPECT_NEAR(bore->settings.at(0).value, form->diameter, 1e-9);
    const Step* glue = stepsOf(plan, "let-in-" + mended.layers[i].id).at(0);
    EXPECT_NEAR(glue->glue.area, pi * form->diameter * b.planeTo, 1e-6);
    EXPECT_FALSE(stepsOf(plan, "flush-" + mended.layers[i].id).empty());
    // A plug that is wide moves too much to be glued all round, and is set free.
    Piece wide = mended;
    wide.layers[i].as<LetInForm>()->diameter = 40;
    wide.layers[i].as<LetInForm>()->discWood = "beech";
    const Plan moving = makePlan(wide, {});
    const Caution* moves = find(moving, "let-in-");
    ASSERT_NE(moves, nullptr);
    EXPECT_GT(moves->measure, moves->limit);
    EXPECT_EQ(find(makePlan(moves->fixes.at(0).apply(wide), {}), "let-in-"), nullptr);
}

TEST(Tenon, ThatEndsInsideALayerIsDrawnAsFarAsItGoes)
{
    Piece p = test::regattaCup();
    const auto stem = std::ranges::find_if(p.layers, [](const Layer& l) { return l.is<SpindleForm>(); });
    const auto at = static_cast<size_t>(stem - p.layers.begin());
    ASSERT_GT(at, 0u);
    for (const double into : {4.0, 7.5}) {
        p.layers[at].as<SpindleForm>()->below = into;
        p.layers[at].as<SpindleForm>()->above = into;
        const Plan plan = makePlan(p, {});
        const BuiltLayer &s = plan.assembly.layers[at], &under = plan.assembly.layers[at - 1],
                         &over = plan.assembly.layers[at + 1];
        ASSERT_GT(under.z1 - under.z0, into + 1);
        const double r = s.tenon.radius * 0.9;
        const auto wood = [&](const BuiltLayer& b, double z) { return b.cellAt(z, r, 77)->wood; };
        EXPECT_EQ(wood(under, s.z0 - into + 0.1), s.woods[0]);
        EXPECT_EQ(wood(over, s.z1 + into - 0.1), s.woods[0]);
        EXPECT_EQ(wood(over, s.z1 + into + 0.1), over.woods[0]);
        // Beside it, and beyond its end, the layer is what it was; everywhere there is one wood and no more.
        for (const BuiltLayer* b : {&under, &over})
            for (double z = b->z0 + 0.3; z < b->z1; z += 0.7)
                for (const double radius : {0.5 * r, 1.3 * r}) {
                    int here = 0;
                    for (const Cell& c : b->cells) here += c.spans(77) && c.within(pointAt(z, radius, 77), radius);
                    EXPECT_LE(here, 1) << z << " " << radius;
                }
    }
}
