// The recipe against the glue and the geometry: what waits for what, and what rotation is printed.
#include "core/blank/contact.h"
#include "core/holding/foot_hold.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "core/recipe/cure.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>

#include <cmath>
#include <map>
#include <random>

using namespace vl;

namespace {

using test::find;

/// For every step the gluing steps that are in what it works on: by the things that go in and come out, not by `after`.
std::vector<std::set<size_t>> gluedInto(const Recipe& recipe)
{
    std::map<std::string, size_t> makes;
    for (size_t i = 0; i < recipe.size(); ++i)
        for (const std::string& out : recipe[i].outputs) makes[out] = i;
    std::vector<std::set<size_t>> in(recipe.size());
    for (size_t i = 0; i < recipe.size(); ++i)
        for (const std::string& thing : recipe[i].inputs)
            if (const auto made = makes.find(thing); made != makes.end()) {
                const size_t from = made->second;
                in[i].insert(in[from].begin(), in[from].end());
                if (recipe[from].action == Action::Glue && recipe[from].glue.joints > 0) in[i].insert(from);
            }
    return in;
}

}  // namespace

TEST(Cure, NoToolTouchesAJointBeforeItsMachineTimeNorAClampUpBeforeItsClampTime)
{
    test::property([] {
        Piece p = test::randomPiece();
        Shop shop;
        shop.temperature = test::inRange(8, 32);
        const Plan plan = makePlan(p, shop);
        const Recipe& recipe = plan.assembly.recipe;
        const auto joints = gluedInto(recipe);
        std::map<std::string, double> clamped;
        for (size_t i = 0; i < recipe.size(); ++i)
            if (recipe[i].action == Action::Wait && !recipe[i].cure && recipe[i].after.size() == 1)
                clamped[recipe[i].after[0]] = plan.schedule.end[i];
        for (size_t i = 0; i < recipe.size(); ++i)
            for (const size_t g : joints[i]) {
                const double glued = plan.schedule.end[g];
                const Load load = loadOf(recipe[i]);
                if (load == Load::Heavy)
                    RC_ASSERT(plan.schedule.start[i] >= glued + recipe[g].glue.machineMinutes - 1e-6);
                else if (load == Load::Light)
                    RC_ASSERT(plan.schedule.start[i] >= glued + recipe[g].glue.lightMinutes - 1e-6);
                else if (recipe[i].action == Action::Glue)
                    RC_ASSERT(plan.schedule.start[i] >= clamped.at(recipe[g].id) - 1e-6);
            }
        // What cures by itself holds neither lathe nor clamp.
        for (const Step& s : recipe)
            if (s.cure) RC_ASSERT(s.uses.empty() && s.workMinutes == 0);
    });
}

TEST(Cure, AStackOfRingsTakesNoDayARing)
{
    // Fifteen rings on yellow glue: 45 minutes in the clamp and 90 before each face is trued, not 12 hours.
    const Piece cup = test::regattaCup();
    Piece fully = cup;
    fully.choices.curedFully = true;
    const double soon = makePlan(cup, {}).schedule.length, late = makePlan(fully, {}).schedule.length;
    const double day = 24 * 60;
    EXPECT_GT(late - soon, 3 * day) << soon / day << " and " << late / day << " days";
}

TEST(Cure, RunsOnFromWhenItsGlueUpWasDone)
{
    const Piece cup = test::regattaCup();
    const Plan fresh = makePlan(cup, {});
    const auto glue =
        std::ranges::find_if(fresh.assembly.recipe, [](const Step& s) { return s.id.starts_with("glue-"); });
    const std::string id = glue->id, rest = id.substr(5);
    Piece done = cup;
    const double begun = aMonday + 1080;
    done.progress.start = begun;
    // Its ring is cut and glued; the shop's clock says three hours later.
    for (const std::string& s : {"cut-" + rest, "dry-" + rest}) done.progress.done.push_back({s, begun, begun + 5, {}});
    done.progress.done.push_back({id, begun + 10, begun + 20, {}});
    const Plan later = makePlan(done, {}, {}, begun + 180);
    const Recipe& r = later.assembly.recipe;
    for (size_t i = 0; i < r.size(); ++i) {
        if (r[i].id == "glue-wait-" + rest) {
            EXPECT_NEAR(later.schedule.start[i], 20, 1e-6) << "not when the clock is looked at";
            EXPECT_NEAR(later.schedule.end[i], 20 + r[i].waitMinutes, 1e-6);
        }
        if (r[i].id == "glue-cure-" + rest) {
            EXPECT_NEAR(later.schedule.end[i], 20 + glue->glue.machineMinutes, 1e-6);
        }
        if (r[i].id == "flatten-" + rest) {
            EXPECT_GE(later.schedule.start[i], 20 + glue->glue.lightMinutes - 1e-6);
            EXPECT_LT(glue->glue.lightMinutes, glue->glue.machineMinutes) << "a face is trued the same day";
        }
    }
}

TEST(Glue, IsChosenAndCountedByTheClosingAndNeverBelowWhatCanBeMeasured)
{
    const Piece lantern = test::demo("net-lantern");
    const Plan plan = makePlan(lantern, test::harbourShop());
    int open = 0;
    for (const JointGlue& g : plan.glues) {
        const Step& s = plan.assembly.recipe[g.step];
        if (!s.glue.open) continue;
        ++open;
        EXPECT_NE(g.glue, "polyurethane") << s.id << ": it foams into the gaps";
        if (s.glue.closings > 1) {
            // One segment at a time: its own joint must close in the open time, not all twelve.
            EXPECT_NEAR(s.glue.spreadMinutes, 0.25 + s.glue.area / s.glue.closings / 20000, 1e-9);
        }
    }
    EXPECT_GT(open, 8);
    Glue foam, plain;
    foam.foams = true;
    foam.endGrain = true;
    std::vector<Text> why;
    GlueJoint mitred{.faces = JointFaces::MiteredEnds, .area = 1000, .joints = 12};
    EXPECT_FALSE(suits(foam, mitred, 20, &why));
    EXPECT_TRUE(suits(plain, mitred, 20));
    GlueJoint gaps{.faces = JointFaces::LongGrain, .area = 1000, .joints = 12, .open = true};
    EXPECT_FALSE(suits(foam, gaps, 20, &why));
    EXPECT_EQ(why.size(), 2u);
    for (const std::string& name : test::demoNames()) {
        const Plan any = makePlan(test::demo(name), test::harbourShop());
        for (const JointGlue& g : any.glues) {
            const Step& s = any.assembly.recipe[g.step];
            if (g.glue.starts_with("epoxy")) {
                EXPECT_GE(s.glue.grams, 6) << s.id;
            } else if (g.glue == "yellow" || g.glue == "white") {
                EXPECT_GE(s.glue.grams, 1) << s.id;
            }
            // What to mind is printed where the work is done, and names the wood that is oily.
            const std::string how = print(s.how);
            bool oily = false;
            for (const Species* w : s.glue.woods) {
                if (w->oily) {
                    oily = true;
                    EXPECT_NE(how.find(w->name), std::string::npos) << s.id;
                }
            }
            EXPECT_EQ(how.find("wipe the oily") != std::string::npos, oily) << s.id;
        }
    }
}

TEST(Glue, SizesEndGrainOnlyForAGlueThatIsSized)
{
    Piece p = test::demo("chart-stand");
    for (const char* glue : {"yellow", "epoxy-30", "polyurethane"}) {
        Piece q = p;
        Plan plan = makePlan(q, {});
        for (const Step& s : plan.assembly.recipe)
            if (s.glue.faces == JointFaces::EndGrain && s.glue.joints > 0) q.glues.push_back({s.id, glue, {}});
        plan = makePlan(q, {});
        int seen = 0;
        for (const Step& s : plan.assembly.recipe)
            if (s.glue.faces == JointFaces::EndGrain && s.glue.joints > 0) {
                ++seen;
                EXPECT_EQ(print(s.how).find("size both faces") != std::string::npos, std::string(glue) == "yellow")
                    << s.id << " with " << glue;
            }
        EXPECT_GT(seen, 0) << "end grain against end grain is recognized";
    }
}

TEST(Rotation, IsTheDifferenceOfThePhasesAsSeenFromWhereOneLooks)
{
    test::property([] {
        Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        for (const Step& s : plan.assembly.recipe) {
            if (s.rotationDeg == 0 || s.action != Action::Glue) continue;
            const std::string why = print(s.why), other = why.substr(why.rfind("from layer ") + 11);
            const auto from = static_cast<size_t>(std::stoi(other)) - 1;
            RC_ASSERT(from < plan.assembly.layers.size());
            auto middle = [](const BuiltLayer& b) { return b.phaseDeg; };
            size_t own = static_cast<size_t>(s.layer);
            while (!p.layers[own].sectors()) ++own;  // a section is turned by the first of its layers that has joints
            const double seen =
                std::remainder(middle(plan.assembly.layers[own]) - middle(plan.assembly.layers[from]), 360);
            const bool fromFoot = why.find("open face") != std::string::npos;
            RC_ASSERT(std::abs(std::remainder(s.rotationDeg - (fromFoot ? -seen : seen), 360)) < 1e-9);
            RC_ASSERT(fromFoot == (own < from));
            const bool anti = why.find("anticlockwise") != std::string::npos;
            if (std::abs(s.rotationDeg) > 1e-9) RC_ASSERT(anti == (s.rotationDeg > 0));
        }
    });
}

TEST(Rotation, JointsOverJointsAreSaidAndNotPraised)
{
    for (const auto& [turn, seam] : {std::pair{0.0, true}, {24.0, true}, {12.0, true}, {0.5, false}, {-0.5, false}}) {
        Piece p = starts()[2].make();
        for (Layer& l : p.layers)
            if (Sectors* s = l.sectors()) s->turn = turn;
        const Plan plan = makePlan(p, {});
        const Caution* said = find(plan, "seam-");
        EXPECT_EQ(said != nullptr, seam) << turn;
        for (const Step& s : plan.assembly.recipe)
            if (s.id.starts_with("stack-L") && s.action == Action::Glue && s.layer > 1) {
                const std::string why = print(s.why);
                if (why.find("turned ") == std::string::npos) continue;  // onto a block
                EXPECT_EQ(why.find("no joint stands over a joint") != std::string::npos, !seam) << why;
            }
        if (said) {
            EXPECT_EQ(find(makePlan(said->fixes[0].apply(p), {}), said->id), nullptr);
        }
    }
    // Different numbers of segments cannot avoid one another everywhere; the best there is passes.
    test::property([] {
        BuiltLayer a, b;
        a.stock.sides = test::inRange(3, 40);
        b.stock.sides = test::inRange(3, 40);
        a.phaseDeg = test::inRange(0, 36000) / 100.0;
        b.phaseDeg = test::inRange(0, 36000) / 100.0;
        const JointsBeside said = jointsBeside(a, b);
        double least = 360;
        for (int i = 0; i < a.stock.sides; ++i)
            for (int k = 0; k < b.stock.sides; ++k)
                least = std::min(least, std::abs(std::remainder(a.phaseDeg + (i + 0.5) * 360 / a.stock.sides -
                                                                    b.phaseDeg - (k + 0.5) * 360 / b.stock.sides,
                                                                360)));
        RC_ASSERT(std::abs(said.least - least) < 1e-9);
        b.phaseDeg += said.offset;
        RC_ASSERT(std::abs(jointsBeside(a, b).least - said.best) < 1e-9);
    });
}

TEST(OpenBricks, TouchOverTheAreaThatBoostGeometryFinds)
{
    namespace bg = boost::geometry;
    using Place = bg::model::d2::point_xy<double>;
    using Shape2 = bg::model::polygon<Place>;
    test::property([] {
        Piece p = test::demo("net-lantern");
        p.layers.resize(4);
        const bool byAngle = test::coin();
        for (size_t i = 1; i < 4; ++i) {
            RingForm& f = *p.layers[i].ring();
            f.segments = test::inRange(6, 19);
            f.turn = test::inRange(-100, 101) / 100.0;
            f.joint.kind = byAngle ? SegmentJoint::GapByAngle : SegmentJoint::GapByWidth;
            f.joint.angle = test::inRange(10, 120) / 10.0;
            f.joint.width = test::inRange(10, 90) / 10.0;
        }
        const Plan plan = makePlan(p, {});
        const BuiltLayer &a = plan.assembly.layers[1], &b = plan.assembly.layers[2];
        const double inner = 60, outer = 75;
        const Contact said = contactOf(a, b, inner, outer);
        auto pieces = [&](const BuiltLayer& layer) {
            std::vector<Shape2> out;
            const int n = layer.stock.sides;
            for (int k = 0; k < n; ++k) {
                // A fan of the annulus between the segment's two ends, in steps of a tenth of a degree.
                const double mid = layer.phaseDeg + 360.0 * k / n;
                Shape2 s;
                auto half = [&](double r) {
                    return 180.0 / n - layer.stock.openDeg / 2 - std::asin(layer.stock.gap / 2 / r) / degrees;
                };
                for (int side = 0; side < 2; ++side)
                    for (int i = 0; i <= 40; ++i) {
                        const double r = side ? outer : inner, t = side ? 1 - i / 20.0 : i / 20.0 - 1;
                        const double angle = (mid + t * half(r)) * degrees;
                        s.outer().emplace_back(r * std::cos(angle), r * std::sin(angle));
                    }
                bg::correct(s);
                out.push_back(s);
            }
            return out;
        };
        const auto low = pieces(a), high = pieces(b);
        double area = 0, least = 1e9;
        for (const Shape2& h : high) {
            double on = 0;
            for (const Shape2& l : low) {
                std::vector<Shape2> both;
                bg::intersection(h, l, both);
                for (const Shape2& s : both) on += bg::area(s);
            }
            area += on;
            least = std::min(least, on);
        }
        RC_ASSERT(std::abs(said.area - area) < 0.01 * area + 1);
        RC_ASSERT(std::abs(said.least - least) < 0.02 * least + 2);
    });
    // A segment over a gap is a stop, little is a caution.
    Piece p = test::demo("net-lantern");
    for (Layer& l : p.layers)
        if (RingForm* f = l.ring()) f->joint.angle = 20;
    EXPECT_NE(find(makePlan(p, {}), "contact-"), nullptr);
}

TEST(Stack, InOneClampUpIsFlattenedBothWaysAndHasNoFacingBetween)
{
    Piece p = starts()[0].make();
    p.choices.stacking = StackMethod::SectionAtOnce;
    const Plan once = makePlan(p, {});
    p.choices.stacking = StackMethod::RingByRing;
    const Plan each = makePlan(p, {});
    auto number = [](const Plan& plan, const std::string& prefix) {
        return std::ranges::count_if(plan.assembly.recipe, [&](const Step& s) { return s.id.starts_with(prefix); });
    };
    EXPECT_EQ(number(once, "stack-section"), 3) << "glue, clamp, cure";
    EXPECT_EQ(number(once, "true-face"), 1) << "the base only";
    EXPECT_GT(number(each, "true-face"), 3);
    EXPECT_LT(once.schedule.length, each.schedule.length);
    for (const Step& s : once.assembly.recipe)
        if (s.id.starts_with("flatten-") && s.layer > 0) {
            EXPECT_NE(print(s.title).find("both faces"), std::string::npos) << s.id;
        }
    // All its joints are spread before the first of them skins.
    const Step& glue =
        *std::ranges::find_if(once.assembly.recipe, [](const Step& s) { return s.id.starts_with("stack-section"); });
    EXPECT_EQ(glue.glue.joints, static_cast<int>(p.layers.size()) - 1);
    EXPECT_NEAR(glue.glue.spreadMinutes, 0.25 * glue.glue.joints + glue.glue.area / 20000, 1e-9);
}

TEST(Holding, IsByTheEndsForWhatLiesAlongTheAxisAndOnABlockForAStack)
{
    for (const std::string& name : test::demoNames()) {
        const Piece p = test::demo(name);
        const Plan plan = makePlan(p, test::harbourShop());
        const bool along = p.layers.size() == 1 && !p.layers[0].is<SlabForm>() &&
                           plan.assembly.layers[0].cells[0].endGrain(Eigen::Vector3d::UnitX()) > 0.9;
        auto has = [&](const char* id) {
            return std::ranges::any_of(plan.assembly.recipe, [&](const Step& s) { return s.id.starts_with(id); });
        };
        EXPECT_EQ(has("mount-centres") || has("mount-mandrel") || isVessel(p), along) << name;
        EXPECT_EQ(has("waste-block"), !along && !p.layers[0].is<BlockForm>()) << name;
        for (const Step& s : plan.assembly.recipe) {
            if (s.id.starts_with("waste-block")) {
                EXPECT_EQ(s.settings.size(), 7u) << "diameter, thickness, tenon, sweep and speeds";
            }
            if (s.action == Action::Drill) {
                EXPECT_LE(s.settings[0].value, 50) << s.id << ": wider is turned";
            }
        }
    }
}

TEST(Holding, EverySchoolGluesWithWhatCarriesItAndSaysHowItComesOff)
{
    for (const std::string& name : test::demoNames())
        for (size_t method = 0; method < choices(HoldMethod{}).size(); ++method) {
            Piece p = test::demo(name);
            p.choices.holding = static_cast<HoldMethod>(method);
            const Shop shop = test::harbourShop();
            const Plan plan = makePlan(p, shop);
            if (test::stepsOf(plan, "waste-block").empty()) continue;
            const bool block = p.choices.holding == HoldMethod::GlueBlock;
            for (const JointGlue& g : plan.glues) {
                const Step& s = plan.assembly.recipe[g.step];
                const Glue& glue = *std::ranges::find(shop.glues, g.glue, &Glue::id);
                EXPECT_TRUE(s.glue.faces == JointFaces::Block ? glue.block : !glue.temporary)
                    << name << " " << s.id << ": " << glue.id << " carries no work";
            }
            const auto bases = test::stepsOf(plan, "stack-");
            EXPECT_EQ(block,
                      std::ranges::any_of(bases, [](const Step* s) { return s->glue.faces == JointFaces::Block; }))
                << name;
            const auto off = test::stepsOf(plan, "part-off");
            if (off.empty()) continue;
            EXPECT_EQ(print(off[0]->how).find("drops") != std::string::npos, block) << print(off[0]->how);
            EXPECT_NE(print(off[0]->how).find("lathe at rest"), std::string::npos);
        }
}

TEST(Holding, AJointThatSetsOnItsBlockLeavesTheLatheFree)
{
    const Plan plan = makePlan(test::regattaCup(), test::harbourShop());
    int waits = 0;
    for (const Step* s : test::stepsOf(plan, "stack-"))
        if (s->action == Action::Wait && !s->cure) {
            ++waits;
            EXPECT_EQ(std::ranges::count(s->uses, Resource::Lathe), 0) << s->id;
            EXPECT_EQ(std::ranges::count(s->uses, Resource::Clamp), 1) << s->id;
        }
    EXPECT_GT(waits, 5);
}

TEST(Holding, ALongPieceOnAGlueBlockIsWarnedOfAndTheWasteBlockHealsIt)
{
    Piece p = test::regattaCup();
    EXPECT_EQ(find(makePlan(p, {}), "glue-block"), nullptr);
    p.choices.holding = HoldMethod::GlueBlock;
    const Plan plan = makePlan(p, {});
    const Caution* said = find(plan, "glue-block");
    ASSERT_NE(said, nullptr);
    EXPECT_GT(said->measure, said->limit);
    EXPECT_EQ(find(makePlan(said->fixes.at(0).apply(p), {}), "glue-block"), nullptr);
}

TEST(Holding, ABoardOnATenonIsNeverScrewedAndLeavesTheTenonBeforeItsFacesAreFlattened)
{
    Piece p = test::demo("ballast-dish");
    p.layers[0].as<BoardRingForm>()->tool = BoardRingForm::PartingTool;
    for (const bool tenon : {false, true}) {
        p.choices.holding = tenon ? HoldMethod::GluedTenon : HoldMethod::WasteBlock;
        const Plan plan = makePlan(p, test::harbourShop());
        auto place = [&](const std::string& id) {
            for (size_t k = 0; k < plan.schedule.order.size(); ++k)
                if (plan.assembly.recipe[plan.schedule.order[k]].id == id) return static_cast<int>(k);
            return -1;
        };
        const int mount = place("mount-board-L1"), part = place("part-rings-L1"), faces = place("faces-L1");
        ASSERT_GE(mount, 0);
        EXPECT_LT(mount, part);
        EXPECT_LT(part, faces);
        const std::string why = print(test::stepsOf(plan, "mount-board")[0]->why);
        EXPECT_EQ(why.find("screws") != std::string::npos, !tenon) << why;
        EXPECT_EQ(place("board-tenon-L1") >= 0, tenon);
        if (!tenon) continue;
        EXPECT_LT(place("tenon-L1"), mount);
        EXPECT_GT(place("disc-off-L1"), part);
        EXPECT_LT(place("disc-off-L1"), faces);
    }
}

TEST(Holding, StavesAreGluedToTheirBlockWithWhatHoldsEndGrain)
{
    Piece p = test::regattaCup();
    p.layers = {p.layers[1]};
    p.layers[0].thickness = 268;
    p.layers[0].form = StavesForm{};
    const Shop shop;
    const Plan plan = makePlan(p, shop);
    const auto base = std::ranges::find(plan.assembly.recipe, "stack-" + p.layers[0].id, &Step::id);
    ASSERT_NE(base, plan.assembly.recipe.end());
    EXPECT_EQ(base->glue.faces, JointFaces::EndToLong);
    EXPECT_TRUE(std::ranges::find(shop.glues, base->glue.glue, &Glue::id)->endGrain) << base->glue.glue;
}
