#include "core/plan/recipe_graph.h"

#include <algorithm>
#include <unordered_map>

namespace vl {

RecipeGraph layOut(const Recipe& recipe, int layers)
{
    RecipeGraph g;
    const size_t n = recipe.size();
    std::unordered_map<std::string, size_t> index;
    for (size_t i = 0; i < n; ++i) index[recipe[i].id] = i;
    g.column.assign(n, 0);
    g.row.assign(n, 0);
    std::vector<std::vector<size_t>> before(n), after(n);
    for (size_t i = 0; i < n; ++i)
        for (const std::string& id : recipe[i].after)
            if (const auto it = index.find(id); it != index.end()) {
                before[i].push_back(it->second);
                after[it->second].push_back(i);
                g.edges.emplace_back(it->second, i);
            }
    // Longest chains from the left (Kahn's order), then every step as far right as what takes it in allows.
    std::vector<size_t> missing(n), order, open;
    for (size_t i = 0; i < n; ++i)
        if ((missing[i] = before[i].size()) == 0) open.push_back(i);
    while (!open.empty()) {
        const size_t i = open.back();
        open.pop_back();
        order.push_back(i);
        for (const size_t k : after[i]) {
            g.column[k] = std::max(g.column[k], g.column[i] + 1);
            if (--missing[k] == 0) open.push_back(k);
        }
    }
    for (auto it = order.rbegin(); it != order.rend(); ++it) {
        if (after[*it].empty()) continue;
        int latest = 1 << 30;
        for (const size_t k : after[*it]) latest = std::min(latest, g.column[k] - 1);
        g.column[*it] = std::max(g.column[*it], latest);
    }
    for (size_t i = 0; i < n; ++i) {
        g.columns = std::max(g.columns, g.column[i] + 1);
        g.row[i] = recipe[i].onStack ? layers : std::clamp(recipe[i].layer, 0, std::max(0, layers - 1));
    }
    // Two steps of a row in one column lie one below the other.
    std::unordered_map<long, int> taken;
    int deepest = layers;
    for (const size_t i : order)
        if (g.row[i] == layers) {
            int& used = taken[g.column[i]];
            g.row[i] += used++;
            deepest = std::max(deepest, g.row[i]);
        }
    g.rows = deepest + 1;
    return g;
}

}  // namespace vl
