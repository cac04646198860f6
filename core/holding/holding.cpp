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

namespace {

constexpr double shoulder = 3, usualShare = 0.6;  // mm round a tenon, own cautious value; of the block, common practice

/// The jaws that a block's tenon is turned to.
const Jaws& blockJaws(HoldMethod method, double face, const Shop& shop)
{
    return jawsFor(shop, true, usualShare * 2 * (std::isnan(face) ? 30 : face) * blockHold(method).widest);
}

/// A block and its tenon, where they stand.
Region blockRegion(const OnBlock& on, double radius, double thick, double tenon, double high)
{
    const auto stretch = [&](double from, double to) {
        return on.down ? Range{on.station + from, on.station + to} : Range{on.station - to, on.station - from};
    };
    return Region::box(stretch(0, thick), {0, radius}) | Region::box(stretch(thick, thick + high), {0, tenon});
}

}  // namespace

double blockDiameter(HoldMethod method, double face, const Shop& shop)
{
    // As wide as the face that is turned there, so that the tool comes round the foot, but no narrower than its tenon
    // and a shoulder for the jaws.
    const double least = std::max(40.0, std::ceil(blockJaws(method, face, shop).gripLeast + 2 * shoulder));
    return std::max(least, std::floor(2 * (std::isnan(face) ? 30 : face) * blockHold(method).widest));
}

WorkItem mountBlock(Bench& bench, const std::string& name, HoldMethod method, const OnBlock& on, const Shop& shop,
                    const Text& of)
{
    const BlockHold& hold = blockHold(method);
    const Jaws& jaws = blockJaws(method, on.face, shop);
    const double wide = blockDiameter(method, on.face, shop);
    auto usual = [](const char* said, double mm) {
        return Setting{
            .machine = Resource::Lathe, .name = said, .value = mm, .source = "common practice", .decimals = 0};
    };
    const Setting across = usual("block, Ø", wide), thick = usual("its thickness", hold.thick),
                  tenon = usual("its tenon, Ø",
                                std::clamp(std::floor(wide * usualShare), std::ceil(jaws.gripLeast), jaws.gripMost)),
                  high = usual("the tenon's height", std::min(8.0, jaws.depth));
    Text how = says(hold.blockHow, across, thick, tenon, high);
    if (!jaws.name.empty()) how.also(says(words::withJaws, jaws.name));
    return bench.step(Action::Mount, name, {{bench.key("waste-block"), ""}}, "mounted-" + name,
                      {.title = says(hold.block, of),
                       .why = says(hold.blockWhy),
                       .how = std::move(how),
                       .settings = {across, thick, tenon, high},
                       .minutes = 15,
                       .uses = {Resource::Lathe},
                       .held = {.set = true,
                                .by = Hold::Tenon,
                                .diameter = tenon.value,
                                .depth = high.value,
                                .overhang = hold.thick + on.height,
                                .rimToHead = on.down,
                                .jaws = jaws.name},
                       .effect = effect::Bring{blockRegion(on, wide / 2, hold.thick, tenon.value / 2, high.value)}});
}

}  // namespace vl
