// Properties that hold for any piece, any edit and any fix.
#include "core/blank/assembly.h"
#include "core/measure/input_error.h"
#include "core/picture/mesh.h"
#include "core/picture/skin.h"
#include "core/piece/edits/edit.h"
#include "core/piece/edits/pattern.h"
#include "core/plan/working.h"
#include "core/wood/figure.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>
#include <set>

using namespace vl;

TEST(AnyPiece, PlansToFiniteFigures)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        const Shape& s = plan.shape;
        for (const double v : {s.weight, s.roughWeight, s.gravityHeight, s.tipAngle, s.capacity, s.floorThickness,
                               s.thinnest.wall, s.thickest.wall, plan.cuts.volume, plan.schedule.length})
            RC_ASSERT(std::isfinite(v));
        for (const Part& part : plan.assembly.parts)
            RC_ASSERT(std::isfinite(part.length) && part.length > 0 && part.width > 0 && part.volume > 0);
        for (const Station& st : plan.stations)
            RC_ASSERT(std::isfinite(st.outside) && st.outside >= 0 && st.parting >= 0);
        for (size_t i = 0; i + 1 < plan.assembly.layers.size(); ++i)
            RC_ASSERT(plan.assembly.layers[i].z1 == plan.assembly.layers[i + 1].z0);
        turnedMesh(plan.assembly, plan.surfaces, {0.5, true});
        blankMesh(plan.assembly);
        for (int id = 0; id <= static_cast<int>(FigureId::TotalTime); ++id)
            for (const int layer : {-1, 0, static_cast<int>(p.layers.size()) - 1})
                workingOf(static_cast<FigureId>(id), p, {}, plan, layer, {});
    });
}

TEST(AnyPiece, IsPlannedTheSameTwice)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan a = makePlan(p, {}), b = makePlan(p, {});
        RC_ASSERT(a.shape.weight == b.shape.weight && a.schedule.order == b.schedule.order &&
                  a.cautions.size() == b.cautions.size());
        RC_ASSERT(a.cuts.volume == b.cuts.volume);
    });
}

TEST(AnyPiece, HasTheMassOfItsLayers)
{
    test::property([] {
        Piece p = test::randomPiece();
        p = edit::fitLayers(p);
        for (Layer& l : p.layers) {
            RC_PRE(l.thickness <= 500 && l.thickness >= 0.5);
            if (RingForm* ring = l.ring()) ring->joint.kind = SegmentJoint::Glued;  // between open segments is air
        }
        p.nest.on = false;  // between rings is a groove
        const Plan plan = makePlan(p, {});
        // Wood and hollow together are the outside's solid, layer by layer or whole.
        RC_PRE(plan.surfaces.inside.empty() || std::ranges::none_of(plan.cautions, [](const Caution& c) {
                   return c.id == "wall" && c.level == Level::Stop;
               }));
        const double whole = revolved(plan.surfaces.outside).volume;
        RC_ASSERT(std::abs(plan.shape.woodVolume + plan.shape.capacity - whole) <= 1e-6 * std::max(1.0, whole));
    });
}

TEST(AnyFix, LeavesAPieceThatCanBePlanned)
{
    int fixes = 0;
    test::property([&] {
        const Piece p = test::randomPiece();
        for (const Caution& c : makePlan(p, {}).cautions) {
            RC_ASSERT(!c.message.empty() && !c.at.empty());
            for (const Fix& f : c.fixes) {
                const Piece fixed = f.apply(p);
                try {
                    makePlan(fixed, {});
                } catch (const InputError& e) {
                    RC_FAIL(print(f.label) + ": " + e.what());
                }
                ++fixes;
            }
        }
    });
    EXPECT_GT(fixes, 300) << "the pieces were too good to test anything";
}

TEST(AnyEdit, LeavesAPieceThatCanBePlanned)
{
    test::property([] {
        Piece p = test::regattaCup();
        const int steps = test::inRange(1, 25);
        for (int k = 0; k < steps; ++k) {
            const int count = static_cast<int>(p.layers.size());
            const int a = test::inRange(-2, count + 2), b = test::inRange(-2, count + 2);
            switch (test::inRange(0, 9)) {
            case 0:
                p = edit::addLayer(p, a);
                break;
            case 1:
                p = edit::removeLayers(p, {a, b});
                break;
            case 2:
                p = edit::splitLayer(p, a, test::inRange(-10, 20) / 10.0);
                break;
            case 3:
                p = edit::moveLayer(p, a, b);
                break;
            case 4:
                p = edit::moveBoundary(p, a, test::inRange(-100, 400));
                break;
            case 5:
                p = edit::fitLayers(p);
                break;
            case 6:
                p = edit::brickwork(p, {a, b});
                break;
            case 7:
                p = pattern::paint(p, a, test::inRange(0, 100),
                                   {"holly", test::inRange(0, 40), test::coin(), test::inRange(-2, 3) / 2.0},
                                   makePlan(p, {}).assembly.segmentCounts(), {a, b});
                break;
            default:
                p.choices.trialRing = a >= 0 && a < count ? p.layers[static_cast<size_t>(a)].id : "";
                break;
            }
            RC_PRE(
                std::ranges::all_of(p.layers, [](const Layer& l) { return l.thickness >= 0.5 && l.thickness <= 500; }));
            makePlan(p, {});
        }
    });
}

TEST(AnyEdit, PaintAndPatternAgree)
{
    test::property([] {
        const int segments = test::inRange(3, 97), symmetry = test::inRange(1, 97), at = test::inRange(0, segments);
        Piece p = starts()[2].make();
        p.layers[2].ring()->segments = segments;
        p.layers[2].woods = {"maple"};
        const Layer painted =
            pattern::paint(p, 2, at, {"walnut", symmetry}, makePlan(p, {}).assembly.segmentCounts()).layers[2];
        const int repeats = pattern::fittingSymmetry(segments, symmetry);
        RC_ASSERT(segments % repeats == 0 && repeats <= symmetry);
        int dark = 0;
        for (int i = 0; i < segments; ++i)
            dark += painted.woods[static_cast<size_t>(i) % painted.woods.size()] == "walnut";
        RC_ASSERT(dark == repeats);
        RC_ASSERT(painted.woods[static_cast<size_t>(at) % painted.woods.size()] == "walnut");
        RC_ASSERT(segments % static_cast<int>(painted.woods.size()) == 0);
    });
}

TEST(Outline, AnInsertedNodeKeepsTheCurveClose)
{
    // On a curve the tangent at the new node is not quite the curve's own: it may move, but little.
    for (const Start& start : starts()) {
        const Outline before = start.make().outside;
        const double height = before.back().z;
        for (double z = 3; z < height - 1; z += 7.3) {
            Outline after = before;
            insertNode(after, z);
            ASSERT_EQ(after.size(), before.size() + 1);
            const Polyline was = flatten(before);
            for (const Point& p : flatten(after)) EXPECT_LT(distanceTo(was, p), 1.2) << start.name << " at " << z;
            EXPECT_NEAR(radiusAt(flatten(after), z), radiusAt(was, z), 0.02) << start.name;
        }
    }
}

TEST(Profile, ClippedPartsMakeTheWhole)
{
    test::property([] {
        const Polyline line = flatten(test::randomPiece().outside);
        const double end = line.back().x(), cut = end * test::inRange(0, 101) / 100.0;
        const double parts = revolved(clipped(line, 0, cut)).volume + revolved(clipped(line, cut, end)).volume;
        RC_ASSERT(std::abs(parts - revolved(line).volume) <= 1e-7 * std::max(1.0, parts));
        const Range whole = radiusRange(line, 0, end), low = radiusRange(line, 0, cut),
                    high = radiusRange(line, cut, end);
        RC_ASSERT(whole.low == std::min(low.low, high.low) && whole.high == std::max(low.high, high.high));
    });
}

TEST(Hollow, ATaperedWallGoesFromBaseToRim)
{
    Piece p = starts()[4].make();
    p.hollow.rule = WallRule::Tapered;
    p.hollow.rimWall = 5;
    p.hollow.baseWall = 15;
    p.hollow.floor = 12;
    p.hollow.floorRound = 0;
    const TurnedSurfaces surfaces = turnedSurfacesOf(p);
    double last = 1e9;
    for (const WallAt& w : wallAlong(surfaces)) {
        if (w.inside.y() <= 0 || w.inside.x() < 14 || w.inside.x() > 115) continue;
        EXPECT_LE(w.wall, last + 1e-6) << "thinner and thinner towards the rim";
        const double wanted = 15 - 10 * (w.inside.x() - 12) / 108;
        EXPECT_NEAR(w.wall, wanted, 0.2);
        last = w.wall;
    }
}

TEST(Skin, JointsAreSharpAtAnyZoom)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    const BuiltLayer& band = plan.assembly.layers[10];
    // Across the joint between two woods, at three zooms: one pixel on each side has each wood's own colors.
    const double joint = std::fmod(band.phaseDeg + 360.0 / band.count() * 0.5 + 720, 360.0),
                 z = (band.z0 + band.z1) / 2;
    for (const double span : {40.0, 1.0, 0.02}) {
        const Raster r = bakeSkin(plan.assembly, plan.surfaces, {z - 0.5, z + 0.5, joint - span, joint + span, 20, 20});
        auto light = [&](int row) {
            double sum = 0;
            for (size_t x = 0; x < 20; ++x) {
                const std::uint32_t p = r.pixels[static_cast<size_t>(row) * 20 + x];
                sum += (p >> 16 & 255) + (p >> 8 & 255) + (p & 255);
            }
            return sum / 20;
        };
        EXPECT_GT(std::abs(light(9) - light(10)), 120) << "at ±" << span << "°";
        if (span <= 1) {
            EXPECT_LT(std::abs(light(10) - light(12)), 60) << "and each side is one wood";
        }
    }
}

TEST(Wood, EverySpeciesIsUsableAndDrawn)
{
    std::string last;
    for (const Species& s : allSpecies()) {
        EXPECT_EQ(&speciesOf(s.id), &s);
        EXPECT_LT(last, std::string(s.id)) << "in order of id";
        last = s.id;
        EXPECT_EQ(std::string(s.name).find(','), std::string::npos) << "as it is said: black walnut";
        EXPECT_GT(s.density, 300);
        EXPECT_LT(s.density, 1300);
        EXPECT_GT(s.shrinkTangential, s.shrinkRadial) << s.name << ": wood moves more along its rings than across them";
        EXPECT_NE(std::string(s.source), "");
        // Boards differ, and no board is one flat color.
        std::set<std::array<float, 3>> colors;
        for (int i = 0; i < 64; ++i)
            colors.insert(woodColor(s.figure, static_cast<float>(i), static_cast<float>(i) * 0.7f, 3, 0.4f, 0));
        EXPECT_GT(colors.size(), 40u) << s.name;
    }
    EXPECT_THROW(speciesOf("moonwood"), InputError);
}
