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

void planRounds(const Progress& progress, Recipe& recipe)
{
    for (Step& s : recipe) {
        if (s.rounds.usual <= 0) continue;
        const auto round = std::ranges::find(progress.rounds, s.id, &RoundsDone::step);
        s.rounds.done = round == progress.rounds.end() ? 0 : round->count;
        s.rounds.planned = std::max(s.rounds.usual, s.rounds.done + 1);
        const double times = static_cast<double>(s.rounds.planned) / s.rounds.usual;
        s.workMinutes *= times;
        s.waitMinutes *= times;
    }
}

Piece withRoundDone(Piece p, const std::string& step)
{
    auto& all = p.progress.rounds;
    if (const auto round = std::ranges::find(all, step, &RoundsDone::step); round == all.end())
        all.push_back({.step = step});
    else
        round->count = std::min(round->count + 1, RoundsDone::most);
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
