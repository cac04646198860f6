#include "core/recipe/cure.h"

#include <algorithm>
#include <set>
#include <unordered_map>

namespace vl {

Load loadOf(const Step& s)
{
    switch (s.action) {
    case Action::Flatten:
        return Load::Light;
    case Action::Drill:
        return s.occupies(Resource::Lathe) ? Load::Heavy : Load::Light;
    case Action::Cut:
    case Action::Recut:
    case Action::Turn:
    case Action::Split:
    case Action::PartOff:
    case Action::Sand:
    case Action::Carve:
        return Load::Heavy;
    default:
        return Load::None;
    }
}

Recipe withCures(Recipe recipe)
{
    struct Cures {
        std::set<std::string> light, heavy;  // of joints that no such work has touched yet
    };
    std::unordered_map<std::string, size_t> place;
    std::unordered_map<std::string, Cures> curesOf;  // by the wait in the clamp that they follow
    for (size_t i = 0; i < recipe.size(); ++i) {
        place[recipe[i].id] = i;
        if (!recipe[i].cure || recipe[i].waitMinutes <= 0) continue;
        Cures& own = curesOf[recipe[i].after[0]];
        (recipe[i].cure == Step::ForLight ? own.light : own.heavy).insert(recipe[i].id);
    }
    std::vector<Cures> fresh(recipe.size());
    std::set<std::string> needed;
    for (size_t i = 0; i < recipe.size(); ++i) {
        Step& s = recipe[i];
        if (s.cure) continue;
        Cures& mine = fresh[i];
        for (const std::string& id : s.after) {
            const Cures& before = fresh[place.at(id)];
            mine.light.insert(before.light.begin(), before.light.end());
            mine.heavy.insert(before.heavy.begin(), before.heavy.end());
        }
        const Load load = loadOf(s);
        if (load != Load::None) {
            std::set<std::string>& waited = load == Load::Light ? mine.light : mine.heavy;
            for (const std::string& id : waited) s.after.push_back(id);
            needed.merge(waited);
            mine.light.clear();
            waited.clear();
        }
        if (const auto it = curesOf.find(s.id); it != curesOf.end()) {
            mine.light.insert(it->second.light.begin(), it->second.light.end());
            mine.heavy.insert(it->second.heavy.begin(), it->second.heavy.end());
        }
    }
    std::erase_if(recipe, [&](const Step& s) { return s.cure && !needed.contains(s.id); });
    return recipe;
}

}  // namespace vl
