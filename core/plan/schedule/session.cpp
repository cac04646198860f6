#include "core/plan/schedule/session.h"

#include <algorithm>

namespace vl {

Session nextSession(const Recipe& recipe, const Schedule& schedule)
{
    Session session;
    for (const size_t i : schedule.order) {
        if (schedule.done[i] || schedule.work[i].empty()) continue;
        const double from = schedule.work[i].front().from;
        if (session.steps.empty()) session.time = {from, from};
        const auto day = dayTimeOf(schedule.begins + from).day;
        if (day != dayTimeOf(schedule.begins + session.time.from).day) continue;
        session.steps.push_back(i);
        session.workMinutes += recipe[i].workMinutes;
        for (const TimeSpan& w : schedule.work[i])
            if (dayTimeOf(schedule.begins + w.from).day == day) session.time.to = std::max(session.time.to, w.to);
    }
    return session;
}

}  // namespace vl
