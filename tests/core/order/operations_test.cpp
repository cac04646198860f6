// The order of operations against every order there is: what is found keeps every rule, is held for each operation, and
// no order has fewer mountings.
#include "core/order/operations.h"
#include "tests/support/property.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <functional>
#include <numeric>
#include <random>
#include <set>

using namespace vl;

namespace {

constexpr int works = static_cast<int>(Work::Finish) + 1;

Operation operation(Work work, Access access, int number = 0) { return {work, access, number, {}}; }

/// Whether an order of operations keeps every rule.
bool keepsRules(const std::vector<Operation>& ops, const std::vector<size_t>& order, const Manner& manner)
{
    for (size_t i = 0; i < order.size(); ++i)
        for (size_t k = i + 1; k < order.size(); ++k)
            if (ruleBetween(ops[order[k]], ops[order[i]], manner)) return false;
    return true;
}

/// The fewest mountings for operations in this very order: before each it is mounted afresh, or left as it is held.
class Fewest {
public:
    Fewest(const std::vector<Operation>& ops, const std::vector<size_t>& order, const std::vector<Mounting>& mountings)
        : ops_(ops), order_(order), mountings_(mountings)
    {
    }
    static constexpr int none = 1000;

    int from(size_t place, int at, std::set<size_t> used) const
    {
        if (place == order_.size()) return 0;
        const Operation& next = ops_[order_[place]];
        const bool served =
            next.access == Access::AtRest || (at >= 0 && mountings_[static_cast<size_t>(at)].serves(next));
        int best = served ? from(place + 1, at, used) : none;
        for (size_t m = 0; m < mountings_.size(); ++m) {
            if (used.contains(m) || !isReady(mountings_[m], place)) continue;
            std::set<size_t> more = used;
            more.insert(m);
            best = std::min(best, 1 + from(place, static_cast<int>(m), more));
        }
        return best;
    }

private:
    bool isReady(const Mounting& m, size_t place) const
    {
        for (size_t k = 0; k < order_.size(); ++k) {
            const auto in = [&](const std::vector<Work>& list) {
                return std::ranges::find(list, ops_[order_[k]].work) != list.end();
            };
            if (k < place ? in(m.spoiledBy) : in(m.needs)) return false;
        }
        return true;
    }

    const std::vector<Operation>& ops_;
    const std::vector<size_t>& order_;
    const std::vector<Mounting>& mountings_;
};

std::vector<size_t> orderOf(const FoundOrder& found)
{
    std::vector<size_t> order;
    for (const FoundOrder::Place& p : found.places)
        if (!p.mounting) order.push_back(p.at);
    return order;
}

/// A bowl: round and its grip with the rim to the headstock, the rest by its foot, the foot on its rim.
struct Bowl {
    std::vector<Operation> ops{operation(Work::Finish, Access::AtRest),
                               operation(Work::Hollow, Access::Rim),
                               operation(Work::Rough, Access::Outside),
                               operation(Work::FreeFoot, Access::Foot),
                               operation(Work::LastOutside, Access::Outside),
                               operation(Work::Grip, Access::Foot),
                               operation(Work::Sand, Access::Rim),
                               operation(Work::LastCuts, Access::Rim)};
    std::vector<Mounting> mountings{
        {.rimToHead = true, .center = true, .spoiledBy = {Work::Hollow, Work::LastCuts, Work::Sand}},
        {.needs = {Work::Grip}},
        {.rimToHead = true, .center = true, .needs = {Work::Hollow, Work::LastCuts, Work::Sand}}};
};

}  // namespace

TEST(Order, OfABowlIsRoundThenItsFootThenTheOutsideBeforeItIsHollowed)
{
    const Bowl bowl;
    const FoundOrder found = findOrder(bowl.ops, bowl.mountings, {});
    ASSERT_TRUE(found.held);
    EXPECT_EQ(found.mountings, 3);
    std::vector<Work> works_;
    for (const size_t i : orderOf(found)) works_.push_back(bowl.ops[i].work);
    EXPECT_EQ(works_, (std::vector{Work::Rough, Work::Grip, Work::LastOutside, Work::Hollow, Work::LastCuts, Work::Sand,
                                   Work::FreeFoot, Work::Finish}));
    // Both sides roughed first: the same mountings, and the outside after the hollow.
    works_.clear();
    for (const size_t i : orderOf(findOrder(bowl.ops, bowl.mountings, {.bothRoughed = true})))
        works_.push_back(bowl.ops[i].work);
    EXPECT_LT(std::ranges::find(works_, Work::Hollow), std::ranges::find(works_, Work::LastOutside));
}

TEST(Order, OnAFaceplateThatServesBothSidesItIsMountedOnceLess)
{
    Bowl bowl;
    std::erase_if(bowl.ops, [](const Operation& o) { return o.work == Work::Grip; });
    EXPECT_EQ(findOrder(bowl.ops, bowl.mountings, {}).mountings, 2);
}

TEST(Order, WhatNoMountingServesIsSaidAndStandsInItsPlace)
{
    // Hollowed between centers: a center stands where the tool has to come in.
    const std::vector ops{operation(Work::Rough, Access::Outside), operation(Work::Hollow, Access::Rim),
                          operation(Work::PartOff, Access::Outside)};
    const FoundOrder found = findOrder(ops, {{.center = true}}, {});
    EXPECT_FALSE(found.held);
    EXPECT_EQ(orderOf(found), (std::vector<size_t>{0, 1, 2})) << "nothing is dropped";
}

TEST(Order, NoRuleContradictsAnother)
{
    std::vector<Operation> all;
    for (int w = 0; w < works; ++w)
        for (const Access access : {Access::AtRest, Access::Outside, Access::Rim})
            for (const int number : {0, 1}) all.push_back(operation(static_cast<Work>(w), access, number));
    for (const bool roughed : {false, true})
        for (const bool held : {false, true}) {
            const Manner manner{.bothRoughed = roughed, .finishedHeld = held};
            for (const Operation& a : all)
                for (const Operation& b : all)
                    EXPECT_FALSE(ruleBetween(a, b, manner) && ruleBetween(b, a, manner))
                        << static_cast<int>(a.work) << " and " << static_cast<int>(b.work);
        }
    // Nor do several of them go round in a circle: what nothing left comes before can always be done next.
    for (const bool roughed : {false, true}) {
        std::vector<Operation> left = all;
        if (roughed) std::erase_if(left, [](const Operation& o) { return o.work == Work::Side; });
        const Manner manner{.bothRoughed = roughed};
        while (!left.empty()) {
            const auto next = std::ranges::find_if(left, [&](const Operation& o) {
                return std::ranges::none_of(left, [&](const Operation& a) { return ruleBetween(a, o, manner); });
            });
            ASSERT_NE(next, left.end());
            left.erase(next);
        }
    }
    std::set<std::string> names;
    for (const Rule& rule : orderRules()) EXPECT_TRUE(names.insert(rule.name).second) << rule.name;
}

TEST(Order, KeepsEveryRuleWithTheFewestMountingsOfAllOrdersWhateverTheyAreGivenIn)
{
    test::property([] {
        const Manner manner{.bothRoughed = test::coin(), .finishedHeld = test::coin()};
        std::vector<Operation> ops;
        const int first = test::inRange(0, works), step = 1 + test::inRange(0, 5), count = test::inRange(3, 7);
        for (int k = 0; k < count && k * step < works; ++k)  // each work once
            if (const auto work = static_cast<Work>((first + k * step) % works);
                !manner.bothRoughed || work != Work::Side)
                ops.push_back(operation(work, static_cast<Access>(test::inRange(0, 5))));
        std::vector<Mounting> mountings;
        for (int m = test::inRange(1, 4); m > 0; --m) {
            Mounting one{.rimToHead = test::coin(), .center = test::coin()};
            if (test::inRange(0, 3) == 0) one.needs = {ops[test::inRange<std::size_t>(0, ops.size())].work};
            if (test::inRange(0, 3) == 0) one.spoiledBy = {ops[test::inRange<std::size_t>(0, ops.size())].work};
            if (test::inRange(0, 5) == 0) one.only = {ops[test::inRange<std::size_t>(0, ops.size())].work};
            mountings.push_back(std::move(one));
        }
        const FoundOrder found = findOrder(ops, mountings, manner);
        const std::vector<size_t> order = orderOf(found);
        RC_ASSERT(order.size() == ops.size());
        RC_ASSERT(keepsRules(ops, order, manner));
        std::vector<size_t> all(ops.size());
        std::iota(all.begin(), all.end(), size_t{0});
        int fewest = 1000;
        do
            if (keepsRules(ops, all, manner)) fewest = std::min(fewest, Fewest(ops, all, mountings).from(0, -1, {}));
        while (std::ranges::next_permutation(all).found);
        RC_ASSERT(found.held == (fewest < 1000));
        if (found.held) RC_ASSERT(found.mountings == fewest);
        // Given the other way round it is the same order.
        std::vector<Operation> turned(ops.rbegin(), ops.rend());
        std::vector<size_t> again = orderOf(findOrder(turned, mountings, manner));
        for (size_t& i : again) i = ops.size() - 1 - i;
        RC_ASSERT(again == order);
    });
}
