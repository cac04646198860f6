#include "io/run_json.h"

#include "core/plan/run_states.h"

#include <array>

namespace vl::io {
namespace {

const char* lineName(Pattern::Line line)
{
    static constexpr std::array names{"do", "check", "safety"};
    return names[static_cast<size_t>(line)];
}

Json heldJson(const OnLathe& l)
{
    const Held& held = l.mount->held;
    return {{"by", choicesOf<Hold>()[static_cast<size_t>(held.by)].name},
            {"diameter_mm", held.diameter},
            {"from_mm", l.grip.low},
            {"to_mm", l.grip.high},
            {"jaws", held.jaws.empty() ? Json(nullptr) : Json(held.jaws)}};
}

}  // namespace

Json linesJson(const Step& s)
{
    Json list = Json::array();
    for (const Setting& one : s.settings)
        if (one.machine != Resource::None)
            list.push_back(
                {{"kind", "set"}, {"text", one.name + ": " + print(Quantity{one.value, one.unit, one.decimals})}});
    for (const PrintedLine& line : linesOf(s.how)) list.push_back({{"kind", lineName(line.line)}, {"text", line.text}});
    return list;
}

Json rulesJson(const Plan& plan)
{
    Json list = Json::array();
    for (const size_t i : plan.schedule.order) {
        const Step& s = plan.assembly.recipe[i];
        for (const PlacedBy& by : s.placedBy)
            list.push_back({{"before", by.step}, {"after", s.id}, {"rule", by.rule}, {"why", print(by.why)}});
    }
    return list;
}

Json runJson(const Piece& piece, const Plan& plan)
{
    Json list = Json::array();
    for (const RunState& s : runStates(piece, plan)) {
        Json one{{"step", s.step->id},     {"effect", effectName(s.step->effect)},
                 {"takes_mm3", s.takes},   {"adds_mm3", s.adds},
                 {"volume_mm3", s.volume}, {"mass_g", 1000 * s.mass},
                 {"bodies", s.bodies}};
        if (s.lathe)
            one.update({{"from_mm", s.lathe->wood.low},
                        {"to_mm", s.lathe->wood.high},
                        {"widest_mm", s.lathe->widest},
                        {"sweep_mm", s.lathe->sweep},
                        {"offset_mm", s.lathe->offset},
                        {"held", heldJson(*s.lathe)},
                        {"overhang_mm", s.lathe->overhang},
                        {"rpm_high", s.lathe->mount->speed.high},
                        {"limit", s.lathe->mount->limit}});
        list.push_back(std::move(one));
    }
    return list;
}

}  // namespace vl::io
