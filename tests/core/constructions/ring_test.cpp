// Ring geometry against CHECKS.md (plane geometry of the regular polygon) and against exact polygons of CGAL.
#include "core/blank/assembly.h"
#include "core/geometry/regular_ring.h"
#include "core/measure/input_error.h"
#include "tests/support/samples.h"

#include <CGAL/Boolean_set_operations_2.h>
#include <CGAL/Exact_predicates_exact_constructions_kernel.h>

#include <gtest/gtest.h>

#include <cmath>

using namespace vl;

struct RingRow {
    int n;
    double outer, inner, allowance, gap, miter, fence, outerEdge, innerEdge, width;
};

class RingFigures : public testing::TestWithParam<RingRow> {};

TEST_P(RingFigures, MatchTheCheckValues)
{
    const RingRow& row = GetParam();
    const RegularRing ring{row.n, row.outer, row.inner, row.allowance, row.gap};
    checkRing(ring);
    EXPECT_NEAR(ring.miterDeg(), row.miter, 1e-9);
    EXPECT_NEAR(ring.fenceDeg(), row.fence, 1e-9);
    EXPECT_NEAR(ring.outerEdge(), row.outerEdge, 5e-5);
    EXPECT_NEAR(ring.innerEdge(), row.innerEdge, 5e-5);
    EXPECT_NEAR(ring.boardWidth(), row.width, 5e-5);
}

// Source: plane geometry of the regular polygon. The last row's fence: common practice, eighteen segments at 80°.
INSTANTIATE_TEST_SUITE_P(Checks, RingFigures,
                         testing::Values(RingRow{12, 200, 160, 0, 0, 15, 75, 53.5898, 41.4110, 22.7259},
                                         RingRow{24, 300, 260, 2, 0, 7.5, 82.5, 40.0224, 33.4147, 25.0951},
                                         RingRow{16, 250, 220, 1.5, 3, 11.25, 78.75, 47.2661, 39.2758, 20.0848}));

TEST(RingFigures, EighteenSegmentsAreCutAtEighty) { EXPECT_DOUBLE_EQ((RegularRing{18, 200, 180}.fenceDeg()), 80); }

TEST(RingFigures, RefuseWhatIsNoRing)
{
    for (const RegularRing& bad :
         {RegularRing{2, 200, 160}, RegularRing{12, 0, 0}, RegularRing{12, 200, 200}, RegularRing{12, 200, -1},
          RegularRing{12, 200, 160, -1}, RegularRing{12, 200, 160, 0, 60}, RegularRing{12, std::nan(""), 160}})
        EXPECT_THROW(checkRing(bad), InputError);
}

namespace {

using Kernel = CGAL::Exact_predicates_exact_constructions_kernel;
using Polygon = CGAL::Polygon_2<Kernel>;
using Holed = CGAL::Polygon_with_holes_2<Kernel>;

Polygon cgalSegment(const RegularRing& ring, int i, double phase)
{
    Polygon p;
    for (const Point& c : ring.segment(i, phase)) p.push_back(Kernel::Point_2(c.x(), c.y()));
    if (p.is_clockwise_oriented()) p.reverse_orientation();
    return p;
}

double area(const std::vector<Holed>& parts)
{
    double sum = 0;
    for (const Holed& h : parts) {
        sum += CGAL::to_double(h.outer_boundary().area());
        for (auto hole = h.holes_begin(); hole != h.holes_end(); ++hole) sum += CGAL::to_double(hole->area());
    }
    return sum;
}

Polygon circle(double r, bool around)
{
    // Vertices on the circle for what must be covered from inside, outside it for what must be covered whole.
    const int n = 720;
    Polygon p;
    for (int k = 0; k < n; ++k) {
        const double a = 2 * pi * k / n, s = around ? r / std::cos(pi / n) : r;
        p.push_back(Kernel::Point_2(s * std::cos(a), s * std::sin(a)));
    }
    return p;
}

}  // namespace

class RingPolygons : public testing::TestWithParam<int> {};

TEST_P(RingPolygons, SegmentsTouchDoNotOverlapAndCoverTheFinishedRing)
{
    const int n = GetParam();
    for (const double phase : {0.0, 180.0 / n, 37.123}) {
        // Finished 200 / 168, glued with 1.5 mm to spare on each radius.
        const RegularRing ring{n, 200, 168, 1.5, 0};
        std::vector<Polygon> segments;
        for (int i = 0; i < n; ++i) segments.push_back(cgalSegment(ring, i, phase));
        for (int i = 0; i < n; ++i) {
            std::vector<Holed> common;
            CGAL::intersection(segments[i], segments[(i + 1) % n], std::back_inserter(common));
            EXPECT_LT(area(common), 1e-8) << n << " segments overlap";
            // Touching: the joint's two ends are the same points.
            const auto a = ring.segment(i, phase), b = ring.segment(i + 1, phase);
            EXPECT_LT((a[2] - b[1]).norm() + (a[3] - b[0]).norm(), 1e-9);
            EXPECT_NEAR(CGAL::to_double(segments[i].area()), ring.segmentArea(), 1e-6);
        }
        // What of the finished ring no segment covers, each segment taken from its own sector.
        double missing = 0;
        std::vector<Holed> finished;
        CGAL::difference(circle(100, false), circle(84, true), std::back_inserter(finished));
        double covered = 0;
        for (const Polygon& s : segments)
            for (const Holed& f : finished) {
                std::vector<Holed> part;
                CGAL::intersection(f, s, std::back_inserter(part));
                covered += area(part);
            }
        missing = area(finished) - covered;
        EXPECT_NEAR(missing, 0, 1e-6) << n << " segments do not cover the ring";
    }
}

INSTANTIATE_TEST_SUITE_P(TurnedSurfaces, RingPolygons,
                         testing::Values(3, 4, 5, 6, 7, 8, 12, 17, 18, 24, 36, 48, 61, 96));

TEST(RingFigures, HoldForEveryNumberOfSides)
{
    for (int n = 3; n <= 96; ++n) {
        const RegularRing r{n, 240, 200, 1, 0};
        const auto c = r.segment(0);
        EXPECT_NEAR((c[1] - c[2]).norm(), r.outerEdge(), 1e-9);
        EXPECT_NEAR((c[0] - c[3]).norm(), r.innerEdge(), 1e-9);
        EXPECT_NEAR(c[1].y() - c[0].y(), r.boardWidth(), 1e-9);
        EXPECT_NEAR(c[0].norm(), r.innerCorner(), 1e-9);
        EXPECT_NEAR(std::atan2(c[1].x() - c[0].x(), c[1].y() - c[0].y()) / degrees, r.miterDeg(), 1e-9)
            << "each end is cut at the mitre";
    }
}

TEST(ClosingGap, OpensByTwoNTimesTheError)
{
    // Source: plane geometry; n segments of half angle π/n − δ leave 2·n·δ open.
    for (int n = 3; n <= 96; ++n)
        for (const double error : {-0.1, 0.05, 0.2}) {
            EXPECT_NEAR(closingGapDeg(n, error), 2 * n * error, 1e-12);
            // Open outside the ends stand apart about the center; else they meet at the rim and gape over the joint.
            const double outer = 200, wall = 20, gap = (error > 0 ? outer : 2 * wall) * std::sin(n * error * degrees);
            EXPECT_NEAR(fenceCorrectionDeg(n, gap, outer, wall), error, 1e-9) << "the correction takes the error out";
        }
}

TEST(BuiltRing, HoldsTheTurnedShapeWithItsAllowance)
{
    const Piece cup = test::regattaCup();
    const Plan plan = makePlan(cup, {});
    for (size_t i = 0; i < plan.assembly.layers.size(); ++i) {
        const BuiltLayer& l = plan.assembly.layers[i];
        for (double z = l.z0; z <= l.z1; z += 0.1) {
            const double r = radiusAt(plan.surfaces.outside, z);
            EXPECT_GE(l.stockOuterRadius() + 1e-9, r + cup.layers[i].outerAllowance) << "layer " << i << " at " << z;
            if (z > cup.hollow.floor && l.finishedInner.low > 0) {
                EXPECT_LE(l.stockInnerRadius(),
                          std::max(0.0, radiusRange(plan.surfaces.inside, z, z).low - cup.layers[i].innerAllowance) +
                              1e-9);
            }
        }
    }
}

TEST(BuiltRing, SegmentAtFindsTheSegmentWhosePolygonHoldsThePoint)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    for (const BuiltLayer& l : plan.assembly.layers) {
        if (!l.segmented || !l.radial()) continue;
        for (int k = 0; k < l.count(); ++k) {
            Point middle(0, 0);
            for (const Point& c : l.stock.segment(k, l.phaseDeg)) middle += c / 4;
            EXPECT_EQ(l.sectorAt(std::atan2(-middle.x(), middle.y()) / degrees), static_cast<size_t>(k));
        }
    }
}
