#include "core/piece/edits/edit.h"

#include <algorithm>
#include <cmath>

namespace vl::edit {
namespace {

bool has(const Piece& p, int i) { return i >= 0 && i < static_cast<int>(p.layers.size()); }
Layer& at(Piece& p, int i) { return p.layers[static_cast<size_t>(i)]; }

/// Half a segment on, to the side that brings the stack back towards where it began.
double halfOn(const Piece& p, int layer)
{
    double sum = 0;
    for (int i = 1; i < layer; ++i)
        if (const Sectors* s = p.layers[static_cast<size_t>(i)].sectors()) sum += s->turn;
    return sum > 0.25 ? -0.5 : 0.5;
}

/// A trial ring that is gone is forgotten, with its gap.
void forgetTrial(Piece& p)
{
    if (layerOf(p, p.choices.trialRing)) return;
    p.choices.trialRing.clear();
    p.choices.trialGap = 0;
}

/// A layer put in after `place` as one of its own, half a segment on from it.
Layer& insertAfter(Piece& p, int place, Layer layer)
{
    layer.extra.clear();
    layer.id = freshLayerId(p);
    p.layers.insert(p.layers.begin() + place + 1, std::move(layer));
    Layer& put = at(p, place + 1);
    if (Sectors* s = put.sectors()) s->turn = halfOn(p, place + 1);
    return put;
}

/// The ring nearest to a place, whose form a new one takes; as it comes where there is none.
RingForm nearestRing(const Piece& p, int place)
{
    for (int away = 1; away < static_cast<int>(p.layers.size()) + 1; ++away)
        for (const int i : {place + away, place - away})
            if (has(p, i))
                if (const RingForm* r = p.layers[static_cast<size_t>(i)].ring()) return *r;
    return {};
}

}  // namespace

Piece addLayer(Piece piece, int below)
{
    below = std::clamp(below, -1, static_cast<int>(piece.layers.size()) - 1);
    Layer fresh = piece.layers[static_cast<size_t>(std::max(below, 0))];
    fresh.stockOuter.reset();
    fresh.stockInner.reset();
    if (fresh.is<DiscForm>() && below >= 0) {
        fresh.form = nearestRing(piece, below);
        fresh.thickness = std::max(fresh.thickness, 12.0);
    }
    insertAfter(piece, below, std::move(fresh));
    return piece;
}

Piece removeLayers(Piece piece, const std::set<int>& which)
{
    for (auto it = which.rbegin(); it != which.rend(); ++it)
        if (has(piece, *it) && piece.layers.size() > 1) piece.layers.erase(piece.layers.begin() + *it);
    forgetTrial(piece);
    return piece;
}

Piece splitLayer(Piece piece, int which, double share)
{
    if (!has(piece, which)) return piece;
    // Neither half thinner than a layer can be.
    const double whole = at(piece, which).thickness, least = std::max(limits::thickness.low, 0.05 * whole);
    if (whole < 2 * least) return piece;
    Layer upper = at(piece, which);
    at(piece, which).thickness = std::clamp(share * whole, least, whole - least);
    upper.thickness = std::max(least, whole - at(piece, which).thickness);
    insertAfter(piece, which, std::move(upper));
    return piece;
}

Piece copyLayer(Piece piece, int which)
{
    if (has(piece, which)) insertAfter(piece, which, Layer(at(piece, which)));
    return piece;
}

Piece moveLayer(Piece piece, int from, int to)
{
    if (!has(piece, from) || !has(piece, to) || from == to) return piece;
    const Layer moved = at(piece, from);
    piece.layers.erase(piece.layers.begin() + from);
    piece.layers.insert(piece.layers.begin() + to, moved);
    return piece;
}

Piece moveBoundary(Piece piece, int below, double z)
{
    if (!has(piece, below)) return piece;
    double z0 = 0;
    for (int i = 0; i < below; ++i) z0 += at(piece, i).thickness;
    constexpr double least = 1;
    Layer& lower = at(piece, below);
    if (!has(piece, below + 1)) {
        lower.thickness = std::clamp(z - z0, least, limits::thickness.high);
        return piece;
    }
    Layer& upper = at(piece, below + 1);
    const double both = lower.thickness + upper.thickness;
    if (both <= 2 * least) return piece;
    lower.thickness = std::clamp(z - z0, least, both - least);
    upper.thickness = both - lower.thickness;
    return piece;
}

Piece divide(Piece piece, double base, int rings, int segments)
{
    const Layer like = piece.layers.empty() ? Layer{} : piece.layers.back();
    Layer disc = piece.layers.empty() ? Layer{} : piece.layers.front();
    disc.form = DiscForm{};
    disc.thickness = base;
    disc.woods.resize(1);
    RingForm form = like.ring() ? *like.ring() : RingForm{};
    form.segments = segments;
    piece.layers = {disc};
    identifyLayers(piece);
    rings = std::max(rings, 1);
    for (int i = 0; i < rings; ++i) {
        Layer ring = like;
        ring.form = form;
        ring.thickness = (outlineHeight(piece) - base) / rings;
        Sectors* put = insertAfter(piece, i, std::move(ring)).sectors();
        if (i == 0) put->turn = 0;
    }
    forgetTrial(piece);
    return piece;
}

Piece fitLayers(Piece piece)
{
    const double scale = outlineHeight(piece) / stackHeight(piece);
    for (Layer& l : piece.layers) l.thickness *= scale;
    return piece;
}

Piece brickwork(Piece piece, const std::set<int>& which)
{
    for (const int i : which)
        if (has(piece, i) && i > 0)
            if (Sectors* sectors = at(piece, i).sectors()) sectors->turn = halfOn(piece, i);
    return piece;
}

}  // namespace vl::edit
