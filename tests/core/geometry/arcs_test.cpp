// An outline has one radius at every station, whatever its arcs are told; what is asked of a line in parts is asked of
// the whole.
#include "core/geometry/outline.h"
#include "core/geometry/profile.h"
#include "tests/support/property.h"

#include <gtest/gtest.h>

#include <cmath>

using namespace vl;

namespace {

Outline randomArcs()
{
    Outline o;
    double z = 0;
    for (int k = test::inRange(2, 7); k > 0; --k) {
        o.push_back({z,
                     test::inRange(0, 1500) / 10.0,
                     static_cast<Span>(test::inRange(0, 3)),
                     test::inRange(-100, 101) / 100.0,
                     test::coin(),
                     {}});
        z += test::inRange(0, 600) / 10.0;  // now and then two nodes stand at one station
    }
    o.push_back({z + 1, 30, Span::Line, 0, false, {}});
    return o;
}

}  // namespace

TEST(Arcs, NeverSwellPastTheStationsOfTheirEnds)
{
    test::property([] {
        const Polyline line = flatten(randomArcs());
        for (size_t i = 1; i < line.size(); ++i) RC_ASSERT(line[i].x() >= line[i - 1].x() - 1e-9);
    });
    // A quarter circle swells as far as it may, no further (plane geometry): from (0, 0) to (50, 50), square to the
    // axis at its foot or at its rim.
    for (const double bulge : {0.42, 0.9, 1.0}) {
        const Polyline line = flatten({{0, 0, Span::Arc, bulge, false, {}}, {50, 50, Span::Line, 0, false, {}}});
        for (const Point& p : line) EXPECT_NEAR(std::hypot(p.x() - 50, p.y()), 50, 0.02) << "bulge " << bulge;
    }
    // A half circle about the axis is allowed whole: its ends stand square to the axis.
    const Polyline half = flatten({{0, 0, Span::Arc, 1, false, {}}, {80, 0, Span::Line, 0, false, {}}});
    EXPECT_NEAR(radiusRange(half, 0, 80).high, 40, 0.011) << "as close as it is flattened";
}

TEST(Arcs, InPartsAreTheWhole)
{
    test::property([] {
        const Polyline line = flatten(randomArcs());
        const double end = line.back().x(), cut = end * test::inRange(0, 1001) / 1000.0;
        const Revolved low = revolved(clipped(line, 0, cut)), high = revolved(clipped(line, cut, end)),
                       whole = revolved(line);
        RC_ASSERT(std::abs(low.volume + high.volume - whole.volume) <= 1e-7 * std::max(1.0, whole.volume));
        RC_ASSERT(low.volume >= -1e-9 && high.volume >= -1e-9);
    });
}

TEST(Arcs, InsertedNodesKeepTheirCircle)
{
    test::property([] {
        Outline o{{0, test::inRange(0, 800) / 10.0, Span::Arc, test::inRange(0, 101) / 100.0, false, {}},
                  {100, test::inRange(0, 800) / 10.0, Span::Line, 0, false, {}}};
        const Polyline before = flatten(o);
        insertNode(o, test::inRange(5, 96));
        RC_ASSERT(o.size() == 3u);
        for (const Point& p : flatten(o)) RC_ASSERT(distanceTo(before, p) < 0.05);
    });
}

TEST(Arcs, AreBentThroughAPlaceAndBackToTheirMiddle)
{
    test::property([] {
        const auto number = [](int low, int high) { return test::inRange(low, high) / 10.0; };
        Node a{0, number(100, 800), Span::Arc, number(-9, 10), false, {}};
        const Node b{number(10, 1000), number(100, 800), Span::Line, 0, false, {}};
        const Point from(a.z, a.r), to(b.z, b.r), middle = middleOfArc(a, b);
        // Its middle is as far from both ends, and its sagitta is the bulge's share of half the chord.
        RC_ASSERT(std::abs((middle - from).norm() - (middle - to).norm()) < 1e-9);
        RC_ASSERT(std::abs((middle - (from + to) / 2).norm() - std::abs(a.bulge) * (to - from).norm() / 2) < 1e-9);
        RC_ASSERT(std::abs(bulgeThrough(a, b, middle) - a.bulge) < 1e-9);
        // Dragged along the chord it stays; beyond a half circle it is held there.
        RC_ASSERT(std::abs(bulgeThrough(a, b, middle + 0.2 * (to - from)) - a.bulge) < 1e-9);
        RC_ASSERT(std::abs(bulgeThrough(a, b, (from + to) / 2 + 1000 * (middle - (from + to) / 2))) <= 1);
        // What may swell so far passes through it.
        const Polyline line = flatten({a, b});
        const double lean = std::atan2(std::abs(b.r - a.r), b.z);
        if (2 * std::atan(std::abs(a.bulge)) <= pi / 2 - lean) RC_ASSERT(distanceTo(line, middle) < 0.02);
    });
    const Node one{10, 20, Span::Arc, 0.5, false, {}};
    EXPECT_EQ(bulgeThrough(one, one, {3, 4}), 0) << "two nodes in one place";
}
