// What saw and drill take: solids against closed forms, holes in the wood they meet, curves, their steps and cautions.
#include "core/blank/removed_volume.h"
#include "core/geometry/boolean.h"
#include "core/picture/closed_surface.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "core/workpiece/sawn_cuts.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Polygon_mesh_processing/self_intersections.h>
#include <CGAL/Surface_mesh.h>
#include <Eigen/Geometry>
#include <boost/math/quadrature/gauss_kronrod.hpp>

#include <algorithm>
#include <cmath>

using namespace vl;

namespace {

using test::corner;

/// A cylinder of one block, grain along the axis; `wall` hollows it from the top with a floor of 10.
Piece rod(double radius = 30, double height = 100, double wall = 0)
{
    return test::plainCylinder(radius, height, BlockForm::Along, wall);
}

Hole sideHole(double at, double diameter, Hole::Ends ends, double direction = 0)
{
    Hole h;
    h.at = at;
    h.diameter = diameter;
    h.ends = ends;
    h.direction = direction;
    return h;
}

Piece with(Piece p, std::vector<Hole> holes)
{
    p.holes = std::move(holes);
    identifyCuts(p);
    return p;
}

using Cgal = CGAL::Surface_mesh<CGAL::Exact_predicates_inexact_constructions_kernel::Point_3>;
Cgal cgalOf(const Surface& s)
{
    Cgal mesh;
    for (const auto& c : s.corners) mesh.add_vertex({c[0], c[1], c[2]});
    for (const auto& f : s.faces)
        EXPECT_NE(mesh.add_face(Cgal::Vertex_index(f[0]), Cgal::Vertex_index(f[1]), Cgal::Vertex_index(f[2])),
                  Cgal::null_face());
    return mesh;
}

/// What two cylinders whose axes cross at right angles have in common: 8∫√(R² − x²)·√(r² − x²) dx, by Boost.Math.
double crossed(double R, double r)
{
    return 8 * boost::math::quadrature::gauss_kronrod<double, 61>::integrate(
                   [&](double x) { return std::sqrt(R * R - x * x) * std::sqrt(r * r - x * x); }, 0.0, r, 12, 1e-10);
}

}  // namespace

TEST(Solid, ACutWhoseOutlineCrossesItselfIsLeftAndSaid)
{
    const TurnedSurfaces surfaces{.outside = {{0, 30}, {80, 30}}, .inside = {}, .axes = {}, .edges = {}};
    Sawed bow{.right = Eigen::Vector3d::UnitX(), .up = onwards(0), .outline = {{20, -8}, {60, 8}, {60, -8}, {20, 8}}};
    const Surface whole = closedSurface(surfaces, 0.05);
    const Solid left = without(whole, {bow}, 0.05);
    EXPECT_FALSE(left.whole);
    EXPECT_NEAR(volumeOf(left.surface), volumeOf(whole), 1e-6);
    std::swap(bow.outline[1], bow.outline[2]);
    EXPECT_TRUE(without(whole, {bow}, 0.05).whole) << "one that does not is taken";
}

TEST(Cutter, SolidsHaveTheirVolumesAndTakeWhatIsInThem)
{
    const Drilled drill{{1, 2, 3}, Eigen::Vector3d(1, 2, 2) / 3, {{-2, 6}, {4, 6}, {4, 3}, {20, 3}, {22, 0}}};
    Sawed saw;
    saw.outline = {{0, 0}, {10, 0}, {10, 4}, {5, 1}, {0, 4}};  // hollow at its top
    const double drilled = pi * (36 * 6 + 9 * 16 + 9 * 2 / 3.0), area = 40 - 15;
    test::property([&] {
        // A point is taken where it is in the solid: by the winding of its faces (solid angle, Gauss).
        auto coordinate = [] { return test::inRange(-2500, 2500) / 100.0; };
        const Eigen::Vector3d p(coordinate(), coordinate(), coordinate());
        for (const Cutter& c : {Cutter(drill), Cutter(saw)}) {
            double angle = 0, near = 1e9;
            for (const Face& f : facesOf(c, 0.01))
                for (size_t k = 1; k + 1 < f.size(); ++k) {
                    const Eigen::Vector3d a = f[0] - p, b = f[k] - p, d = f[k + 1] - p;
                    angle += 2 * std::atan2(a.dot(b.cross(d)), a.norm() * b.norm() * d.norm() + a.dot(b) * d.norm() +
                                                                   b.dot(d) * a.norm() + d.dot(a) * b.norm());
                    const Eigen::Vector3d n = (f[k] - f[0]).cross(f[k + 1] - f[0]);
                    if (n.norm() > 1e-9) near = std::min(near, std::abs(n.normalized().dot(a)));
                }
            if (near > 0.05) RC_ASSERT(takes(c, p) == (angle > 2 * pi));
        }
    });
    EXPECT_NEAR(volumeOf(facesOf(drill, 1e-4)) / drilled, 1, 2e-3) << "as many sides as are drawn at most";
    EXPECT_NEAR(volumeOf(facesOf(saw, 1)) / (area * 2 * beyondAll), 1, 1e-9);
}

TEST(Cutter, TakenAwayFromACylinderLeavesClosedFormsAndAClosedSurface)
{
    for (const double r : {3.0, 8.0, 20.0, 29.5}) {
        const Piece p = with(rod(), {sideHole(50, 2 * r, Hole::Through)});
        const Plan plan = makePlan(p, Shop{});
        const double whole = pi * 30 * 30 * 100, left = whole - crossed(30, r);
        EXPECT_NEAR(plan.shape.woodVolume, left, 0.012 * crossed(30, r)) << r;
        const Solid solid = solidOf(plan.surfaces, 0.005);
        ASSERT_TRUE(solid.whole) << r;
        EXPECT_NEAR(volumeOf(solid.surface) / left, 1, 3e-3) << r;
        const Cgal mesh = cgalOf(solid.surface);
        EXPECT_TRUE(CGAL::is_closed(mesh)) << r;
        EXPECT_NEAR(CGAL::Polygon_mesh_processing::volume(mesh), volumeOf(solid.surface), 1e-6 * left);
        // The center of gravity stays where it was: the hole lies in the middle.
        EXPECT_NEAR(plan.shape.gravityHeight, 50, 0.2);
    }
}

TEST(Cutter, NothingIsDoneToWhatIsNotClosed)
{
    Surface open;
    open.corners = {{0, 0, 0}, {1, 0, 0}, {0, 1, 0}};
    open.faces = {{0, 1, 2}};
    const Surface before = open;
    EXPECT_FALSE(takeAway(open, {facesOf(Sawed{.outline = {{0, 0}, {1, 0}, {0, 1}}}, 1)}));
    EXPECT_EQ(open.faces, before.faces);
}

TEST(Cutter, EverySamplesSolidIsClosedByCgal)
{
    for (const std::string& name : test::demoNamesForLongTests()) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, test::harbourShop());
        if (hasGaps(plan.assembly) || piece.nest.on) continue;
        const Solid solid = solidOf(plan.surfaces, 0.02);
        EXPECT_TRUE(solid.whole) << name;
        EXPECT_TRUE(CGAL::is_closed(cgalOf(solid.surface))) << name;
        TurnedSurfaces whole = plan.surfaces;
        whole.cuts.clear();
        const double most = volumeOf(solidOf(whole, 0.02).surface);
        EXPECT_NEAR(volumeOf(solid.surface), plan.shape.woodVolume, 4e-3 * most) << name;
        // What is drawn in woods is the same skin, as finely as the piece is wide.
        const double fine = std::min(0.1, plan.surfaces.widest() / 400);
        EXPECT_NEAR(meshVolume(turnedMesh(plan.assembly, plan.surfaces, {fine, false})) / volumeOf(solid.surface), 1,
                    0.01)
            << name;
    }
}

TEST(Holes, MeetTheWoodThatIsThere)
{
    struct Case {
        const char* what;
        Hole hole;
        double wall;   // of the cylinder; 0: solid
        double wood;   // along its way
        double slope;  // degrees off square
    };
    auto lean = [](Hole h, double deg) {
        h.lean = deg;
        return h;
    };
    auto face = [](Hole h, Hole::Into into, double at) {
        h.into = into;
        h.at = at;
        return h;
    };
    auto beside = [](Hole h, double by) {
        h.beside = by;
        return h;
    };
    const Hole through = sideHole(50, 4, Hole::Through), wall = sideHole(50, 4, Hole::Wall);
    for (const Case& c :
         {Case{"across", through, 0, 60, 0}, Case{"leaning", lean(through, 30), 0, 60 / std::cos(pi / 6), 30},
          Case{"beside", beside(through, 18), 0, 48, 36.87}, Case{"a wall", wall, 6, 6, 0},
          Case{"a wall, leaning", lean(wall, 45), 6, 6 * std::sqrt(2.0), 45},
          Case{"along, from the rim", face(through, Hole::Rim, 12), 0, 100, 0},
          Case{"into the foot under a hollow", face(wall, Hole::Foot, 0), 6, 10, 0}}) {
        const Plan plan = makePlan(with(rod(30, 100, c.wall), {c.hole}), Shop{});
        ASSERT_EQ(plan.surfaces.holes.size(), 1u) << c.what;
        const DrilledHole& h = plan.surfaces.holes[0];
        EXPECT_NEAR(h.slopeDeg, c.slope, 1.5) << c.what;
        // It goes through and clear of the far side, by what its slant asks for and a millimeter.
        EXPECT_NEAR(h.full, c.wood + 2 * std::tan(h.slopeDeg * degrees) + 1, 0.05) << c.what;
        EXPECT_TRUE(h.through) << c.what;
        EXPECT_TRUE(plan.surfaces.holds(h.solid.from + 0.01 * h.solid.way, false)) << c.what;
        EXPECT_FALSE(plan.surfaces.holds(h.solid.from + 0.5 * c.wood * h.solid.way)) << c.what << ": it is drilled";
    }
}

TEST(Holes, AFloorOrAPointThatComesOutIsAStopAndItsFixMendsIt)
{
    Hole h = sideHole(50, 10, Hole::Depth);
    struct Case {
        double depth;
        Hole::Bit bit;
        double under;  // 60 of wood less depth and point
    };
    // A twist drill's point of 118° is r / tan 59° high; a flat bit's center stands out 3 mm (common practice).
    for (const Case& c : {Case{20, Hole::Flat, 37}, Case{20, Hole::Twist, 40 - 5 / std::tan(59 * degrees)},
                          Case{56, Hole::Flat, 1}, Case{58.5, Hole::Flat, -1.5}}) {
        h.depth = c.depth;
        h.bit = c.bit;
        const Piece p = with(rod(), {h});
        const Plan plan = makePlan(p, Shop{});
        EXPECT_NEAR(plan.surfaces.holes[0].under, c.under, 0.01) << c.depth;
        const Caution* said = test::find(plan, "hole-under");
        ASSERT_EQ(said != nullptr, c.under < 2) << c.depth;
        if (!said) continue;
        EXPECT_EQ(said->level, c.under <= 0 ? Level::Stop : Level::Care);
        EXPECT_NEAR(said->measure, c.under, 0.01);
        for (const Fix& fix : said->fixes)
            EXPECT_FALSE(test::find(makePlan(fix.apply(p), Shop{}), "hole-under")) << print(fix.label);
    }
}

TEST(Holes, ThatRunIntoEachOtherBreakOutOrSlideAreSaid)
{
    // Two middle lines that meet: half the sum of the diameters; 7 apart along the axis, 3 less than that.
    for (const auto& [apart, depth] : {std::pair(0.0, 10.0), {7.0, 3.0}, {10.5, -1.0}}) {
        const Plan plan = makePlan(
            with(rod(), {sideHole(50, 8, Hole::Through), sideHole(50 + apart, 12, Hole::Through, 90)}), Shop{});
        const Caution* said = test::find(plan, "holes-cross");
        ASSERT_EQ(said != nullptr, depth > 0) << apart;
        if (said) EXPECT_NEAR(said->measure, depth, 1e-6);
    }
    // A millimeter beside the end face; past it; in the air.
    const auto level = [](const Piece& p, const char* id) {
        const Plan plan = makePlan(p, Shop{});
        const Caution* said = test::find(plan, id);
        return said ? std::optional(said->level) : std::nullopt;
    };
    EXPECT_EQ(level(with(rod(), {sideHole(95, 8, Hole::Through)}), "hole-beside"), Level::Care);
    EXPECT_EQ(level(with(rod(), {sideHole(98, 8, Hole::Through)}), "hole-beside"), Level::Stop);
    EXPECT_EQ(level(with(rod(), {sideHole(130, 8, Hole::Through)}), "hole-air"), Level::Stop);
    Hole leaning = sideHole(50, 4, Hole::Wall);
    leaning.lean = 50;
    EXPECT_EQ(level(with(rod(), {leaning}), "hole-slope"), Level::Care);
    Hole wide = sideHole(0, 55, Hole::Depth);
    wide.into = Hole::Rim;
    EXPECT_EQ(level(with(rod(40), {wide}), "hole-wide"), Level::Care) << "above 50 mm in end grain";
    // Five round on twelve holes: the nearest are up to 12° off (CHECKS, Index).
    Hole five = sideHole(50, 4, Hole::Wall);
    five.count = 5;
    five.plate = 12;
    const Piece p = with(rod(30, 100, 6), {five});
    const Plan plan = makePlan(p, Shop{});
    const Caution* index = test::find(plan, "hole-index");
    ASSERT_TRUE(index);
    EXPECT_NEAR(index->measure, 12, 1e-9);
    EXPECT_EQ(level(index->fixes[0].apply(p), "hole-index"), std::nullopt);
}

TEST(Holes, AreDrilledWhileThePieceIsHeldOnceNothingIsSandedAsItTurns)
{
    Hole side = sideHole(50, 8, Hole::Wall), foot = sideHole(0, 6, Hole::Depth);
    side.count = 3;
    foot.into = Hole::Foot;
    foot.depth = 5;
    const Plan plan = makePlan(with(rod(30, 100, 6), {side, foot}), Shop{});
    EXPECT_LT(test::placeOf(plan, "fine"), test::placeOf(plan, "drill-H1"));
    EXPECT_LT(test::placeOf(plan, "sand"), test::placeOf(plan, "drill-H1"));
    EXPECT_LT(test::placeOf(plan, "drill-H1"), test::placeOf(plan, "mount-last"));
    EXPECT_LT(test::placeOf(plan, "mount-last"), test::placeOf(plan, "drill-H2")) << "the foot is free only then";
    EXPECT_LT(test::placeOf(plan, "drill-H2"), test::placeOf(plan, "finish"));
    const Step& step = *std::ranges::find(plan.assembly.recipe, "drill-H1", &Step::id);
    int directions = 0;
    for (const Setting& s : step.settings) {
        directions += s.name == "direction";
        if (s.name == "depth") EXPECT_NEAR(s.value, plan.surfaces.holes[0].full, 1e-9);
    }
    EXPECT_EQ(directions, 3) << "each of the three is told where";
}

TEST(Sawn, ArchesWingsAndSweepsTakeTheirClosedForms)
{
    // A board 200 × 120 × 50 whose outline lies beyond its corners: a prism less what is sawn.
    Piece board = rod(130, 50);
    board.layers[0].form = BlockForm{};
    board.edge.kind = Edge::Square;
    board.edge.length = 200;
    board.edge.width = 120;
    auto sawn = [&](Sawn::From from, Sawn::Run run, double middle, double end, double out) {
        Piece p = board;
        Sawn s;
        s.from = from;
        s.run = run;
        s.curve = {corner(0, middle), corner(out, end)};
        p.sawn = {s};
        identifyCuts(p);
        return p;
    };
    struct Case {
        const char* what;
        Piece piece;
        double taken;
    };
    const double whole = 200.0 * 120 * 50;
    for (const Case& c : {Case{"an arch along", sawn(Sawn::Underside, Sawn::WithGrain, 20, 0, 80), 20.0 * 80 * 120},
                          Case{"an arch across", sawn(Sawn::Underside, Sawn::AcrossGrain, 20, 0, 50), 20.0 * 50 * 200},
                          Case{"a swept rim", sawn(Sawn::Top, Sawn::WithGrain, 40, 50, 100), 10.0 * 100 * 120},
                          Case{"wings", sawn(Sawn::Sides, Sawn::WithGrain, 60, 20, 100), 2 * 40.0 * 100 * 50}}) {
        const Plan plan = makePlan(c.piece, Shop{});
        EXPECT_NEAR(plan.shape.woodVolume, whole - c.taken, 0.006 * c.taken) << c.what;
        const Solid solid = solidOf(plan.surfaces, 0.1);
        ASSERT_TRUE(solid.whole) << c.what;
        EXPECT_NEAR(volumeOf(solid.surface), whole - c.taken, 1e-6 * whole) << c.what;
    }
}

TEST(Sawn, AnArchIsNeverSawnIntoTheHollowOrAwayFromTheChuck)
{
    Piece p = test::demo("keel-stand");
    EXPECT_FALSE(makePlan(p, test::harbourShop()).mustStop());
    Piece deep = p;
    for (Node& n : deep.sawn[0].curve) n.r *= 1.5;
    const Plan plan = makePlan(deep, test::harbourShop());
    const Caution* floor = test::find(plan, "saw-floor");
    ASSERT_TRUE(floor);
    EXPECT_EQ(floor->level, Level::Stop);
    EXPECT_NEAR(floor->measure, 27 - 30, 0.1) << "the floor's height less the arch's";
    EXPECT_FALSE(test::find(makePlan(floor->fixes[0].apply(deep), test::harbourShop()), "saw-floor"));
    Piece before = p;
    before.sawn[0].when = Sawn::Before;
    const Plan early = makePlan(before, test::harbourShop());
    const Caution* grip = test::find(early, "saw-grip");
    ASSERT_TRUE(grip) << "the faceplate's screws would stand in air";
    EXPECT_FALSE(test::find(makePlan(grip->fixes[0].apply(before), test::harbourShop()), "saw-grip"));
    // Sawn once it is turned and sanded, then blended, then finished.
    const Plan ok = makePlan(p, test::harbourShop());
    EXPECT_LT(test::placeOf(ok, "foot-off"), test::placeOf(ok, "saw-S1"));
    EXPECT_LT(test::placeOf(ok, "saw-S1"), test::placeOf(ok, "blend-S1"));
    EXPECT_LT(test::placeOf(ok, "blend-S1"), test::placeOf(ok, "finish"));
}

TEST(Sawn, AWingIsSawnTwiceAndABarkRimFollowsTheLog)
{
    const Piece p = test::demo("gull-dish");
    const Plan plan = makePlan(p, test::harbourShop());
    EXPECT_LT(test::placeOf(plan, "rough-S1"), test::placeOf(plan, "mount-first")) << "thick, while its faces are flat";
    EXPECT_LT(test::placeOf(plan, "fine"), test::placeOf(plan, "saw-S1"));
    // The log's round: over a place v off its middle, across the grain, it is √(R² − v²) high.
    const double R = p.layers[0].as<BlockForm>()->log / 2;
    for (const double v : {0.0, 20.0, 40.0, 60.0}) {
        const double high = std::sqrt(R * R - v * v);
        EXPECT_FALSE(takes(plan.surfaces.cuts[0].solid, {high - 0.1, v, 0}));
        EXPECT_TRUE(takes(plan.surfaces.cuts[0].solid, {high + 0.1, v, 0}));
    }
    // The same line from two heights: through both, and a circle between.
    const Piece drawn = edit::barkFromHeights(p, 75, 45);
    const Polyline line = curveOf(drawn.sawn.back());
    EXPECT_NEAR(radiusAt(line, 0), 75, 1e-9);
    EXPECT_NEAR(line.back().y(), 45, 1e-9);
    const double out = line.back().x(), radius = (out * out + 30 * 30) / 60;  // of a chord 2·out and a sagitta of 30
    for (const Point& q : line) EXPECT_NEAR(std::hypot(q.x(), q.y() - (75 - radius)), radius, 0.06) << q.x();
}

TEST(Sawn, RingsPartedFromABlankAreNotSawn)
{
    Piece p = test::demo("porthole-bangles");
    EXPECT_FALSE(test::find(makePlan(p, test::harbourShop()), "nest-cut"));
    p = edit::addSawn(std::move(p), Sawn::Underside);
    const Plan plan = makePlan(p, test::harbourShop());
    const Caution* said = test::find(plan, "nest-cut");
    ASSERT_TRUE(said);
    EXPECT_EQ(said->level, Level::Stop);
    EXPECT_FALSE(test::find(makePlan(said->fixes[0].apply(p), test::harbourShop()), "nest-cut"));
}

TEST(Sawn, NothingThatHoldsTheWorkIsSawnAwayBeforeIt)
{
    struct Case {
        const char* what;
        BlockForm::Grain grain;
        Sawn::From from;
        double middle;  // of the curve at the axis, of 60 in all
        bool stop;
    };
    for (const Case& c : {Case{"the foot's center", BlockForm::Along, Sawn::Underside, 8, true},
                          Case{"the rim's center", BlockForm::Along, Sawn::Top, 52, true},
                          Case{"the screw's place on the rim", BlockForm::Across, Sawn::Top, 52, true},
                          Case{"nothing in the middle", BlockForm::Along, Sawn::Underside, 0, false}}) {
        Piece p = edit::addSawn(test::plainCylinder(60, 60, c.grain), c.from);
        p.sawn[0].when = Sawn::Before;
        edit::shapeSawn(p.sawn[0], c.middle, c.from == Sawn::Top ? 60 : 0, 40);
        const Plan plan = makePlan(p, Shop{});
        const Caution* said = test::find(plan, "saw-grip");
        ASSERT_EQ(said != nullptr, c.stop) << c.what;
        if (!said) continue;
        EXPECT_EQ(said->level, Level::Stop) << c.what;
        EXPECT_FALSE(test::find(makePlan(said->fixes[0].apply(p), Shop{}), "saw-grip")) << c.what;
    }
}
