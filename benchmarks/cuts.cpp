// What saw and drill ask of a drag: the plan beside that of the same piece uncut, and the solid as it is made beside.
#include "core/picture/mesh.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <benchmark/benchmark.h>

using namespace vl;

namespace {

constexpr const char* samples[] = {"gull-dish", "pilot-box", "keel-stand"};

/// A second argument of 1 leaves the cuts out.
void planOfCutWork(benchmark::State& state)
{
    Piece piece = test::demo(samples[state.range(0)]);
    const Shop shop = test::harbourShop();
    if (state.range(1)) piece.sawn.clear();
    for (auto _ : state) benchmark::DoNotOptimize(makePlan(piece, shop).cautions.size());
}
BENCHMARK(planOfCutWork)->ArgsProduct({{0, 1, 2}, {0, 1}})->Unit(benchmark::kMillisecond);

/// By hundredths of a millimeter.
void solidOfCutWork(benchmark::State& state)
{
    const Plan plan = makePlan(test::demo(samples[state.range(0)]), test::harbourShop());
    const MeshDetail detail{static_cast<double>(state.range(1)) / 100, false};
    for (auto _ : state) benchmark::DoNotOptimize(turnedMesh(plan.assembly, plan.surfaces, detail).indices.size());
}
BENCHMARK(solidOfCutWork)->ArgsProduct({{0, 1, 2}, {5, 25}})->Unit(benchmark::kMillisecond);

}  // namespace
