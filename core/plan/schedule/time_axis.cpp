#include "core/plan/schedule/time_axis.h"

#include <algorithm>

namespace vl {

TimeAxis::TimeAxis(const Schedule& schedule, const Shop& shop)
{
    const ShopHours hours(shop, schedule.begins);
    const double end = std::max(60.0, schedule.length);
    // Nothing is shown before the first step begins.
    double t = schedule.start.empty() ? 0 : *std::ranges::min_element(schedule.start);
    double at = 0;
    auto add = [&](double to, bool open) {
        if (to <= t) return;
        stretches_.push_back({t, to, at, open});
        at += stretches_.back().shown();
        t = to;
    };
    while (t < end) {
        const TimeSpan open = hours.openAt(t);
        add(std::min(end, open.from), false);
        add(std::min(end, open.to), true);
    }
}

double TimeAxis::shown(double minutes) const
{
    if (stretches_.empty()) return minutes;
    for (const Stretch& s : stretches_)
        if (minutes <= s.to) return s.at + (minutes - s.from) * (s.open ? 1 : closedShare);
    return length() + (minutes - stretches_.back().to);
}

double TimeAxis::minutes(double shown) const
{
    if (stretches_.empty()) return shown;
    for (const Stretch& s : stretches_)
        if (shown <= s.at + s.shown()) return s.from + (shown - s.at) / (s.open ? 1 : closedShare);
    return stretches_.back().to + (shown - length());
}

}  // namespace vl
