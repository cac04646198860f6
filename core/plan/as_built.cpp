#include "core/plan/as_built.h"

#include "core/measure/format.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

const Measured* measured(const Piece& piece, const std::string& layer, Measured::What what)
{
    const auto& all = piece.progress.measured;
    const auto it =
        std::find_if(all.rbegin(), all.rend(), [&](const Measured& m) { return m.layer == layer && m.what == what; });
    return it == all.rend() ? nullptr : &*it;
}

}  // namespace

Piece withMeasured(Piece piece, const std::string& layer, Measured::What what, double mm)
{
    auto& all = piece.progress.measured;
    std::erase_if(all, [&](const Measured& m) { return m.layer == layer && m.what == what; });
    all.push_back({layer, what, mm, {}});
    return piece;
}

double measuredOf(const Piece& piece, const std::string& layer, Measured::What what)
{
    const Measured* m = measured(piece, layer, what);
    return m ? m->value : std::nan("");
}

Piece asMeasured(const Piece& piece)
{
    Piece now = piece;
    for (Layer& l : now.layers) {
        if (const Measured* m = measured(piece, l.id, Measured::Height); m && m->value >= limits::thickness.low)
            l.thickness = std::min(m->value, limits::thickness.high);
        if (const Measured* m = measured(piece, l.id, Measured::Outside); m && m->value >= 1) l.stockOuter = m->value;
        if (const Measured* m = measured(piece, l.id, Measured::Inside); m && l.stockOuter && m->value < *l.stockOuter)
            l.stockInner = m->value;
    }
    return now;
}

std::vector<WayOn> waysOn(const Piece& piece)
{
    constexpr double same = 0.1, thinnest = 1;  // mm
    const Piece now = asMeasured(piece);
    const double stack = stackHeight(now), outline = outlineHeight(now), off = stack - outline;
    std::vector<WayOn> ways;
    if (std::abs(off) <= same || outline <= 0) return ways;
    WayOn nudged{"the outline nudged", std::abs(off), now};
    nudged.piece.outside = stretched(now.outside, stack);
    for (Node& n : nudged.piece.hollow.inside) n.z *= stack / outline;
    ways.push_back(std::move(nudged));
    std::vector<size_t> open;
    double height = 0;
    for (size_t i = 0; i < now.layers.size(); ++i)
        if (!measured(piece, now.layers[i].id, Measured::Height)) {
            open.push_back(i);
            height += now.layers[i].thickness;
        }
    if (open.empty() || height - off < thinnest * static_cast<double>(open.size())) return ways;
    WayOn kept{"the outline kept, the layers to come changed", 0, now};
    for (const size_t i : open) {
        double& t = kept.piece.layers[i].thickness;
        const double to = std::max(thinnest, t * (height - off) / height);
        kept.change = std::max(kept.change, std::abs(to - t));
        t = to;
    }
    ways.push_back(std::move(kept));
    return ways;
}

Left leftOf(const Piece& piece, const std::string& layer, double finishedOuter, double finishedInner)
{
    const Measured *out = measured(piece, layer, Measured::Outside), *in = measured(piece, layer, Measured::Inside);
    return {out ? out->value / 2 - finishedOuter : std::nan(""), in ? finishedInner - in->value / 2 : std::nan("")};
}

}  // namespace vl
