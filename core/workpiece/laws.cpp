#include "core/workpiece/laws.h"

#include "core/workpiece/turning.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {
namespace {

constexpr double close = 0.6;  // mm that a printed grip may differ from the wood

double volumeOf(const Region& region) { return region.revolved().volume; }

/// Whether the wood in the middle of its grip has the diameter that is said.
bool gripIsThere(const Held& held, const Body& body)
{
    const auto stretches = body.swept.at((body.grip.low + body.grip.high) / 2);
    const double r = held.diameter / 2;
    switch (held.by) {
    case Hold::Tenon:
    case Hold::Eccentric:
    case Hold::Tilted:
        return !stretches.empty() && std::abs(stretches.back().high - r) <= close;
    case Hold::Recess:
        return !stretches.empty() && std::abs(stretches.front().low - r) <= close;
    case Hold::Screw:
    case Hold::Faceplate:
        return !stretches.empty() && stretches.back().high >= r - close;
    case Hold::Centers: {
        // A point, or a cone in a bore no wider than is said.
        const Range z = body.swept.along();
        const auto stands = [&](double at) {
            const auto there = body.swept.at(at);
            return !there.empty() && there.front().low <= r + close;
        };
        constexpr double deep = 0.5;  // mm
        return stands(z.low + deep) && stands(z.high - deep);
    }
    default:
        return true;
    }
}

/// Whether bare jaws close on what the piece's own outside is by then.
bool marksThePiece(const Held& held, const Body& body, const Region& piece)
{
    if (held.by != Hold::Tenon && held.by != Hold::Eccentric && held.by != Hold::Tilted) return false;
    constexpr double sanded = 0.3;  // mm that sanding would still take the marks away with
    const double z = (body.grip.low + body.grip.high) / 2;
    const auto wood = body.swept.at(z), whole = piece.at(z);
    return !wood.empty() && !whole.empty() && wood.back().high - whole.back().high < sanded;
}

/// Whether a cut takes the wood that the tailstock's center stands on; a last nub under it, and a foot that is turned
/// flat to it, stay to the end.
bool meetsTailstock(const effect::Turn& turn, const Body& body, const Held& held)
{
    if (turn.side == effect::Turn::Inside) return true;
    if (held.by != Hold::Centers && held.by != Hold::Screw) return false;
    constexpr double cup = 8, deep = 2;  // mm, the ring of a live cup and how far it goes in
    const Range z = body.swept.along();
    const Range end = held.rimToHead ? Range{z.low, z.low + deep} : Range{z.high - deep, z.high};
    return !(body.swept & turn.away & Region::box(end, {0, cup})).empty();
}

/// The wood that a grip closes on.
Region gripped(const Held& held, const Range& grip, const Region& wood)
{
    const bool inside = held.by == Hold::Tenon || held.by == Hold::Faceplate || held.by == Hold::Screw;
    return inside ? wood & Region::box(grip, {0, held.diameter / 2}) : Region{};
}

class Judge {
public:
    Judge(const Recipe& recipe, const Region& piece) : recipe_(recipe), piece_(piece) {}

    void operator()(const Step& step, const Body& was, const Body& after)
    {
        if (step.held.set && !gripIsThere(step.held, after)) found_.push_back({Law::GripIsThere, step.id});
        if (step.held.set && marksThePiece(step.held, after, piece_)) found_.push_back({Law::SurfaceIsSpared, step.id});
        if (step.action == Action::Turn && step.occupies(Resource::Lathe) && after.mount.empty())
            found_.push_back({Law::IsHeld, step.id});
        const auto* turn = std::get_if<effect::Turn>(&step.effect);
        if (!turn || was.swept.empty()) return;
        constexpr double least = 1;  // mm³
        if (volumeOf(was.swept) - volumeOf(after.swept) < least) found_.push_back({Law::TakesWood, step.id});
        const auto mount = std::ranges::find(recipe_, was.mount, &Step::id);
        if (mount == recipe_.end()) return;
        const Region held = gripped(mount->held, was.grip, was.swept);
        if (!(held - after.swept).empty() && volumeOf(held - after.swept) > least)
            found_.push_back({Law::HeldToTheEnd, step.id});
        const bool turns = step.action == Action::Turn || step.action == Action::Drill;
        if (turns && mount->held.tailstock && meetsTailstock(*turn, was, mount->held))
            found_.push_back({Law::ToolComesIn, step.id});
    }
    std::vector<BrokenLaw> found() && { return std::move(found_); }

private:
    const Recipe& recipe_;
    const Region& piece_;
    std::vector<BrokenLaw> found_;
};

}  // namespace

const char* lawName(Law law)
{
    static constexpr std::array names{"takes wood that is there", "leaves the piece", "the grip is there",
                                      "no bare jaws on it",       "held to the end",  "it is held",
                                      "the tool comes in"};
    return names[static_cast<size_t>(law)];
}

std::vector<BrokenLaw> brokenLaws(const Recipe& recipe, const std::vector<size_t>& order, const Stock& stock,
                                  const Region& piece)
{
    Judge judge(recipe, piece);
    Body last;
    Region recess;  // in the foot: made for the jaws, it stays
    run(recipe, order, stock, [&](const Step& step, const Body& was, const Body& after) {
        judge(step, was, after);
        if (const auto* turn = std::get_if<effect::Turn>(&step.effect); turn && turn->side == effect::Turn::Foot)
            recess = recess | turn->away;
        if (!after.layers.empty()) last = after;
    });
    std::vector<BrokenLaw> found = std::move(judge).found();
    if (piece.empty() || last.swept.empty()) return found;
    const double whole = volumeOf(piece);
    // What sanding still takes is within a hundredth.
    constexpr double sanded = 0.01;
    if (volumeOf(last.swept - piece) + volumeOf(piece - recess - last.swept) > sanded * whole)
        found.push_back({Law::LeavesThePiece, recipe[order.back()].id});
    return found;
}

}  // namespace vl
