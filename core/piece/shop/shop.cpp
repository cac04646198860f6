#include "core/piece/shop/shop.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <algorithm>

namespace vl {
namespace {

void checkLathe(const Lathe& l, const std::string& path)
{
    if (l.lowestRpm > l.highestRpm)
        throw InputError(path + "lowest_rpm", exact(l.lowestRpm),
                         "at most the highest, " + exact(l.highestRpm) + " rpm, is");
}

}  // namespace

std::vector<TurningTool> hollowers(const Shop& shop)
{
    std::vector<TurningTool> all{
        {.name = {}, .shank = shop.toolShank, .reach = shop.toolReach, .angle = shop.toolAngle, .extra = {}}};
    std::ranges::copy_if(shop.tools, std::back_inserter(all),
                         [](const TurningTool& t) { return t.use == TurningTool::Hollow; });
    return all;
}

double partingReach(const Shop& shop)
{
    double reach = shop.partingReach;
    for (const TurningTool& t : shop.tools)
        if (t.use == TurningTool::Part) reach = std::max(reach, t.reach);
    return reach;
}

const Jaws& jawsFor(const Shop& shop, bool closing, double wanted)
{
    const auto off = [&](const Jaws& j) {
        const double least = closing ? j.gripLeast : j.spreadLeast, most = closing ? j.gripMost : j.spreadMost;
        return std::max({0.0, least - wanted, wanted - most});
    };
    const Jaws* best = &shop.jaws;
    for (const Jaws& j : shop.otherJaws)
        if (off(j) < off(*best)) best = &j;
    return *best;
}

const Jaws& jawsNamed(const Shop& shop, const std::string& name)
{
    const auto it = std::ranges::find(shop.otherJaws, name, &Jaws::name);
    return name == shop.jaws.name || it == shop.otherJaws.end() ? shop.jaws : *it;
}

void useLathe(Shop& shop, size_t other)
{
    if (other < shop.otherLathes.size()) std::swap(shop.lathe, shop.otherLathes[other]);
}

void useJaws(Shop& shop, size_t other)
{
    if (other < shop.otherJaws.size()) std::swap(shop.jaws, shop.otherJaws[other]);
}

void checkShop(const Shop& s)
{
    if (s.woods.size() > mostOwnWoods)
        throw InputError("own_woods", std::to_string(s.woods.size()) + " woods",
                         "up to " + std::to_string(mostOwnWoods) + " are");
    for (const OwnWood& w : s.woods) makeKnown(w);
    FieldCheck check;
    fields(check, s);
    checkLathe(s.lathe, "");
    for (size_t i = 0; i < s.otherLathes.size(); ++i)
        checkLathe(s.otherLathes[i], "other_lathes[" + std::to_string(i) + "].");
    double week = 0;
    for (size_t d = 0; d < s.hours.size(); ++d) {
        for (size_t k = 0; k < 2; ++k)
            checkWithin("hours[" + std::to_string(d) + "][" + std::to_string(k) + "]", s.hours[d][k], {0, 1440, "min"});
        if (s.hours[d][1] < s.hours[d][0])
            throw InputError("hours[" + std::to_string(d) + "][1]", exact(s.hours[d][1]),
                             "the beginning, " + exact(s.hours[d][0]) + " min, or later is");
        week += s.hours[d][1] - s.hours[d][0];
    }
    if (week < 30) throw InputError("hours", exact(week) + " min a week", "at least 30 are");
    checkRack(s.rack);
    checkGlues(s.glues);
    checkFinishes(s.finishes);
}

}  // namespace vl
