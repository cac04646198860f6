#include "core/geometry/outline.h"
#include "core/geometry/profile.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <boost/math/quadrature/gauss_kronrod.hpp>
#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <iterator>

using namespace vl;

namespace {

Outline randomOutline()
{
    Outline o;
    double z = 0;
    const int count = test::inRange(2, 12);
    for (int i = 0; i < count; ++i) {
        o.push_back({z,
                     test::inRange(0, 2000) / 10.0,
                     static_cast<Span>(test::inRange(0, 3)),
                     test::inRange(-90, 91) / 100.0,
                     test::coin(),
                     {}});
        z += test::inRange(1, 600) / 10.0;
    }
    return o;
}

}  // namespace

TEST(Flatten, PassesThroughEveryNodeAndNeverBeyondACurvesNodes)
{
    test::property([] {
        Outline o = randomOutline();
        for (Node& n : o)
            if (n.span == Span::Arc) n.span = Span::Curve;
        const Polyline line = flatten(o);
        const auto at = nodePositions(o);
        for (size_t i = 0; i < o.size(); ++i) RC_ASSERT((line[at[i]] - Point(o[i].z, o[i].r)).norm() < 1e-9);
        for (size_t i = 0; i + 1 < o.size(); ++i)
            for (size_t k = at[i]; k < at[i + 1]; ++k) {
                RC_ASSERT(line[k + 1].x() >= line[k].x() - 1e-9);
                RC_ASSERT(line[k].y() >= std::min(o[i].r, o[i + 1].r) - 1e-6);
                RC_ASSERT(line[k].y() <= std::max(o[i].r, o[i + 1].r) + 1e-6);
            }
    });
}

TEST(Flatten, ArcsLieOnTheirCircle)
{
    // A quarter circle from (0, 0) to (50, 50) about (50, 0): bulge tan(90°/4).
    const Outline o{{0, 0, Span::Arc, std::tan(pi / 8), false, {}}, {50, 50, Span::Line, 0, false, {}}};
    for (const Point& p : flatten(o, 0.001)) EXPECT_NEAR((p - Point(50, 0)).norm(), 50, 1e-9);
    const Polyline fine = flatten(o, 0.01);
    for (size_t i = 0; i + 1 < fine.size(); ++i)
        EXPECT_LT(50 - ((fine[i] + fine[i + 1]) / 2 - Point(50, 0)).norm(), 0.0101);
}

TEST(Flatten, KeepsToItsTolerance)
{
    for (const Start& start : starts()) {
        const Outline o = start.make().outside;
        const Polyline coarse = flatten(o, 0.05), fine = flatten(o, 0.0005);
        for (const Point& p : fine) EXPECT_LT(distanceTo(coarse, p), 0.051) << start.name;
    }
}

TEST(InsertNode, LeavesTheLineWhereItWas)
{
    const Outline line{{0, 10, Span::Line, 0, false, {}}, {40, 30, Span::Line, 0, false, {}}};
    const Outline arc{{0, 20, Span::Arc, 0.5, false, {}}, {40, 20, Span::Line, 0, false, {}}};
    for (const Outline& before : {line, arc}) {
        Outline after = before;
        const size_t i = insertNode(after, 13);
        EXPECT_EQ(i, 1u);
        const Polyline was = flatten(before, 0.001);
        for (const Point& p : flatten(after, 0.001)) EXPECT_LT(distanceTo(was, p), 0.01);
    }
    Outline typed = withDiameter(line, 20, 66);
    EXPECT_NEAR(radiusAt(flatten(typed), 20), 33, 1e-9);
    EXPECT_EQ(withDiameter(typed, 20.3, 70).size(), typed.size()) << "a node is there already";
}

TEST(MovedNode, StaysBetweenItsNeighbors)
{
    test::property([] {
        const Outline o = randomOutline();
        const auto i = static_cast<size_t>(test::inRange(0, static_cast<int>(o.size())));
        const Outline moved = movedNode(o, i, test::inRange(-500, 5000) / 3.0, test::inRange(-500, 5000) / 3.0);
        for (size_t k = 0; k + 1 < moved.size(); ++k) RC_ASSERT(moved[k].z <= moved[k + 1].z);
        RC_ASSERT(moved[i].r >= 0);
    });
}

TEST(Revolved, MatchesPappusAndQuadrature)
{
    // Pappus: a solid of revolution's volume is the area of its section times the way of its centroid (2π·r̄).
    test::property([] {
        Outline o = randomOutline();
        for (Node& n : o)
            if (n.span == Span::Arc) n.bulge = std::abs(n.bulge) * 0.4;
        const Polyline line = flatten(o);
        // The section as a polygon of Boost.Geometry, closed along the axis: its area and centroid are Boost's.
        namespace bg = boost::geometry;
        bg::model::polygon<bg::model::d2::point_xy<double>> section;
        bg::append(section, bg::model::d2::point_xy<double>(line.front().x(), 0));
        for (const Point& p : line) bg::append(section, bg::model::d2::point_xy<double>(p.x(), p.y()));
        bg::append(section, bg::model::d2::point_xy<double>(line.back().x(), 0));
        bg::correct(section);
        const double area = bg::area(section);
        if (area <= 1e-6) return;
        bg::model::d2::point_xy<double> centroid(0, 0);
        bg::centroid(section, centroid);
        const double pappus = area * 2 * pi * centroid.y();
        RC_ASSERT(std::abs(revolved(line).volume - pappus) <= 1e-7 * std::max(1.0, std::abs(pappus)));
    });
    // A sphere of radius 50, against 4πr³/3 and Boost's quadrature of the same profile.
    const Outline sphere{{0, 0, Span::Arc, 1, false, {}}, {100, 0, Span::Line, 0, false, {}}};
    const Polyline line = flatten(sphere, 0.0005);
    EXPECT_NEAR(revolved(line).volume, 4.0 / 3 * pi * 125000, 40);
    EXPECT_NEAR(revolved(line).momentZ / revolved(line).volume, 50, 1e-6);
    const double quadrature = boost::math::quadrature::gauss_kronrod<double, 61>::integrate(
        [&](double z) {
            const double r = radiusAt(line, z);
            return pi * r * r;
        },
        0.0, 100.0, 8, 1e-6);
    EXPECT_NEAR(revolved(line).volume, quadrature, 40);
}

TEST(HollowFor, LeavesTheWallSquareToTheSurface)
{
    for (const Start& start : starts()) {
        const Piece p = start.make();
        const Polyline outside = flatten(p.outside);
        for (const double wall : {3.0, 6.0, 10.0}) {
            const Polyline inside = hollowFor(
                outside, [&](double) { return wall; }, p.hollow.floor, 0);
            ASSERT_GT(inside.size(), 10u);
            const double end = outside.back().x();
            for (const Point& q : inside) {
                if (q.y() <= 0) continue;
                const double measured = distanceTo(outside, q);
                EXPECT_GE(measured, wall - 0.03) << start.name << " at " << q.x();
                // Near the rim the outside ends: there the wall may only be thicker. So where it would pass below the
                // floor or the axis.
                if (q.x() < end - wall && q.x() > inside.front().x() + wall) {
                    EXPECT_LE(measured, wall + 0.06) << start.name << " at " << q.x();
                }
            }
        }
    }
}

TEST(HollowFor, ACylindersWallIsItsRadiiApart)
{
    const Polyline outside{{0, 50}, {100, 50}};
    const Polyline inside = hollowFor(
        outside, [](double) { return 7.0; }, 12, 6);
    EXPECT_NEAR(inside.front().x(), 12, 1e-9);
    for (const Point& p : inside)
        if (p.x() > 18.01) {
            EXPECT_NEAR(p.y(), 43, 1e-9);
        }
    EXPECT_LT(radiusRange(inside, 12.5, 12.5).low, 42) << "the floor's corner is rounded";
    EXPECT_TRUE(hollowFor(
                    outside, [](double) { return 7.0; }, 100, 0)
                    .empty());
}

TEST(Curvature, OfACircleIsOneOverItsRadius)
{
    const Outline arc{{0, 20, Span::Arc, 0.4, false, {}}, {80, 20, Span::Line, 0, false, {}}};
    const double half = 40, sagitta = 0.4 * half, radius = (half * half + sagitta * sagitta) / (2 * sagitta);
    for (const Point& p : curvatureAlong(flatten(arc, 0.0005))) EXPECT_NEAR(p.y(), 1000 / radius, 0.2);
}

TEST(Shape, OfACylinderMatchesClosedForms)
{
    Piece p;
    p.outside = {{0, 50, Span::Line, 0, false, {}}, {100, 50, Span::Line, 0, false, {}}};
    p.hollow.rule = WallRule::Even;
    p.hollow.rimWall = 8;
    p.hollow.floor = 12;
    p.hollow.floorRound = 0;
    Layer disc, ring;
    disc.form = DiscForm{};
    disc.thickness = 20;
    ring.thickness = 80;
    p.layers = {disc, ring};
    identifyLayers(p);
    const Plan plan = makePlan(p, {});
    const Shape& s = plan.shape;
    const double cup = pi * 2500 * 100, bore = pi * 42 * 42 * 88, density = speciesOf("maple").density * 1e-9;
    EXPECT_NEAR(s.capacity, bore, 1);
    EXPECT_NEAR(s.woodVolume, cup - bore, 1);
    EXPECT_NEAR(s.weight, (cup - bore) * density, 1e-8);
    EXPECT_NEAR(s.thinnest.wall, 8, 1e-6);
    EXPECT_NEAR(s.thickest.wall, 8, 1e-6);
    EXPECT_NEAR(s.floorThickness, 12, 1e-9);
    const double gravity = (cup * 50 - bore * 56) / (cup - bore);
    EXPECT_NEAR(s.gravityHeight, gravity, 1e-6);
    EXPECT_NEAR(s.tipAngle, std::atan(50 / gravity) / degrees, 1e-9);
}

TEST(Hollow, KeepsItsWallUnderALedge)
{
    // The inside is what lies the wall's thickness from the outside: between its stations too, and round every corner.
    test::property([] {
        const double wall = 4 + test::inRange(0, 100) / 10.0, foot = 50 + test::inRange(0, 30);
        const double neck = foot - test::inRange(1, 25), ledge = 60 + test::inRange(0, 20);
        const Polyline outside{{0, foot}, {ledge, foot}, {ledge, neck}, {ledge + 60, neck}};
        const double floor = 20;
        const Polyline inside = hollowFor(
            outside, [&](double) { return wall; }, floor, 0);
        const double end = outside.back().x();
        for (double z = floor + 0.01; z < end - 0.01; z += 0.037) {
            const Point p(z, radiusAt(inside, z));
            if (p.y() <= 0) continue;
            // Never thinner; where a line meets an arc a little of the corner stays.
            RC_ASSERT(distanceTo(outside, p) > wall - 0.02);
            RC_ASSERT(distanceTo(outside, p) < wall + 0.11);
        }
    });
}

TEST(Outline, ThatComesToItsAxisBetweenItsEndsIsAStopThatIsHealed)
{
    const auto stops = [](const Piece& p) {
        const std::vector<Caution> all = makePlan(p, {}).cautions;
        std::vector<Caution> waist;
        std::ranges::copy_if(all, std::back_inserter(waist), [](const Caution& c) { return c.id == "waist"; });
        return waist;
    };
    Piece p = starts()[0].make();
    EXPECT_TRUE(stops(p).empty());
    p.hollow.rule = WallRule::Solid;
    p.outside[p.outside.size() / 2].r = 0;
    const std::vector<Caution> found = stops(p);
    ASSERT_EQ(found.size(), 1u);
    EXPECT_EQ(found[0].level, Level::Stop);
    ASSERT_FALSE(found[0].fixes.empty());
    EXPECT_TRUE(stops(found[0].fixes[0].apply(p)).empty());
    // A pointed end is no waist.
    Piece spire = p;
    spire.outside = {{0, 20}, {40, 15}, {80, 0}};
    EXPECT_TRUE(stops(spire).empty());
}
