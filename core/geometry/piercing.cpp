#include "core/geometry/piercing.h"

#include <algorithm>
#include <numeric>

namespace vl {

Piercing pierce(const std::vector<Interval>& intervals)
{
    Piercing out;
    out.settings.resize(intervals.size());
    std::vector<size_t> order(intervals.size());
    std::iota(order.begin(), order.end(), 0);
    std::ranges::stable_sort(order, {}, [&](size_t i) { return intervals[i].high; });
    std::vector<bool> taken(intervals.size());
    for (const size_t first : order) {
        if (taken[first]) continue;
        const double at = intervals[first].high;
        double least = intervals[first].low;
        std::vector<size_t> group;
        for (const size_t i : order)
            if (!taken[i] && intervals[i].low <= at) {
                group.push_back(i);
                least = std::max(least, intervals[i].low);
            }
        for (const size_t i : group) {
            taken[i] = true;
            out.settings[i] = least;
        }
        ++out.groups;
    }
    return out;
}

}  // namespace vl
