#include "core/plan/progress.h"

#include <algorithm>

namespace vl {

Piece withStepTicked(Piece p, const Plan& plan, const std::string& step, double now)
{
    const auto it = std::ranges::find(plan.assembly.recipe, step, &Step::id);
    if (it == plan.assembly.recipe.end()) return p;
    if (std::erase_if(p.progress.done, [&](const StepDone& d) { return d.step == step; })) return p;
    if (!p.progress.start) p.progress.start = now;
    const auto i = static_cast<size_t>(it - plan.assembly.recipe.begin());
    const double planned = plan.schedule.begins + plan.schedule.end[i],
                 end = p.progress.start == plan.schedule.begins ? std::min(now, planned) : now;
    p.progress.done.push_back({step, std::max(0.0, end - it->workMinutes - it->waitMinutes), std::max(end, 0.0), {}});
    return p;
}

Piece withPlaceTicked(Piece p, const std::string& place)
{
    if (!std::erase_if(p.progress.ticks, [&](const Tick& t) { return t.id == place; }))
        p.progress.ticks.push_back({place, {}});
    return p;
}

bool isTicked(const Piece& p, const std::string& place)
{
    return std::ranges::find(p.progress.ticks, place, &Tick::id) != p.progress.ticks.end();
}

}  // namespace vl
