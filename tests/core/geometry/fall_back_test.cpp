// Outlines that fall back: their greatest radii, their undercuts, what they refuse. Figures are worked out by hand.
#include "core/geometry/fall_back.h"
#include "core/measure/input_error.h"
#include "tests/support/property.h"

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <gtest/gtest.h>
#include <rapidcheck/Assertions.h>

#include <algorithm>
#include <cmath>

namespace vl::test {
namespace {

/// A foot of radius 30 with a recess of radius 20, 6 deep; a dish with a post of radius 5 that stands out of it.
const Polyline recessed{{6, 0}, {6, 20}, {0, 20}, {0, 30}, {40, 50}};
const Polyline posted{{0, 30}, {20, 60}, {20, 55}, {8, 40}, {8, 5}, {50, 5}};
const Polyline overhung{{0, 26}, {50, 10}, {40, 30}, {60, 36}, {80, 8}};

/// Straight lines that rise, but for folds: out to the side, back, and on again, never across themselves.
Polyline foldedLine()
{
    Polyline line{{0, inRange(100, 400) / 10.0}};
    const int folds = inRange(1, 5);
    for (int k = 0; k < folds; ++k) {
        const double z = line.back().x() + inRange(60, 300) / 10.0, r = inRange(100, 400) / 10.0,
                     back = inRange(5, 50) / 10.0, out = r + inRange(10, 200) / 10.0;
        // Under what overhangs, its edge, and on over it.
        line.emplace_back(z, r);
        line.emplace_back(z - back, out);
        line.emplace_back(z + inRange(1, 30) / 10.0, out + inRange(0, 20) / 10.0);
    }
    return line;
}

}  // namespace

TEST(FallBack, IsFoundInLinesAndOutlines)
{
    EXPECT_TRUE(fallsBack(recessed));
    EXPECT_FALSE(fallsBack(Polyline{{0, 30}, {0, 40}, {10, 20}}));
    EXPECT_TRUE(fallsBack(Outline{{.z = 4, .r = 0}, {.z = 0, .r = 20}, {.z = 9, .r = 30}}));
    EXPECT_FALSE(fallsBack(Outline{{.z = 0, .r = 0}, {.z = 0, .r = 20}, {.z = 9, .r = 30}}));
}

TEST(FallBack, GreatestRadiiAreTheOutermostOfAll)
{
    const Polyline foot = greatestRadii(recessed);
    EXPECT_FALSE(fallsBack(foot));
    EXPECT_EQ(foot.front(), Point(0, 30));
    EXPECT_NEAR(radiusAt(foot, 3), 31.5, 1e-9) << "30 + 20 · 3/40";
    EXPECT_NEAR(radiusAt(foot, 20), 40, 1e-9);
    const Polyline post = greatestRadii(posted);
    EXPECT_NEAR(radiusBefore(post, 20), 60, 1e-9);
    EXPECT_NEAR(radiusAfter(post, 20), 5, 1e-9) << "nothing but the post stands above the rim";
    EXPECT_NEAR(radiusAt(post, 49), 5, 1e-9);
    const Polyline cap = greatestRadii(overhung);
    EXPECT_NEAR(radiusBefore(cap, 40), 13.2, 1e-9) << "26 − 16 · 40/50";
    EXPECT_NEAR(radiusAfter(cap, 40), 30, 1e-9);
}

TEST(FallBack, UndercutsAreSortedByWhereTheyOpen)
{
    struct Case {
        const char* what;
        const Polyline& line;
        OpensTo to;
        Range along, across;
        double volume;  // mm³
    };
    // Frustums by plane geometry: of the dish a cone from Ø 80 to Ø 110, 12 high, without the post's cylinder of Ø 10;
    // of the cap the ring between its underside (30 → 10 over 10 mm) and the stem's cone (13.2 → 10).
    const Case cases[] = {
        {"recess", recessed, OpensTo::Foot, {0, 6}, {0, 20}, pi * 400 * 6},
        {"dish", posted, OpensTo::Rim, {8, 20}, {5, 55}, pi * 12 * (40 * 40 + 40 * 55 + 55 * 55) / 3 - pi * 25 * 12},
        {"overhang",
         overhung,
         OpensTo::Side,
         {40, 50},
         {10, 30},
         pi * 10 * (30 * 30 + 30 * 10 + 10 * 10) / 3 - pi * 10 * (13.2 * 13.2 + 13.2 * 10 + 10 * 10) / 3},
    };
    for (const Case& c : cases) {
        const std::vector<Undercut> all = undercutsOf(c.line);
        ASSERT_EQ(all.size(), 1u) << c.what;
        EXPECT_EQ(all[0].to, c.to) << c.what;
        EXPECT_NEAR(all[0].along.low, c.along.low, 1e-3) << c.what;
        EXPECT_NEAR(all[0].along.high, c.along.high, 1e-3) << c.what;
        EXPECT_NEAR(all[0].across.low, c.across.low, 1e-3) << c.what;
        EXPECT_NEAR(all[0].across.high, c.across.high, 1e-3) << c.what;
        EXPECT_NEAR(all[0].air.revolved().volume / c.volume, 1, 1e-4) << c.what;
    }
    EXPECT_TRUE(undercutsOf(Polyline{{0, 30}, {20, 60}, {20, 55}}).empty());
}

// Boost.Geometry is the reference.
TEST(FallBack, RadiiAndAirTogetherAreTheLine)
{
    namespace bg = boost::geometry;
    using At = bg::model::d2::point_xy<double>;
    property([] {
        const Polyline line = foldedLine();
        if (crossesItself(line)) return;
        bg::model::polygon<At> wood;
        for (const Point& p : line) bg::append(wood.outer(), At(p.x(), p.y()));
        bg::append(wood.outer(), At(line.back().x(), 0));
        bg::append(wood.outer(), At(line.front().x(), 0));
        bg::correct(wood);
        const Polyline most = greatestRadii(line);
        RC_ASSERT(!fallsBack(most));
        Region air;
        for (const Undercut& u : undercutsOf(line)) {
            RC_ASSERT(u.to == OpensTo::Side);
            air = air | u.air;
        }
        for (int k = 0; k < 60; ++k) {
            const Point p(most.back().x() * inRange(1, 1000) / 1000.0, inRange(1, 700) / 10.0);
            const At at(p.x(), p.y());
            // On the border both may be right.
            bg::model::linestring<At> border(wood.outer().begin(), wood.outer().end());
            if (bg::distance(at, border) < 1e-2) continue;
            const bool turned = p.y() <= radiusAt(most, p.x()) && !air.holds(p);
            RC_ASSERT(turned == bg::within(at, wood));
        }
    });
}

TEST(FallBack, WhatCrossesItselfIsRefused)
{
    const auto nodes = [](const Polyline& line) {
        Outline o;
        for (const Point& p : line) o.push_back({.z = p.x(), .r = p.y(), .span = Span::Line});
        return o;
    };
    EXPECT_NO_THROW(checkOutline(nodes(posted), "outside", 200, Stations::MayFallBack));
    EXPECT_THROW(checkOutline(nodes(posted), "axes[0].outside", 200), InputError) << "another axis has no undercut";
    // The dish's wall comes out through the outside.
    EXPECT_THROW(checkOutline(nodes({{0, 30}, {20, 60}, {20, 58}, {4, 50}, {4, 5}, {50, 5}}), "outside", 200,
                              Stations::MayFallBack),
                 InputError);
    // Nothing of it reaches along the axis.
    EXPECT_THROW(checkOutline(nodes({{5, 0}, {5, 9}}), "outside", 200, Stations::MayFallBack), InputError);
}

TEST(FallBack, NodesGoPastTheirNeighborsOnlyWhenAsked)
{
    const Outline o{{.z = 0, .r = 20}, {.z = 30, .r = 30}, {.z = 60, .r = 20}};
    EXPECT_EQ(movedNode(o, 1, 70, 5)[1].z, 60);
    const Outline back = movedNode(o, 1, 70, 5, Stations::MayFallBack);
    EXPECT_EQ(back[1].z, 70);
    EXPECT_EQ(movedNode(back, 1, 65, 5)[1].z, 65) << "what has fallen back may go on doing so";
    EXPECT_EQ(reachOf(back).high, 70);
    EXPECT_TRUE(standsAlone(o, 0));
    EXPECT_FALSE(standsAlone({{.z = 0, .r = 2}, {.z = 0, .r = 20}, {.z = 9, .r = 9}}, 1));
}

TEST(FallBack, ANodeGoesOntoTheNearestOfSeveralSpans)
{
    Outline o;
    for (const Point& p : posted) o.push_back({.z = p.x(), .r = p.y(), .span = Span::Line});
    const size_t in = insertNode(o, 14, 47);
    EXPECT_EQ(in, 3u) << "on the dish's wall";
    EXPECT_NEAR(o[in].r, 47.5, 0.01) << "55 − 15 · 6/12";
    EXPECT_EQ(insertNode(o, 14, 3), 6u) << "on the post";
}

}  // namespace vl::test
