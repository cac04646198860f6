#include "core/plan/schedule/schedule.h"

#include "core/plan/schedule/bound.h"
#include "core/plan/schedule/placing.h"

#include <algorithm>
#include <optional>
#include <random>

namespace vl {
namespace {

constexpr size_t mostExact = 12;

/// The steps in the order in which they begin; one without length that begins when the one before it ends still
/// comes after it.
void order(const ScheduleProblem& p, Schedule& s)
{
    const size_t n = p.recipe.size();
    s.order.resize(n);
    for (size_t i = 0; i < n; ++i) s.order[i] = i;
    std::vector<size_t> place(n);
    for (size_t k = 0; k < n; ++k) place[p.net.sorted[k]] = k;
    std::ranges::sort(s.order, [&](size_t a, size_t b) {
        return std::tuple(s.start[a], s.end[a], place[a]) < std::tuple(s.start[b], s.end[b], place[b]);
    });
}

/// Placed in the order of these weights, the heaviest that can be first.
Schedule byPriority(const ScheduleProblem& p, const std::vector<double>& weight)
{
    Placing placing(p);
    auto lighter = [&](size_t a, size_t b) { return std::pair(weight[a], b) < std::pair(weight[b], a); };
    while (!placing.open.empty())
        placing.place(static_cast<size_t>(std::ranges::max_element(placing.open, lighter) - placing.open.begin()));
    order(p, placing.schedule);
    return std::move(placing.schedule);
}

struct Exact {
    double best;  ///< length of the shortest schedule known
    std::optional<Schedule> schedule;
    int left;  ///< how many more steps may be placed
};

/// No schedule that goes on from here is shorter: the chains that hang on what is still to be placed.
double leastLength(const ScheduleProblem& p, const Placing& placing)
{
    double least = placing.schedule.length;
    for (const size_t i : placing.open) {
        double ready = p.soonest[i];
        for (const size_t b : p.net.before[i]) ready = std::max(ready, placing.schedule.end[b]);
        if (!p.done[i]) least = std::max(least, ready + p.net.tail[i]);
    }
    return least;
}

/// Every order of the steps that can still beat the best: each step placed as soon as it can be, some order gives
/// the shortest schedule there is (active schedules; Sprecher, Kolisch & Drexl 1995).
void search(const ScheduleProblem& p, const Placing& placing, Exact& exact)
{
    if (placing.open.empty()) {
        exact.best = placing.schedule.length;
        exact.schedule = placing.schedule;
        order(p, *exact.schedule);
        return;
    }
    for (size_t k = 0; k < placing.open.size() && exact.left > 0; ++k) {
        Placing next = placing;
        next.place(k);
        --exact.left;
        if (leastLength(p, next) < exact.best - 1e-9) search(p, next, exact);
    }
}

}  // namespace

Schedule scheduleRecipe(const Recipe& recipe, const Shop& shop, const Progress& progress, double now)
{
    const ScheduleProblem p(recipe, shop, progress, now);
    Schedule best = byPriority(p, p.net.tail);
    boundSchedule(p, best);
    auto better = [&](Schedule next) {
        if (next.length >= best.length - 1e-9) return;
        next.criticalPath = best.criticalPath;
        next.lowerBound = best.lowerBound;
        next.busiest = best.busiest;
        next.critical = best.critical;
        best = std::move(next);
    };
    auto atBound = [&] { return best.length <= best.lowerBound * 1.001 + 1e-6; };
    std::mt19937 dice(7);
    const int tries = p.recipe.empty() ? 0 : std::clamp(static_cast<int>(1200 / p.recipe.size()), 1, 400);
    for (int k = 0; k < tries && !atBound(); ++k) {
        std::vector<double> weight = p.net.tail;
        for (double& w : weight) w *= 1 + 0.6 * (static_cast<double>(dice() >> 8) / (1 << 24) - 0.5);
        better(byPriority(p, weight));
    }
    if (!atBound() && p.recipe.size() <= mostExact) {
        Exact exact{.best = best.length, .schedule = std::nullopt, .left = 200000};
        search(p, Placing(p), exact);
        if (exact.schedule) better(std::move(*exact.schedule));
    }
    return best;
}

}  // namespace vl
