// The workpiece after every step, as plans carry it: what is added less what is taken is the piece, and what is said of
// it on the lathe is true of its own numbers.
#include "core/plan/run_states.h"
#include "io/plan_json.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <map>
#include <string>

using namespace vl;

namespace {

struct Sums {
    double adds = 0, takes = 0;
};

Sums sumsOf(const std::vector<RunState>& states)
{
    Sums sums;
    for (const RunState& s : states) sums.adds += s.adds, sums.takes += s.takes;
    return sums;
}

}  // namespace

TEST(RunStates, WhatIsAddedLessWhatIsTakenIsThePiece)
{
    for (const std::string& name : test::demoNames()) {
        if (name == "porthole-bangles") continue;  // the skin of its rings is left for their own turning
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, test::harbourShop());
        const Sums sums = sumsOf(runStates(piece, plan));
        EXPECT_NEAR((sums.adds - sums.takes) / plan.shape.woodVolume, 1, 1e-3) << name;
        EXPECT_GT(sums.takes, 0) << name;
    }
}

TEST(RunStates, OnTheLatheTheGripLiesInTheWoodAndTheSweepIsItsFarthest)
{
    for (const std::string& name : test::demoNames()) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, test::harbourShop());
        int held = 0;
        for (const RunState& s : runStates(piece, plan)) {
            EXPECT_GE(s.volume, 0) << name << " " << s.step->id;
            EXPECT_GT(s.bodies, 0u) << name << " " << s.step->id;
            if (!s.lathe) continue;
            ++held;
            const OnLathe& l = *s.lathe;
            EXPECT_LT(l.wood.low, l.wood.high) << name << " " << s.step->id;
            EXPECT_GE(l.sweep, l.widest) << name << " " << s.step->id;
            // One number: no step sweeps farther than its mount says.
            EXPECT_LE(l.sweep, l.mount->sweep + 1e-3) << name << " " << s.step->id;
            EXPECT_LE(l.overhang, l.wood.high - l.wood.low + 1e-6) << name << " " << s.step->id;
        }
        EXPECT_GT(held, 0) << name;
    }
}

TEST(RunStates, PlansCarryThemWithTheRulesOfTheirOrder)
{
    for (const char* name : {"ballast-bowl", "pilot-box", "oar-grip", "regatta-cup"}) {
        const Piece piece = test::demo(name);
        const Shop shop = test::harbourShop();
        const Plan plan = makePlan(piece, shop);
        const auto json = nlohmann::json::parse(io::writePlan(piece, shop, plan, BoardPlan{}));
        std::map<std::string, size_t> place;
        for (const auto& step : json["steps"]) {
            place.emplace(step["id"], place.size());
            // Their sentences together are the step's how.
            std::string all;
            for (const auto& line : step["lines"])
                if (line["kind"] != "set") all += line["text"].get<std::string>();
            std::string how = step["how"];
            const auto bare = [](std::string s) {
                std::erase_if(s, [](char c) { return c == ' ' || c == ';'; });
                return s;
            };
            EXPECT_EQ(bare(all), bare(how)) << name << " " << step["id"];
        }
        EXPECT_GE(json["rules"].size(), 3u) << name;
        for (const auto& rule : json["rules"]) {
            EXPECT_LT(place.at(rule["before"]), place.at(rule["after"])) << rule;
            EXPECT_FALSE(rule["why"].get<std::string>().empty()) << rule;
        }
        EXPECT_EQ(json["mountings"], json["mounts"].size());
        EXPECT_EQ(json["mountings"], json["mountings_least"]) << name;
        EXPECT_GT(json["run"].size(), 5u);
        for (const auto& state : json["run"]) EXPECT_TRUE(place.contains(state["step"])) << state;
    }
}
