// Forecasts from readings, and how a piece moves.
#include "core/plan/figures/moisture_book.h"
#include "core/plan/figures/movement.h"
#include "core/wood/moisture.h"

#include <cmath>
#include <random>

using namespace vl;

TEST(Moisture, AForecastHoldsNineTimesInTen)
{
    // Synthetic drying with noise (first order, common practice): where the true day lies in its spread.
    std::mt19937 random(20);
    std::normal_distribution<double> noise(0, 0.03);  // of ln(M − E)
    int held = 0, all = 0;
    for (int run = 0; run < 400; ++run) {
        const double k = std::uniform_real_distribution(0.02, 0.12)(random), start = 24, day = 1440;
        Reading room;
        room.of = "bowl";
        const double e = roomMoisture(room), target = 10.5;
        ASSERT_LT(e, target);
        std::vector<Reading> readings;
        const int days = 14;
        for (int d = 0; d <= days; d += 2) {
            Reading r = room;
            r.at = d * day;
            r.percent = e + (start - e) * std::exp(-k * d + noise(random));
            readings.push_back(r);
        }
        const double truth = std::log((start - e) / (target - e)) / k - days;
        const DryingForecast f = dryingForecast(readings, "bowl", target);
        if (f.days < 0 || truth < 0.5) continue;
        ++all;
        held += f.early - 0.25 <= truth && truth <= f.late + 0.25;
        EXPECT_LE(f.early, f.days);
        EXPECT_GE(f.late, f.days);
    }
    ASSERT_GT(all, 200);
    EXPECT_GT(held / static_cast<double>(all), 0.87);
}

TEST(Moisture, WithoutNoiseItIsTheClosedForm)
{
    Reading r;
    r.of = "board";
    const double e = roomMoisture(r);
    EXPECT_NEAR(e, equilibriumMoisture(20, 50), 1e-12);
    std::vector<Reading> readings;
    for (const double d : {0.0, 5.0, 9.0}) {
        r.at = d * 1440;
        r.percent = e + 10 * std::exp(-0.08 * d);
        readings.push_back(r);
    }
    const DryingForecast f = dryingForecast(readings, "board", e + 1);
    EXPECT_NEAR(f.rate, 0.08, 1e-9);
    EXPECT_NEAR(f.days, std::log(10.0) / 0.08 - 9, 1e-6);
    EXPECT_LT(dryingForecast(readings, "board", e - 1).days, 0) << "never below what the room gives";
    EXPECT_LT(dryingForecast(readings, "nothing", e + 1).days, 0);
    // One reading says nothing; with its wood and thickness it does: an inch a year (common practice).
    std::vector<Reading> one{readings.front()};
    EXPECT_TRUE(dryingForecast(one, "board", e + 1).unknown);
    one.front().thickness = 25.4;
    one.front().percent = e + 20;
    const DryingForecast byWood = dryingForecast(one, "board", e + 1);
    EXPECT_TRUE(byWood.byWood && !byWood.unknown);
    EXPECT_NEAR(byWood.days, 365, 1e-6) << "a twentieth of what was wet is left";
    EXPECT_LT(byWood.early, byWood.days);
    EXPECT_GT(byWood.late, byWood.days);
    one.front().wood = "basswood";
    const double light = dryingForecast(one, "board", e + 1).days;
    one.front().coat = Coat::Bag;
    EXPECT_GT(dryingForecast(one, "board", e + 1).days, light) << "a bag keeps it longer";
}

TEST(Moisture, APieceMovesFromHereToWhereItWillLive)
{
    Shop shop;
    Reading here;
    here.celsius = 20;
    here.humidity = shop.dampHumidity;
    EXPECT_NEAR(toHome(shop, here).dampest, 0, 1e-12);
    EXPECT_NEAR(toHome(shop, here).driest, -1, 1e-12) << "all of the season, the other way";
    // By the Wood Handbook's formula: 20 °C and 50 % to 35 % and 65 %.
    here.humidity = 50;
    const double now = equilibriumMoisture(20, 50), season = equilibriumMoisture(20, 65) - equilibriumMoisture(20, 35);
    EXPECT_NEAR(toHome(shop, here).driest, (equilibriumMoisture(20, 35) - now) / season, 1e-12);
    EXPECT_NEAR(toHome(shop, here).dampest - toHome(shop, here).driest, 1, 1e-12);
    shop.dampHumidity = shop.dryHumidity;
    EXPECT_EQ(toHome(shop, here).driest, 0) << "where no season is, nothing moves";
}
