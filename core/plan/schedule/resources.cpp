#include "core/plan/schedule/resources.h"

#include <algorithm>

namespace vl {

/// How many of these are in use at once at the most, from `t` on.
int Usage::most(const std::vector<TimeSpan>& spans, double t)
{
    int highest = 0;
    for (const TimeSpan& at : spans) {
        const double begin = std::max(at.from, t);
        highest = std::max(highest, static_cast<int>(std::ranges::count_if(spans, [&](const TimeSpan& s) {
                               return s.from <= begin + 1e-9 && s.to > begin + 1e-9;
                           })));
    }
    return highest;
}

double Usage::freeFrom(double t, double length) const
{
    for (;;) {
        std::vector<TimeSpan> during;
        for (const TimeSpan& s : spans_)
            if (s.from < t + length - 1e-9 && s.to > t + 1e-9) during.push_back(s);
        if (static_cast<int>(during.size()) < capacity_ || most(during, t) < capacity_) return t;
        t = std::ranges::min_element(during, {}, &TimeSpan::to)->to;
    }
}

/// The first free stretch within from … to.
TimeSpan Hands::freeIn(double from, double to) const
{
    auto it = std::ranges::partition_point(busy_, [&](const TimeSpan& b) { return b.to <= from + 1e-9; });
    for (; it != busy_.end() && it->from <= from + 1e-9; ++it) from = std::max(from, it->to);
    if (from >= to) return {to, to};
    return {from, it == busy_.end() ? to : std::min(to, it->from)};
}

std::vector<TimeSpan> Hands::find(double t, double minutes, bool breaks) const
{
    const bool mustBreak = minutes > hours_.longest();
    for (;;) {
        const TimeSpan open = hours_.openAt(t);
        const TimeSpan gap = freeIn(std::max(t, open.from), open.to);
        if (gap.length() >= minutes - 1e-9) return {{gap.from, gap.from + minutes}};
        // It may go on after closing time, if what is left of the day is worth beginning.
        if ((mustBreak || (breaks && gap.length() >= 15)) && gap.to >= open.to - 1e-9 && gap.length() > 0) {
            std::vector<TimeSpan> parts{gap};
            double left = minutes - gap.length();
            for (double from = open.to; left > 1e-9;) {
                const TimeSpan next = hours_.openAt(from), free = freeIn(next.from, next.to);
                if (free.from > next.from + 1e-9) break;
                parts.push_back({free.from, std::min(free.to, free.from + left)});
                left -= parts.back().length();
                if (left > 1e-9 && free.to < next.to - 1e-9) break;
                from = next.to;
            }
            if (left <= 1e-9) return parts;
        }
        t = gap.length() <= 0 || gap.to >= open.to - 1e-9 ? open.to : gap.to;
    }
}

void Hands::take(const std::vector<TimeSpan>& spans)
{
    for (const TimeSpan& s : spans) busy_.insert(std::ranges::upper_bound(busy_, s.from, {}, &TimeSpan::from), s);
}

}  // namespace vl
