// What is worked out beside the window, on several threads at once and canceled as the hand goes on: watched by the
// thread sanitizer, which ends the test where two of them touch one place.
#include "core/picture/finished.h"
#include "core/picture/skin.h"
#include "core/picture/work_state.h"
#include "core/piece/edits/edit.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/maps.h"
#include "core/plan/plan.h"

#include <gtest/gtest.h>

#include <atomic>
#include <thread>

using namespace vl;

namespace {

/// Runs this for each of the pieces to start from, four at once.
template <class Work> void atOnce(const Work& work)
{
    std::atomic<size_t> next = 0;
    std::vector<std::thread> threads;
    for (int k = 0; k < 4; ++k)
        threads.emplace_back([&] {
            for (size_t i = next++; i < 2 * starts().size(); i = next++) work(starts()[i / 2].make());
        });
    for (std::thread& t : threads) t.join();
}

}  // namespace

TEST(Threads, PiecesArePlannedAndSaidBesideOneAnother)
{
    std::atomic<size_t> steps = 0;
    atOnce([&](const Piece& piece) {
        const Plan plan = makePlan(piece, {});
        for (const Step& s : plan.assembly.recipe) steps += !print(s.title).empty() + print(s.how).size() % 2;
        for (const Caution& c : plan.cautions)
            for (const Fix& fix : c.fixes) makePlan(fix.apply(piece), {});
    });
    EXPECT_GT(steps, 100u);
}

TEST(Threads, PicturesSolidsAndMapsAreMadeOfOnePlanAtOnce)
{
    const Piece piece = starts()[2].make();
    const Shop shop;
    const Plan plan = makePlan(piece, shop);
    std::vector<std::thread> threads;
    std::atomic<size_t> made = 0;
    const auto beside = [&](const auto& work) { threads.emplace_back([&, work] { made += work() > 0; }); };
    beside([&] {
        return bakeSkin(plan.assembly, plan.surfaces, {0, plan.shape.height, 0, 360, 60, 40}).pixels.size();
    });
    beside(
        [&] { return bakeSection(plan.assembly, plan.surfaces, 0, plan.shape.height, 0, 80, 60, 40).pixels.size(); });
    beside([&] { return finishedMesh(piece, plan.assembly, plan.surfaces, {0.5, false}).indices.size(); });
    beside([&] {
        const Mesh mesh = finishedMesh(piece, plan.assembly, plan.surfaces, {0.5, false});
        return surfaceMap(MapKind::Wall, mesh, shop, plan).values.size();
    });
    beside([&] {
        const auto bodies = bodiesAfter(plan.assembly, plan.schedule.order, plan.schedule.order.size() / 2);
        return bodiesMesh(piece, plan.assembly, plan.surfaces, bodies, {0.5, false}).indices.size();
    });
    for (std::thread& t : threads) t.join();
    EXPECT_EQ(made, threads.size());
}

TEST(Threads, ABoardPlanIsCanceledWhileTheNextBegins)
{
    Shop shop;
    const Piece piece = starts()[2].make();
    for (const char* wood : {"maple", "walnut", "cherry", "mahogany", "ash"}) {
        Board b;
        b.id = wood;
        b.wood = wood;
        b.length = 2000;
        b.width = 200;
        b.thickness = 27;
        shop.rack.push_back(b);
    }
    const Plan plan = makePlan(piece, shop);
    std::atomic<bool> cancel = false;
    std::thread first([&] {
        Control control;
        control.cancel = &cancel;
        planBoards(piece, shop, plan.assembly, control);
    });
    std::thread next([&] { EXPECT_FALSE(planBoards(piece, shop, plan.assembly).canceled); });
    cancel = true;
    first.join();
    next.join();
}
