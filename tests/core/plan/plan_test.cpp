#include "core/holding/speed.h"
#include "core/measure/input_error.h"
#include "core/picture/mesh.h"
#include "core/piece/edits/edit.h"
#include "core/piece/edits/pattern.h"
#include "core/plan/working.h"
#include "core/wood/moisture.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>
#include <map>
#include <set>

using namespace vl;

// USDA FPL Wood Handbook, the table of equilibrium moisture at 70 °F; from memory.
TEST(Moisture, MatchesTheHandbooksTable)
{
    const double celsius = (70 - 32) / 1.8;
    for (const auto& [humidity, emc] : {std::pair{30, 6.2}, {50, 9.2}, {65, 12.0}, {80, 16.0}})
        EXPECT_NEAR(equilibriumMoisture(celsius, humidity), emc, 0.1);
    EXPECT_THROW(equilibriumMoisture(20, 101), InputError);
    EXPECT_THROW(equilibriumMoisture(200, 50), InputError);
}

// Wood Handbook, chapter 13, linear form with 30 % at fiber saturation (from memory): 200 mm of hard maple,
// tangential 9.9 %, by 6 points.
TEST(Moisture, MovesWoodAcrossTheGrain) { EXPECT_NEAR(movement(200, 9.9, 6), 200 * 0.099 / 30 * 6, 1e-12); }

// Common practice: diameter in inches × rpm between 6,000 and 9,000; 300 to 400 rpm for what is out of balance.
TEST(Speed, KeepsDiameterTimesRpm)
{
    for (const double inches : {2.0, 6.0, 10.0, 16.0}) {
        const SpeedRange s = speedRange(inches * mmPerInch);
        EXPECT_NEAR(s.low * inches, 6000, 1e-6);
        EXPECT_NEAR(s.high * inches, 9000, 1e-6);
        EXPECT_NEAR(s.rim, pi * inches * 0.0254 * s.high / 60, 1e-9);
        EXPECT_LE(speedRange(inches * mmPerInch, Balance::OutOfBalance).high, 400);
    }
    EXPECT_THROW(speedRange(0), InputError);
}

TEST(Strips, HoldTheirSegmentsLaidOutOneByOne)
{
    // An independent layout: trapezoids placed alternately along the strip, each a kerf beyond the last, the farthest
    // corner kept.
    for (const int n : {3, 6, 12, 17, 24})
        for (int count = 1; count <= n; ++count) {
            const RegularRing ring{n, 200, 170, 1, 0};
            const double kerf = 3, waste = 20, miter = pi / n, cut = kerf / std::cos(miter);
            const double run = ring.boardWidth() * std::tan(miter);
            double lowX = cut, highX = cut + run;  // where the first cut ended on either edge
            for (int k = 0; k < count; ++k) {
                // The short edge lies low on even segments, high on odd ones.
                lowX += k % 2 ? ring.innerEdge() : ring.outerEdge();
                highX += k % 2 ? ring.outerEdge() : ring.innerEdge();
                lowX += cut;
                highX += cut;
            }
            EXPECT_NEAR(count * ring.stripPitch(kerf) + ring.stripLead(kerf) + waste, std::max(lowX, highX) + waste,
                        1e-9)
                << n << "/" << count;
        }
}

TEST(CutPlan, BalancesItsVolumes)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    double parts = 0, strips = 0;
    int segments = 0, built = 0;
    for (const Part& p : plan.assembly.parts) {
        parts += p.volume * p.count;
        segments += p.count;
    }
    for (const BuiltLayer& l : plan.assembly.layers) built += l.count();
    for (const Strip& s : plan.cuts.strips) {
        EXPECT_NEAR(s.volume, s.length * s.width * s.thickness, 1e-6);
        EXPECT_GT(s.volume, s.partsVolume);
        strips += s.volume;
    }
    EXPECT_EQ(segments, built);
    EXPECT_NEAR(plan.cuts.partsVolume, parts, 1e-6);
    EXPECT_NEAR(plan.cuts.volume, strips, 1e-6);
    EXPECT_GT(plan.cuts.yield(), 0.5);
    EXPECT_LT(plan.cuts.yield(), 1);
}

TEST(CutPlan, TrialRingCorrectsTheRingsCutAtItsAngle)
{
    Piece cup = test::regattaCup();
    cup.choices.trialRing = cup.layers[10].id;
    cup.choices.trialGap = 0.6;
    const Plan plan = makePlan(cup, {});
    const double expected = 2 * std::asin(0.6 / (2 * plan.assembly.layers[10].stock.outerCorner())) / degrees / 36;
    EXPECT_NEAR(plan.cutOf(13)->correction, expected, 1e-12);
    EXPECT_NEAR(plan.cutOf(8)->correction, expected, 1e-12) << "eighteen segments too";
    EXPECT_EQ(plan.cutOf(1)->correction, 0) << "twelve segments were not tried";
}

TEST(Schedule, RefusesCirclesAndUnknownSteps)
{
    Step a, b;
    a.id = "a";
    b.id = "b";
    a.after = {"b"};
    b.after = {"a"};
    EXPECT_THROW(scheduleRecipe({a, b}), InputError);
    b.after = {"c"};
    EXPECT_THROW(scheduleRecipe({b}), InputError);
    b.after = {};
    EXPECT_THROW(scheduleRecipe({b, b}), InputError);
}

TEST(Recipe, BuildsEveryLayerAndSaysWhy)
{
    for (const RingMethod method : {RingMethod::BandClamp, RingMethod::HalfRings})
        for (const Start& start : starts()) {
            Piece p = start.make();
            p.choices.closing = method;
            const Recipe recipe = makePlan(p, {}).assembly.recipe;
            std::set<std::string> made;
            for (const Part& part : makePlan(p, {}).assembly.parts) made.insert(part.id);
            made.insert("waste-block");
            for (const Step& s : recipe) {
                EXPECT_FALSE(s.why.empty()) << s.id;
                EXPECT_TRUE(s.cure || !s.inputs.empty()) << s.id;
                made.insert(s.outputs.begin(), s.outputs.end());
            }
            for (const Step& s : recipe)
                for (const std::string& in : s.inputs)
                    EXPECT_TRUE(made.contains(in) || in.starts_with("waste-block"))
                        << s.id << " needs " << in << ", which nothing makes";
            EXPECT_TRUE(made.contains("piece"));
            const bool halves = std::ranges::any_of(recipe, [](const Step& s) { return s.id.starts_with("flats-"); });
            EXPECT_EQ(halves, method == RingMethod::HalfRings);
        }
}

namespace {

using test::find;

struct Provoked {
    const char* id;
    void (*change)(Piece&);
};

}  // namespace

class EveryCaution : public testing::TestWithParam<Provoked> {};

TEST_P(EveryCaution, ComesWithItsCauseAndGoesWithEachFix)
{
    Piece piece = test::regattaCup();
    ASSERT_EQ(makePlan(piece, {}).cautions.size(), 0u) << "the sample has none";
    GetParam().change(piece);
    const Plan plan = makePlan(piece, {});
    const Caution* caution = find(plan, GetParam().id);
    ASSERT_NE(caution, nullptr);
    EXPECT_FALSE(caution->message.empty());
    ASSERT_FALSE(caution->fixes.empty());
    for (const Fix& fix : caution->fixes) {
        const Plan after = makePlan(fix.apply(piece), {});
        EXPECT_TRUE(std::ranges::none_of(after.cautions, [&](const Caution& c) { return c.id == caution->id; }))
            << print(fix.label) << " does not take " << caution->id << " away";
    }
}

INSTANTIATE_TEST_SUITE_P(
    Kinds, EveryCaution,
    testing::Values(
        Provoked{"overlap-", [](Piece& p) { p.hollow.rimWall = p.hollow.baseWall = p.hollow.leastWall = 3; }},
        Provoked{"overlap-", [](Piece& p) { p.layers[10].stockOuter = 130, p.layers[10].stockInner = 122; }},
        Provoked{"wall", [](Piece& p) { p.hollow.leastWall = 7; }},
        Provoked{"floor", [](Piece& p) { p.hollow.floor = 2; }},
        Provoked{"reach-height", [](Piece& p) { p.layers.pop_back(); }},
        Provoked{"reach-outside", [](Piece& p) { p.layers[8].stockOuter = 140; }},
        Provoked{"reach-inside", [](Piece& p) { p.layers[13].stockInner = 140; }},
        Provoked{"short-", [](Piece& p) { p.layers[1].ring()->segments = 40; }},
        Provoked{"season-", [](Piece& p) { p.layers[0].woods = {"beech"}, p.outside[0].r = p.outside[1].r = 70; }},
        Provoked{"swing",
                 [](Piece& p) {
                     for (Node& n : p.outside) n.r *= 2.8;
                 }},
        Provoked{"between-centres", [](Piece& p) { p.layers[5].thickness = 500, p.layers[6].thickness = 500; }},
        Provoked{"tip", [](Piece& p) { p.outside[0].r = p.outside[1].r = 20; }}));

TEST(Working, IsThereForEveryFigureOfEveryLayer)
{
    const Piece cup = test::regattaCup();
    const Plan plan = makePlan(cup, {});
    for (int id = 0; id <= static_cast<int>(FigureId::TotalTime); ++id)
        for (int layer = 1; layer < static_cast<int>(cup.layers.size()); ++layer) {
            if (!cup.layers[static_cast<size_t>(layer)].is<RingForm>()) continue;
            const Working w = workingOf(static_cast<FigureId>(id), cup, {}, plan, layer, {});
            EXPECT_FALSE(w.title.empty()) << id;
            EXPECT_FALSE(w.formula.empty()) << w.title;
        }
    const Working edge = workingOf(FigureId::OuterEdge, cup, {}, plan, 10, {});
    EXPECT_NE(edge.numbers.find("180° ÷ 18"), std::string::npos);
    EXPECT_EQ(edge.result, figureText(FigureId::OuterEdge, cup, plan, 10, {}) + " mm");
}

TEST(Edit, KeepsTheStackWhole)
{
    const Piece cup = test::regattaCup();
    const double height = stackHeight(cup);
    EXPECT_NEAR(stackHeight(edit::splitLayer(cup, 4, 0.3)), height, 1e-9);
    for (const double thick : {0.5, 0.75, 1.0, 1.1, 30.0}) {
        Piece thin = cup;
        thin.layers[4].thickness = thick;
        const Piece halves = edit::splitLayer(thin, 4, 0.02);
        EXPECT_EQ(halves.layers.size(), thin.layers.size() + (thick >= 1 ? 1 : 0)) << thick;
        EXPECT_NEAR(stackHeight(halves), stackHeight(thin), 1e-9);
        EXPECT_NO_THROW(checkPiece(halves)) << thick;
    }
    EXPECT_NEAR(stackHeight(edit::moveLayer(cup, 3, 9)), height, 1e-9);
    EXPECT_NEAR(stackHeight(edit::moveBoundary(cup, 6, 105)), height, 1e-9);
    EXPECT_NEAR(stackHeight(edit::divide(cup, 10, 7, 12)), outlineHeight(cup), 1e-9);
    EXPECT_NEAR(stackHeight(edit::fitLayers(edit::addLayer(cup, 3))), outlineHeight(cup), 1e-9);
    EXPECT_EQ(edit::removeLayers(cup, {0, 1, 2}).layers.size(), cup.layers.size() - 3);
    std::set<int> all;
    for (int i = 0; i < 18; ++i) all.insert(i);
    EXPECT_EQ(edit::removeLayers(cup, all).layers.size(), 1u) << "one layer stays";
    EXPECT_EQ(edit::moveLayer(cup, 3, 99), cup);
    Piece trial = cup;
    trial.choices.trialRing = trial.layers[6].id;
    auto tried = [](const Piece& p) { return placeOf(p, p.choices.trialRing); };
    EXPECT_EQ(tried(edit::addLayer(trial, 2)), 7) << "the trial ring is followed";
    EXPECT_EQ(edit::removeLayers(trial, {6}).choices.trialRing, "");
    EXPECT_EQ(tried(edit::moveLayer(trial, 6, 2)), 2);
}

TEST(Edit, BrickworkPutsNoJointOverAJoint)
{
    Piece p = starts()[2].make();
    std::set<int> all;
    for (int i = 1; i < static_cast<int>(p.layers.size()); ++i)
        all.insert(i), p.layers[static_cast<size_t>(i)].sectors()->turn = 0.13;
    const Plan plan = makePlan(edit::brickwork(p, all), {});
    for (size_t i = 2; i < plan.assembly.layers.size(); ++i) {
        const BuiltLayer &a = plan.assembly.layers[i - 1], &b = plan.assembly.layers[i];
        const double pitch = 360.0 / b.count(), shift = std::fmod(std::abs(b.phaseDeg - a.phaseDeg), pitch);
        EXPECT_NEAR(shift, pitch / 2, 1e-9);
    }
}

TEST(Edit, PaintRepeatsRoundTheRingByItsSymmetry)
{
    Piece cup = test::regattaCup();
    cup.layers[10].woods = {"maple"};
    const std::vector<int> counts = makePlan(cup, {}).assembly.segmentCounts();
    const Piece painted = pattern::paint(cup, 10, 2, {"walnut", 6}, counts);
    EXPECT_EQ(painted.layers[10].woods, (std::vector<std::string>{"maple", "maple", "walnut"}))
        << "six times round eighteen: every third";
    EXPECT_EQ(pattern::paint(painted, 10, 2, {"maple", 6}, counts).layers[10].woods,
              (std::vector<std::string>{"maple"}));
    EXPECT_EQ(pattern::fittingSymmetry(18, 7), 6);
    EXPECT_EQ(pattern::fittingSymmetry(17, 5), 1);
    EXPECT_EQ(pattern::paint(cup, 0, 0, {"ash", 3}, counts).layers[0].woods, (std::vector<std::string>{"ash"}));
}

TEST(Stations, CoverThePieceAndMeasureItsWall)
{
    Piece cup = test::regattaCup();
    for (const StationRule rule : {StationRule::Even, StationRule::Curve}) {
        cup.choices.stations = rule;
        const Plan plan = makePlan(cup, {});
        ASSERT_GT(plan.stations.size(), 8u);
        EXPECT_EQ(plan.stations.front().z, 0);
        EXPECT_NEAR(plan.stations.back().z, 268, 0.51);
        for (const Station& s : plan.stations) {
            EXPECT_NEAR(s.outside, 2 * radiusAt(plan.surfaces.outside, s.z), 1e-9);
            EXPECT_GE(s.parting, 0);
            if (!std::isnan(s.wall)) {
                EXPECT_LE(s.wall, (s.outside - s.inside) / 2 + 1e-9)
                    << "square to the surface is never longer than along the radius";
            }
        }
        if (rule == StationRule::Curve) {
            for (const Node& n : cup.outside)
                EXPECT_TRUE(
                    std::ranges::any_of(plan.stations, [&](const Station& s) { return std::abs(s.z - n.z) < 0.51; }));
        }
    }
}

TEST(Plan, OfAnyReasonablePieceIsFinite)
{
    test::property([] {
        Piece p = starts()[static_cast<size_t>(test::inRange(0, 6))].make();
        p = edit::divide(p, test::inRange(1, 30), test::inRange(1, 25), test::inRange(3, 97));
        p.hollow.rule = static_cast<WallRule>(test::element(0, 1, 3));
        p.hollow.rimWall = test::inRange(1, 60);
        p.hollow.baseWall = test::inRange(1, 60);
        p.hollow.floor = test::inRange(0, 300);
        p.hollow.floorRound = test::inRange(0, 90);
        for (Node& n : p.outside) n.r = test::inRange(0, 1500) / 10.0;
        const Plan plan = makePlan(p, {});
        RC_ASSERT(std::isfinite(plan.shape.weight) && std::isfinite(plan.shape.tipAngle) &&
                  std::isfinite(plan.cuts.volume));
        for (const Part& part : plan.assembly.parts)
            RC_ASSERT(std::isfinite(part.length) && part.length > 0 && part.width > 0);
        turnedMesh(plan.assembly, plan.surfaces, {0.5, true});
    });
}
