#include "core/plan/schedule.h"

#include "core/measure/input_error.h"

#include <boost/graph/adjacency_list.hpp>
#include <boost/graph/topological_sort.hpp>

#include <algorithm>
#include <queue>
#include <unordered_map>

namespace vl {

Schedule scheduleRecipe(const Recipe& recipe)
{
    using Graph = boost::adjacency_list<boost::vecS, boost::vecS, boost::bidirectionalS>;
    std::unordered_map<std::string, size_t> index;
    for (size_t i = 0; i < recipe.size(); ++i)
        if (!index.emplace(recipe[i].id, i).second) throw InputError("steps", "'" + recipe[i].id + "' twice", "one step of each id is");
    Graph graph(recipe.size());
    for (size_t i = 0; i < recipe.size(); ++i)
        for (const std::string& before : recipe[i].after) {
            const auto it = index.find(before);
            if (it == index.end()) throw InputError("steps." + recipe[i].id + ".after", "'" + before + "'", "the id of a step is");
            boost::add_edge(it->second, i, graph);
        }
    std::vector<size_t> backwards;
    try {
        boost::topological_sort(graph, std::back_inserter(backwards));
    } catch (const boost::not_a_dag&) {
        throw InputError("steps", "a circle", "steps that do not need one another in a circle are");
    }

    // The chain that hangs on each step, itself included.
    std::vector<double> tail(recipe.size());
    for (const size_t i : backwards) {
        double longest = 0;
        for (auto [e, end] = boost::out_edges(i, graph); e != end; ++e) longest = std::max(longest, tail[boost::target(*e, graph)]);
        tail[i] = recipe[i].workMinutes + recipe[i].waitMinutes + longest;
    }

    Schedule s;
    s.start.resize(recipe.size());
    s.end.resize(recipe.size());
    s.criticalPath = tail.empty() ? 0 : *std::ranges::max_element(tail);
    std::vector<double> ready(recipe.size(), 0);
    std::vector<size_t> missing(recipe.size());
    // Steps that can be begun, soonest first where the hands would otherwise rest, else by the chain that hangs on them.
    struct Waiting {
        double ready;
        size_t step;
    };
    auto later = [](const Waiting& a, const Waiting& b) { return std::pair(a.ready, a.step) > std::pair(b.ready, b.step); };
    auto lighter = [&](size_t a, size_t b) { return std::pair(tail[a], b) < std::pair(tail[b], a); };
    std::priority_queue<Waiting, std::vector<Waiting>, decltype(later)> coming(later);
    std::priority_queue<size_t, std::vector<size_t>, decltype(lighter)> open(lighter);
    for (size_t i = 0; i < recipe.size(); ++i) {
        missing[i] = boost::in_degree(i, graph);
        if (!missing[i]) coming.push({0, i});
    }
    double hands = 0;
    while (!coming.empty() || !open.empty()) {
        if (open.empty()) hands = std::max(hands, coming.top().ready);
        while (!coming.empty() && coming.top().ready <= hands) {
            open.push(coming.top().step);
            coming.pop();
        }
        const size_t i = open.top();
        open.pop();
        const Step& step = recipe[i];
        s.order.push_back(i);
        s.start[i] = step.workMinutes > 0 ? hands : ready[i];
        s.end[i] = s.start[i] + step.workMinutes + step.waitMinutes;
        if (step.workMinutes > 0) hands = s.start[i] + step.workMinutes;
        s.workMinutes += step.workMinutes;
        s.length = std::max(s.length, s.end[i]);
        for (auto [e, end] = boost::out_edges(i, graph); e != end; ++e) {
            const size_t next = boost::target(*e, graph);
            ready[next] = std::max(ready[next], s.end[i]);
            if (!--missing[next]) coming.push({ready[next], next});
        }
    }
    return s;
}

}  // namespace vl
