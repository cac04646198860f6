#include "core/workpiece/run.h"

#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

/// Two things made one: glued, stacked, closed.
void take(Body& into, Body&& one)
{
    into.layers.insert(into.layers.end(), one.layers.begin(), one.layers.end());
    std::ranges::sort(into.layers);
    into.layers.erase(std::ranges::unique(into.layers).begin(), into.layers.end());
    into.joined |= one.joined;
    into.round |= one.round;
    into.hollow |= one.hollow;
    into.axes = std::max(into.axes, one.axes);
    into.rings |= one.rings;
    into.reversed = std::max(into.reversed, one.reversed);
    into.split = std::max(into.split, one.split);
    into.fitted |= one.fitted;
    into.cut.merge(one.cut);
    if (into.mount.empty()) into.mount = one.mount, into.grip = one.grip;
    into.swept = into.swept | one.swept;
    into.solid = into.solid | one.solid;
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

/// Held from now on as a step says: at the end that stands to the headstock.
void mount(Body& b, const Step& step)
{
    const Range z = b.swept.along();
    b.mount = step.id;
    b.grip = step.held.rimToHead ? Range{z.high - step.held.depth, z.high} : Range{z.low, z.low + step.held.depth};
}

void keep(Body& b, const Region& region)
{
    b.swept = b.swept & region;
    b.solid = b.solid & region;
}

/// What each output of a parting is: the first what lies before the cut, the last what lies beyond it.
void part(Body& mine, const effect::Part& e, size_t output, const Stock& stock)
{
    const bool first = output == 0;
    // What still stands on its block, or on what is left of the nest, is held on; so is a stack on one block when the
    // other comes off.
    const bool stands =
        e.what == effect::Part::Off && first && mine.grip.low >= e.stays.low && mine.grip.high <= e.stays.high;
    if (e.what != effect::Part::Thin && !(e.what == effect::Part::Nest && first) && !stands) mine.mount.clear();
    switch (e.what) {
    case effect::Part::Off:
    case effect::Part::Thin:
        if (!first) mine.layers.clear();
        if (first) keep(mine, Region::box(e.stays, {0, farOut}));
        break;
    case effect::Part::Lid:
        mine.part = first ? Body::Box : Body::Lid;
        keep(mine, Region::box(first ? Range{-farOut, e.stays.low} : Range{e.stays.high, farOut}, {0, farOut}));
        break;
    case effect::Part::Nest:
        // The block stays with the middle.
        keep(mine,
             first ? Region::box(everywhere, {0, e.stays.low}) : Region::box({0, farOut}, {e.stays.high, farOut}));
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
    if (step.held.set) mount(past, step);
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
