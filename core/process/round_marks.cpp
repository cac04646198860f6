#include "core/process/round_marks.h"

#include "core/recipe/settings.h"
#include "core/words/worked.h"

#include <cmath>

namespace vl {

void sayRound(Resource machine, int plate, const std::vector<RoundMark>& marks, bool everyOne, StepSpec& d)
{
    if (marks.empty()) return;
    const auto n = static_cast<int>(marks.size());
    const auto say = [&](const Pattern& words_, const Setting& at, const auto&... more) {
        d.settings.push_back(at);
        d.how.also(says(words_, at, more...));
    };
    const auto angle = [&](const RoundMark& m) {
        return angleAt(machine, "direction", std::fmod(m.angleDeg + 720, 360));
    };
    const auto hole = [&](const RoundMark& m, const char* formula) {
        return countAt(machine, "index hole", m.hole, formula);
    };
    if (plate == 0) {
        say(words::atAngle, angle(marks[0]));
        if (!everyOne) return say(words::onByAngle, angleAt(machine, "on from each to the next", 360.0 / n));
        for (int k = 1; k < n; ++k) say(words::onHole, angle(marks[static_cast<size_t>(k)]));
        return;
    }
    say(words::atHole, hole(marks[0], "chosen"), plate);
    if (!everyOne && plate % n == 0)
        return say(words::onByHoles, countAt(machine, "holes on", plate / n, "holes / number"));
    for (int k = 1; k < n; ++k) say(words::onHole, hole(marks[static_cast<size_t>(k)], "the nearest to equal shares"));
}

}  // namespace vl
