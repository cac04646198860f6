#include "core/order/rules.h"

#include "core/words/box.h"
#include "core/words/order.h"
#include "core/words/turn.h"

#include <algorithm>
#include <array>
#include <initializer_list>

namespace vl {
namespace {

using enum Work;

bool isOneOf(const Operation& o, std::initializer_list<Work> works)
{
    return std::ranges::find(works, o.work) != works.end();
}

/// What opens the inside.
bool opens(const Operation& o) { return isOneOf(o, {Work::StartBore, Work::ThinBand, Work::Hollow}); }

/// What has to be held by what is cut off at the end.
bool isHeld(const Operation& o) { return o.access != Access::AtRest && o.work < PartOff; }

/// Brings a surface to its last shape.
bool shapes(const Operation& o)
{
    return isOneOf(o, {Work::LastOutside, Work::Undercut, Work::Side, Work::LastCuts}) || opens(o);
}

constexpr std::array rules{
    Rule{"bored_while_free", words::boreBeforeMounting,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == Bore && b.work == Rough; }},
    Rule{"round_first", words::roundFirst,
         [](const Operation& a, const Operation& b, const Manner&) {
             return a.work == Rough && !isOneOf(b, {Bore, Rough});
         }},
    Rule{"weak_places_first", words::weakPlacesFirst,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == FillWeak && shapes(b); }},
    Rule{"undercut_while_solid", words::overhangWhileSolid,
         [](const Operation& a, const Operation& b, const Manner&) {
             return a.work == LastOutside && b.work == Work::Undercut;
         }},
    Rule{"outside_first", words::thinLast,
         [](const Operation& a, const Operation& b, const Manner& m) {
             return !m.bothRoughed && isOneOf(a, {LastOutside, SandOutside}) && opens(b);
         }},
    Rule{"both_sides_roughed", words::bothRoughed,
         [](const Operation& a, const Operation& b, const Manner& m) {
             return m.bothRoughed && opens(a) && b.work == LastOutside;
         }},
    Rule{"sanded_as_it_runs", words::sandedAsItRuns,
         [](const Operation& a, const Operation& b, const Manner&) {
             return (isOneOf(a, {LastOutside, Work::Undercut}) && b.work == SandOutside) ||
                    (a.work == Hollow && b.work == SandInside);
         }},
    Rule{"sides_from_the_outside", words::sidesNeedOutside,
         [](const Operation& a, const Operation& b, const Manner&) {
             return isOneOf(a, {LastOutside, SandOutside}) && isOneOf(b, {MarkDepth, Side});
         }},
    Rule{"lines_while_it_runs_true", words::onlyWhileTrue,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == MarkDepth && b.work == Side; }},
    Rule{"one_side_done_before_the_next", words::noWayBack,
         [](const Operation& a, const Operation& b, const Manner&) {
             return a.work == Side && b.work == Side && a.number < b.number;
         }},
    Rule{"sides_while_solid", words::sidesWhileSolid,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == Side && opens(b); }},
    Rule{"from_the_middle_out", words::endGrainFromMiddle,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == StartBore && b.work == Hollow; }},
    Rule{"from_the_tip_inwards", words::tipBearsNoMore,
         [](const Operation& a, const Operation& b, const Manner&) {
             return a.work == ThinBand && (b.work == Hollow || (b.work == ThinBand && a.number < b.number));
         }},
    Rule{"last_cuts_on_what_has_moved", words::shapeHasMoved,
         [](const Operation& a, const Operation& b, const Manner&) {
             return (opens(a) || isOneOf(a, {LastOutside, SandOutside, Side})) && b.work == LastCuts;
         }},
    Rule{"finished_while_open", words::insideNow,
         [](const Operation& a, const Operation& b, const Manner&) {
             return isOneOf(a, {Hollow, SandInside}) && b.work == Fit;
         }},
    Rule{"turned_as_one", words::joinsDisappear,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == Fit && b.work == LastCuts; }},
    Rule{"let_in_once_shaped", words::letInOnceShaped,
         [](const Operation& a, const Operation& b, const Manner&) { return shapes(a) && b.work == LetIn; }},
    Rule{"sanded_once_shaped", words::sandedOnceShaped,
         [](const Operation& a, const Operation& b, const Manner&) {
             return (shapes(a) || a.work == LetIn) && b.work == Sand;
         }},
    Rule{"worked_once_sanded", words::workedOnceSanded,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == Sand && b.work == IndexWork; }},
    Rule{"eased_last", words::easedLast,
         [](const Operation& a, const Operation& b, const Manner&) {
             return isOneOf(a, {Fit, LastCuts, LetIn, Sand, IndexWork}) && b.work == Ease;
         }},
    Rule{"finished_while_held", words::finishedHeld,
         [](const Operation& a, const Operation& b, const Manner& m) {
             if (!m.finishedHeld) return false;
             return (isOneOf(a, {Sand, IndexWork}) && b.work == Finish) || (a.work == Finish && b.work == PartOff);
         }},
    Rule{"held_to_the_end", words::heldToTheEnd,
         [](const Operation& a, const Operation& b, const Manner&) {
             return isHeld(a) ? isOneOf(b, {PartOff, FreeFoot}) : a.work == PartOff && b.work == FreeFoot;
         }},
    Rule{"dried_when_free", words::driedWhenFree,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == FreeFoot && b.work == Dry; }},
    Rule{"sanded_when_dry", words::sandedWhenDry,
         [](const Operation& a, const Operation& b, const Manner&) { return a.work == Dry && b.work == SandAtRest; }},
    Rule{"free_of_its_hold", words::freeOfItsHold,
         [](const Operation& a, const Operation& b, const Manner&) {
             return b.work == OnceFree && !isOneOf(a, {OnceFree, Finish});
         }},
    Rule{"finish_last", words::finishLast,
         [](const Operation& a, const Operation& b, const Manner& m) {
             return !m.finishedHeld && b.work == Finish && a.work != Finish;
         }},
};

}  // namespace

std::span<const Rule> orderRules() { return rules; }

const Rule* ruleBetween(const Operation& one, const Operation& other, const Manner& manner)
{
    const auto it = std::ranges::find_if(rules, [&](const Rule& rule) { return rule.comesFirst(one, other, manner); });
    return it == rules.end() ? nullptr : &*it;
}

}  // namespace vl
