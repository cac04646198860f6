#include "core/constructions/shared_set_ups.h"

#include "core/geometry/piercing.h"
#include "core/piece/records/field_items.h"

#include <cmath>
#include <map>

namespace vl {
namespace {

constexpr double mostSanded = 1;  // mm, own choice: more is no longer taken off with paper

/// A ring of plain segments, all cut with one stop.
bool plainRing(const Layer& l, const BuiltLayer& b)
{
    const auto* ring = l.as<RingForm>();
    return ring && b.segmented && ring->madeUp.kind == MadeUp::Plain;
}

/// How much longer a segment may be: as much as is asked for, and no more than makes the ring twice as much larger on
/// the radius (own choice): of many short segments a little length is a lot of ring.
double stopRoom(const RegularRing& ring, double within)
{
    return within * std::min(1.0, 4 * std::tan(ring.miterDeg() * degrees));
}

}  // namespace

std::vector<SharedSetUp> sharedSetUps(const Piece& piece, const std::vector<Building>& built, double within)
{
    std::vector<SharedSetUp> more(built.size());
    std::map<long, std::vector<size_t>> mitres;  // by thousandths of a degree
    std::vector<size_t> planed, ripped;
    for (size_t i = 0; i < built.size(); ++i) {
        const BuiltLayer& b = built[i].layer;
        const bool ring = plainRing(piece.layers[i], b);
        if (ring) mitres[std::lround(b.stock.miterDeg() * 1000)].push_back(i);
        if (ring || piece.layers[i].is<DiscForm>()) planed.push_back(i);
    }
    for (const auto& [key, rings] : mitres) {
        std::vector<Interval> stops;
        for (const size_t i : rings) {
            const double edge = built[i].layer.stock.outerEdge();
            stops.push_back({edge, edge + stopRoom(built[i].layer.stock, within)});
        }
        const Piercing set = pierce(stops);
        for (size_t k = 0; k < rings.size(); ++k)
            more[rings[k]].outer =
                (set.settings[k] - stops[k].low) / (2 * std::tan(built[rings[k]].layer.stock.miterDeg() * degrees));
    }
    std::vector<Interval> widths, thicknesses;
    for (size_t i = 0; i < built.size(); ++i)
        if (plainRing(piece.layers[i], built[i].layer) && !built[i].parts.empty()) {
            const double width = built[i].layer.stock.boardWidth() + more[i].outer;
            ripped.push_back(i);
            widths.push_back({width, width + std::min(within, built[i].parts[0].spare)});
        }
    const Piercing set = pierce(widths);
    for (size_t k = 0; k < ripped.size(); ++k)
        more[ripped[k]].inner =
            (set.settings[k] - widths[k].low) / std::cos(built[ripped[k]].layer.stock.miterDeg() * degrees);
    for (const size_t i : planed)
        thicknesses.push_back({built[i].layer.planeTo, built[i].layer.planeTo + std::min(within, mostSanded)});
    const Piercing planes = pierce(thicknesses);
    for (size_t k = 0; k < planed.size(); ++k) more[planed[k]].loss = (planes.settings[k] - thicknesses[k].low) / 2;
    return more;
}

Piece withSharedSetUps(Piece piece, const std::vector<SharedSetUp>& more)
{
    for (size_t i = 0; i < more.size(); ++i) {
        Layer& l = piece.layers[i];
        if (l.stockOuter)
            *l.stockOuter += 2 * more[i].outer;
        else
            l.outerAllowance += more[i].outer;
        if (l.stockInner)
            *l.stockInner = std::max(0.0, *l.stockInner - 2 * more[i].inner);
        else
            l.innerAllowance += more[i].inner;
        l.sandingLoss += more[i].loss;
        clampToLimits(l);
    }
    return piece;
}

}  // namespace vl
