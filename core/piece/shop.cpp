#include "core/piece/shop.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/check.h"

namespace vl {

void checkShop(const Shop& s)
{
    if (s.woods.size() > mostOwnWoods)
        throw InputError("own_woods", std::to_string(s.woods.size()) + " woods",
                         "up to " + std::to_string(mostOwnWoods) + " are");
    for (const OwnWood& w : s.woods) makeKnown(w);
    FieldCheck check;
    fields(check, s);
    if (s.lowestRpm > s.highestRpm)
        throw InputError("lowest_rpm", exact(s.lowestRpm), "at most the highest, " + exact(s.highestRpm) + " rpm, is");
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
}

}  // namespace vl
