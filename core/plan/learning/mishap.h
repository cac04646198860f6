#pragma once

#include "core/measure/field.h"
#include "core/measure/text.h"
#include "core/piece/document/piece.h"
#include "core/piece/shop/shop.h"

#include <vector>

namespace vl {

/// Something that went wrong at the lathe or in the clamp, as it was measured on the wood. Lengths mm.
struct Mishap {
    enum What { FloorThrough, WallThin, NeckThin, BaseParted, RingShort, RingSlipped, JointOpen } what = WallThin;
    double at = 40;  ///< station of it (WallThin, NeckThin, BaseParted)
    double measured =
        2;  ///< Ø of the hole; wall, neck or ring that is left; how far it slid round its outside; the gap
    std::string layer{};  ///< id (RingShort, RingSlipped, JointOpen)
    std::string extra{};

    bool isOfALayer() const { return what == RingShort || what == RingSlipped || what == JointOpen; }
    bool operator==(const Mishap&) const = default;
};
inline std::span<const Choice> choices(Mishap::What)
{
    static constexpr std::array all{
        Choice{"floor through", "the floor is cut through"},   Choice{"wall thin", "the wall is too thin, or through"},
        Choice{"neck thin", "a neck is cut too far"},          Choice{"base parted", "the base was parted through"},
        Choice{"ring short", "a ring is too small"},           Choice{"ring slipped", "a ring slid as it was glued"},
        Choice{"joint open", "a joint in a ring stands open"},
    };
    return all;
}
template <class V, As<Mishap> F> void fields(V& v, F& f)
{
    using M = Mishap;
    v.choice("what", f.what, "What happened");
    v.when(!f.isOfALayer() && f.what != M::FloorThrough).length("at_mm", f.at, {0, 3000}, "At station");
    v.when(f.what != M::BaseParted)
        .length("measured_mm", f.measured, {-200, 2000},
                f.what == M::FloorThrough  ? "The hole, Ø"
                : f.what == M::WallThin    ? "Wall that is left"
                : f.what == M::NeckThin    ? "Neck, Ø"
                : f.what == M::RingShort   ? "Ring outside, Ø"
                : f.what == M::RingSlipped ? "It slid by"
                                           : "The joint gapes by",
                f.what == M::WallThin      ? "0: it is through"
                : f.what == M::RingSlipped ? "round its outside; below 0: the other way"
                                           : "by caliper");
}

/// A way of going on: what is done, with its numbers, and the piece that it comes to, to be accepted or not.
struct WayOut {
    Text name;
    Text how;
    Piece piece;
};

/// The ways out there are, the one that changes least first; empty where the numbers say that nothing is wrong, or
/// where nothing can be saved. Every piece that is offered stands its own check.
std::vector<WayOut> waysOut(const Piece& piece, const Shop& shop, const Mishap& mishap);

}  // namespace vl
