#include "core/plan/schedule/placing.h"

#include <algorithm>

namespace vl {

Placing::Placing(const ScheduleProblem& all) : all_(all), hands_(all.hours), missing_(all.recipe.size())
{
    const size_t n = all.recipe.size();
    schedule.begins = all.begins;
    schedule.start.resize(n);
    schedule.end.resize(n);
    schedule.work.resize(n);
    schedule.done.assign(n, false);
    for (size_t i = 0; i < n; ++i) {
        schedule.workMinutes += all.recipe[i].workMinutes;
        missing_[i] = all.net.before[i].size();
        if (!missing_[i]) open.push_back(i);
    }
}

void Placing::place(size_t which)
{
    const size_t i = open[which];
    open.erase(open.begin() + static_cast<long>(which));
    if (all_.done[i])
        takeDone(i);
    else if (all_.net.tiedTo[i] && !schedule.done[all_.net.before[i][0]]) {  // placed with its glue
        schedule.start[i] = schedule.end[all_.net.before[i][0]];
        schedule.end[i] = schedule.start[i] + all_.recipe[i].waitMinutes;
    } else
        fit(i);
    schedule.length = std::max(schedule.length, schedule.end[i]);
    for (const size_t next : all_.net.after[i])
        if (!--missing_[next]) open.push_back(next);
}

void Placing::takeDone(size_t i)
{
    schedule.done[i] = true;
    schedule.start[i] = all_.done[i]->from;
    schedule.end[i] = all_.done[i]->to;
    schedule.work[i] = {{schedule.start[i], std::min(schedule.end[i], schedule.start[i] + all_.recipe[i].workMinutes)}};
}

/// What a step holds while it is worked on and waits.
std::vector<Usage*> Placing::holdsOf(const Step& step)
{
    std::vector<Usage*> all;
    for (const Resource u : step.uses)
        if (const int c = capacityOf(u, all_.shop)) all.push_back(&usage_.try_emplace(u, c).first->second);
    return all;
}

void Placing::fit(size_t i)
{
    const Step& step = all_.recipe[i];
    const long tied = all_.net.tied[i];
    const double after = step.waitMinutes + (tied >= 0 ? all_.recipe[static_cast<size_t>(tied)].waitMinutes : 0);
    const bool holds = after > 0 || step.occupies(Resource::Lathe);
    const std::vector<Usage*> uses = holds ? holdsOf(step) : std::vector<Usage*>{};
    double t = all_.soonest[i];
    for (const size_t b : all_.net.before[i]) t = std::max(t, schedule.end[b]);
    for (;;) {
        const std::vector<TimeSpan> work = step.workMinutes > 0
                                               ? hands_.find(t, step.workMinutes, ScheduleProblem::breaks(step))
                                               : std::vector<TimeSpan>{{t, t}};
        const double from = work.front().from, to = work.back().to + after;
        double free = from;
        for (const Usage* u : uses) free = std::max(free, u->freeFrom(from, to - from));
        if (free > from + 1e-9) {
            t = free;
            continue;
        }
        for (Usage* u : uses) u->take({from, to});
        if (step.workMinutes > 0) {
            hands_.take(work);
            schedule.work[i] = work;
        }
        schedule.start[i] = from;
        schedule.end[i] = work.back().to + step.waitMinutes;
        return;
    }
}

}  // namespace vl
