// The error budget: dice against closed forms and Boost.Math's quantiles.
#include "core/plan/learning/as_built.h"
#include "core/plan/learning/error_budget.h"
#include "core/plan/learning/error_run.h"
#include "tests/support/plain_piece.h"
#include "tests/support/samples.h"

#include <boost/math/distributions/normal.hpp>
#include <boost/math/distributions/rayleigh.hpp>
#include <gtest/gtest.h>

#include <cmath>
#include <random>

using namespace vl;

namespace {

constexpr Accuracy none{.angle = 0, .stop = 0, .planing = 0, .centering = 0};

}  // namespace

TEST(ErrorRun, ARingClosesAsTheClosedFormSays)
{
    for (const int n : {8, 12, 24}) {
        const Plan plan = makePlan(test::ringCone(80, 80, 60, 3, n), Shop{});
        Accuracy a = none;
        a.angle = 0.03;
        const double outer = plan.assembly.layers[1].stockOuterRadius();
        const ErrorBudget miters = errorBudget(plan, a);
        EXPECT_NEAR(miters.layers[1].closes, ringOdds(n, a.angle, 2 * outer, closesWithin), 0.03) << n;
        EXPECT_NEAR(miters.layers[1].gap, a.angle * degrees * std::sqrt(2.0 * n) * outer, 0.05 * miters.layers[1].gap);
        // n equal errors along the sides of a polygon: half of each of their squares lies along the last joint's.
        Accuracy s = none;
        s.stop = 0.05;
        EXPECT_NEAR(errorBudget(plan, s).layers[1].gap, s.stop * std::sqrt(n / 2.0), 0.05 * s.stop * std::sqrt(n));
    }
}

TEST(ErrorRun, NinetyNineInAHundredNeedWhatBoostSays)
{
    // Off center in two directions alike: Rayleigh's distribution.
    const Plan cylinder = makePlan(test::ringCone(80, 80, 100, 5, 12), Shop{});
    Accuracy a = none;
    a.centering = 0.4;
    const ErrorBudget aside = errorBudget(cylinder, a, 20000);
    EXPECT_NEAR(aside.layers[2].needed, quantile(boost::math::rayleigh(a.centering), 0.99),
                4 * aside.layers[2].neededSpread);
    EXPECT_EQ(aside.layers[2].most, ErrorFrom::Centering);
    EXPECT_EQ(aside.layers[0].needed, 0) << "the first is where the axis is";
    // Heights add up below a cone: its widest place in the third layer stands where three errors have moved it.
    const Plan cone = makePlan(test::ringCone(50, 100, 100, 5, 12), Shop{});
    Accuracy h = none;
    h.planing = 0.3;
    const ErrorBudget up = errorBudget(cone, h, 20000);
    const boost::math::normal moved(0, h.planing * std::sqrt(3.0) * 0.5);
    EXPECT_NEAR(up.layers[2].needed, quantile(moved, 0.99), 4 * up.layers[2].neededSpread + 1e-3);
    EXPECT_EQ(up.layers[2].most, ErrorFrom::Planing);
    EXPECT_NEAR(up.height, h.planing * std::sqrt(5.0), 0.02 * h.planing * std::sqrt(5.0));
    // A length that is off makes the ring larger or smaller: the mean of n, at the inradius of n sides.
    Accuracy s = none;
    s.stop = 0.5;
    const boost::math::normal smaller(0, s.stop / std::sqrt(12.0) / (2 * std::tan(pi / 12)));
    EXPECT_NEAR(errorBudget(cylinder, s, 20000).layers[2].needed, quantile(smaller, 0.99), 0.05);
}

TEST(ErrorRun, IsAlwaysTheSameAndItsAllowancesHold)
{
    Shop shop = test::harbourShop();
    shop.accuracy = {.angle = 0.08, .stop = 0.2, .planing = 0.3, .centering = 0.6};
    const Piece cup = test::regattaCup();
    const Plan plan = makePlan(cup, shop);
    const ErrorBudget first = errorBudget(plan, shop.accuracy), again = errorBudget(plan, shop.accuracy);
    ASSERT_EQ(first.layers.size(), cup.layers.size());
    EXPECT_EQ(first.allHold, again.allHold);
    for (size_t i = 0; i < first.layers.size(); ++i) EXPECT_EQ(first.layers[i].needed, again.layers[i].needed);
    const Piece wide = withNeededAllowance(cup, first);
    const ErrorBudget held = errorBudget(makePlan(wide, shop), shop.accuracy);
    for (const LayerOdds& o : held.layers)
        if (o.ring) EXPECT_GE(o.holds, 0.985) << o.layer;
    // With nothing off, everything closes and holds; what turning clean takes is given all the same.
    const ErrorBudget exact = errorBudget(plan, none);
    const Piece least = withNeededAllowance(cup, exact);
    for (const LayerOdds& o : exact.layers) {
        if (o.ring) EXPECT_GE(least.layers[static_cast<size_t>(o.layer)].outerAllowance, cleanUp);
    }
    EXPECT_EQ(exact.allHold, 1);
    for (const LayerOdds& o : exact.layers) EXPECT_EQ(o.closes, 1);
}

TEST(ErrorRun, LearnsWhatAShopThatIsKnownWorksBy)
{
    // A simulated shop: rings of every size glued with a scatter that is known; each number is learned back.
    const Accuracy real{.angle = 0.08, .stop = 0.15, .planing = 0.2, .centering = 0.4};
    std::mt19937_64 bits(11);
    std::normal_distribution<double> normal;
    std::vector<Deviation> all;
    constexpr double degree = 3.14159265358979 / 180;
    for (int k = 0; k < 4000; ++k) {
        const int n = 6 + k % 20;
        const double radius = 40 + k % 70;
        double angles = 0, lengths = 0, mean = 0;
        for (int i = 0; i < 2 * n; ++i) angles += real.angle * degree * normal(bits);
        // Lengths close as the sides of a polygon do: each with its own direction.
        double x = 0, y = 0;
        for (int i = 0; i < n; ++i) {
            const double off = real.stop * normal(bits), a = 2 * 3.14159265358979 * i / n;
            x += off * std::cos(a);
            y += off * std::sin(a);
            mean += off / n;
        }
        lengths = x;
        all.push_back(
            {.what = Measured::Gap, .measured = std::abs(radius * angles + lengths), .sides = n, .radius = radius});
        all.push_back({.what = Measured::Outside,
                       .planned = 2 * radius,
                       .measured = 2 * (radius + mean / (2 * std::tan(3.14159265358979 / n))),
                       .sides = n,
                       .radius = radius});
        all.push_back({.what = Measured::Height, .planned = 20, .measured = 20 + real.planing * normal(bits)});
        all.push_back({.what = Measured::Aside,
                       .measured = std::hypot(real.centering * normal(bits), real.centering * normal(bits))});
    }
    const Learned l = learnedAccuracy(all);
    EXPECT_NEAR(l.angle, real.angle, 0.1 * real.angle);
    EXPECT_NEAR(l.stop, real.stop, 0.1 * real.stop);
    EXPECT_NEAR(l.planing, real.planing, 0.1 * real.planing);
    EXPECT_NEAR(l.centering, real.centering, 0.1 * real.centering);
    EXPECT_NE(l.in(Accuracy{}), Accuracy{});
    // Two measures of a kind say nothing; what is not known stays as it was.
    all.resize(8);
    EXPECT_FALSE(learnedAccuracy(all).any());
    EXPECT_EQ(learnedAccuracy(all).in(real), real);
}

TEST(ErrorRun, LearnsFromThePieceAndTheLog)
{
    Piece p = test::ringCone(60, 60, 100, 5, 12);
    const Plan plan = makePlan(p, Shop{});
    for (const auto& [i, off] : {std::pair(0, 0.1), {1, -0.1}})
        p = withMeasured(
            std::move(p), plan,
            {p.layers[static_cast<size_t>(i)].id, Measured::Height, p.layers[static_cast<size_t>(i)].thickness + off});
    Shop shop;
    EXPECT_TRUE(std::isnan(learnedAccuracy(deviationsKnown(p, plan, shop)).planing));
    Logged other;
    other.piece = "another";
    other.deviations = {{.what = Measured::Height, .planned = 20, .measured = 20.1},
                        {.what = Measured::Height, .planned = 20, .measured = 19.9}};
    shop.log = {other};
    EXPECT_NEAR(learnedAccuracy(deviationsKnown(p, plan, shop)).planing, std::sqrt(4 * 0.01 / 3), 1e-9);
    p.id = shop.log[0].piece;
    EXPECT_TRUE(std::isnan(learnedAccuracy(deviationsKnown(p, plan, shop)).planing))
        << "its own entry is not counted twice";
}
