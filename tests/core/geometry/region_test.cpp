#include "core/geometry/region.h"

#include <gtest/gtest.h>

namespace vl {
namespace {

double firstMoment(const Region& r) { return r.revolved().momentZ; }

}  // namespace

// Volumes by the closed forms of any handbook of solids: cylinder, cone, sphere, torus (Pappus).
TEST(Region, WeighsWhatTurnsAboutTheAxis)
{
    const double tube = Region::box({10, 40}, {5, 8}).revolved().volume;
    EXPECT_NEAR(tube, pi * (64 - 25) * 30, 0.1);
    const Region cone = Region::under({{0, 0}, {30, 12}});
    EXPECT_NEAR(cone.revolved().volume, pi * 144 * 30 / 3, 0.1);
    // A cone's middle lies three quarters of its height from its point.
    EXPECT_NEAR(firstMoment(cone) / cone.revolved().volume, 22.5, 0.001);
    Polyline circle;
    for (int k = 0; k < 720; ++k)
        circle.emplace_back(50 + 10 * std::cos(k * degrees / 2), 40 + 10 * std::sin(k * degrees / 2));
    EXPECT_NEAR(Region({circle}).revolved().volume, 2 * pi * pi * 40 * 100, 2 * pi * pi * 40 * 100 * 2e-5);
}

TEST(Region, MayFallBack)
{
    // A post in a dish: two stretches of wood at one station.
    const Region dish = Region::box({0, 30}, {0, 60}) - Region::box({10, 30}, {12, 50});
    const auto there = dish.at(20);
    ASSERT_EQ(there.size(), 2u);
    EXPECT_NEAR(there[0].high, 12, 1e-4);
    EXPECT_NEAR(there[1].low, 50, 1e-4);
    // A loose ring on a stem: two bodies, and the axis between them is free where a hole is bored.
    const Region ring = dish - Region::box({0, 10}, {12, 50});
    EXPECT_EQ(ring.polygons().size(), 2u);
    EXPECT_TRUE(ring.at(-1).empty());
    EXPECT_NEAR((dish & Region::box({0, 10}, {0, 100})).area(), 600, 1e-3);
    EXPECT_TRUE((dish - dish).empty());
    EXPECT_NEAR((dish | Region::box({10, 30}, {12, 50})).area(), 1800, 1e-3);
}

TEST(Region, IsInsetFromItsBorderButNotFromTheAxis)
{
    const Region bar = Region::box({0, 100}, {0, 20}), core = bar.inset(3);
    EXPECT_NEAR(core.along().low, 3, 1e-3);
    EXPECT_NEAR(core.along().high, 97, 1e-3);
    EXPECT_NEAR(core.across().low, 0, 1e-3);
    EXPECT_NEAR(core.across().high, 17, 1e-3);
    const Region grown = bar.inset(-3);
    EXPECT_NEAR(grown.across().high, 23, 1e-3);
    EXPECT_NEAR(grown.across().low, 0, 1e-3);
    EXPECT_TRUE(Region::box({0, 4}, {10, 20}).inset(3).empty());
}

}  // namespace vl
