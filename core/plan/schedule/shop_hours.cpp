#include "core/plan/schedule/shop_hours.h"

#include <algorithm>
#include <cmath>

namespace vl {

DayTime dayTimeOf(double minutes)
{
    const double whole = std::floor(minutes + 0.5), day = std::floor(whole / 1440);
    return {static_cast<long>(day), static_cast<int>(whole - day * 1440)};
}

TimeSpan ShopHours::openAt(double t) const
{
    const double now = t + start_;
    for (double day = std::floor(now / 1440);; ++day) {
        // 1970-01-01 was a Thursday: the fourth day of a week that begins on Monday.
        const auto weekday = static_cast<size_t>(((static_cast<long>(day) + 3) % 7 + 7) % 7);
        const double from = day * 1440 + hours_[weekday][0] - start_, to = day * 1440 + hours_[weekday][1] - start_;
        if (to > from && to > t + 1e-9) return {from, to};
    }
}

double ShopHours::longest() const
{
    double most = 0;
    for (const auto& h : hours_) most = std::max(most, h[1] - h[0]);
    return most;
}

double ShopHours::endOfWork(double t, double minutes) const
{
    for (;;) {
        const TimeSpan open = openAt(t);
        t = std::max(t, open.from);
        if (minutes <= open.to - t + 1e-9) return t + minutes;
        minutes -= open.to - t;
        t = open.to;
    }
}

}  // namespace vl
