// Speed, read as ratios side by side: run `vivid-lathe-bench` in a release build.
#include "app/document/beside.h"
#include "app/window/main_window.h"
#include "core/picture/mesh.h"
#include "core/picture/skin.h"
#include "core/plan/boards/board_plan.h"
#include "io/piece_json.h"
#include "tests/support/samples.h"

#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QTemporaryDir>

using namespace vl;

namespace {

/// Everything that follows a drag of the outline by one pixel.
void replanAfterDrag(benchmark::State& state)
{
    Piece piece = test::tallVase(static_cast<int>(state.range(0)), static_cast<int>(state.range(1)));
    const double r = piece.outside[3].r;
    int k = 0;
    for (auto _ : state) {
        piece.outside[3].r = r + (++k % 2) * 0.3;
        benchmark::DoNotOptimize(makePlan(piece, {}));
    }
    state.counters["segments"] = static_cast<double>(state.range(0) * state.range(1));
}
/// The same of twelve rings cut from a checker of 10 mm squares: more than twelve thousand pieces of wood.
void replanChecker(benchmark::State& state)
{
    Piece piece = test::demo("ballast-dish");
    BoardRingForm& f = *piece.layers[0].as<BoardRingForm>();
    f.rings = 12;
    f.board.pattern = SlabForm::Checkered;
    f.board.strip = f.board.row = 10;
    for (auto _ : state) benchmark::DoNotOptimize(makePlan(piece, {}));
}
BENCHMARK(replanChecker)->Unit(benchmark::kMillisecond);

BENCHMARK(replanAfterDrag)
    ->Args({12, 12})
    ->Args({30, 24})
    ->Args({60, 48})
    ->Args({60, 96})
    ->Unit(benchmark::kMillisecond);

/// Every part of a large commission from forty boards, with the bound that it is measured by.
void cutBoards(benchmark::State& state)
{
    Shop shop;
    for (int k = 0; k < 40; ++k) {
        Board b;
        b.id = "W" + std::to_string(k + 1);
        b.wood = "walnut";
        b.length = 1200 + k * 97 % 1300;
        b.width = 120 + k * 53 % 140;
        b.thickness = k % 3 ? 10 : 13;
        shop.rack.push_back(b);
    }
    const Piece piece = test::tallVase(static_cast<int>(state.range(0)), static_cast<int>(state.range(1)));
    const Plan plan = makePlan(piece, shop);
    double gap = 0, parts = 0;
    for (auto _ : state) {
        const BoardPlan boards = planBoards(piece, shop, plan.assembly);
        gap = boards.consumed / boards.lowerBound - 1;
    }
    for (const Part& p : plan.assembly.parts) parts += p.count;
    state.counters["parts"] = parts;
    state.counters["boards"] = static_cast<double>(shop.rack.size());
    state.counters["above_bound_percent"] = 100 * gap;
}
BENCHMARK(cutBoards)->Args({12, 12})->Args({60, 50})->Unit(benchmark::kMillisecond);

void save(benchmark::State& state)
{
    const Piece piece = test::tallVase(60, 48);
    for (auto _ : state) benchmark::DoNotOptimize(io::writePiece(piece));
}
BENCHMARK(save)->Unit(benchmark::kMillisecond);

void load(benchmark::State& state)
{
    const std::string text = io::writePiece(test::tallVase(60, 48));
    for (auto _ : state) benchmark::DoNotOptimize(io::readPiece(text));
}
BENCHMARK(load)->Unit(benchmark::kMillisecond);

void skin(benchmark::State& state)
{
    const Plan plan = makePlan(test::tallVase(60, 48), {});
    for (auto _ : state)
        benchmark::DoNotOptimize(bakeSkin(plan.assembly, plan.surfaces, {0, plan.shape.height, 0, 360, 866, 180}));
}
BENCHMARK(skin)->Unit(benchmark::kMillisecond);

void mesh(benchmark::State& state)
{
    const Plan plan = makePlan(test::tallVase(60, 48), {});
    for (auto _ : state)
        benchmark::DoNotOptimize(
            turnedMesh(plan.assembly, plan.surfaces, {static_cast<double>(state.range(0)) / 100, false}));
}
BENCHMARK(mesh)->Arg(2)->Arg(5)->Arg(25)->Unit(benchmark::kMillisecond);

/// One step of dragging a node of the regatta cup, or of a vase of 40 rings: planned, drawn, on the screen. The median
/// leaves out what else the machine did meanwhile.
void dragFrame(benchmark::State& state)
{
    QTemporaryDir folder;
    app::MainWindow window(folder.path());
    window.openDemo("regatta-cup");
    const int rings = static_cast<int>(state.range(1));
    if (rings > 0) window.document().replace(test::tallVase(rings, 24), {});
    window.goTo(state.range(0) ? "build" : "shape");
    window.show();
    // The first page's pictures are still being drawn beside.
    app::besideThreads().waitForDone();
    for (int i = 0; i < 50; ++i) QApplication::processEvents(QEventLoop::AllEvents, 20);
    app::besideThreads().waitForDone();
    QApplication::processEvents();
    app::Document& document = window.document();
    const Piece piece = document.piece();
    const int merge = app::Document::newMergeKey();
    document.beginDrag();
    int k = 0;
    std::vector<double> frames;  // ms
    const size_t node = piece.outside.size() / 2;
    // From one plan that is drawn to the next, while the hand goes on: a large piece's is made beside meanwhile.
    QElapsedTimer clock;
    QObject::connect(&document, &app::Document::changed, &window, [&] {
        if (clock.isValid()) frames.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
        clock.start();
    });
    for (auto _ : state)
        for (const size_t before = frames.size(); frames.size() == before;) {
            Piece next = piece;
            next.outside[node].r += (++k % 20) * 0.2;
            document.apply(
                "drag", [&](const Piece&) { return next; }, merge);
            QApplication::processEvents();
        }
    document.endDrag();
    document.history().clear();
    std::ranges::nth_element(frames, frames.begin() + static_cast<std::ptrdiff_t>(frames.size() / 2));
    state.counters["median_ms"] = frames[frames.size() / 2];
}
BENCHMARK(dragFrame)->ArgsProduct({{0, 1}, {0, 40, 60}})->Unit(benchmark::kMillisecond)->UseRealTime()->Iterations(120);

/// How long the longest event since the last reset kept others waiting.
class Application : public QApplication {
public:
    using QApplication::QApplication;
    bool notify(QObject* receiver, QEvent* event) override
    {
        QElapsedTimer clock;
        clock.start();
        ++depth_;
        const bool done = QApplication::notify(receiver, event);
        if (--depth_ == 0) longest = std::max(longest, static_cast<double>(clock.nsecsElapsed()) / 1e6);
        return done;
    }
    double longest = 0;  ///< ms

private:
    int depth_ = 0;
};

/// A drag of a vase whose plan is made beside: what one step of the hand waits for, and the longest event meanwhile.
void dragLarge(benchmark::State& state)
{
    QTemporaryDir folder;
    app::MainWindow window(folder.path());
    window.openDemo("regatta-cup");
    app::Document& document = window.document();
    document.replace(test::tallVase(static_cast<int>(state.range(1)), 24), {});
    const char* stages[] = {"shape", "build", "cut", "glue", "turn"};
    window.goTo(stages[state.range(0)]);
    window.show();
    for (int i = 0; i < 50; ++i) QApplication::processEvents(QEventLoop::AllEvents, 20);
    app::besideThreads().waitForDone();
    QApplication::processEvents();
    auto* application = static_cast<Application*>(qApp);
    application->longest = 0;
    const Piece piece = document.piece();
    const int merge = app::Document::newMergeKey();
    document.beginDrag();
    int k = 0;
    for (auto _ : state) {
        Piece next = piece;
        next.outside[3].r += (++k % 20) * 0.2;
        document.apply(
            "drag", [&](const Piece&) { return next; }, merge);
        QApplication::processEvents();
    }
    document.endDrag();
    while (document.planning()) QApplication::processEvents(QEventLoop::AllEvents, 20);
    state.counters["longest_ms"] = application->longest;
    document.history().clear();
}
BENCHMARK(dragLarge)
    ->ArgsProduct({{0, 1, 2, 3, 4}, {60, 399}})
    ->Unit(benchmark::kMillisecond)
    ->UseRealTime()
    ->Iterations(6000);

/// From nothing to a window that has painted its first page.
void startToFirstPaint(benchmark::State& state)
{
    for (auto _ : state) {
        QTemporaryDir folder;
        app::MainWindow window(folder.path());
        window.show();
        window.grab();
    }
}
BENCHMARK(startToFirstPaint)->Unit(benchmark::kMillisecond)->Iterations(5);

}  // namespace

int main(int argc, char** argv)
{
    if (qEnvironmentVariableIsEmpty("DISPLAY")) qputenv("QT_QPA_PLATFORM", "offscreen");
    Application app(argc, argv);
    QApplication::setOrganizationName("vivid-lathe");
    QApplication::setApplicationName("vivid-lathe-bench");
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
}
