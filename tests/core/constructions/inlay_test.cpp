// Inside-out turnings, split outlines, rods, pieces round a rim, drying and the chance that a ring closes: against
// sampled points, closed forms and Boost.Math.
#include "core/blank/cell.h"
#include "core/geometry/inside_out.h"
#include "core/geometry/profile.h"
#include "core/geometry/rim_groove.h"
#include "core/geometry/rods.h"
#include "core/geometry/split_outline.h"
#include "core/measure/input_error.h"
#include "core/plan/learning/error_budget.h"
#include "core/wood/drying.h"
#include "tests/support/property.h"

#include <Eigen/Geometry>
#include <boost/math/distributions/normal.hpp>
#include <boost/math/quadrature/gauss_kronrod.hpp>

#include <cmath>
#include <random>

using namespace vl;

namespace {

double between(double low, double high) { return low + (high - low) * (test::inRange(0, 100001)) / 100000.0; }

}  // namespace

TEST(InsideOut, ItsWindowIsTheNearestOfItsPoints)
{
    test::property([] {
        InsideOut part{between(10, 60), 0, 0};
        const double far = part.square * std::sqrt(2.0);
        part.turned = between(0.2, 1) * far;
        // So that wood is left on the diagonal.
        part.outside = between(1.06 - part.turned / far, 1) * far;
        checkInsideOut(part);
        // Every place of a part's wood, on a fine grid: reversed about its middle, its far corner lies at the axis.
        const int steps = 600;
        double nearest = part.square;
        for (int i = 0; i <= steps; ++i)
            for (int k = 0; k <= steps; ++k) {
                const double x = part.square * i / steps, y = part.square * k / steps;
                if (x >= nearest || std::hypot(part.square - x, part.square - y) > part.turned ||
                    std::hypot(x, y) > part.outside)
                    continue;
                nearest = x;
            }
        const double grid = 2 * part.square / steps;
        // A point of the lens may lie between two lines of the grid where it is sharp.
        RC_ASSERT(part.windowWidth() <= 2 * nearest + 1e-9);
        RC_ASSERT(2 * nearest - part.windowWidth() < 12 * grid);
        // On the diagonal wood runs from where the first turning begins to the second.
        RC_ASSERT(std::abs(part.diagonal() - (part.outside - (far - part.turned))) < 1e-9);
    });
}

TEST(SplitOutline, ComesToItselfUnderAFold)
{
    for (int fold = 3; fold <= 12; ++fold) {
        const SplitOutline o{fold, 80, 6};
        checkSplitOutline(o);
        // An arc's middle is a corner of the polygon; its end is the end of the flat on the side beside it.
        const double half = pi / fold;
        const Eigen::Vector2d corner = Eigen::Vector2d(std::cos(half), std::sin(half)) * (o.size / 2 / std::cos(half)),
                              end(o.size / 2, o.band / 2);
        EXPECT_NEAR((corner - end).norm(), o.radius(), 1e-9) << fold;
    }
    EXPECT_THROW(checkSplitOutline({2, 80, 6}), InputError);
    EXPECT_EQ((SplitOutline{4, 80, 6}.mismatch(79)), 0.5);
}

TEST(RimPieces, AndTheirGapsCloseTheCircle)
{
    test::property([] {
        const double diameter = between(60, 300);
        std::vector<double> widths;
        for (int n = test::inRange(1, 30); n > 0; --n) widths.push_back(between(1, 12));
        const RimPieces p = rimPieces(diameter, widths);
        double turn = 0;
        for (const double w : widths) turn += 2 * std::asin(w / diameter) + 2 * std::asin(p.gap / diameter);
        // One piece alone may have a gap of more than half the circle, whose chord says less.
        if (widths.size() > 1) RC_ASSERT(std::abs(turn - 2 * pi) < 1e-9);
        RC_ASSERT(p.fits == (p.gap >= -1e-9));
    });
}

TEST(Rods, LeaveWhatTwoCrossedCylindersHaveInCommon)
{
    // A rod square through the axis keeps of its length what the finished cylinder has: 8∫√(R² − x²)·√(r² − x²) dx.
    constexpr double r = 4, R = 13, width = 30;
    const RodBlank blank{150, width, 0, 2 * R};
    const double common =
        8 * boost::math::quadrature::gauss_kronrod<double, 61>::integrate(
                [&](double x) { return std::sqrt(R * R - x * x) * std::sqrt(r * r - x * x); }, 0.0, r, 12, 1e-10);
    EXPECT_NEAR(survives(blank, {2 * r, 60, 90, 0, 0}), common / (pi * r * r * width), 1e-3);
}

TEST(Rods, AgreeWithSampledPoints)
{
    test::property([] {
        const RodBlank blank{between(60, 200), between(20, 60), between(0, 10), 0};
        RodBlank b = blank;
        b.finished = between(b.bore + 2, b.width);
        std::vector<Rod> rods;
        for (int k = 0; k < 2; ++k)
            rods.push_back({between(2, 8), between(0.3, 0.7) * b.length, between(40, 140), between(0, 360),
                            between(-0.3, 0.3) * b.width});
        checkRods(b, rods);
        const auto apart = [&](const Rod& rod, const Eigen::Vector3d& p) {
            const Eigen::Vector3d at = Eigen::Vector3d::UnitX() * rod.at + onwards(rod.turn) * rod.offset,
                                  way = Eigen::Vector3d::UnitX() * std::cos(rod.angle * degrees) +
                                        outwards(rod.turn) * std::sin(rod.angle * degrees);
            return (p - at).cross(way).norm() - rod.diameter / 2;
        };
        const bool crossed = !crossings(b, rods).empty();
        std::mt19937 dice(7);
        std::uniform_real_distribution<double> x(0, b.length), y(-b.width / 2, b.width / 2);
        int in = 0, kept = 0;
        bool both = false, inBore = false;
        for (int k = 0; k < 40000; ++k) {
            const Eigen::Vector3d p(x(dice), y(dice), y(dice));
            const double r = p.tail<2>().norm();
            if (apart(rods[0], p) >= 0) continue;
            ++in;
            kept += r < b.finished / 2 && r > b.bore / 2;
            both = both || apart(rods[1], p) < -0.05;
            inBore = inBore || r < b.bore / 2 - 0.05;
        }
        if (both) RC_ASSERT(crossed);
        if (inBore) RC_ASSERT(breaksBore(b, rods[0]));
        if (in > 300) {
            // Within four deviations of so many throws.
            const double share = survives(b, rods[0]);
            RC_ASSERT(std::abs(share - 1.0 * kept / in) < 4 * std::sqrt(0.25 / in) + 0.002);
        }
    });
}

TEST(Rods, TwoStretchesAreAsFarApartAsTheirNearestPoints)
{
    test::property([] {
        std::array<Eigen::Vector3d, 4> p;
        for (Eigen::Vector3d& one : p) one = {between(-50, 50), between(-50, 50), between(-50, 50)};
        const double found = distanceBetween(p[0], p[1], p[2], p[3]);
        double least = 1e9;
        constexpr int steps = 120;
        for (int i = 0; i <= steps; ++i)
            for (int k = 0; k <= steps; ++k)
                least = std::min(least, (p[0] + (p[1] - p[0]) * i / steps - p[2] - (p[3] - p[2]) * k / steps).norm());
        const double grid = ((p[1] - p[0]).norm() + (p[3] - p[2]).norm()) / steps;
        RC_ASSERT(found <= least + 1e-9 && least - found <= grid);
    });
}

TEST(ErrorBudget, ARingClosesAsOftenAsBoostSaysAndAsDiceDo)
{
    std::mt19937 dice(11);
    for (const int sides : {6, 12, 24}) {
        const double sd = 0.05, outer = 200, gap = 0.1;
        const double spread = sd * degrees * std::sqrt(2.0 * sides) * outer / 2;
        const boost::math::normal gaps(0, spread);
        EXPECT_NEAR(ringOdds(sides, sd, outer, gap), cdf(gaps, gap) - cdf(gaps, -gap), 1e-12);
        std::normal_distribution<double> error(0, sd * degrees);
        int closed = 0;
        constexpr int rings = 20000;
        for (int k = 0; k < rings; ++k) {
            double sum = 0;
            for (int m = 0; m < 2 * sides; ++m) sum += error(dice);
            closed += std::abs(sum * outer / 2) <= gap;
        }
        EXPECT_NEAR(1.0 * closed / rings, ringOdds(sides, sd, outer, gap), 0.015) << sides;
    }
    EXPECT_EQ(ringOdds(12, 0, 200, 0.1), 1);
}

TEST(Drying, FollowsItsExponential)
{
    test::property([] {
        const double start = between(20, 80), end = between(4, 12), rate = between(0.005, 0.3), days = between(1, 60);
        const auto at = [&](double t) { return end + (start - end) * std::exp(-rate * t); };
        const double more = between(0, 60), target = at(days + more);
        RC_PRE(at(days) - end > 0.01 && target - end > 0.001);
        RC_ASSERT(std::abs(daysToTarget(start, end, at(days), days, target) - more) < 1e-4 * (1 + more + days));
        RC_ASSERT(daysToTarget(start, end, at(days), days, start) == 0);
    });
    EXPECT_THROW(daysToTarget(60, 8, 20, 10, 7), InputError);
    EXPECT_THROW(daysToTarget(60, 8, 65, 10, 12), InputError);
}
