#include "core/order/operations.h"

#include <algorithm>
#include <numeric>
#include <queue>
#include <set>
#include <tuple>

namespace vl {

bool Mounting::serves(const Operation& o) const
{
    if (o.access != Access::AtRest && !only.empty() && std::ranges::find(only, o.work) == only.end()) return false;
    switch (o.access) {
    case Access::AtRest:
        return true;
    case Access::SetUp:
        return setUp == o.number;
    case Access::Turning:
    case Access::Outside:
        return setUp < 0;
    case Access::Rim:
        return setUp < 0 && !rimToHead && !center;
    case Access::Foot:
        return setUp < 0 && rimToHead;
    }
    return false;
}

namespace {

using Flags = std::vector<bool>;

/// How far the work has come on one way through the mountings.
struct Way {
    Flags done, used;
    int at = -1;  // the mounting that holds it; none
    int mountings = 0, unsupported = 0;
    std::vector<FoundOrder::Place> places;

    auto cost() const { return std::tuple(mountings, unsupported); }
    bool operator>(const Way& other) const { return cost() > other.cost(); }
};

class Search {
public:
    Search(const std::vector<Operation>& operations, const std::vector<Mounting>& mountings, const Manner& manner)
        : operations_(operations), mountings_(mountings), order_(operations.size()), before_(operations.size())
    {
        std::iota(order_.begin(), order_.end(), size_t{0});
        std::ranges::stable_sort(order_, {},
                                 [&](size_t i) { return std::pair(operations[i].work, operations[i].number); });
        for (size_t i = 0; i < operations.size(); ++i)
            for (size_t k = 0; k < operations.size(); ++k)
                if (i != k && ruleBetween(operations[k], operations[i], manner)) before_[i].push_back(k);
    }

    FoundOrder find() const
    {
        Way begin;
        begin.done.resize(operations_.size());
        begin.used.resize(mountings_.size());
        const auto standing = std::ranges::find_if(mountings_, &Mounting::standing);
        if (standing != mountings_.end()) {
            begin.at = static_cast<int>(standing - mountings_.begin());
            begin.used[static_cast<size_t>(begin.at)] = true;
        }
        doWhatServes(begin);
        std::priority_queue<Way, std::vector<Way>, std::greater<>> ways;
        std::set<std::tuple<Flags, Flags, int>> seen;
        ways.push(begin);
        Way farthest = std::move(begin);
        while (!ways.empty()) {
            Way way = ways.top();
            ways.pop();
            if (!seen.emplace(way.done, way.used, way.at).second) continue;
            if (isAll(way)) return {std::move(way.places), way.mountings, true};
            if (std::ranges::count(way.done, true) > std::ranges::count(farthest.done, true)) farthest = way;
            // What would spoil a mounting is done, or left until that has served.
            for (const size_t i : order_)
                if (!way.done[i] && isFree(i, way) && isServed(i, way)) {
                    Way next = way;
                    does(i, next);
                    doWhatServes(next);
                    ways.push(std::move(next));
                }
            for (size_t m = 0; m < mountings_.size(); ++m) {
                if (way.used[m] || !isReady(mountings_[m], way)) continue;
                Way next = way;
                next.at = static_cast<int>(m);
                next.used[m] = true;
                ++next.mountings;
                next.places.push_back({true, m});
                doWhatServes(next);
                ways.push(std::move(next));
            }
        }
        return withTheRest(std::move(farthest));
    }

private:
    bool isAll(const Way& way) const { return std::ranges::find(way.done, false) == way.done.end(); }
    bool isFree(size_t i, const Way& way) const
    {
        return std::ranges::all_of(before_[i], [&](size_t k) { return way.done[k]; });
    }
    bool isReady(const Mounting& m, const Way& way) const
    {
        for (size_t i = 0; i < operations_.size(); ++i)
            if (way.done[i] ? among(m.spoiledBy, operations_[i].work) : among(m.needs, operations_[i].work))
                return false;
        return true;
    }
    bool isServed(size_t i, const Way& way) const
    {
        return operations_[i].access == Access::AtRest ||
               (way.at >= 0 && mountings_[static_cast<size_t>(way.at)].serves(operations_[i]));
    }
    static bool among(const std::vector<Work>& works, Work work)
    {
        return std::ranges::find(works, work) != works.end();
    }
    bool spoils(size_t i, const Way& way) const
    {
        for (size_t m = 0; m < mountings_.size(); ++m)
            if (!way.used[m] && among(mountings_[m].spoiledBy, operations_[i].work)) return true;
        return false;
    }
    void does(size_t i, Way& way) const
    {
        way.done[i] = true;
        way.places.push_back({false, i});
        if (operations_[i].access != Access::AtRest && way.at >= 0)
            way.unsupported += !mountings_[static_cast<size_t>(way.at)].center;
    }
    /// All that can be done as it is held and spoils no mounting that is still to come.
    void doWhatServes(Way& way) const
    {
        for (auto next = order_.begin(); next != order_.end();) {
            const size_t i = *next++;
            if (way.done[i] || !isFree(i, way) || !isServed(i, way) || spoils(i, way)) continue;
            does(i, way);
            next = order_.begin();
        }
    }
    FoundOrder withTheRest(Way way) const
    {
        while (!isAll(way)) {
            const auto next = std::ranges::find_if(order_, [&](size_t i) { return !way.done[i] && isFree(i, way); });
            if (next == order_.end()) break;  // rules that go round in a circle: never, and tested
            way.done[*next] = true;
            way.places.push_back({false, *next});
        }
        return {std::move(way.places), way.mountings, false};
    }

    const std::vector<Operation>& operations_;
    const std::vector<Mounting>& mountings_;
    std::vector<size_t> order_;
    std::vector<std::vector<size_t>> before_;
};

}  // namespace

FoundOrder findOrder(const std::vector<Operation>& operations, const std::vector<Mounting>& mountings,
                     const Manner& manner)
{
    return Search(operations, mountings, manner).find();
}

WorkItem Operations::write(Bench& bench, WorkItem now) const
{
    const FoundOrder order = findOrder(operations_, mountings_, manner_);
    struct Written {
        size_t operation, first, last;  // steps
    };
    std::vector<Written> written;
    Moment moment{.first = std::ranges::none_of(mountings_, &Mounting::standing)};
    for (const FoundOrder::Place& place : order.places) {
        const size_t first = recipe_.size();
        if (place.mounting) {
            now = mountings_[place.at].write(bench, now, moment);
            recipe_.back().held.served = order.held;
            moment.first = false;
            continue;
        }
        const Operation& mine = operations_[place.at];
        now = mine.write(bench, now);
        moment.round |= mine.work == Work::Rough;
        if (recipe_.size() == first) continue;  // nothing to do after all
        // By the last that it waits for first, and none that another of them says already.
        std::vector<size_t> by;
        for (size_t k = written.size(); k-- > 0;) {
            const Operation& other = operations_[written[k].operation];
            const Rule* rule = ruleBetween(other, mine, manner_);
            if (!rule || std::ranges::any_of(by, [&](size_t later) {
                    return ruleBetween(other, operations_[written[later].operation], manner_);
                }))
                continue;
            by.push_back(k);
            recipe_[first].placedBy.push_back({recipe_[written[k].last].id, rule->name, says(rule->why)});
        }
        if (Step& step = recipe_[first]; step.why.empty() && !step.placedBy.empty()) step.why = step.placedBy[0].why;
        written.push_back({place.at, first, recipe_.size() - 1});
    }
    return now;
}

}  // namespace vl
