// The film of a piece: after every step of every sample its wood is where the recipe says, and only ever leaves.
#include "core/picture/finished.h"
#include "core/picture/held_work.h"
#include "core/picture/work_state.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>

using namespace vl;

namespace {

/// Fine enough for a thousandth of what is turned, mm: a chord's error is to its radius as this to the piece.
double coarse(const Plan& plan) { return std::clamp(plan.surfaces.widest() / 500, 0.1, 0.3); }

}  // namespace

TEST(WorkState, EndsWithTheFinishedPiece)
{
    for (const std::string& name : test::demoNamesForLongTests()) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, test::harbourShop());
        const std::vector<Body> last = bodiesAfter(plan.assembly, plan.schedule.order, plan.schedule.order.size());
        ASSERT_EQ(last.size(), 1u) << name;
        EXPECT_EQ(last[0].layers.size(), plan.assembly.layers.size()) << name;
        EXPECT_TRUE(last[0].round) << name;
        EXPECT_EQ(last[0].axes, plan.setUps.size()) << name;
        EXPECT_EQ(last[0].shift, 0) << name;
        if (piece.nest.on) continue;
        // By the divergence theorem, of two meshes.
        const MeshDetail detail{coarse(plan), false};
        EXPECT_NEAR(meshVolume(bodiesMesh(piece, plan.assembly, plan.surfaces, last, detail)) /
                        meshVolume(finishedMesh(piece, plan.assembly, plan.surfaces, detail)),
                    1, 1e-6)
            << name;
    }
}

TEST(WorkState, WoodOnlyLeavesOrIsJoined)
{
    for (const std::string& name : test::demoNamesForLongTests()) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, test::harbourShop());
        std::vector<Body> before;
        double was = 0;
        for (size_t k = 0; k <= plan.schedule.order.size(); ++k) {
            const std::vector<Body> now = bodiesAfter(plan.assembly, plan.schedule.order, k);
            std::set<size_t> had, has;
            std::set<std::pair<Body::Part, size_t>> places;  // box and lid share their wood
            for (const Body& b : before) had.insert(b.layers.begin(), b.layers.end());
            size_t count = 0;
            for (const Body& b : now) {
                has.insert(b.layers.begin(), b.layers.end());
                for (const size_t i : b.layers) places.emplace(b.part, i);
                count += b.layers.size();
            }
            EXPECT_EQ(count, places.size()) << name << ": no layer is in two places, step " << k;
            EXPECT_TRUE(std::ranges::includes(has, had)) << name << ": nothing is lost, step " << k;
            if (now == before) continue;
            if (plan.assembly.layers.size() > 8 && k % 7) {  // many meshes of many rings take long: some of them
                before = now;
                was = 0;
                continue;
            }
            const double volume =
                meshVolume(bodiesMesh(piece, plan.assembly, plan.surfaces, now, {coarse(plan), false}));
            // What is glued, packed or fitted into it comes to it.
            const auto given = [](const std::vector<Body>& bodies) {
                long n = 0;
                for (const Body& b : bodies)
                    n += b.fitted +
                         std::ranges::count_if(b.cut, [](const std::string& c) { return c.starts_with("fill-"); });
                return n;
            };
            if (was > 0 && had == has && given(now) == given(before)) {
                EXPECT_LE(volume, was * 1.003) << name << " at " << k;
            }
            was = volume;
            before = now;
        }
    }
}

TEST(WorkState, AnOarGripIsTurnedSideBySide)
{
    const Piece piece = test::demo("oar-grip");
    const Plan plan = makePlan(piece, test::harbourShop());
    size_t axes = 0;
    for (size_t k = 0; k <= plan.schedule.order.size(); ++k) {
        const std::vector<Body> now = bodiesAfter(plan.assembly, plan.schedule.order, k);
        if (now.empty()) continue;
        EXPECT_GE(now[0].axes, axes);
        EXPECT_LE(now[0].axes, axes + 1) << "one side a step";
        axes = now[0].axes;
        if (axes) {
            EXPECT_TRUE(now[0].round) << "turned true before it is turned off its axis";
        }
    }
    EXPECT_EQ(axes, 3u);
}

TEST(WorkState, WhatHoldsTheWorkTouchesItAndKeepsClearOfWhatSweeps)
{
    const Piece piece = test::demo("pilot-box");
    const Shop shop = test::harbourShop();
    const Plan plan = makePlan(piece, shop);
    for (const Mount& m : plan.mounts) {
        Mesh mesh;
        const Range span = m.held.to > 0 ? Range{m.held.from, m.held.to} : Range{0, outlineHeight(piece)};
        addHolding(mesh, m.held, span, m.sweep, shop);
        ASSERT_FALSE(mesh.indices.empty()) << m.id;
        EXPECT_GT(meshVolume(mesh), 0) << m.id << ": its faces look outwards";
        // Something of it lies at the work's end at the headstock; nothing but the bed and the rest's foot lies lower
        // than what sweeps, and the rest stays in front of it.
        const double end = m.held.rimToHead ? span.high : span.low;
        float nearest = 1e9f;
        for (const Vertex& v : mesh.vertices) {
            nearest = std::min(nearest, std::abs(v.position[0] - static_cast<float>(end)));
            const bool rest = v.position[1] <= 0.01f && v.position[2] > static_cast<float>(m.sweep);
            const bool along =
                v.position[0] > static_cast<float>(span.low) + 20 && v.position[0] < static_cast<float>(span.high) - 20;
            if (along && !rest) EXPECT_LE(v.position[1], -static_cast<float>(shop.lathe.swingRadius) + 0.01f) << m.id;
        }
        EXPECT_LT(nearest, 3) << m.id;
    }
}
