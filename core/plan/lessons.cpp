#include "core/plan/lessons.h"

#include "core/constructions/construction.h"
#include "core/words/bench.h"

#include <algorithm>
#include <set>

namespace vl {
namespace {

/// Woods that a step has in hand: those of its joint, else of its layer.
std::vector<const Species*> woodsOf(const Step& step, const std::vector<BuiltLayer>& layers)
{
    if (!step.glue.woods.empty()) return step.glue.woods;
    const auto i = static_cast<size_t>(step.layer);
    return step.layer >= 0 && i < layers.size() ? woodsIn(layers[i]) : std::vector<const Species*>{};
}

std::string constructionOf(const Step& step, const std::vector<BuiltLayer>& layers)
{
    const auto i = static_cast<size_t>(step.layer);
    return step.layer >= 0 && i < layers.size() ? layers[i].how->noun : "";
}

}  // namespace

std::string kindOfStep(const Step& step, const Piece& piece)
{
    const auto i = static_cast<size_t>(step.layer);
    if (step.layer < 0 || i >= piece.layers.size()) return step.id;
    const std::string mark = "-" + piece.layers[i].id;
    const size_t at = step.id.find(mark);
    return at == std::string::npos ? step.id : step.id.substr(0, at) + step.id.substr(at + mark.size());
}

bool matters(const Lesson& lesson, const Step& step, const Piece& piece, const std::vector<BuiltLayer>& layers)
{
    switch (lesson.about) {
    case Lesson::Step:
        return lesson.of == kindOfStep(step, piece);
    case Lesson::Wood:
        return std::ranges::any_of(woodsOf(step, layers), [&](const Species* s) { return lesson.of == s->id; });
    case Lesson::Construction:
        return lesson.of == constructionOf(step, layers);
    case Lesson::Machine:
        return std::ranges::find(step.uses, lesson.of, resourceName) != step.uses.end();
    }
    return false;
}

void sayLessons(const Shop& shop, const Piece& piece, const std::vector<BuiltLayer>& layers, Recipe& recipe)
{
    for (const Lesson& l : shop.lessons) {
        if (l.note.empty() || l.of.empty()) continue;
        for (Step& s : recipe) {
            if (!matters(l, s, piece, layers)) continue;
            s.how.also(says(words::learnedHere, l.note));
            if (l.about != Lesson::Step) break;
        }
    }
}

std::vector<Lesson> subjectsOf(const Step& step, const Piece& piece, const std::vector<BuiltLayer>& layers)
{
    std::vector<Lesson> all{{.about = Lesson::Step, .of = kindOfStep(step, piece)}};
    std::set<std::string> woods;
    for (const Species* s : woodsOf(step, layers)) woods.insert(s->id);
    for (const std::string& wood : woods) all.push_back({.about = Lesson::Wood, .of = wood});
    if (const std::string how = constructionOf(step, layers); !how.empty())
        all.push_back({.about = Lesson::Construction, .of = how});
    for (const Resource r : step.uses) all.push_back({.about = Lesson::Machine, .of = std::string(resourceName(r))});
    return all;
}

}  // namespace vl
