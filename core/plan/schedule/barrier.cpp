#include "core/plan/schedule/barrier.h"

#include "core/words/order.h"

#include <algorithm>

namespace vl {

std::optional<Barrier> barrierTo(const Recipe& recipe, const Schedule& schedule, size_t step, double minutes)
{
    constexpr double moment = 0.5;  // minutes
    const Step& mine = recipe[step];
    const auto isFirst = [&](const Step& other) {
        return std::ranges::find(mine.after, other.id) != mine.after.end() ||
               std::ranges::find(mine.placedBy, other.id, &PlacedBy::step) != mine.placedBy.end();
    };
    std::optional<Barrier> last;
    for (size_t i = 0; i < recipe.size(); ++i)
        if (isFirst(recipe[i]) && schedule.end[i] > minutes + moment && (!last || schedule.end[i] > last->free))
            last = Barrier{.step = i, .free = schedule.end[i]};
    if (!last) return last;
    const auto rule = std::ranges::find(mine.placedBy, recipe[last->step].id, &PlacedBy::step);
    if (rule != mine.placedBy.end()) last->rule = &*rule;
    return last;
}

Text sayBarrier(const Recipe& recipe, const Barrier& barrier)
{
    const Text& before = recipe[barrier.step].title;
    return barrier.rule ? says(words::comesAfter, before, barrier.rule->why) : says(words::worksOnWhatGives, before);
}

}  // namespace vl
