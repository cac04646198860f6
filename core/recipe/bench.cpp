#include "core/recipe/bench.h"

#include "core/words/glue.h"

#include <algorithm>

namespace vl {

void fill(Step& s, StepSpec doing)
{
    s.title = std::move(doing.title);
    s.why = std::move(doing.why);
    s.how = std::move(doing.how);
    s.settings = std::move(doing.settings);
    s.workMinutes = doing.minutes;
    s.waitMinutes = doing.waitMinutes;
    s.held = doing.held;
    s.rounds = std::move(doing.rounds);
    s.untilPercent = doing.untilPercent;
    s.uses = std::move(doing.uses);
    s.effect = std::move(doing.effect);
}

Step& Bench::add(Action action, const std::string& name, const WorkItems& from, const std::string& gives)
{
    Step s;
    s.id = key(name);
    s.action = action;
    s.layer = layer_;
    s.onStack = on_ == Stack;
    s.outputs = {key(gives)};
    for (const WorkItem& t : from) {
        s.inputs.push_back(t.id);
        if (!t.step.empty() && std::ranges::find(s.after, t.step) == s.after.end()) s.after.push_back(t.step);
    }
    recipe_.push_back(std::move(s));
    return recipe_.back();
}

WorkItem Bench::step(Action action, const std::string& name, const WorkItems& from, const std::string& gives,
                     StepSpec doing)
{
    Step& s = add(action, name, from, gives);
    fill(s, std::move(doing));
    return {s.outputs[0], s.id};
}

WorkItem Bench::glue(const std::string& name, const WorkItems& from, const std::string& gives, GlueUpSpec g)
{
    Step& s = add(Action::Glue, name, from, gives);
    s.title = std::move(g.title);
    s.why = std::move(g.why);
    s.how = std::move(g.how);
    s.settings = std::move(g.settings);
    s.workMinutes = g.minutes;
    s.uses = g.uses;
    s.rotationDeg = g.rotationDeg;
    s.effect = std::move(g.effect);
    s.glue = std::move(g.joint);
    s.glue.area = std::max(0.0, s.glue.area);  // of what has no wall left, which its own stop says
    const WorkItem glued{s.outputs[0], s.id};
    Text title = s.title;
    std::vector<Setting> titled;  // the numbers in it
    for (const Quantity& said : title.quantities())
        for (const Setting& one : s.settings)
            if (one.value == said.value && one.unit == said.unit) titled.push_back(one);
    const WorkItem held =
        step(Action::Wait, name + "-wait", {glued}, gives + "-set",
             {.title = g.waitTitle.empty() ? says(words::leaveInClamp, name_) : std::move(g.waitTitle),
              .why = g.waitWhy.empty() ? says(words::weakIfMoved) : std::move(g.waitWhy),
              .how = std::move(g.waitHow),
              .uses = g.waitUses.empty() ? std::move(g.uses) : std::move(g.waitUses),
              .waitMinutes = inClamp});
    // It is the same thing all the while: a cure takes nothing up and gives nothing new. Both begin with the clamp off.
    const auto cures = [&](const char* what, Step::Cure far, const Pattern& said, const Pattern& why) {
        step(Action::Wait, name + what, {}, gives + what,
             {.title = says(said, title), .why = says(why), .how = {}, .waitMinutes = inClamp});
        Step& cure = recipe_.back();
        cure.cure = far;
        cure.settings = titled;
        cure.after = {held.step};
        cure.outputs.clear();
    };
    cures("-light", Step::ForLight, words::letSet, words::trueingTears);
    cures("-cure", Step::ForHeavy, words::letCure, words::tearsUnset);
    return held;
}

}  // namespace vl
