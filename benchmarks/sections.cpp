// Cross-sections of a piece on twelve set-ups beside CGAL's booleans on the same discs, and what a drag of a center
// asks.
#include "core/blank/stock.h"
#include "core/picture/work_state.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "core/workpiece/cross_section.h"
#include "core/workpiece/run.h"
#include "tests/support/samples.h"

#include <CGAL/Boolean_set_operations_2.h>
#include <CGAL/Exact_predicates_exact_constructions_kernel.h>
#include <CGAL/Polygon_set_2.h>
#include <benchmark/benchmark.h>

#include <cmath>

using namespace vl;

namespace {

constexpr int sections = 200, setUps = 12;
constexpr double tolerance = 0.02, length = 300;

TurnedSurfaces twelveSetUps()
{
    TurnedSurfaces surfaces{.outside = {{0, 40}, {length, 40}}, .inside = {}, .axes = {}, .edges = {}};
    for (int k = 0; k < setUps; ++k)
        surfaces.axes.push_back(TurnedAbout::throughCenters(polar(6, 30.0 * k), polar(6, 30.0 * k), length,
                                                            {{0, 43}, {length / 2, 42}, {length, 43}}));
    return surfaces;
}

void exactSections(benchmark::State& state)
{
    const TurnedSurfaces surfaces = twelveSetUps();
    for (auto _ : state)
        for (int k = 0; k < sections; ++k)
            benchmark::DoNotOptimize(CrossSection(surfaces, (k + 0.5) * length / sections).outline(tolerance));
}
BENCHMARK(exactSections)->Unit(benchmark::kMillisecond);

void sectionsByCgal(benchmark::State& state)
{
    using Kernel = CGAL::Exact_predicates_exact_constructions_kernel;
    const TurnedSurfaces surfaces = twelveSetUps();
    const auto disc = [](const Point& center, double r) {
        CGAL::Polygon_2<Kernel> polygon;
        const int n = static_cast<int>(std::ceil(pi / std::acos(1 - tolerance / r)));
        for (int k = 0; k < n; ++k) {
            const Point p = center + polar(r, 360.0 * k / n);
            polygon.push_back({p.x(), p.y()});
        }
        return polygon;
    };
    for (auto _ : state)
        for (int k = 0; k < sections; ++k) {
            const double z = (k + 0.5) * length / sections;
            CGAL::Polygon_set_2<Kernel> left(disc({0, 0}, radiusAt(surfaces.outside, z)));
            for (const TurnedAbout& axis : surfaces.axes) left.intersection(disc(axis.centerAt(z), axis.radiusNear(z)));
            benchmark::DoNotOptimize(left.number_of_polygons_with_holes());
        }
}
BENCHMARK(sectionsByCgal)->Unit(benchmark::kMillisecond)->Iterations(1);

/// What a drag of a center by a step asks: the plan, and the mesh as it is drawn in a drag.
void dragOfACenter(benchmark::State& state)
{
    Piece piece = test::demo("oar-grip");
    const Shop shop = test::harbourShop();
    int k = 0;
    for (auto _ : state) {
        piece.axes[0].headOffset = 5 + (++k % 2) * 0.5;
        const Plan plan = makePlan(piece, shop);
        benchmark::DoNotOptimize(turnedMesh(plan.assembly, plan.surfaces, {0.25, false}));
    }
}
BENCHMARK(dragOfACenter)->Unit(benchmark::kMillisecond);

/// Every picture of the regatta cup's film.
void filmOfTheCup(benchmark::State& state)
{
    const Piece piece = test::demo("regatta-cup");
    const Plan plan = makePlan(piece, test::harbourShop());
    for (auto _ : state)
        for (size_t k = 1; k <= plan.schedule.order.size(); ++k)
            benchmark::DoNotOptimize(bodiesMesh(piece, plan.assembly, plan.surfaces,
                                                bodiesAfter(plan.assembly, plan.schedule.order, k), {0.05, false}));
    state.counters["steps"] = static_cast<double>(plan.schedule.order.size());
}
BENCHMARK(filmOfTheCup)->Unit(benchmark::kMillisecond)->Iterations(2);

/// The cup's recipe carried out, and its laws checked.
void runOfTheCup(benchmark::State& state)
{
    const Plan plan = makePlan(test::demo("regatta-cup"), test::harbourShop());
    const Stock stock = stockOf(plan.assembly);
    for (auto _ : state) {
        Workpiece workpiece(stock);
        for (const size_t i : plan.schedule.order) workpiece.carryOut(plan.assembly.recipe[i]);
        benchmark::DoNotOptimize(workpiece.bodies().size());
    }
    state.counters["steps"] = static_cast<double>(plan.schedule.order.size());
}
BENCHMARK(runOfTheCup)->Unit(benchmark::kMicrosecond);

}  // namespace
