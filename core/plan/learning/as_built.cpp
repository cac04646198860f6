#include "core/plan/learning/as_built.h"

#include "core/geometry/profile.h"
#include "core/plan/learning/error_run.h"
#include "core/plan/learning/mishap.h"
#include "core/words/repair.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double same = 0.1, thinnest = 1;  // mm

const Measured* measured(const Piece& piece, const std::string& layer, Measured::What what, double at = 0)
{
    const auto& all = piece.progress.measured;
    const auto it = std::find_if(all.rbegin(), all.rend(), [&](const Measured& m) {
        return m.layer == layer && m.what == what && (!isAtAStation(what) || std::abs(m.at - at) < same);
    });
    return it == all.rend() ? nullptr : &*it;
}

/// A ring's gaps as they are drawn: between its segments at its outside; none where they are glued.
double gapOf(const Layer& layer, const BuiltLayer& built)
{
    const auto* ring = layer.as<RingForm>();
    if (!ring || ring->joint.kind == SegmentJoint::Glued || ring->joint.kind == SegmentJoint::Spacer) return 0;
    return ring->joint.kind == SegmentJoint::GapByWidth
               ? ring->joint.width
               : 2 * built.stockOuterRadius() * std::sin(ring->joint.angle * degrees / 2);
}

/// On the axis, from the foot's face.
double floorOf(const TurnedSurfaces& surfaces) { return surfaces.inside.front().x() - surfaces.outside.front().x(); }

/// Quantities of a text.
Quantity tenths(double value) { return {value, Unit::Length, 1}; }

WayOn nudged(const Piece& now, double stack, double outline)
{
    WayOn way{
        .name = says(words::outlineNudged, tenths(stack - outline)), .change = std::abs(stack - outline), .piece = now};
    way.piece.outside = stretched(now.outside, stack);
    for (Node& n : way.piece.hollow.inside) n.z *= stack / outline;
    return way;
}

/// Layers made thicker or thinner together, by as much of their own height each; nothing where one would get too thin.
std::optional<WayOn> kept(const Piece& now, const std::vector<size_t>& layers, double less, const Pattern& name)
{
    double height = 0;
    for (const size_t i : layers) height += now.layers[i].thickness;
    if (layers.empty() || height - less < thinnest * static_cast<double>(layers.size())) return std::nullopt;
    WayOn way{.name = says(name, tenths(-less)), .piece = now};
    for (const size_t i : layers) {
        double& t = way.piece.layers[i].thickness;
        const double to = std::clamp(t * (height - less) / height, thinnest, limits::thickness.high);
        way.change = std::max(way.change, std::abs(to - t));
        t = to;
    }
    const double off = stackHeight(way.piece) - outlineHeight(way.piece);
    return std::abs(off) <= same ? std::optional(std::move(way)) : std::nullopt;
}

bool isGlued(const Piece& piece, const std::string& layer)
{
    return std::ranges::find(piece.progress.done, "glue-" + layer, &StepDone::step) != piece.progress.done.end();
}

void outlineOrLayers(const Piece& now, const Shop& shop, std::vector<WayOn>& ways)
{
    const double stack = stackHeight(now), outline = outlineHeight(now), off = stack - outline;
    if (std::abs(off) <= same || outline <= 0) return;
    if (std::abs(off) <= shop.mostNudge) ways.push_back(nudged(now, stack, outline));
    // Layers are glued on from the headstock: what lies below one that was measured, or is glued, is made.
    size_t made = 0;
    for (size_t i = 0; i < now.layers.size(); ++i)
        if (measured(now, now.layers[i].id, Measured::Height) || isGlued(now, now.layers[i].id)) made = i + 1;
    std::vector<size_t> open;
    for (size_t i = made; i < now.layers.size(); ++i) open.push_back(i);
    if (open.size() > 1)
        if (auto next = kept(now, {open.front()}, off, words::nextLayerChanged)) ways.push_back(std::move(*next));
    if (auto all = kept(now, open, off, words::layersToComeChanged)) ways.push_back(std::move(*all));
}

/// What went wrong, where a measure is less than it was to be.
std::optional<Mishap> mishapOf(const Measured& m, const Left& left)
{
    switch (m.what) {
    case Measured::Wall:
        return Mishap{.what = Mishap::WallThin, .at = m.at, .measured = m.value};
    case Measured::Neck:
        return Mishap{.what = Mishap::NeckThin, .at = m.at, .measured = m.value};
    case Measured::Outside:
        if (left.outside < 0) return Mishap{.what = Mishap::RingShort, .measured = m.value, .layer = m.layer};
        break;
    default:
        break;
    }
    return std::nullopt;
}

}  // namespace

double plannedOf(const Piece& piece, const Plan& plan, const Measured& what)
{
    if (what.what == Measured::Floor) return plan.shape.solid ? std::nan("") : floorOf(plan.surfaces);
    if (what.what == Measured::Wall)
        return plan.shape.solid ? std::nan("") : wallAcross(plan.surfaces, wallLine(plan.surfaces), what.at).wall;
    if (what.what == Measured::Neck) return 2 * radiusAt(plan.surfaces.outside, what.at);
    const int at = placeOf(piece, what.layer);
    if (at < 0) return std::nan("");
    const auto i = static_cast<size_t>(at);
    const BuiltLayer& b = plan.assembly.layers[i];
    switch (what.what) {
    case Measured::Height:
        return piece.layers[i].thickness;
    case Measured::Outside:
        return 2 * b.stockOuterRadius();
    case Measured::Inside:
        return b.stockInnerRadius() > 0 ? 2 * b.stockInnerRadius() : std::nan("");
    case Measured::Gap:
        return b.segmented ? gapOf(piece.layers[i], b) : std::nan("");
    case Measured::Overlap: {
        const auto below = std::ranges::find(plan.overlaps, at - 1, &Overlap::below);
        return below == plan.overlaps.end() ? std::nan("") : below->stock;
    }
    default:
        return 0;
    }
}

Piece withMeasured(Piece piece, const Plan& plan, Measured m)
{
    if (const Measured* before = measured(piece, m.layer, m.what, m.at); before && before->planned)
        m.planned = before->planned;
    else if (const double planned = plannedOf(piece, plan, m); planned >= 0)
        m.planned = planned;
    auto& all = piece.progress.measured;
    std::erase_if(all, [&](const Measured& o) {
        return o.layer == m.layer && o.what == m.what && (!isAtAStation(m.what) || std::abs(o.at - m.at) < same);
    });
    all.push_back(std::move(m));
    return piece;
}

double measuredOf(const Piece& piece, const std::string& layer, Measured::What what, double at)
{
    const Measured* m = measured(piece, layer, what, at);
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
        if (auto* ring = l.as<RingForm>(); ring && ring->joint.kind == SegmentJoint::GapByWidth)
            if (const Measured* m = measured(piece, l.id, Measured::Gap); m && m->value > same)
                ring->joint.width = m->value;
    }
    return now;
}

std::vector<WayOn> waysOn(const Piece& piece, const Shop& shop)
{
    const Piece now = asMeasured(piece);
    std::vector<WayOn> ways;
    outlineOrLayers(now, shop, ways);
    std::optional<Plan> plan;  // only where something needs it
    const auto planned = [&]() -> const Plan& { return plan ? *plan : plan.emplace(makePlan(piece, shop)); };
    for (const Measured& m : piece.progress.measured) {
        const bool ofPiece = !isOfALayer(m.what);
        if (!ofPiece && m.what != Measured::Outside && m.what != Measured::Gap) continue;
        if (ofPiece && !(m.value < plannedOf(piece, planned(), m) - same)) continue;
        if (m.what == Measured::Floor) {
            WayOn asItIs{.name = says(words::floorAsItIs, tenths(m.value)),
                         .change = plannedOf(piece, planned(), m) - m.value,
                         .piece = piece};
            asItIs.piece.hollow.floor = std::max(0.0, piece.hollow.floor - asItIs.change);
            if (piece.hollow.rule == WallRule::Even || piece.hollow.rule == WallRule::Tapered)
                ways.push_back(std::move(asItIs));
            continue;
        }
        std::optional<Mishap> mishap;
        if (m.what == Measured::Gap) {
            const int at = placeOf(piece, m.layer);
            if (at < 0 ||
                gapOf(piece.layers[static_cast<size_t>(at)], planned().assembly.layers[static_cast<size_t>(at)]) > 0)
                continue;
            if (m.value > closesWithin)
                mishap = Mishap{.what = Mishap::JointOpen, .measured = m.value, .layer = m.layer};
        } else if (ofPiece)
            mishap = mishapOf(m, {});
        else if (const int at = placeOf(piece, m.layer); at >= 0) {
            const BuiltLayer& b = planned().assembly.layers[static_cast<size_t>(at)];
            mishap = mishapOf(m, leftOf(piece, m.layer, b.finishedOuter.high, b.finishedInner.low));
        }
        if (!mishap) continue;
        for (WayOut& out : waysOut(piece, shop, *mishap))
            ways.push_back({.name = std::move(out.name), .how = std::move(out.how), .piece = std::move(out.piece)});
    }
    return ways;
}

std::vector<LayerVersion> versionOf(const Piece& piece, const Plan& plan)
{
    std::vector<LayerVersion> all;
    for (size_t i = 0; i < plan.assembly.layers.size(); ++i) {
        const BuiltLayer& b = plan.assembly.layers[i];
        LayerVersion v{.layer = piece.layers[i].id,
                       .thickness = b.z1 - b.z0,
                       .outer = 2 * b.stockOuterRadius(),
                       .inner = 2 * b.stockInnerRadius()};
        if (const RingCut* cut = plan.cutOf(static_cast<int>(i))) v.edge = cut->outerEdge, v.board = cut->boardWidth;
        for (const Step& s : plan.assembly.recipe)
            if (s.layer == static_cast<int>(i) && s.rotationDeg != 0) v.rotation = s.rotationDeg;
        all.push_back(v);
    }
    return all;
}

Left leftOf(const Piece& piece, const std::string& layer, double finishedOuter, double finishedInner)
{
    const Measured *out = measured(piece, layer, Measured::Outside), *in = measured(piece, layer, Measured::Inside),
                   *beside = measured(piece, layer, Measured::Aside);
    const double aside = beside ? beside->value : 0;
    return {out ? out->value / 2 - finishedOuter - aside : std::nan(""),
            in ? finishedInner - in->value / 2 - aside : std::nan("")};
}

std::vector<Deviation> deviationsOf(const Piece& piece, const Plan& plan)
{
    std::vector<Deviation> all;
    for (const Measured& m : piece.progress.measured) {
        const double planned = m.planned.value_or(plannedOf(piece, plan, m));
        if (std::isnan(planned) || all.size() == mostDeviations) continue;
        Deviation d{.what = m.what, .of = m.layer, .planned = planned, .measured = m.value};
        if (const int at = placeOf(piece, m.layer); at >= 0) {
            const BuiltLayer& b = plan.assembly.layers[static_cast<size_t>(at)];
            d.of = std::to_string(at + 1);
            d.sides = b.segmented ? b.stock.sides : 0;
            d.radius = b.stockOuterRadius();
        } else if (isOfALayer(m.what))
            continue;
        all.push_back(std::move(d));
    }
    return all;
}

}  // namespace vl
