#include "core/workpiece/run.h"

#include <algorithm>

namespace vl {
namespace {

/// Two things made one: glued, stacked, closed.
void take(Body& all, Body&& one)
{
    all.layers.insert(all.layers.end(), one.layers.begin(), one.layers.end());
    std::ranges::sort(all.layers);
    all.layers.erase(std::ranges::unique(all.layers).begin(), all.layers.end());
    all.joined |= one.joined;
    all.round |= one.round;
    all.hollow |= one.hollow;
    all.axes = std::max(all.axes, one.axes);
    all.rings |= one.rings;
    all.reversed = std::max(all.reversed, one.reversed);
    all.split = std::max(all.split, one.split);
    all.fitted |= one.fitted;
    all.cut.merge(one.cut);
    all.swept = all.swept | one.swept;
    all.solid = all.solid | one.solid;
}

/// What an effect does to one body.
struct Doing {
    Body& body;
    const Step& step;

    void operator()(const effect::None&) const {}
    void operator()(const effect::Join&) const { body.joined = true; }
    void operator()(const effect::Bring& e) const
    {
        body.swept = body.swept | e.wood;
        body.solid = body.solid | e.wood;
    }
    void operator()(const effect::Turn& e) const
    {
        body.round |= e.side == effect::Turn::Outside;
        body.hollow |= e.side == effect::Turn::Inside;
        body.swept = body.swept - e.away;
        body.solid = body.solid - e.away;
    }
    void operator()(const effect::TurnAxis& e) const { body.axes = std::max(body.axes, e.setUp + 1); }
    void operator()(const effect::Remove&) const { body.cut.insert(step.id); }
    void operator()(const effect::LetIn&) const { body.cut.insert(step.id); }
    void operator()(const effect::Part& e) const { body.rings |= e.what == effect::Part::Nest; }
    void operator()(const effect::TurnFirst&) const { body.reversed = std::max(body.reversed, Body::First); }
    void operator()(const effect::Reassemble&) const
    {
        body.reversed = Body::Reassembled;
        body.joined = true;
        body.cut.insert(step.id);
    }
    void operator()(const effect::Open&) const { body.split = Body::Opened; }
    void operator()(const effect::TurnOn&) const
    {
        body.split = Body::TurnedOn;
        body.joined = true;
    }
    void operator()(const effect::Fit&) const { body.fitted = true; }
};

void keep(Body& b, const Region& region)
{
    b.swept = b.swept & region;
    b.solid = b.solid & region;
}

/// What each output of a parting is: the first what lies before the cut, the last what lies beyond it.
void part(Body& mine, const effect::Part& e, size_t output, const Stock& stock)
{
    constexpr double far = 1e5;  // mm
    const bool first = output == 0;
    switch (e.what) {
    case effect::Part::Off:
    case effect::Part::Thin:
        if (!first) mine.layers.clear();
        if (first) keep(mine, Region::box(e.stays, {0, far}));
        break;
    case effect::Part::Lid:
        mine.part = first ? Body::Box : Body::Lid;
        keep(mine, Region::box(first ? Range{-far, e.stays.low} : Range{e.stays.high, far}, {0, far}));
        break;
    case effect::Part::Nest:
        keep(mine, Region::box({-far, far}, first ? Range{0, e.stays.low} : Range{e.stays.high, far}));
        break;
    case effect::Part::Ends:
        mine.layers.clear();
        if (output < e.layers.size()) {
            const auto layer = static_cast<size_t>(e.layers[output]);
            mine.layers = {layer};
            mine.swept = stock.layers[layer].swept;
            mine.solid = stock.layers[layer].solid;
        }
        break;
    }
}

}  // namespace

Workpiece::Workpiece(const Stock& stock) : stock_(stock)
{
    for (const auto& [id, layers] : stock.parts) {
        Body b{.layers = {layers.begin(), layers.end()}};
        for (const size_t i : layers) {
            b.swept = b.swept | stock.layers[i].swept;
            b.solid = b.solid | stock.layers[i].solid;
        }
        uncut_.emplace(id, std::move(b));
    }
}

const Body* Workpiece::last() const
{
    const auto it = bodies_.find(last_);
    return it == bodies_.end() ? nullptr : &it->second;
}

void Workpiece::carryOut(const Step& step)
{
    Body past;
    std::optional<Body::Part> of;
    bool one = true, any = false;
    for (const std::string& input : step.inputs)
        for (auto* from : {&uncut_, &bodies_}) {
            const auto it = from->find(input);
            if (it == from->end()) continue;
            one &= !of || *of == it->second.part;
            of = it->second.part;
            if (!any)
                past = std::move(it->second);
            else
                take(past, std::move(it->second));
            any = true;
            from->erase(it);
        }
    past.part = one && of ? *of : Body::All;
    std::visit(Doing{past, step}, step.effect);
    const auto* parting = std::get_if<effect::Part>(&step.effect);
    for (size_t k = 0; k < step.outputs.size(); ++k) {
        Body mine = past;
        if (parting)
            part(mine, *parting, k, stock_);
        else if (k > 0)
            mine = {};  // scrap
        bodies_.insert_or_assign(step.outputs[k], std::move(mine));
    }
    last_ = step.outputs.empty() ? "" : step.outputs.front();
}

void run(const Recipe& recipe, const std::vector<size_t>& order, const Stock& stock,
         const std::function<void(const Step&, const Body& before, const Body& after)>& see)
{
    Workpiece workpiece(stock);
    for (const size_t i : order) {
        const Step& step = recipe[i];
        Body before;
        for (const std::string& input : step.inputs)
            if (const auto it = workpiece.bodies().find(input); it != workpiece.bodies().end())
                if (before.layers.empty()) before = it->second;
        workpiece.carryOut(step);
        if (const Body* after = workpiece.last()) see(step, before, *after);
    }
}

}  // namespace vl
