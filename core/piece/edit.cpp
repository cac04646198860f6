#include "core/piece/edit.h"

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
    for (int i = 1; i < layer; ++i) sum += p.layers[static_cast<size_t>(i)].turn;
    return sum > 0.25 ? -0.5 : 0.5;
}

/// The trial ring's index follows its ring; it is forgotten with it.
void followTrial(Piece& p, int at, int shift)
{
    int& trial = p.choices.trialRing;
    if (trial == at && shift < 0) {
        trial = -1;
        p.choices.trialGap = 0;
    } else if (trial >= at)
        trial += shift;
}

}  // namespace

Piece addLayer(Piece piece, int below)
{
    below = std::clamp(below, -1, static_cast<int>(piece.layers.size()) - 1);
    Layer fresh = piece.layers[static_cast<size_t>(std::max(below, 0))];
    fresh.extra.clear();
    fresh.stockOuter.reset();
    fresh.stockInner.reset();
    if (fresh.kind == LayerKind::Disc && below >= 0) {
        fresh.kind = LayerKind::Ring;
        fresh.thickness = std::max(fresh.thickness, 12.0);
    }
    piece.layers.insert(piece.layers.begin() + below + 1, fresh);
    at(piece, below + 1).turn = halfOn(piece, below + 1);
    followTrial(piece, below + 1, 1);
    return piece;
}

Piece removeLayers(Piece piece, const std::set<int>& which)
{
    for (auto it = which.rbegin(); it != which.rend(); ++it)
        if (has(piece, *it) && piece.layers.size() > 1) {
            piece.layers.erase(piece.layers.begin() + *it);
            followTrial(piece, *it, -1);
        }
    return piece;
}

Piece splitLayer(Piece piece, int which, double share)
{
    if (!has(piece, which)) return piece;
    share = std::clamp(share, 0.05, 0.95);
    Layer upper = at(piece, which);
    upper.extra.clear();
    upper.thickness *= 1 - share;
    at(piece, which).thickness *= share;
    piece.layers.insert(piece.layers.begin() + which + 1, upper);
    at(piece, which + 1).turn = halfOn(piece, which + 1);
    followTrial(piece, which + 1, 1);
    return piece;
}

Piece moveLayer(Piece piece, int from, int to)
{
    if (!has(piece, from) || !has(piece, to) || from == to) return piece;
    Layer moved = at(piece, from);
    const bool trial = piece.choices.trialRing == from;
    const double gap = piece.choices.trialGap;
    piece.layers.erase(piece.layers.begin() + from);
    followTrial(piece, from, -1);
    piece.layers.insert(piece.layers.begin() + to, moved);
    followTrial(piece, to, 1);
    if (trial) {
        piece.choices.trialRing = to;
        piece.choices.trialGap = gap;
    }
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
        lower.thickness = std::clamp(z - z0, least, 500.0);
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
    disc.kind = LayerKind::Disc;
    disc.thickness = base;
    disc.woods.resize(1);
    piece.layers = {disc};
    rings = std::max(rings, 1);
    for (int i = 0; i < rings; ++i) {
        Layer ring = like;
        ring.kind = LayerKind::Ring;
        ring.segments = segments;
        ring.thickness = (outlineHeight(piece) - base) / rings;
        piece.layers.push_back(ring);
        piece.layers.back().turn = i == 0 ? 0 : halfOn(piece, i + 1);
    }
    piece.choices.trialRing = -1;
    piece.choices.trialGap = 0;
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
        if (has(piece, i) && i > 0) at(piece, i).turn = halfOn(piece, i);
    return piece;
}

}  // namespace vl::edit
