#include "core/process/turn_writer.h"

#include "core/words/turn.h"
#include "core/workpiece/nest.h"

namespace vl {

void TurnWriter::nest()
{
    int number = 0;
    WorkItems rings;
    for (const NestedRing& ring : nestedRings(piece_.nest)) {
        const std::string k = std::to_string(++number);
        const Setting outer = measured("outside Ø", ring.outer), inner = measured("inside Ø", ring.inner);
        const Setting core = measured("groove's inner Ø", std::max(0.0, ring.inner - 2 * piece_.nest.tool));
        const Setting tool{Resource::Lathe, "parting tool", piece_.nest.tool, Unit::Length, "chosen", "", 1};
        step(Action::PartOff, "ring-" + k, "after-ring-" + k,
             {.title = says(words::partRing, number, outer, inner),
              .why = says(words::outermostFirst),
              .how = says(words::groove, inner, core, tool),
              .settings = {outer, inner, core, tool},
              .minutes = 8,
              .uses = {Resource::Lathe},
              .effect = effect::Part{effect::Part::Nest, {core.value / 2, inner.value / 2}}});
        recipe_.back().outputs.push_back("ring-" + k + "-parted");
        rings.push_back({recipe_.back().outputs.back(), recipe_.back().id});
    }
    // Each of them is what comes out; what is left on the block is scrap.
    if (!rings.empty()) finishRings(rings);
}

void TurnWriter::finishRings(const WorkItems& rings)
{
    const std::vector<NestedRing> all = nestedRings(piece_.nest);
    const auto number = static_cast<int>(rings.size());
    const auto held = [&](Hold by, double diameter, bool tailstock) -> Held {
        return {.set = true,
                .by = by,
                .diameter = diameter,
                .depth = 5,
                .overhang = outlineHeight(piece_),
                .tailstock = tailstock,
                .round = true};
    };
    const auto each = [&](const char* name, double NestedRing::*wide) {
        std::vector<Setting> settings;
        for (const NestedRing& ring : all) settings.push_back(measured(name, ring.*wide));
        return settings;
    };
    now_ = bench_.step(Action::Mount, "mount-rings", rings, "rings-held",
                       {.title = says(words::holdRingsOutside),
                        .why = says(words::edgesAndInside),
                        .how = says(words::ringsInJaws),
                        .settings = each("held on, Ø", &NestedRing::outer),
                        .minutes = 5.0 * number,
                        .uses = {Resource::Lathe},
                        .held = held(Hold::RimPlates, all.front().outer, false)});
    step(Action::Turn, "ring-insides", "ring-insides-done",
         {.title = says(words::finishRings, number),
          .why = says(words::edgesAndInside),
          .how = says(words::ringsInsideWay),
          .settings = each("inside Ø", &NestedRing::inner),
          .minutes = 8.0 * number,
          .uses = {Resource::Lathe}});
    step(Action::Mount, "mount-rings-inside", "rings-on-mandrel",
         {.title = says(words::holdRingsInside),
          .why = says(words::outsideWasHeld),
          .how = says(words::ringsOnMandrel),
          .settings = each("held on, Ø", &NestedRing::inner),
          .minutes = 5.0 * number,
          .uses = {Resource::Lathe},
          .held = held(Hold::Mandrel, all.front().inner, true)});
    step(Action::Turn, "ring-edges", "rings",
         {.title = says(words::finishRingEdges, number),
          .why = says(words::edgesAndInside),
          .how = says(words::ringEdgesWay),
          .minutes = 6.0 * number,
          .uses = {Resource::Lathe}});
}

}  // namespace vl
