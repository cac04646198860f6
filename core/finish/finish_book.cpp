#include "core/finish/finish_book.h"

#include "core/words/finish.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {
namespace {

using L = FinishLayer;
constexpr double hour = 60, overnight = 12 * hour;

std::array<FinishSchedule, 10> book()
{
    const L oil{.name = "oil-varnish, a heavy first coat",
                .waitMinutes = overnight,
                .gramsPerM2 = 90,
                .between = &words::wipeOff},
        oilAgain{
            .name = "oil-varnish", .coats = 3, .waitMinutes = 6 * hour, .gramsPerM2 = 45, .between = &words::wipeOff};
    const L shellacSealer{.kind = L::Sealer,
                          .name = "thin shellac as a sealer",
                          .waitMinutes = 45,
                          .gramsPerM2 = 40,
                          .between = &words::cutBackWool};
    const L wax{.kind = L::Wax, .name = "paste wax", .waitMinutes = 30, .gramsPerM2 = 15, .rpm = 600};
    return {
        FinishSchedule{},
        FinishSchedule{.layers = {oil, oilAgain}, .lastGrit = 400, .food = true, .spontaneous = true, .fumes = true},
        FinishSchedule{.layers = {shellacSealer,
                                  {.name = "varnish thinned by half, wiped",
                                   .coats = 4,
                                   .waitMinutes = 8 * hour,
                                   .gramsPerM2 = 35,
                                   .between = &words::scuff}},
                       .lastGrit = 320,
                       .spontaneous = true,
                       .fumes = true},
        FinishSchedule{.layers = {shellacSealer,
                                  {.name = "varnish, brushed",
                                   .coats = 3,
                                   .waitMinutes = 24 * hour,
                                   .gramsPerM2 = 90,
                                   .between = &words::scuff}},
                       .lastGrit = 280,
                       .fumes = true},
        FinishSchedule{.layers = {shellacSealer,
                                  {.kind = L::Polish,
                                   .name = "friction polish",
                                   .coats = 3,
                                   .waitMinutes = 5,
                                   .gramsPerM2 = 15,
                                   .between = &words::noneBetween,
                                   .buffRpm = 3000,
                                   .rpm = 100}},
                       .lastGrit = 600,
                       .fumes = true},
        FinishSchedule{.layers = {{.kind = L::Sealer,
                                   .name = "sanding sealer",
                                   .waitMinutes = 45,
                                   .gramsPerM2 = 70,
                                   .between = &words::scuff},
                                  {.name = "lacquer, sprayed",
                                   .coats = 4,
                                   .waitMinutes = 45,
                                   .gramsPerM2 = 80,
                                   .between = &words::noneBetween}},
                       .lastGrit = 320,
                       .fumes = true},
        FinishSchedule{.layers = {{.name = "two-part oil",
                                   .waitMinutes = 24 * hour,
                                   .gramsPerM2 = 20,
                                   .between = &words::wipeOff,
                                   .partsA = 3,
                                   .partsB = 1,
                                   .potMinutes = 30}},
                       .lastGrit = 180,
                       .food = true,
                       .spontaneous = true},
        FinishSchedule{.layers = {shellacSealer, wax}, .lastGrit = 600},
        FinishSchedule{.layers = {{.kind = L::Sealer,
                                   .name = "water-based sealer",
                                   .coats = 3,
                                   .waitMinutes = 2 * hour,
                                   .gramsPerM2 = 60,
                                   .between = &words::cutBackWool},
                                  {.name = "water-based finish, thin",
                                   .coats = 3,
                                   .waitMinutes = 3 * hour,
                                   .gramsPerM2 = 45,
                                   .between = &words::cutBackWool},
                                  {.kind = L::Polish,
                                   .name = "polish, once it has hardened for a day",
                                   .waitMinutes = 20 * hour,
                                   .gramsPerM2 = 5,
                                   .rpm = 800}},
                       .lastGrit = 400,
                       .raisesGrain = true},
        FinishSchedule{
            .layers = {{.kind = L::Sealer,
                        .name = "thin CA",
                        .coats = 5,
                        .waitMinutes = 4,
                        .gramsPerM2 = 20,
                        .between = &words::capillary,
                        .rpm = 300},
                       {.name = "medium CA",
                        .coats = 4,
                        .waitMinutes = 4,
                        .gramsPerM2 = 30,
                        .between = &words::capillary,
                        .rpm = 300},
                       {.kind = L::Polish, .name = "polish", .waitMinutes = hour, .gramsPerM2 = 3, .rpm = 800}},
            .lastGrit = 600,
            .fumes = true}};
}

constexpr std::array usual{80, 120, 150, 180, 220, 280, 320, 400, 600, 800, 1000};

/// Area that a line sweeps as it turns about the axis (Pappus: 2π · length · radius of its middle).
double swept(const Polyline& line)
{
    double area = 0;
    for (size_t i = 1; i < line.size(); ++i)
        area += pi * (line[i].y() + line[i - 1].y()) * (line[i] - line[i - 1]).norm();
    return area;
}

}  // namespace

const FinishSchedule& scheduleOf(FinishSchool school)
{
    static const std::array<FinishSchedule, 10> all = book();
    return all[static_cast<size_t>(school)];
}

std::vector<int> gritsFrom(int first, int last)
{
    std::vector<int> row;
    for (const int g : usual)
        if (g >= first && g <= last) row.push_back(g);
    if (row.empty()) row.push_back(first);
    return row;
}

FinishArea finishArea(const Polyline& outside, const Polyline& inside)
{
    FinishArea a{.outside = swept(outside), .inside = swept(inside)};
    if (outside.empty()) return a;
    // Foot and rim, where no hollow opens them.
    const auto disc = [](double r) { return pi * r * r; };
    a.outside += disc(outside.front().y()) + disc(outside.back().y());
    if (!inside.empty()) {
        a.outside -= disc(inside.back().y());
        if (std::abs(inside.front().x() - outside.front().x()) < 1e-6) a.outside -= disc(inside.front().y());
    }
    a.outside = std::max(0.0, a.outside);
    return a;
}

FinishSum sumOf(const FinishSchedule& schedule, double areaMm2)
{
    FinishSum sum;
    for (const FinishLayer& l : schedule.layers) {
        sum.grams += coatMass(l, areaMm2).all * l.coats;
        sum.minutes += l.waitMinutes * l.coats;
    }
    return sum;
}

CoatMass coatMass(const FinishLayer& layer, double areaMm2)
{
    constexpr double spare = 1.125, perM2 = 1e-6;
    CoatMass m{.all = areaMm2 * perM2 * layer.gramsPerM2 * spare};
    if (const double parts = layer.partsA + layer.partsB; parts > 0) {
        m.a = m.all * layer.partsA / parts;
        m.b = m.all * layer.partsB / parts;
    }
    return m;
}

}  // namespace vl
