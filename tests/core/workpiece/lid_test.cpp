// A lid from the same blank: the joint's numbers, both parts as solids, the recipe's order and what is refused.
#include "core/picture/closed_surface.h"
#include "core/picture/work_state.h"
#include "core/plan/plan.h"
#include "core/workpiece/lid_sides.h"
#include "tests/support/plain_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <algorithm>

using namespace vl;

namespace {

/// A straight box: radius 40, bore 30, floor 8, 100 high, its lid from 60 on with 10 on top.
Piece box(Lid::Joint joint)
{
    Piece p = test::plainCylinder(40, 100, BlockForm::Along, 10, 8);
    p.lid.on = true;
    p.lid.at = 60;
    p.lid.top = 10;
    p.lid.joint = joint;
    p.lid.spigot = 6;
    p.lid.wall = 4;
    return p;
}

double pipe(double outer, double inner, double length) { return pi * (outer * outer - inner * inner) * length; }

}  // namespace

TEST(Lid, ItsJointAndBothPartsAreTheirClosedForms)
{
    const double slip = Fits{}.slip;
    for (const Lid::Joint joint : {Lid::OnBox, Lid::OnLid}) {
        const Piece p = box(joint);
        const Plan plan = makePlan(p, Shop{});
        const LidJoint j = lidJoint(p, Shop{}.fits, plan.surfaces);
        EXPECT_NEAR(j.bore, 30, 1e-6);
        EXPECT_NEAR(2 * (j.recess - j.spigot), slip, 1e-9) << "the fit is on the diameter";
        EXPECT_NEAR(j.left, joint == Lid::OnBox ? 40 - 34 - slip / 2 : 10, 1e-9);
        // Closed: floor, wall and top.
        EXPECT_NEAR(plan.shape.woodVolume, pi * 1600 * 100 - pi * 900 * (90 - 8), 1);
        const BoxAndLid both = apart(p, Shop{}.fits, plan.surfaces);
        const double boxVolume = volumeOf(solidOf(both.box, 0.001).surface),
                     lidVolume = volumeOf(solidOf(both.lid, 0.001).surface);
        const double boxBody = pi * 1600 * 8 + pipe(40, 30, 52), lidBody = pi * 1600 * 10 + pipe(40, 30, 30);
        if (joint == Lid::OnBox) {
            EXPECT_NEAR(boxVolume, boxBody + pipe(34, 30, 6), 2e-4 * boxBody);
            EXPECT_NEAR(lidVolume, lidBody - pipe(j.recess, 30, 6.5), 2e-4 * lidBody);
        } else {
            EXPECT_NEAR(boxVolume, boxBody, 2e-4 * boxBody) << "its bore is the recess";
            EXPECT_NEAR(lidVolume, lidBody + pipe(j.spigot, j.spigot - 4, 6), 2e-4 * lidBody);
        }
        EXPECT_NEAR(lidWaste(p), 2 + 6 + 2 * 6, 1e-9) << "parting, spigot, two tenons";
        EXPECT_NEAR(plan.assembly.parts[0].length, 100 + lidWaste(p), 1e-9) << "the blank is longer by as much";
    }
}

TEST(Lid, TheLidIsDoneFirstAndTheBoxIsFittedToIt)
{
    const Piece p = test::demo("pilot-box");
    const Plan plan = makePlan(p, test::harbourShop());
    EXPECT_FALSE(plan.mustStop());
    std::vector<std::string> order;
    for (const size_t i : plan.schedule.order) order.push_back(plan.assembly.recipe[i].id);
    auto at = [&](const char* id) { return std::ranges::find(order, id) - order.begin(); };
    const std::vector<const char*> wanted{"rough",    "part-lid", "mount-lid", "hollow-lid", "sand-lid", "mount-box",
                                          "hollow",   "sand-box", "fit-lid",   "fine",       "sand",     "ease",
                                          "foot-off", "saw-S1",   "blend-S1",  "finish"};
    for (size_t k = 1; k < wanted.size(); ++k) EXPECT_LT(at(wanted[k - 1]), at(wanted[k])) << wanted[k];
    for (const Mount& m : plan.mounts) EXPECT_TRUE(m.proof.holds) << m.id;
    // In the film they are two from the parting on, and one again once the lid is fitted.
    for (size_t k = 1; k <= order.size(); ++k) {
        const auto bodies = bodiesAfter(plan.assembly, plan.schedule.order, k);
        const bool two = static_cast<long>(k) > at("part-lid") && static_cast<long>(k) <= at("fit-lid");
        EXPECT_EQ(bodies.size(), two ? 2u : 1u) << order[k - 1];
        if (!two) continue;
        EXPECT_EQ(bodies[0].part, Body::Box);
        EXPECT_EQ(bodies[1].part, Body::Lid);
    }
}

TEST(Lid, WhatCannotBeIsSaidWithAWayOut)
{
    struct Case {
        const char* id;
        void (*spoil)(Piece&);
    };
    for (const Case& c :
         {Case{"lid-place", [](Piece& p) { p.lid.at = 5; }}, Case{"lid-place", [](Piece& p) { p.lid.at = 96; }},
          Case{"lid-wall", [](Piece& p) { p.lid.wall = 8; }}, Case{"lid-top", [](Piece& p) { p.lid.top = 2; }},
          Case{"lid-blank", [](Piece& p) { p.layers[0].as<BlockForm>()->grain = BlockForm::Across; }}}) {
        Piece p = box(Lid::OnBox);
        EXPECT_FALSE(test::find(makePlan(p, Shop{}), c.id)) << c.id;
        c.spoil(p);
        const Plan plan = makePlan(p, Shop{});
        const auto said = std::ranges::find(plan.cautions, c.id, &Caution::id);
        ASSERT_NE(said, plan.cautions.end()) << c.id;
        ASSERT_FALSE(said->fixes.empty()) << c.id;
        for (const Fix& f : said->fixes)
            EXPECT_FALSE(test::find(makePlan(f.apply(p), Shop{}), c.id)) << c.id << ": " << print(f.label);
    }
}
