#include "core/holding/holding.h"

#include "core/words/glue.h"
#include "core/words/turn.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {

const BlockHold& blockHold(HoldMethod method)
{
    using namespace words;
    static const std::array<BlockHold, 3> all{BlockHold{.block = wasteBlock,
                                                        .blockWhy = builtOnIt,
                                                        .blockHow = scrapFlat,
                                                        .on = toWasteBlock,
                                                        .onHow = gluedForGood,
                                                        .off = partOff,
                                                        .offHow = partingThenHand},
                                              BlockHold{.block = glueBlock,
                                                        .blockWhy = builtOnIt,
                                                        .blockHow = hardBlock,
                                                        .on = toGlueBlock,
                                                        .onHow = gluedToComeOff,
                                                        .joint = JointFaces::Block,
                                                        .off = offGlueBlock,
                                                        .offHow = caughtBelow},
                                              BlockHold{.block = tenonPiece,
                                                        .blockWhy = tenonShort,
                                                        .blockHow = tenonHardwood,
                                                        .on = tenonOntoBase,
                                                        .onHow = gluedForGood,
                                                        .off = partOffTenon,
                                                        .offHow = partingThenHand,
                                                        .widest = 0.75,
                                                        .thick = 16}};
    return all[static_cast<size_t>(method)];
}

double blockDiameter(HoldMethod method, double face)
{
    // As wide as the face that is turned there, so that the tool comes round the foot.
    return std::max(40.0, std::floor(2 * (std::isnan(face) ? 30 : face) * blockHold(method).widest));
}

WorkItem mountBlock(Bench& bench, const std::string& name, HoldMethod method, double face, double height,
                    const Text& of)
{
    const BlockHold& hold = blockHold(method);
    const double wide = blockDiameter(method, face);
    auto usual = [](const char* said, double mm) {
        return Setting{
            .machine = Resource::Lathe, .name = said, .value = mm, .source = "common practice", .decimals = 0};
    };
    const Setting across = usual("block, Ø", wide), thick = usual("its thickness", hold.thick),
                  tenon = usual("its tenon, Ø", std::clamp(std::floor(wide * 0.6), 35.0, 100.0)),
                  high = usual("the tenon's height", 8);
    return bench.step(Action::Mount, name, {{bench.key("waste-block"), ""}}, "mounted-" + name,
                      {.title = says(hold.block, of),
                       .why = says(hold.blockWhy),
                       .how = says(hold.blockHow, across, thick, tenon, high),
                       .settings = {across, thick, tenon, high},
                       .minutes = 15,
                       .uses = {Resource::Lathe},
                       .held = {.set = true,
                                .by = Hold::Tenon,
                                .diameter = tenon.value,
                                .depth = high.value,
                                .overhang = hold.thick + height}});
}

}  // namespace vl
