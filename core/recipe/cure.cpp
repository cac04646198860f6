#include "core/recipe/cure.h"

#include <algorithm>
#include <set>
#include <unordered_map>

namespace vl {

bool machines(const Step& s)
{
    switch (s.action) {
    case Action::Cut:
    case Action::Flatten:
    case Action::Recut:
    case Action::Drill:
    case Action::Turn:
    case Action::Split:
    case Action::PartOff:
    case Action::Sand:
    case Action::Carve:
        return true;
    default:
        return false;
    }
}

Recipe withCures(Recipe recipe)
{
    std::unordered_map<std::string, size_t> place;
    std::unordered_map<std::string, std::string> cureOf;  // by the wait in the clamp that it follows
    for (size_t i = 0; i < recipe.size(); ++i) {
        place[recipe[i].id] = i;
        if (recipe[i].cure && recipe[i].waitMinutes > 0) cureOf[recipe[i].after[0]] = recipe[i].id;
    }
    std::vector<std::set<std::string>> fresh(recipe.size());  // cures of joints that no tool has touched yet
    std::set<std::string> needed;
    for (size_t i = 0; i < recipe.size(); ++i) {
        Step& s = recipe[i];
        if (s.cure) continue;
        for (const std::string& id : s.after) fresh[i].insert(fresh[place.at(id)].begin(), fresh[place.at(id)].end());
        if (machines(s)) {
            for (const std::string& id : fresh[i]) s.after.push_back(id);
            needed.merge(fresh[i]);
            fresh[i].clear();
        }
        if (const auto it = cureOf.find(s.id); it != cureOf.end()) fresh[i].insert(it->second);
    }
    std::erase_if(recipe, [&](const Step& s) { return s.cure && !needed.contains(s.id); });
    return recipe;
}

}  // namespace vl
