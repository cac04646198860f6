#include "core/piece/edits/pattern.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace vl::pattern {
namespace {

int wrapped(int i, int n) { return ((i % n) + n) % n; }

void paintLayer(Layer& l, int segment, const Brush& brush, int count)
{
    if (count < 2) {
        l.woods = {brush.wood};
        return;
    }
    std::vector<std::string> whole(static_cast<size_t>(count));
    for (size_t i = 0; i < whole.size(); ++i) whole[i] = l.woods[i % l.woods.size()];
    const int step = count / fittingSymmetry(count, brush.symmetry);
    for (const int start : {segment, brush.mirror ? -segment : segment})
        for (int i = wrapped(start, step); i < count; i += step) whole[static_cast<size_t>(i)] = brush.wood;
    l.woods = shortestPattern(whole, count);
}

}  // namespace

int fittingSymmetry(int segments, int symmetry)
{
    for (int s = std::clamp(symmetry, 1, segments); s > 1; --s)
        if (segments % s == 0) return s;
    return 1;
}

std::vector<std::string> shortestPattern(const std::vector<std::string>& woods, int segments)
{
    std::vector<std::string> whole(static_cast<size_t>(segments));
    for (size_t i = 0; i < whole.size(); ++i) whole[i] = woods[i % woods.size()];
    for (size_t period = 1; period < whole.size(); ++period) {
        if (whole.size() % period) continue;
        bool repeats = true;
        for (size_t i = period; i < whole.size() && repeats; ++i) repeats = whole[i] == whole[i - period];
        if (repeats) return {whole.begin(), whole.begin() + static_cast<long>(period)};
    }
    return whole;
}

Piece paint(Piece piece, int layer, int segment, const Brush& brush, const std::vector<int>& counts,
            const std::set<int>& layers)
{
    const int n = static_cast<int>(std::min(piece.layers.size(), counts.size()));
    if (layer < 0 || layer >= n) return piece;
    const int count = counts[static_cast<size_t>(layer)];
    std::set<int> which{layer};
    if (brush.slant != 0) which.insert(layers.begin(), layers.end());
    for (const int i : which) {
        if (i < 0 || i >= n || counts[static_cast<size_t>(i)] != count) continue;
        paintLayer(piece.layers[static_cast<size_t>(i)],
                   segment + static_cast<int>(std::lround(brush.slant * (i - layer))), brush, count);
    }
    return piece;
}

Piece copyRing(Piece piece, int from, const std::set<int>& onto)
{
    const int n = static_cast<int>(piece.layers.size());
    if (from < 0 || from >= n) return piece;
    const Layer like = piece.layers[static_cast<size_t>(from)];
    for (const int i : onto) {
        if (i < 0 || i >= n || i == from) continue;
        Layer& l = piece.layers[static_cast<size_t>(i)];
        const Layer before = std::exchange(l, like);
        l.id = before.id;
        l.thickness = before.thickness;
        l.extra = before.extra;
        l.stockOuter.reset();
        l.stockInner.reset();
    }
    return piece;
}

}  // namespace vl::pattern
