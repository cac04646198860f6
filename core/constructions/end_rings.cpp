#include "core/constructions/end_rings.h"

#include "core/words/build.h"

#include <algorithm>

namespace vl {
namespace {

/// Whether one list of woods is the other, begun at another place.
bool sameRound(const Layer& a, const Layer& b, int n)
{
    for (int from = 0; from < n; ++from) {
        int k = 0;
        while (k < n && woodAt(a, k) == woodAt(b, (k + from) % n)) ++k;
        if (k == n) return true;
    }
    return false;
}

}  // namespace

EndRings endRings(const Piece& piece, const std::vector<Section>& sections)
{
    const Layer &first = piece.layers.front(), &last = piece.layers.back();
    if (sections.size() < 2 || !sections.back().fromBelow) return EndRings::OneSection;
    if (!first.is<RingForm>() || !last.is<RingForm>()) return EndRings::Unlike;
    RingForm a = *first.as<RingForm>(), b = *last.as<RingForm>();
    const bool open = a.joint.kind == SegmentJoint::GapByWidth || a.joint.kind == SegmentJoint::GapByAngle;
    if (open || a.madeUp.kind != MadeUp::Plain) return EndRings::Unlike;
    a.turn = b.turn;
    a.extra = b.extra;
    return a == b && sameRound(first, last, a.segments) ? EndRings::Shared : EndRings::Unlike;
}

Piece withSharedRing(Piece piece, const std::vector<Building>& built)
{
    Layer &first = piece.layers.front(), &last = piece.layers.back();
    const RegularRing &a = built.front().layer.stock, &b = built.back().layer.stock;
    first.stockOuter = last.stockOuter = std::max(a.outer, b.outer);
    first.stockInner = last.stockInner = std::min(a.inner, b.inner);
    first.partedFrom =
        first.thickness + last.thickness + partedRing(piece).groove.value + first.sandingLoss + last.sandingLoss;
    piece.choices.holding = HoldMethod::GlueBlock;
    return piece;
}

PartedRing partedRing(const Piece& piece)
{
    const Layer &first = piece.layers.front(), &last = piece.layers.back();
    auto left = [](const char* name, const Layer& l) {
        return Setting{.machine = Resource::Lathe,
                       .name = name,
                       .value = l.thickness + l.sandingLoss,
                       .formula = "thickness + what truing its face takes"};
    };
    return {.first = left("left at the headstock's block", first),
            .groove = {Resource::Lathe, "parting tool", piece.nest.tool, Unit::Length, "chosen", "", 1},
            .last = left("left at the tailstock's block", last)};
}

void shareParts(std::vector<Building>& built)
{
    for (Part& p : built.front().parts) p.name = print(says(words::andRing, p.name, static_cast<int>(built.size())));
    built.back().parts.clear();
    built.back().steps = nullptr;
}

}  // namespace vl
