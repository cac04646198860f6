#include "core/plan/figures/mounts.h"

#include "core/blank/stock.h"
#include "core/measure/format.h"
#include "core/piece/edits/log_middle.h"
#include "core/process/split_recipe.h"
#include "core/words/turn.h"
#include "core/workpiece/air_sweep.h"
#include "core/workpiece/axis_report.h"
#include "core/workpiece/run.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <utility>

namespace vl {
namespace {

constexpr double gravity = 9.80665;  // m/s²

/// The highest speed, rpm, at which the work's middle `offset` mm off the axis shakes the lathe with a tenth of its
/// weight.
double shaken(double massKg, double offset, const Shop& shop)
{
    const double force = 0.1 * shop.lathe.mass * gravity, arm = massKg * offset / 1000;
    return arm > 0 ? std::sqrt(force / arm) * 60 / (2 * pi) : 1e9;
}

/// The highest speed, rpm, at which a rim of this diameter (mm) and density (kg/m³) pulls its joints with 1 N/mm².
double torn(double diameter, double density)
{
    const double rim = std::sqrt(1e6 / density);
    return rim / (pi * diameter / 1000) * 60;
}

constexpr double untrue = 2;  // mm that the middle of what was never turned lies off its axis; own cautious value
constexpr double heldByPaper = 1000, heldByHotGlue = 500;  // rpm; own cautious values

/// kg, of what is on the lathe: as it is known to be round, else the blank's.
double massOf(const Body& body, const Assembly& assembly, const Shape& shape)
{
    if (!body.round || body.swept.empty() || body.layers.empty()) return shape.roughWeight;
    double density = 0;
    for (const size_t i : body.layers) density += assembly.layers[i].density * assembly.layers[i].fill;
    return body.swept.revolved().volume * density / static_cast<double>(body.layers.size()) * 1e-9;
}

/// The most that a mount bears while it holds the work, whatever is glued on meanwhile.
struct Borne {
    size_t axes = 0;                 ///< set-ups on other axes that were done before it was mounted
    Range wood{};                    ///< stations, mm
    double sweep = 0, overhang = 0;  ///< mm: the farthest wood from the work's own axis, and from the grip along it
    double mass = 0;                 ///< kg

    void add(const Body& body, const Assembly& assembly, const Shape& shape, bool rimToHead)
    {
        mass = std::max(mass, massOf(body, assembly, shape));
        if (body.swept.empty()) return;
        const Range z = body.swept.along();
        wood = wood.high > wood.low ? Range{std::min(wood.low, z.low), std::max(wood.high, z.high)} : z;
        sweep = std::max(sweep, body.swept.across().high);
        overhang = std::max(overhang, rimToHead ? body.grip.low - z.low : z.high - body.grip.high);
    }
};

/// By the ids of the steps that mount.
std::map<std::string, Borne> borneBy(const Assembly& assembly, const Shape& shape)
{
    std::map<std::string, Borne> all;
    const Stock stock = stockOf(assembly);
    Workpiece workpiece(stock);
    std::map<std::string, bool> rimToHead;
    for (const Step& step : assembly.recipe) {
        workpiece.carryOut(step);
        const Body* body = workpiece.last();
        if (step.held.set) {
            rimToHead[step.id] = step.held.rimToHead;
            if (body) all[step.id].axes = body->axes;
        }
        if (body && !body->mount.empty()) all[body->mount].add(*body, assembly, shape, rimToHead[body->mount]);
    }
    return all;
}

/// Whether a grip's overhang is from one end to the other: not where centers carry both, or another axis runs across.
bool standsOut(const Held& held)
{
    return held.by == Hold::Tenon || held.by == Hold::Recess || held.by == Hold::Faceplate;
}

/// Whether it is put together only for a while: parts before they are reversed, halves that are glued in their waste.
bool comesApart(const Recipe& recipe, const Step& mount)
{
    return mount.held.forNow || std::ranges::any_of(recipe, [](const Step& s) { return s.id == glueWasteStep; });
}

}  // namespace

std::vector<Mount> mountsOf(const Piece& piece, const Shop& shop, const Assembly& assembly,
                            const TurnedSurfaces& surfaces, const Shape& shape, LengthStyle style)
{
    std::vector<Mount> mounts;
    const Recipe& recipe = assembly.recipe;
    double density = 700;
    for (const BuiltLayer& b : assembly.layers) density = std::max(density, b.density);
    const std::map<std::string, Borne> all = borneBy(assembly, shape);
    // Wings, corners and bark come round as far as they stay.
    const double air = airSweep(piece, surfaces).high;
    // A log whose axis is off its middle has a heavy side until it is round.
    const BlockForm* log = wholeLog(piece);
    const double logOff = log ? logOffset(*log) : 0;
    for (const Step& step : recipe) {
        if (!step.held.set) continue;
        Mount m{.id = step.id, .held = step.held};
        const auto found = all.find(step.id);
        const Borne borne = found == all.end() ? Borne{.mass = shape.roughWeight} : found->second;
        const Held& held = m.held;
        // The drawing shows the work as it is mounted; the grip bears what comes onto it later too.
        const double out = held.onlyBored    ? 0
                           : standsOut(held) ? std::max(borne.overhang, held.overhang)
                                             : held.overhang;
        const TurnedAbout* about = held.setUp < 0 ? nullptr : &surfaces.axes[static_cast<size_t>(held.setUp)];
        if (about) m.stray = std::max(about->centerAt(borne.wood.low).norm(), about->centerAt(borne.wood.high).norm());
        const bool heavySide = !held.round && logOff > untrue;
        if (about || borne.axes > 0 || !surfaces.edges.empty()) m.offset = imbalance(surfaces, borne.axes, about);
        if (!held.round) m.offset = std::max({m.offset, untrue, logOff});
        m.sweep = std::max(0.5, borne.sweep > 0 ? std::max(borne.sweep, air) : assembly.cornerRadius()) + m.stray;
        const Balance balance = about || heavySide                            ? Balance::OutOfBalance
                                : held.round && borne.axes == 0 && !(air > 0) ? Balance::Round
                                                                              : Balance::Corners;
        const double across = std::min(2 * m.sweep, 10000.0);
        m.speed = speedRange(across, balance);
        m.limit = balance == Balance::OutOfBalance ? "out of balance"
                  : balance == Balance::Round      ? "diameter"
                                                   : "diameter of the corners";
        auto no = [&](double rpm, const char* what) {
            if (rpm < m.speed.high) m.speed.high = rpm, m.limit = what;
        };
        no(shaken(borne.mass, m.offset, shop), "imbalance against the lathe's mass");
        no(torn(across, density), "stress in the rim");
        no(shop.lathe.highestRpm, "the lathe's highest");
        if (held.onlyBored) no(heldAtOneEnd, "held at one end alone");
        if (held.forNow && held.by == Hold::GlueBlock) no(heldByHotGlue, "hot glue round its edge");
        if (comesApart(recipe, step)) no(heldByPaper, "parts that only paper, tape or their ends hold");
        // Whatever was just mounted begins as slowly as the lathe turns, until it is seen to run true.
        m.speed.low = std::min(shop.lathe.lowestRpm, m.speed.high);
        m.speed.rim = pi * across / 1000 * m.speed.high / 60;
        // With the tailstock up all the time the work is a propped cantilever: a load anywhere along it bends it at its
        // grip by no more than 0.1925 of what it would without (beam tables, from memory).
        const double overhang = (held.tailstock ? 0.1925 : 1) * out;
        // Along the grain wood bends many times as far before it breaks as across it: own cautious value.
        constexpr double alongGrain = 6;
        m.proof = proveMount(held.by, std::clamp(held.diameter, 1.0, 2000.0), std::min(held.depth, 500.0),
                             std::min(overhang, 3000.0), shop.catchLoad, shop.grips, held.alongGrain ? alongGrain : 1);
        const std::string needs = "a catch of " + fixed(shop.catchLoad, 0) + " N, " + formatLengthUnit(out, style) +
                                  " out" + (held.tailstock ? " with the tailstock up" : "") + ", asks for " +
                                  fixed(m.proof.moment, 1) + " N·m; the grip stands " + fixed(m.proof.limit, 1);
        m.why = m.proof.holds
                    ? needs
                    : needs + ": " + formatLengthUnit(std::ceil(m.proof.wouldHold), style) + " across would hold";
        mounts.push_back(std::move(m));
    }
    return mounts;
}

bool fewestKnown(const std::vector<Mount>& mounts)
{
    return std::ranges::all_of(mounts, [](const Mount& m) { return m.held.served; });
}

void sayMounts(const std::vector<Mount>& mounts, Recipe& recipe)
{
    for (const Mount& m : mounts) {
        Step& s = *std::ranges::find(recipe, m.id, &Step::id);
        const Setting from{.machine = Resource::Lathe,
                           .name = "speed, to begin",
                           .value = m.speed.low,
                           .unit = Unit::Speed,
                           .source = "common practice",
                           .decimals = 0},
            to{.machine = Resource::Lathe,
               .name = "speed, no more",
               .value = m.speed.high,
               .unit = Unit::Speed,
               .source = "common practice",
               .decimals = 0};
        const Setting sweep{.machine = Resource::Lathe,
                            .name = "sweeps a radius of",
                            .value = m.sweep,
                            .formula = "the farthest wood from the axis",
                            .decimals = 1};
        s.settings.insert(s.settings.end(), {sweep, from, to});
        s.how.also(says(words::sweepsRadius, sweep)).also(says(words::speedBegin, from, to));
    }
}

}  // namespace vl
