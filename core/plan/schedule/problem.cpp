#include "core/plan/schedule/problem.h"

#include "core/measure/input_error.h"

#include <boost/graph/adjacency_list.hpp>
#include <boost/graph/topological_sort.hpp>

#include <algorithm>
#include <unordered_map>

namespace vl {

Network networkOf(const Recipe& recipe)
{
    using Graph = boost::adjacency_list<boost::vecS, boost::vecS, boost::directedS>;
    const size_t n = recipe.size();
    std::unordered_map<std::string, size_t> index;
    for (size_t i = 0; i < n; ++i)
        if (!index.emplace(recipe[i].id, i).second)
            throw InputError("steps", "'" + recipe[i].id + "' twice", "one step of each id is");
    Graph graph(n);
    Network net;
    net.before.resize(n);
    net.after.resize(n);
    for (size_t i = 0; i < n; ++i)
        for (const std::string& id : recipe[i].after) {
            const auto it = index.find(id);
            if (it == index.end())
                throw InputError("steps." + recipe[i].id + ".after", "'" + id + "'", "the id of a step is");
            boost::add_edge(it->second, i, graph);
            net.before[i].push_back(it->second);
            net.after[it->second].push_back(i);
        }
    std::vector<size_t> fromTheEnd;
    try {
        boost::topological_sort(graph, std::back_inserter(fromTheEnd));
    } catch (const boost::not_a_dag&) {
        throw InputError("steps", "a circle", "steps that do not need one another in a circle are");
    }
    net.tail.resize(n);
    for (const size_t i : fromTheEnd) {
        double longest = 0;
        for (const size_t next : net.after[i]) longest = std::max(longest, net.tail[next]);
        net.tail[i] = recipe[i].workMinutes + recipe[i].waitMinutes + longest;
    }
    net.sorted.assign(fromTheEnd.rbegin(), fromTheEnd.rend());
    net.tied.assign(n, -1);
    net.tiedTo.assign(n, false);
    for (size_t i = 0; i < n; ++i) {
        const Step& wait = recipe[i];
        if (wait.workMinutes > 0 || net.before[i].size() != 1) continue;
        const size_t g = net.before[i][0];
        const bool shares = std::ranges::any_of(wait.uses, [&](Resource r) { return recipe[g].occupies(r); });
        if (recipe[g].action == Action::Glue && shares && net.tied[g] < 0) {
            net.tied[g] = static_cast<long>(i);
            net.tiedTo[i] = true;
        }
    }
    return net;
}

int capacityOf(Resource use, const Shop& shop)
{
    switch (use) {
    case Resource::Clamp:
    case Resource::Plate:
        return static_cast<int>(shop.clamps);
    case Resource::BandClamp:
        return static_cast<int>(shop.bandClamps);
    case Resource::Lathe:
        return 1;
    default:
        return 0;
    }
}

ScheduleProblem::ScheduleProblem(const Recipe& recipe_, const Shop& shop_, const Progress& progress, double now)
    : recipe(recipe_), shop(shop_), net(networkOf(recipe)), begins(progress.start.value_or(aMonday)),
      hours(shop, begins), soonest(recipe.size(), now), done(recipe.size())
{
    std::unordered_map<std::string, size_t> index;
    for (size_t i = 0; i < recipe.size(); ++i) index[recipe[i].id] = i;
    for (const StepDone& d : progress.done)
        if (const auto it = index.find(d.step); it != index.end())
            done[it->second] = TimeSpan{d.start - begins, d.end - begins};
    // What has been worked was held: a mounting is done with the first step that it serves.
    for (const size_t i : net.sorted)
        for (const size_t b : net.before[i])
            if (done[i] && !done[b] && recipe[b].action == Action::Mount)
                done[b] = TimeSpan{done[i]->from, done[i]->from};
    // What only waits runs on from when the steps before it were done, whatever the clock says now.
    for (const size_t i : net.sorted) {
        if (recipe[i].workMinutes > 0 || net.before[i].empty()) continue;
        double ended = 0;
        const bool all = std::ranges::all_of(net.before[i], [&](size_t b) {
            const bool waited = recipe[b].workMinutes <= 0 && soonest[b] < now;  // itself runs on
            const double end = done[b] ? done[b]->to : soonest[b] + recipe[b].waitMinutes;
            ended = std::max(ended, end);
            return done[b] || waited;
        });
        if (all) soonest[i] = std::min(now, ended);
    }
    for (const StepMoved& m : progress.moved)
        if (const auto it = index.find(m.step); it != index.end()) soonest[it->second] = std::max(now, m.from - begins);
}

bool ScheduleProblem::breaks(const Step& s)
{
    return s.action != Action::Glue && s.action != Action::PartOff && s.workMinutes > 20;
}

}  // namespace vl
