#include "core/plan/run_states.h"

#include "core/blank/stock.h"
#include "core/workpiece/air_sweep.h"
#include "core/workpiece/run.h"
#include "core/workpiece/turning.h"

#include <algorithm>
#include <array>
#include <map>
#include <set>

namespace vl {
namespace {

constexpr double kgPerMm3 = 1e-9;  // times kg/m³

/// The volumes of bodies: a circle of wood as far as there is wood all round, and beyond it the share that the blank's
/// corners fill.
class Volumes {
public:
    Volumes(const Piece& piece, const Plan& plan, const Stock& stock) : piece_(piece), plan_(plan)
    {
        for (const Step& s : plan.assembly.recipe) steps_.insert(s.id);
        whole_ = finishedWith({}, 0);
        const Region last = plan.surfaces.wood();
        const Range air = airSweep(piece, plan.surfaces);
        for (size_t i = 0; i < stock.layers.size(); ++i) {
            const BuiltLayer& l = plan.assembly.layers[i];
            const bool edged = air.high > 0 && stock.layers.size() == 1;
            const Region& swept = stock.layers[i].swept;
            solid_.push_back(edged ? stock.layers[i].solid & Region::box(everywhere, {0, air.low})
                                   : stock.layers[i].solid);
            // Where edges or bark stay the share is that of the piece, else that of the glued layer.
            const Region wood = edged ? last & swept : swept;
            const double sure = l.fill * volumeOf(wood & solid_[i]), beyond = volumeOf(wood - solid_[i]);
            corners_.push_back(beyond > 0 ? std::clamp(((edged ? whole_ : l.volume) - sure) / beyond, 0.0, 1.0) : 0);
        }
    }

    /// mm³ and kg of one body.
    std::pair<double, double> of(const Body& body) const
    {
        if (body.layers.empty()) {
            const double block = volumeOf(body.swept);
            return {block, block * blockDensity * kgPerMm3};
        }
        double volume = 0, mass = 0;
        Region block = body.swept;
        for (const size_t i : body.layers) {
            const BuiltLayer& l = plan_.assembly.layers[i];
            const Region mine = body.swept & reach(l);
            const double wood = l.fill * volumeOf(mine & solid_[i]) + corners_[i] * volumeOf(mine - solid_[i]);
            volume += wood;
            mass += wood * l.density * kgPerMm3;
            block = block - mine;
        }
        const double waste = volumeOf(block), taken = takenBy(body);
        const double density = volume > 0 ? mass / volume : 0;
        return {std::max(0.0, volume + waste - taken),
                std::max(0.0, mass + waste * blockDensity * kgPerMm3 - taken * density)};
    }

private:
    static constexpr double blockDensity = 650;  // kg/m³, of scrap; own value

    static double volumeOf(const Region& region) { return region.empty() ? 0 : region.revolved().volume; }
    /// Where a layer has wood, its waste with it.
    static Region reach(const BuiltLayer& l)
    {
        return Region::box({l.z0 - l.wasteBelow, l.z1 + l.wasteAbove}, {0, farOut});
    }
    /// The finished piece with some of its cuts and axes only, mm³.
    double finishedWith(const std::set<std::string>& cut, size_t axes) const
    {
        TurnedSurfaces some = plan_.surfaces;
        // What no step takes is the blank's own: bark.
        std::erase_if(some.cuts, [&](const Cut& c) { return steps_.contains(c.step) && !cut.contains(c.step); });
        some.axes.resize(std::min(axes, some.axes.size()));
        return measureShape(piece_, plan_.assembly, some).woodVolume;
    }
    /// What other axes, saw and drill have taken of it, mm³.
    double takenBy(const Body& body) const
    {
        const auto [it, fresh] = taken_.try_emplace(std::pair(body.cut, body.axes), 0);
        if (fresh && (!body.cut.empty() || body.axes > 0))
            it->second = std::max(0.0, whole_ - finishedWith(body.cut, body.axes));
        return it->second;
    }

    const Piece& piece_;
    const Plan& plan_;
    std::set<std::string> steps_;
    double whole_ = 0;             // finished, without what other axes, saw and drill take, mm³
    std::vector<Region> solid_;    // of each layer: where there is wood all round
    std::vector<double> corners_;  // and the share of wood beyond it
    mutable std::map<std::pair<std::set<std::string>, size_t>, double> taken_;
};

/// Whether it is some of the parts of one layer.
bool isLoosePart(const Body& b) { return !b.joined && !b.rings && b.part == Body::All && b.layers.size() == 1; }

OnLathe onLathe(const Body& body, const Mount& mount)
{
    const Range z = body.swept.along();
    const double widest = body.swept.across().high;
    const double out = mount.held.rimToHead ? body.grip.low - z.low : z.high - body.grip.high;
    return {.wood = z,
            .widest = widest,
            .sweep = widest + mount.stray,
            .offset = mount.offset,
            .overhang = mount.held.by == Hold::Centers ? 0 : std::max(0.0, out),
            .mount = &mount,
            .grip = body.grip};
}

}  // namespace

const char* effectName(const Effect& effect)
{
    static constexpr std::array names{"none", "join",       "bring",      "turn", "turn_axis", "remove", "let_in",
                                      "part", "turn_first", "reassemble", "open", "turn_on",   "fit"};
    return names[effect.index()];
}

std::vector<RunState> runStates(const Piece& piece, const Plan& plan)
{
    std::vector<RunState> all;
    const Stock stock = stockOf(plan.assembly);
    const Volumes volumes(piece, plan, stock);
    Workpiece workpiece(stock);
    // What nothing takes up again is scrap, but for what comes out at the end.
    std::set<std::string> used;
    for (const Step& s : plan.assembly.recipe) used.insert(s.inputs.begin(), s.inputs.end());
    used.insert("piece");
    double before = 0;
    for (const size_t i : plan.schedule.order) {
        const Step& step = plan.assembly.recipe[i];
        workpiece.carryOut(step);
        const Body* body = workpiece.last();
        if (!body || step.action == Action::Wait) continue;
        RunState state{.step = &step};
        double total = 0;
        std::set<size_t> counted;
        for (const auto& [name, one] : workpiece.bodies()) {
            if (!used.contains(name)) continue;
            ++state.bodies;
            // Parts of one layer that are still apart are that layer, once.
            if (!isLoosePart(one) || counted.insert(one.layers.front()).second) total += volumes.of(one).first;
        }
        std::tie(state.volume, state.mass) = volumes.of(*body);
        state.adds = std::max(0.0, total - before);
        state.takes = std::max(0.0, before - total);
        before = total;
        const auto mount = std::ranges::find(plan.mounts, body->mount, &Mount::id);
        if (mount != plan.mounts.end() && step.occupies(Resource::Lathe) && !body->swept.empty())
            state.lathe = onLathe(*body, *mount);
        all.push_back(std::move(state));
    }
    return all;
}

}  // namespace vl
