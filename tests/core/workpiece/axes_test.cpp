// Work on several axes: exact sections against closed forms and CGAL's polygons, tilted axes against rotations in
// Eigen, meshes against integrated sections, recipe and cautions against the geometry.
#include "core/geometry/dividing.h"
#include "core/geometry/forms.h"
#include "core/measure/input_error.h"
#include "core/picture/mesh.h"
#include "core/plan/plan.h"
#include "core/process/axis_recipe.h"
#include "core/workpiece/cross_section.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <CGAL/Boolean_set_operations_2.h>
#include <CGAL/Exact_predicates_exact_constructions_kernel.h>
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Polygon_mesh_processing/orient_polygon_soup.h>
#include <CGAL/Polygon_mesh_processing/polygon_soup_to_polygon_mesh.h>
#include <CGAL/Polygon_mesh_processing/repair_polygon_soup.h>
#include <CGAL/Polygon_set_2.h>
#include <CGAL/Surface_mesh.h>
#include <Eigen/Geometry>
#include <boost/math/quadrature/gauss_kronrod.hpp>

#include <algorithm>
#include <cmath>
#include <numeric>

using namespace vl;

namespace {

using Exact = CGAL::Exact_predicates_exact_constructions_kernel;
using Polygon = CGAL::Polygon_2<Exact>;

/// A disc as a regular polygon of as many corners, at its circumference.
Polygon discPolygon(const Disc& d, int corners)
{
    Polygon p;
    for (int k = 0; k < corners; ++k) {
        const Point q = d.center + polar(d.radius, 360.0 * k / corners);
        p.push_back({q.x(), q.y()});
    }
    return p;
}

double areaOf(const CGAL::Polygon_set_2<Exact>& set)
{
    std::vector<CGAL::Polygon_with_holes_2<Exact>> all;
    set.polygons_with_holes(std::back_inserter(all));
    double sum = 0;
    for (const auto& p : all) sum += CGAL::to_double(p.outer_boundary().area());
    return sum;
}

Node node(double z, double r, Span span = Span::Curve)
{
    Node n;
    n.z = z;
    n.r = r;
    n.span = span;
    return n;
}

/// A piece of one block, grain along the axis, with these axes.
Piece blockWith(std::vector<OffAxis> axes, double radius = 20, double length = 150)
{
    Piece p;
    p.outside = {node(0, radius, Span::Line), node(length, radius, Span::Line)};
    p.hollow.rule = WallRule::Solid;
    BlockForm block;
    block.grain = BlockForm::Along;
    Layer layer;
    layer.thickness = length;
    layer.woods = {"ash"};
    layer.form = block;
    p.layers = {layer};
    p.axes = std::move(axes);
    identifyLayers(p);
    identifyAxes(p);
    return p;
}

OffAxis straight(double offset, double radius, double from, double to, int sides = 3)
{
    OffAxis a;
    a.headOffset = a.tailOffset = offset;
    a.sides = sides;
    a.outside = {node(from, radius, Span::Line), node(to, radius, Span::Line)};
    return a;
}

}  // namespace

TEST(DiscRegion, TwoDiscsAreALens)
{
    // Area of the lens of two discs r, d apart: 2r²·acos(d/2r) − d/2·√(4r² − d²). Plane geometry (handbooks: "lens").
    for (const double d : {1.0, 8.0, 20.0, 39.9}) {
        const double r = 20;
        const DiscRegion lens({{{0, 0}, r}, {{d, 0}, r}}, {});
        EXPECT_NEAR(lens.area(), 2 * r * r * std::acos(d / 2 / r) - d / 2 * std::sqrt(4 * r * r - d * d), 1e-9);
        EXPECT_NEAR(lens.perimeter(), 4 * r * std::acos(d / 2 / r), 1e-9);
        EXPECT_NEAR(lens.widest().across, std::sqrt(4 * r * r - d * d), 1e-6) << "from tip to tip";
        EXPECT_NEAR(lens.narrowest().across, 2 * r - d, 1e-6);
        EXPECT_NEAR(lens.centroid().x(), d / 2, 1e-9);
    }
    EXPECT_TRUE(DiscRegion({{{0, 0}, 5}, {{11, 0}, 5}}, {}).empty());
}

TEST(DiscRegion, ThreeDiscsOfOneRadiusAreAReuleauxTriangle)
{
    // Centers at the corners of a triangle whose side is the radius: area r²(π − √3)/2, the same width everywhere.
    const double r = 30, e = r / std::sqrt(3.0);
    const DiscRegion left({{polar(e, 0), r}, {polar(e, 120), r}, {polar(e, 240), r}}, {});
    EXPECT_NEAR(left.area(), r * r * (pi - std::sqrt(3.0)) / 2, 1e-9);
    EXPECT_NEAR(left.widest().across, r, 1e-6);
    EXPECT_NEAR(left.narrowest().across, r, 1e-6);
    for (const double flat : left.flats()) EXPECT_NEAR(flat, r, 1e-9);
}

TEST(DiscRegion, SquareAndDisc)
{
    std::vector<HalfPlane> square;
    for (int k = 0; k < 4; ++k) square.push_back({polar(1, 90.0 * k), 25});
    const DiscRegion whole({}, square), cut({{{0, 0}, 30}}, square);
    EXPECT_NEAR(whole.area(), 2500, 1e-9);
    EXPECT_NEAR(whole.perimeter(), 200, 1e-9);
    EXPECT_NEAR(whole.widest().across, 50 * std::sqrt(2.0), 1e-6);
    // The disc less four caps of 25 from its middle.
    const double cap = 900 * std::acos(25.0 / 30) - 25 * std::sqrt(900.0 - 625);
    EXPECT_NEAR(cut.area(), pi * 900 - 4 * cap, 1e-9);
    EXPECT_NEAR(cut.widest().across, 60, 1e-6);
}

TEST(DiscRegion, ManySidesComeNearAPolygon)
{
    // Discs far off with large radii are straight: n of them are a regular n-gon, area n·a²·tan(π/n).
    for (const int n : {3, 5, 8}) {
        std::vector<Disc> discs;
        const double far = 1e6, apothem = 20;
        for (int k = 0; k < n; ++k) discs.push_back({polar(far - apothem, 360.0 * k / n), far});
        EXPECT_NEAR(DiscRegion(discs, {}).area(), n * apothem * apothem * std::tan(pi / n), 5e-2);
    }
}

TEST(DiscRegion, UnequalSidesOnTwelveHoles)
{
    // Steps 2 2 2 3 3 of twelve, round blank 80, offset 8, radius 34: plane geometry, flats as given with the check.
    const std::vector<IndexMark> marks = steppedOn({2, 2, 2, 3, 3}, 12);
    std::vector<Disc> discs;
    for (const IndexMark& m : marks) discs.push_back({polar(8, m.hole * 30.0), 34});
    discs.push_back({{0, 0}, 40});
    const std::vector<double> flats = DiscRegion(discs, {}).flats();
    const std::vector<double> expected{33.312, 26.836, 26.836, 33.312, 39.413};
    for (size_t k = 0; k < 5; ++k) EXPECT_NEAR(flats[k], expected[k], 5e-4) << marks[k].hole;
}

TEST(DiscRegion, AgreesWithPolygonsOfCgal)
{
    test::property([] {
        std::vector<Disc> discs{{{0, 0}, 40}};
        const int n = test::inRange(1, 7);
        for (int k = 0; k < n; ++k)
            discs.push_back(
                {polar(test::inRange(0, 300) / 10.0, test::inRange(0, 360)), test::inRange(150, 500) / 10.0});
        constexpr int corners = 180;
        CGAL::Polygon_set_2<Exact> set(discPolygon(discs[0], corners));
        double loss = 0;  // of each polygon against its disc
        for (const Disc& d : discs) {
            set.intersection(discPolygon(d, corners));
            loss += d.radius * d.radius * (pi - corners * std::sin(2 * pi / corners) / 2);
        }
        const DiscRegion left(discs, {});
        const double outer = areaOf(set);
        RC_ASSERT(left.area() >= outer - 1e-6);
        RC_ASSERT(left.area() <= outer + loss + 1e-6);
        if (left.empty() || left.area() < 1) return;
        // Its own polygon has as much area as it says, and every point of it is in every disc and on one of them.
        const Polyline line = left.outline(0.01);
        double twice = 0;
        for (size_t i = 0; i < line.size(); ++i) {
            const Point &a = line[i], &b = line[(i + 1) % line.size()];
            twice += a.x() * b.y() - a.y() * b.x();
            double nearest = 1e9;
            for (const Disc& d : discs) {
                RC_ASSERT((a - d.center).norm() <= d.radius + 1e-6);
                nearest = std::min(nearest, d.radius - (a - d.center).norm());
            }
            RC_ASSERT(nearest < 1e-6);
        }
        RC_ASSERT(std::abs(twice / 2 - left.area()) <= 0.01 * left.perimeter());
        RC_ASSERT(left.narrowest().across <= left.widest().across + 1e-9);
    });
}

TEST(Dividing, EveryHoleIsTheNearestOne)
{
    for (int holes = 1; holes <= 96; ++holes)
        for (int n = 1; n <= 40; ++n) {
            const std::vector<IndexMark> marks = dividedOn(n, holes);
            ASSERT_EQ(marks.size(), static_cast<size_t>(n));
            for (const IndexMark& m : marks) {
                // By trying every hole, those of the next turn too.
                double best = 1e9;
                for (int h = 0; h <= holes; ++h) best = std::min(best, std::abs(h * 360.0 / holes - m.wanted));
                ASSERT_NEAR(std::abs(m.errorDeg), best, 1e-9) << n << " on " << holes;
                ASSERT_NEAR(std::remainder(m.hole * 360.0 / holes - m.wanted - m.errorDeg, 360), 0, 1e-9);
            }
            EXPECT_EQ(isExact(marks), holes % n == 0) << n << " on " << holes;
        }
    const std::vector<IndexMark> five = dividedOn(5, 12);
    const std::vector<int> holes{0, 2, 5, 7, 10};
    const std::vector<double> off{0, -12, 6, -6, 12};
    for (size_t k = 0; k < 5; ++k) {
        EXPECT_EQ(five[k].hole, holes[k]);
        EXPECT_NEAR(five[k].errorDeg, off[k], 1e-9);
    }
    EXPECT_EQ(dividedOn(2, 5)[1].hole, 2) << "a tie goes to the lower hole";
    EXPECT_THROW(steppedOn({2, 2, 2}, 12), InputError);
}

TEST(Dividing, GridCellsAreAsLongAsTheyAreWide)
{
    // n = 24 from 75: 57.638 is next, ratio 0.76850. Plane geometry.
    EXPECT_NEAR(gridRadii(24, 75, 1, 1)[1], 57.638, 5e-4);
    for (const int n : {8, 24, 60})
        for (const double aspect : {0.5, 1.0, 2.0}) {
            const std::vector<double> r = gridRadii(n, 75, aspect, 6);
            for (size_t k = 1; k < r.size(); ++k)
                EXPECT_NEAR(r[k - 1] - r[k], aspect * 2 * pi / n * (r[k - 1] + r[k]) / 2, 1e-9);
        }
}

TEST(Forms, EllipseAndSphereByFacets)
{
    // With D = L/1.618034: 0.61803, 0.59841, 0.53523, 0.40879 of L at x = 0, 1/4, 1/2, 3/4.
    const Ellipse golden_ = Ellipse::within(1, 0, golden);
    const std::vector<double> expected{0.61803, 0.59841, 0.53523, 0.40879};
    for (size_t k = 0; k < 4; ++k) EXPECT_NEAR(golden_.diameterAt(0.125 * static_cast<double>(k)), expected[k], 5e-6);
    EXPECT_NEAR(Ellipse::within(100, 50, 1.6).length, 80, 1e-9) << "the diameter limits";
    // Volume of the ellipsoid π·L·D²/6, by quadrature over its stations.
    const Ellipse e = Ellipse::within(90, 0, 1.5);
    const double volume = boost::math::quadrature::gauss_kronrod<double, 61>::integrate(
        [&](double z) { return pi / 4 * std::pow(e.diameterAt(z), 2); }, -45.0, 45.0, 12, 1e-10);
    EXPECT_NEAR(volume, pi * 90 * 60 * 60 / 6, 1e-6);
    // Octagon: 0.29289·D from the end at full diameter, 0.41421·D on it; every side of every polygon touches the
    // circle.
    const std::vector<Facet> eight = sphereFacets(100, 8);
    EXPECT_NEAR(eight[0].diameter, 41.421, 5e-4);
    EXPECT_NEAR(eight[1].fromEnd, 29.289, 5e-4);
    EXPECT_NEAR(eight[1].diameter, 100, 1e-9);
    for (const int n : {8, 16, 32}) {
        const std::vector<Facet> f = sphereFacets(100, n);
        ASSERT_EQ(f.size(), static_cast<size_t>(n / 4));
        for (size_t k = 0; k + 1 < f.size(); ++k) {
            const Point a(50 - f[k].fromEnd, f[k].diameter / 2), b(50 - f[k + 1].fromEnd, f[k + 1].diameter / 2);
            const Point d = (b - a).normalized();
            EXPECT_NEAR(std::abs(a.x() * d.y() - a.y() * d.x()), 50, 1e-9) << "a side's distance from the middle";
        }
    }
}

TEST(TurnedAbout, TiltedAxesAreRotationsOfEigen)
{
    test::property([] {
        const double tilt = test::inRange(5, 150) / 10.0, towards = test::inRange(0, 360),
                     pivot = test::inRange(0, 150), radius = test::inRange(100, 400) / 10.0;
        const Polyline outline{{-500, radius}, {500, radius * 1.2}};
        const TurnedAbout t = TurnedAbout::tilted(tilt, towards, pivot, outline);
        // The true axis turned about the line through the pivot that stands square to both.
        const Point side = polar(1, towards + 90);
        const Eigen::Vector3d about(0, side.x(), side.y());
        const Eigen::AngleAxisd turn(tilt * degrees, Eigen::Vector3d::UnitX().cross(Eigen::Vector3d(
                                                         0, polar(1, towards).x(), polar(1, towards).y())));
        const Eigen::Vector3d along = turn * Eigen::Vector3d::UnitX();
        RC_ASSERT((along - t.along).norm() < 1e-12);
        RC_ASSERT(std::abs(about.dot(along)) < 1e-12);
        RC_ASSERT(std::abs(t.tiltDeg() - tilt) < 1e-9);
        // Where a ray leaves, its distance from the axis is the outline's radius there.
        const double z = test::inRange(0, 150), angle = test::inRange(0, 360);
        const Point c = t.centerAt(z);
        const double out = t.exit(z, c, angle);
        const Point p = c + polar(out, angle);
        const Eigen::Vector3d off = Eigen::Vector3d(z, p.x(), p.y()) - t.at;
        const double s = t.along.dot(off);
        RC_ASSERT(std::abs((off - s * t.along).norm() - radiusAt(outline, s)) < 1e-6);
    });
}

TEST(CrossSection, ATiltedCylinderIsCutInAnEllipse)
{
    // Semi-axes R and R / cos α: area π·R²/cos α. Solid geometry.
    for (const double tilt : {2.0, 8.0, 20.0}) {
        TurnedSurfaces sides{.outside = {{0, 100}, {150, 100}}, .inside = {}, .axes = {}, .edges = {}};
        sides.axes.push_back(TurnedAbout::tilted(tilt, 30, 75, {{-200, 20}, {400, 20}}));
        const CrossSection section(sides, 75);
        EXPECT_NEAR(section.region().area(), pi * 400 / std::cos(tilt * degrees), 0.2);
        EXPECT_NEAR(section.region().widest().across, 40 / std::cos(tilt * degrees), 0.01);
        EXPECT_NEAR(section.region().narrowest().across, 40, 0.01);
    }
}

TEST(CrossSection, AgreesWithCgalOverRandomSetUps)
{
    test::property([] {
        TurnedSurfaces sides{.outside = {{0, 40}, {60, 35}, {150, 40}}, .inside = {}, .axes = {}, .edges = {}};
        const int n = test::inRange(1, 6);
        for (int k = 0; k < n; ++k) {
            const Point head = polar(test::inRange(0, 120) / 10.0, test::inRange(0, 360)),
                        tail = polar(test::inRange(0, 120) / 10.0, test::inRange(0, 360));
            sides.axes.push_back(TurnedAbout::throughCenters(
                head, tail, 150, {{-20, test::inRange(250, 450) / 10.0}, {200, test::inRange(250, 450) / 10.0}}));
        }
        const double z = test::inRange(5, 145);
        const CrossSection section(sides, z);
        // Each turned solid's own section, point by point about its own axis.
        CGAL::Polygon_set_2<Exact> set(discPolygon({{0, 0}, radiusAt(sides.outside, z)}, 240));
        for (const TurnedAbout& t : sides.axes) {
            Polygon own;
            for (int k = 0; k < 240; ++k) {
                const Point p = t.centerAt(z) + polar(t.exit(z, t.centerAt(z), 1.5 * k), 1.5 * k);
                own.push_back({p.x(), p.y()});
            }
            set.intersection(own);
        }
        const double expected = areaOf(set), area = section.empty() ? 0 : section.region().area();
        // 240 corners lose at most 1.2e-4 of a disc each.
        RC_ASSERT(std::abs(area - expected) <= 1.2e-4 * pi * 1600 * (n + 1) + 0.5);
    });
}

TEST(CrossSection, MeshesAreClosedAndHoldWhatTheirSectionsDo)
{
    namespace PMP = CGAL::Polygon_mesh_processing;
    using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
    using Surface = CGAL::Surface_mesh<Kernel::Point_3>;
    OffAxis tilted = straight(0, 19, 20, 130, 2);
    tilted.by = AxisBy::Tilt;
    tilted.tilt = 2;
    tilted.pivot = 75;
    OffAxis swelling = straight(5, 23, 20, 130);
    swelling.outside = {node(20, 26), node(75, 21), node(130, 26)};
    OffAxis twisted = straight(4, 21.5, 0, 150, 4);
    twisted.tailDirection = 30;
    OffAxis spiral = straight(6, 17, 20, 45, 6);
    spiral.advance = 15;
    struct Case {
        const char* name;
        OffAxis axis;
    };
    for (const auto& [name, axis] :
         {Case{"three sides over both ends", straight(5, 22, 0, 150)},
          Case{"three sides between shoulders", straight(5, 22, 30, 120)}, Case{"swelling", swelling},
          Case{"twisted", twisted}, Case{"spiral", spiral}, Case{"tilted", tilted}}) {
        const Piece piece = blockWith({axis});
        const Plan plan = makePlan(piece, Shop{});
        for (const double tolerance : {0.2, 0.02}) {
            const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces, {tolerance, false});
            const double volume = meshVolume(mesh), expected = plan.shape.woodVolume;
            EXPECT_NEAR(volume / expected, 1, tolerance * 0.15) << name << " within " << tolerance;
            std::vector<Kernel::Point_3> points;
            std::vector<std::vector<size_t>> faces;
            for (const Vertex& v : mesh.vertices) points.emplace_back(v.position[0], v.position[1], v.position[2]);
            for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3)
                faces.push_back({mesh.indices[i], mesh.indices[i + 1], mesh.indices[i + 2]});
            PMP::repair_polygon_soup(points, faces);
            Surface surface;
            ASSERT_TRUE(PMP::is_polygon_soup_a_polygon_mesh(faces)) << name;
            PMP::polygon_soup_to_polygon_mesh(points, faces, surface);
            EXPECT_TRUE(CGAL::is_closed(surface)) << name << " within " << tolerance;
            EXPECT_NEAR(PMP::volume(surface) / volume, 1, 1e-4) << name;
            // Every corner is on what is left, none outside of it.
            for (size_t i = 0; i < mesh.vertices.size(); i += 97) {
                const auto& p = mesh.vertices[i].position;
                if (p[0] < 0.01f || p[0] > 149.99f) continue;
                const Point q(static_cast<double>(p[1]), static_cast<double>(p[2]));
                double r = 0, reach = 0;
                // On a step either side of it may be the one.
                for (const double beside : {-1e-3, 1e-3}) {
                    const CrossSection section(plan.surfaces, static_cast<double>(p[0]) + beside);
                    const Point off = q - section.middle();
                    r = std::max(r, off.norm());
                    reach = std::max(reach, section.reach(std::atan2(off.y(), off.x()) / degrees));
                }
                EXPECT_LE(r, reach + 0.01) << name << " at " << p[0];
            }
        }
    }
}

TEST(Axes, EveryStepFollowsTheOneBeforeAndSandsBeforeItMoves)
{
    const Plan plan = makePlan(blockWith({straight(5, 22, 30, 120), straight(3, 21, 0, 150, 2)}), Shop{});
    const Recipe& recipe = plan.assembly.recipe;
    auto place = [&](const std::string& id) {
        const auto it = std::ranges::find(recipe, id, &Step::id);
        EXPECT_NE(it, recipe.end()) << id;
        return it - recipe.begin();
    };
    auto after = [&](const std::string& id, const std::string& before) {
        const Step& s = recipe[static_cast<size_t>(place(id))];
        EXPECT_NE(std::ranges::find(s.after, before), s.after.end()) << id << " after " << before;
    };
    after("mount-centres-L1", "centres");
    after("turn-A1-1", "mount-A1-1");
    after("sand-A1-1", "turn-A1-1");
    after("mount-A1-2", "sand-A1-1");
    after("mount-A1-1", "depth-A2-1");  // the line of every axis while it still runs true
    after("mount-A2-1", "sand-A1-3");
    after("mount-true", "sand-A2-2");
    EXPECT_EQ(std::ranges::find(recipe, "depth-A1-1", &Step::id), recipe.end()) << "its cut runs out over no end";
    EXPECT_EQ(plan.setUps.size(), 5u);
    for (const AxisSetUp& s : plan.setUps)
        EXPECT_TRUE(std::ranges::any_of(plan.mounts,
                                        [&](const Mount& m) { return m.id == "mount-" + s.id && m.speed.high <= 400; }))
            << s.id << ": most of a turn is air";
}

TEST(Axes, ThicknessesAreThoseOfTheSections)
{
    const Piece piece = blockWith({straight(5, 22, 30, 120)});
    const Plan plan = makePlan(piece, Shop{});
    for (int k = 1; k <= 3; ++k) {
        const auto step = std::ranges::find(plan.assembly.recipe, "turn-A1-" + std::to_string(k), &Step::id);
        ASSERT_NE(step, plan.assembly.recipe.end());
        const auto thick = std::ranges::find(step->settings, "done at a thickness of", &Setting::name);
        ASSERT_NE(thick, step->settings.end());
        // The side stands 22 − 5 from the true axis; opposite is the round of 20, or less where a side before it is.
        TurnedSurfaces now = plan.surfaces;
        now.axes.resize(static_cast<size_t>(k));
        const double opposite = CrossSection(now, 75).reachFrom({0, 0}, 120.0 * (k - 1));
        EXPECT_NEAR(thick->value, 17 + opposite, 1e-6) << k;
        EXPECT_LE(thick->value, 37 + 1e-6);
    }
}

TEST(Axes, ReportsFollowPlaneGeometry)
{
    // Round 40, three sides, 5 off, radius 22.
    const double R = 20, e = 5, rho = 22;
    const Plan plan = makePlan(blockWith({straight(e, rho, 30, 120)}), Shop{});
    ASSERT_EQ(plan.axes.size(), 1u);
    for (const AxisAt& at : plan.axes[0].at) {
        // Circles of R and ρ, e apart, cross at x = (R² − ρ² + e²) / 2e from the round's middle: the flat's half chord.
        const double x = (R * R - rho * rho + e * e) / (2 * e);
        const double alone = 2 * std::sqrt(R * R - x * x);
        const double meet = std::sqrt(R * R + e * e + 2 * R * e * std::cos(60 * degrees));
        EXPECT_NEAR(at.meetRadius, meet, 1e-9);
        EXPECT_NEAR(at.depths[0], R - (rho - e), 1e-9);
        ASSERT_LT(rho, meet) << "neighbors meet below the round";
        EXPECT_LT(at.flats[0], alone);
        EXPECT_EQ(at.bands[0], 0);
        // They meet at √(ρ² − e²·sin²(γ/2)) − e·cos(γ/2) from the true axis, γ = 120°: a flat's chord is √3 of that.
        const double ridge =
            std::sqrt(rho * rho - e * e * std::pow(std::sin(60 * degrees), 2)) - e * std::cos(60 * degrees);
        EXPECT_NEAR(at.flats[0], std::sqrt(3.0) * ridge, 1e-6);
        EXPECT_GT(at.air, 0.5);
        EXPECT_GT(at.perMillimeter, 0.1);
    }
    // With the band's own radius as much of the round is left as was asked for.
    const double wanted = makePlan(blockWith({straight(e, rho, 30, 120)}), Shop{}).axes[0].at[1].bandRadius;
    const Plan banded = makePlan(blockWith({straight(e, wanted, 30, 120)}), Shop{});
    for (const double band : banded.axes[0].at[1].bands) EXPECT_NEAR(band, 3, 1e-6);
    EXPECT_FALSE(test::find(banded, "axis-band"));
    EXPECT_TRUE(test::find(plan, "axis-band"));
}

TEST(Axes, WhatCannotWorkIsSaidAndMended)
{
    struct Case {
        const char* kind;
        Piece piece;
    };
    OffAxis five = straight(5, 22, 30, 120, 5);
    five.plate = 12;
    Piece bored = blockWith({straight(8, 20, 30, 120)});
    bored.hollow.rule = WallRule::Bored;
    bored.hollow.bore = 20;
    std::vector<Case> cases{{"index-", blockWith({five})},
                            {"axis-wall-", bored},
                            {"axis-air-", blockWith({straight(2, 30, 30, 120)})},
                            {"axis-band-", blockWith({straight(5, 21, 30, 120)})},
                            {"centre-head-", blockWith({straight(19.5, 38, 30, 120)})},
                            {"centre-", blockWith({straight(12, 13, 0, 150, 2)})}};
    for (const Case& c : cases) {
        const Plan plan = makePlan(c.piece, Shop{});
        const auto found =
            std::ranges::find_if(plan.cautions, [&](const Caution& x) { return x.id.starts_with(c.kind); });
        ASSERT_NE(found, plan.cautions.end()) << c.kind;
        ASSERT_FALSE(found->fixes.empty()) << c.kind;
        for (const Fix& fix : found->fixes) {
            Piece mended = fix.apply(c.piece);
            for (int more = 0; more < 3; ++more) {
                const Plan after = makePlan(mended, Shop{});
                const auto still =
                    std::ranges::find_if(after.cautions, [&](const Caution& x) { return x.id == found->id; });
                if (still == after.cautions.end()) break;
                ASSERT_LT(more, 2) << found->id << ": " << print(fix.label) << " does not mend it";
                mended = still->fixes[0].apply(mended);
            }
        }
    }
}

TEST(Axes, AStackOnItsBlockHasNoFreeHeadEnd)
{
    Piece piece = test::demo("regatta-cup");
    piece.axes = {straight(4, 40, 20, 40)};
    identifyAxes(piece);
    const Plan plan = makePlan(piece, Shop{});
    EXPECT_TRUE(plan.mustStop());
    EXPECT_TRUE(test::find(plan, "centres-block"));
}
