#include "core/plan/schedule/bound.h"

#include "core/plan/schedule/resources.h"

#include <algorithm>

namespace vl {
namespace {

/// What is asked of something that glue sets in.
struct Load {
    double minutes = 0, soonest = 1e300;  ///< altogether; when it can begin
    double longest = 0;                   ///< the longest wait
    int count = 1;
};

/// When a load can be done at the soonest: while the shop is closed each can only go through with one wait that
/// began before.
double endOf(const ScheduleProblem& p, const Load& load)
{
    double left = load.minutes / load.count, t = load.soonest;
    for (;;) {
        const TimeSpan open = p.hours.openAt(t);
        const double closed = std::min(std::max(0.0, open.from - t), load.longest);
        if (left <= closed) return t + left;
        left -= closed;
        t = std::max(t, open.from);
        if (left <= open.to - t) return t + left;
        left -= open.to - t;
        t = open.to;
    }
}

/// When everything that must come before a step, or before the end (`i` = number of steps), can be through at the
/// soonest, if only one of hands, clamps and lathe is looked at; and which of them takes longest.
std::pair<double, const char*> busyBefore(const ScheduleProblem& p, size_t i)
{
    std::vector<bool> before(p.recipe.size(), i == p.recipe.size());
    std::vector<size_t> open = i < p.recipe.size() ? p.net.before[i] : std::vector<size_t>{};
    while (!open.empty()) {
        const size_t k = open.back();
        open.pop_back();
        if (before[k]) continue;
        before[k] = true;
        open.insert(open.end(), p.net.before[k].begin(), p.net.before[k].end());
    }
    Load hands;
    std::array<Load, held.size()> loads;
    for (size_t k = 0; k < p.recipe.size(); ++k) {
        if (!before[k] || p.done[k]) continue;
        const Step& step = p.recipe[k];
        hands.minutes += step.workMinutes;
        hands.soonest = std::min(hands.soonest, p.soonest[k]);
        if (p.net.tiedTo[k] && !p.done[p.net.before[k][0]]) continue;
        const double after = step.waitMinutes + (p.net.tied[k] >= 0 && before[static_cast<size_t>(p.net.tied[k])]
                                                     ? p.recipe[static_cast<size_t>(p.net.tied[k])].waitMinutes
                                                     : 0);
        for (size_t u = 0; u < held.size(); ++u) {
            if (!step.occupies(held[u]) || !(after > 0 || held[u] == Resource::Lathe)) continue;
            Load& l = loads[u];
            l.minutes += step.workMinutes + after;
            l.longest = std::max(l.longest, after);
            l.soonest = std::min(l.soonest, p.soonest[k]);
            l.count = capacityOf(held[u], p.shop);
        }
    }
    std::pair<double, const char*> latest{0, "chain"};
    if (hands.minutes > 0) latest = {p.hours.endOfWork(hands.soonest, hands.minutes), "hands"};
    for (size_t u = 0; u < held.size(); ++u)
        if (loads[u].minutes > 0)
            if (const double t = endOf(p, loads[u]); t > latest.first) latest = {t, resourceName(held[u]).data()};
    return latest;
}

double earliestEnd(const ScheduleProblem& p, double t, const Step& step)
{
    return Hands(p.hours).find(t, step.workMinutes, ScheduleProblem::breaks(step)).back().to;
}

}  // namespace

void boundSchedule(const ScheduleProblem& p, Schedule& s)
{
    const size_t n = p.recipe.size();
    std::vector<double> chain(n, 0), end(n, 0);
    std::vector<long> from(n, -1);
    std::vector<const char*> by(n, "chain");
    size_t final = 0;
    auto pass = [&](std::vector<double>& ends, bool loads) {
        double last = 0;
        for (const size_t i : p.net.sorted) {
            if (p.done[i]) {
                ends[i] = p.done[i]->to;
            } else {
                double t = p.soonest[i];
                for (const size_t b : p.net.before[i])
                    if (ends[b] >= t) {
                        t = ends[b];
                        from[i] = static_cast<long>(b);
                    }
                if (loads && p.net.before[i].size() > 1) {
                    const auto [busy, name] = busyBefore(p, i);
                    if (busy > t) {
                        t = busy;
                        by[i] = name;
                    } else if (from[i] >= 0)
                        by[i] = by[static_cast<size_t>(from[i])];
                } else if (from[i] >= 0)
                    by[i] = by[static_cast<size_t>(from[i])];
                ends[i] = (p.recipe[i].workMinutes > 0 ? earliestEnd(p, t, p.recipe[i]) : t) + p.recipe[i].waitMinutes;
            }
            if (ends[i] >= last) {
                last = ends[i];
                final = i;
            }
        }
        return last;
    };
    s.criticalPath = pass(chain, false);
    s.critical.assign(n, false);
    for (long i = n ? static_cast<long>(final) : -1; i >= 0; i = from[static_cast<size_t>(i)])
        s.critical[static_cast<size_t>(i)] = true;
    s.lowerBound = pass(end, true);
    s.busiest = n ? by[final] : "chain";
    const auto [all, name] = busyBefore(p, n);
    if (all > s.lowerBound) {
        s.lowerBound = all;
        s.busiest = name;
    }
}

}  // namespace vl
