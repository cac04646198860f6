#include "core/holding/holding.h"

#include "core/holding/mount.h"
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

constexpr double usualShare = 0.6;  // of the block, common practice

/// A block and its tenon, as wide as what comes onto it asks for.
struct BlockSize {
    double wide = 0, tenon = 0, high = 0;  // mm
    const Jaws& jaws;
};

BlockSize blockSize(HoldMethod method, const OnBlock& on, const Shop& shop)
{
    const BlockHold& hold = blockHold(method);
    // As wide as the face that is turned there, so that the tool comes round the foot, but no narrower than its tenon
    // and a shoulder for the jaws.
    const double face = 2 * (std::isnan(on.face) ? 30 : on.face) * hold.widest, least = 40;
    const double deep = std::min(8.0, shop.jaws.depth);
    // Another block comes with a section that is closed onto it, and its tenon.
    const double out = std::min(2 * hold.thick + deep + on.reach, 3000.0);
    constexpr double some = 10;  // mm, of any diameter: what would hold does not hang on it
    const double holds = std::ceil(proveMount(Hold::Tenon, some, deep, out, shop.catchLoad, shop.grips).wouldHold);
    const Jaws& jaws = jawsFor(shop, true, std::max(usualShare * face, holds));
    BlockSize size{.wide = std::max(std::floor(face), std::max(least, std::ceil(jaws.gripLeast + 2 * tenonShoulder))),
                   .high = std::min(8.0, jaws.depth),
                   .jaws = jaws};
    size.tenon = std::clamp(std::max(std::floor(size.wide * usualShare), holds), std::ceil(jaws.gripLeast),
                            std::max(std::ceil(jaws.gripLeast), jaws.gripMost));
    size.wide = std::max(size.wide, std::ceil(size.tenon + 2 * tenonShoulder));
    return size;
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

double blockDiameter(HoldMethod method, const OnBlock& on, const Shop& shop)
{
    return blockSize(method, on, shop).wide;
}

WorkItem mountBlock(Bench& bench, const std::string& name, HoldMethod method, const OnBlock& on, const Shop& shop,
                    const Text& of)
{
    const BlockHold& hold = blockHold(method);
    const BlockSize size = blockSize(method, on, shop);
    auto usual = [](const char* said, double mm) {
        return Setting{
            .machine = Resource::Lathe, .name = said, .value = mm, .source = "common practice", .decimals = 0};
    };
    const Setting across = usual("block, Ø", size.wide), thick = usual("its thickness", hold.thick),
                  tenon = usual("its tenon, Ø", size.tenon), high = usual("the tenon's height", size.high);
    Text how = says(hold.blockHow, across, thick, tenon, high);
    if (!size.jaws.name.empty()) how.also(says(words::withJaws, size.jaws.name));
    return bench.step(
        Action::Mount, name, {{bench.key("waste-block"), ""}}, "mounted-" + name,
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
                  .jaws = size.jaws.name},
         .effect = effect::Bring{blockRegion(on, size.wide / 2, hold.thick, tenon.value / 2, high.value)}});
}

}  // namespace vl
