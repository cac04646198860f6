// Coats, mixtures, grits and buffing.
#include "core/measure/input_error.h"
#include "core/picture/closed_surface.h"
#include "core/picture/mesh.h"
#include "core/process/absorbency.h"
#include "core/process/finish_area.h"
#include "core/words/finish.h"
#include "core/workpiece/air_sweep.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <Eigen/Geometry>

#include <cmath>

using namespace vl;

TEST(Finish, NothingIsCutAfterTheLastCoat)
{
    // Whatever is turned, sawn, parted or sanded once the finish is on is finished again.
    const auto holds = [](const Piece& p, const Shop& shop, const std::string& name) {
        const Plan plan = makePlan(p, shop);
        const Recipe& recipe = plan.assembly.recipe;
        const auto cuts = [](const Step& s) {
            return s.action == Action::PartOff || s.action == Action::Turn || s.action == Action::Sand ||
                   s.action == Action::Carve || s.action == Action::Split;
        };
        bool on = false;
        const Step* cut = nullptr;
        for (const size_t k : plan.schedule.order) {
            const Step& s = recipe[k];
            if (s.action == Action::Finish && s.id.starts_with("finish")) on = true, cut = nullptr;
            if (on && cuts(s)) cut = &s;
        }
        EXPECT_EQ(cut, nullptr) << name << ": " << (cut ? cut->id : "");
    };
    for (const std::string& name : test::demoNames()) holds(test::demo(name), test::harbourShop(), name);
}

TEST(Finish, CoatsFollowTheGrainAndTheWood)
{
    // A tube of one block: fibers that stand out of its wall by more than 25° are on (180 − 2 · 25) / 180 of its way
    // round (plane geometry), outside and inside alike.
    Piece p = test::plainCylinder(60, 400, BlockForm::Across, 6, 6);
    p.layers[0].woods = {"cherry"};
    const auto absorbency = [](const Piece& piece) {
        const Plan plan = makePlan(piece, Shop{});
        return absorbencyOf(plan.assembly, plan.surfaces);
    };
    EXPECT_NEAR(absorbency(p).endGrain, 130.0 / 180, 0.06);
    EXPECT_NEAR(absorbency(p).density, speciesOf("cherry").density, 1e-9);
    EXPECT_TRUE(absorbency(p).faceGrainFoot);
    p.layers[0].as<BlockForm>()->grain = BlockForm::Along;
    EXPECT_LT(absorbency(p).endGrain, 0.05) << "its wall is long grain";
    EXPECT_FALSE(absorbency(p).faceGrainFoot);
    // More for end grain and for light wood, fewer for hard wood that shows none, never below one.
    const FinishLayer body{.coats = 3}, one{.coats = 1}, wax{.kind = FinishLayer::Wax};
    struct Row {
        FinishLayer layer;
        Absorbency absorbency;
        int more;
    };
    for (const Row& row :
         {Row{body, {.endGrain = 0.6, .density = 650}, 1}, Row{body, {.endGrain = 0, .density = 400}, 1},
          Row{body, {.endGrain = 0, .density = 900}, -1}, Row{one, {.endGrain = 0, .density = 900}, 0},
          Row{body, {.endGrain = 0.2, .density = 900}, 0}, Row{wax, {.endGrain = 0.9, .density = 300}, 0}})
        EXPECT_EQ(moreCoats(row.layer, row.absorbency), row.more);
    p.layers[0].as<BlockForm>()->grain = BlockForm::Across;
    p.choices.finish = "brushed varnish";
    const Plan thirsty = makePlan(p, Shop{});
    EXPECT_EQ(thirsty.finish.layers.back().coats,
              finishOf(commonFinishes(), "brushed varnish").layers.back().coats + 1);
}

TEST(Finish, IsMixedOfAnyNumberOfParts)
{
    FinishLayer layer{.gramsPerM2 = 100, .mix = "resin 100, hardener 43, thinner 12.5"};
    const std::vector<MixPart> parts = mixOf(layer);
    ASSERT_EQ(parts.size(), 3u);
    EXPECT_EQ(parts[1].name, "hardener");
    EXPECT_EQ(parts[2].parts, 12.5);
    // 1 m² takes 100 g; an eighth more is mixed, and that is what is left.
    const CoatMass mass = coatMass(layer, 1e6, 5);
    EXPECT_NEAR(mass.all, 112.5, 1e-9);
    EXPECT_NEAR(mass.left, 12.5, 1e-9);
    EXPECT_NEAR(mass.shares[1].amount, 112.5 * 43 / 155.5, 1e-9);
    // So little that no scale shares it out: what is mixed is more, and so is what is left.
    EXPECT_NEAR(coatMass(layer, 1e4, 5).all, 5, 1e-9);
    EXPECT_NEAR(coatMass(layer, 1e4, 5).left, 4, 1e-9);
    layer.mixBy = FinishLayer::Volume;
    layer.gramsPerMl = 1.25;
    EXPECT_NEAR(coatMass(layer, 1e6, 5).shares[0].amount, 90 * 100 / 155.5, 1e-9) << "ml";
    for (const char* bad :
         {"resin", "resin 2", "resin two, hardener 1", "a 1, b -1", "a 1, b 0", "a 1,, b", "a 1e9, b 1"}) {
        layer.mix = bad;
        EXPECT_THROW(mixOf(layer), InputError) << bad;
    }
    Shop shop;
    shop.finishes[0].layers[0].mix = "resin";
    try {
        checkShop(shop);
        ADD_FAILURE();
    } catch (const InputError& e) {
        EXPECT_EQ(e.field(), "finishes[0].layers[0].mix");
    }
}

TEST(Finish, ItsAreaIsThatOfTheClosedSurface)
{
    test::property([] {
        const auto share = [] { return test::inRange(1, 1001) / 1e3; };
        const bool hollow = test::coin();
        const double R = 20 + 60 * share(), height = 30 + 80 * share();
        Piece p = test::plainCylinder(R, height, BlockForm::Along, hollow ? 3 + 0.4 * R * share() : 0, height / 4);
        p.outside[1].r = R * (0.5 + 0.5 * share());
        if (hollow) p.hollow.rimWall = std::min(p.hollow.rimWall, p.outside[1].r / 2);
        const TurnedSurfaces surfaces = turnedSurfacesOf(p);
        const Surface s = closedSurface(surfaces, 0.005);
        double area = 0;
        const auto at = [&](std::uint32_t i) {
            return Eigen::Vector3d(s.corners[i][0], s.corners[i][1], s.corners[i][2]);
        };
        for (const auto& f : s.faces) area += (at(f[1]) - at(f[0])).cross(at(f[2]) - at(f[0])).norm() / 2;
        RC_ASSERT(std::abs(finishArea(p, surfaces).all() / area - 1) < 0.003);
    });
}

TEST(Finish, ItsAreaIsThatOfTheSurfaceAsEdgesAxesAndSawsLeaveIt)
{
    // A wing 14 mm thick under a square of 160 with a hollow of Ø 132; a grip of three sides; a box with sawn flanks.
    for (const char* name : {"lead-tray", "oar-grip", "boathook-grip", "keel-stand", "pilot-box"}) {
        const Piece p = test::demo(name);
        const Plan plan = makePlan(p, test::harbourShop());
        const TurnedSurfaces& surfaces = plan.surfaces;
        const Mesh mesh = turnedMesh(plan.assembly, surfaces, {.tolerance = 0.05});
        double area = 0;
        const auto at = [&](size_t i) {
            const auto& p3 = mesh.vertices[mesh.indices[i]].position;
            return Eigen::Vector3d(p3[0], p3[1], p3[2]);
        };
        for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3)
            area += (at(i + 1) - at(i)).cross(at(i + 2) - at(i)).norm() / 2;
        EXPECT_NEAR(finishArea(p, surfaces).all() / area, 1, 0.03) << name;
    }
}

TEST(Finish, ItsAreaIsThatOfLooseRingsNotOfADisc)
{
    Piece p = test::plainCylinder(60, 20, BlockForm::Along);
    p.nest.on = true;
    p.nest.smallest = 90;
    p.nest.largest = 110;
    p.nest.wall = 8;
    p.nest.tool = 3;
    // One ring, Ø 110 / 94, 20 high: π · (110 + 94) · 20 + 2 · π/4 · (110² − 94²) = 12,818 + 5,127 mm².
    EXPECT_NEAR(finishArea(p, turnedSurfacesOf(p)).all(), 17945, 5);
}

TEST(Finish, EverySchoolIsPlannedCoatByCoatAndMixedByItsParts)
{
    std::vector<std::string> ids{"shop"};
    for (const Finish& f : commonFinishes()) ids.push_back(f.id);
    EXPECT_EQ(ids.size(), 10u);
    for (const std::string& id : ids) {
        for (const char* name : {"buoy-bowl", "pilot-box", "oar-grip", "regatta-cup", "keel-stand"}) {
            Piece p = test::demo(name);
            p.choices.finish = id;
            const Plan plan = makePlan(p, test::harbourShop());
            const Finish& schedule = plan.finish;
            double waits = 0;
            size_t layers = 0;
            for (const Step& s : plan.assembly.recipe)
                if (s.id.starts_with("finish") && s.action == Action::Finish && s.id != "finish-foot") {
                    ++layers;
                    waits += s.waitMinutes;
                    if (id != "two-part oil") continue;
                    const auto a = std::ranges::find(s.settings, "oil", &Setting::name),
                               b = std::ranges::find(s.settings, "hardener", &Setting::name);
                    ASSERT_TRUE(a != s.settings.end() && b != s.settings.end()) << name;
                    EXPECT_NEAR(a->value / b->value, 3, 1e-9) << "three to one, as the book has it";
                }
            EXPECT_EQ(layers, std::max<size_t>(1, schedule.layers.size())) << name << " " << id;
            double planned = schedule.layers.empty() ? test::harbourShop().finishMinutes : 0;
            for (const FinishLayer& l : schedule.layers) planned += l.waitMinutes * l.coats;
            EXPECT_NEAR(waits, planned, 1e-9) << name << " " << id;
        }
    }
    // Common practice (CHECKS): oil-varnish three to four coats, CA five thin and four medium, water-based three and
    // three.
    const auto coats = [](const char* id) {
        std::vector<int> all;
        for (const FinishLayer& l : finishOf(commonFinishes(), id).layers) all.push_back(l.coats);
        return all;
    };
    EXPECT_EQ(coats("oil"), (std::vector{1, 3}));
    EXPECT_EQ(coats("thin glue"), (std::vector{5, 4, 1}));
    EXPECT_EQ(coats("water-based"), (std::vector{3, 3, 1}));
}

TEST(Finish, TheShopsOwnBookRules)
{
    Shop shop = test::harbourShop();
    Finish own = finishOf(shop.finishes, "oil");
    own.id = "own-1";
    own.layers.back().coats = 7;
    own.layers.back().between = "rubbed down with a felt pad";
    own.lastGrit = 800;
    shop.finishes.push_back(own);
    Piece p = test::demo("buoy-bowl");
    p.choices.finish = "own-1";
    const Plan plan = makePlan(p, shop);
    std::string said;
    for (const Step& s : plan.assembly.recipe) said += print(s.title) + print(s.how);
    EXPECT_NE(said.find("7 coats"), std::string::npos);
    EXPECT_NE(said.find("felt pad"), std::string::npos);
    EXPECT_NE(said.find(" 800"), std::string::npos) << "sanded to the grit that it asks for";
    // A shop without it has one coat of its own; nothing of the piece is lost, and it is said.
    const Plan without = makePlan(p, test::harbourShop());
    EXPECT_TRUE(without.finish.layers.empty());
    const Caution* unknown = test::find(without, "finish-unknown");
    ASSERT_TRUE(unknown);
    EXPECT_FALSE(test::find(makePlan(unknown->fixes[0].apply(p), test::harbourShop()), "finish-unknown"));
    // What is not noted for food is said of a piece for food.
    Piece food = p;
    food.choices.use = Use::Food;
    food.choices.finish = "lacquer";
    const Plan lacquered = makePlan(food, shop);
    const Caution* unfit = test::find(lacquered, "finish-food");
    ASSERT_TRUE(unfit);
    for (const Fix& fix : unfit->fixes) EXPECT_FALSE(test::find(makePlan(fix.apply(food), shop), "finish-food"));
    shop.finishes.back().id = "oil";
    EXPECT_THROW(checkShop(shop), InputError);
}

TEST(Finish, NoGritIsLeftOut)
{
    EXPECT_EQ(gritsFrom(120, 320), (std::vector{120, 150, 180, 220, 280, 320}));
    EXPECT_EQ(gritsFrom(400, 180), (std::vector{400}));
    for (const std::string& name : test::demoNames()) {
        const Plan plan = makePlan(test::demo(name), test::harbourShop());
        for (const Step& s : plan.assembly.recipe) {
            double before = 0;
            for (const Setting& x : s.settings)
                if (x.name == "grit") {
                    EXPECT_GT(x.value, before) << name << " " << s.id;
                    before = x.value;
                }
            // Every step that leaves a surface to be finished says with what it is sanded.
            const bool toFinish =
                s.id.starts_with("sand") || s.id.find("-sand-inside") != std::string::npos || s.id.starts_with("blend");
            if (s.action == Action::Sand && toFinish) EXPECT_GT(before, 0) << name << " " << s.id;
        }
    }
}

// What cannot be done is not said: no speed where wings come round, no side sanded before it is there.
TEST(Finish, OpenWorkIsSandedSideBySideAndSlowly)
{
    const auto grits = [](const Step& s) {
        std::vector<double> row;
        for (const Setting& x : s.settings)
            if (x.name == "grit") row.push_back(x.value);
        return row;
    };
    const auto says = [](const Step& s, const Pattern& p) {
        return print(s.how).find(print(vl::says(p))) != std::string::npos;
    };
    for (const std::string& name : test::demoNames()) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, test::harbourShop());
        const bool open = !plan.surfaces.inside.empty() && !plan.surfaces.cuts.empty();
        const auto step = [&](const char* id) { return std::ranges::find(plan.assembly.recipe, id, &Step::id); };
        const auto none = plan.assembly.recipe.end(), outside = step("sand-outside"), rest = step("sand");
        for (const auto& s : {outside, rest}) {
            if (s == none) continue;
            const bool turned =
                std::ranges::any_of(s->settings, [](const Setting& x) { return x.unit == Unit::Speed; });
            if (airSweep(piece, plan.surfaces).high > 0) EXPECT_FALSE(turned) << name << " " << s->id;
        }
        if (outside == none || rest == none) continue;
        EXPECT_FALSE(says(*outside, words::bothSidesAlike)) << name << ": the inside is not there yet";
        EXPECT_FALSE(says(*outside, words::noDivot)) << name;
        if (!open) {
            EXPECT_EQ(grits(*outside), grits(*rest)) << name;
            continue;
        }
        // The outside stops where the inside has to come to first; from there both go on.
        const auto wait = std::ranges::find(rest->settings, "both sides on from grit", &Setting::name);
        ASSERT_NE(wait, rest->settings.end()) << name;
        EXPECT_EQ(grits(*outside).back(), wait->value) << name;
        EXPECT_GT(grits(*rest).back(), wait->value) << name;
        EXPECT_TRUE(says(*outside, words::finerWithInside)) << name;
    }
    // A winged bowl is among them, or nothing was looked at.
    EXPECT_GT(airSweep(test::demo("gull-dish"), makePlan(test::demo("gull-dish"), {}).surfaces).high, 0);
}

TEST(Finish, BuffingAboveTheUsualRuleIsSaid)
{
    // CHECKS: buffed at 3,000 on 3 7/8 in, above 9,000 over the diameter in inches.
    Piece p = test::plainCylinder(3.875 * 25.4 / 2, 60, BlockForm::Along);
    p.choices.finish = "shellac";
    Shop shop;
    const auto settingOf = [&](const char* name) {
        const Plan plan = makePlan(p, shop);
        for (const Step& s : plan.assembly.recipe)
            if (s.action == Action::Finish)
                for (const Setting& x : s.settings)
                    if (x.name == name) return x.value;
        return 0.0;
    };
    EXPECT_NEAR(settingOf("buffed at"), 3000, 1);
    EXPECT_NEAR(settingOf("usual rule"), 9000 / 3.875, 1);
    shop.lathe.highestRpm = 1500;
    EXPECT_NEAR(settingOf("buffed at"), 1500, 1e-9);
    EXPECT_EQ(settingOf("usual rule"), 0) << "nothing is said where nothing is above it";
}

TEST(Finish, WhatItComesToIsTheSumOfItsCoats)
{
    for (const Finish& s : commonFinishes()) {
        double grams = 0, minutes = 0;
        for (const FinishLayer& l : s.layers)
            for (int c = 0; c < l.coats; ++c) {
                const CoatMass m = coatMass(l, 50000, 5);
                grams += m.all;
                minutes += l.waitMinutes;
                double shared = 0;
                for (const CoatMass::Share& one : m.shares) shared += one.amount;
                if (!m.shares.empty()) EXPECT_NEAR(shared, m.all, 1e-9);
            }
        EXPECT_NEAR(sumOf(s, 50000, 5).grams, grams, 1e-9);
        EXPECT_NEAR(sumOf(s, 50000, 5).minutes, minutes, 1e-9);
    }
}
