#include "core/plan/inverse_design.h"

#include "core/blank/assembly.h"
#include "core/blank/sections.h"
#include "core/geometry/line_length.h"
#include "core/geometry/profile.h"
#include "core/piece/records/field_items.h"
#include "core/process/assemble.h"
#include "core/words/look.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace vl {
namespace {

constexpr double square = 0.02;  // off by less it is seen as square; own value

/// Rings beside one another that a layer belongs to: places of the first and of the last.
struct Run {
    int first, last;
    double z0, z1;
};

Run runOf(const Piece& piece, int layer)
{
    const auto ring = [&](int i) {
        return i >= 0 && i < static_cast<int>(piece.layers.size()) &&
               piece.layers[static_cast<size_t>(i)].is<RingForm>();
    };
    Run run{layer, layer, 0, 0};
    while (ring(run.first - 1)) --run.first;
    while (ring(run.last + 1)) ++run.last;
    double z = 0;
    for (int i = 0; i <= run.last; ++i) {
        if (i == run.first) run.z0 = z;
        z += piece.layers[static_cast<size_t>(i)].thickness;
    }
    run.z1 = std::min(z, outlineHeight(piece));
    return run;
}

/// The least and the greatest radius that a layer is turned to, mm.
Range turnedRadii(const Piece& piece, int layer)
{
    double z0 = 0;
    for (int i = 0; i < layer; ++i) z0 += piece.layers[static_cast<size_t>(i)].thickness;
    const double z1 = z0 + piece.layers[static_cast<size_t>(layer)].thickness;
    return radiusRange(outsideRadii(piece), z0, std::min(z1, outlineHeight(piece)));
}

/// Where a ring ends that begins at station z and is `ratio` as high as its segment is wide; NaN beyond `end`.
double nextJoint(const Polyline& line, const LineLength& wall, double z, double end, int n, double ratio)
{
    const double from = wall.at(z);
    const auto tooLow = [&](double to) {
        return wall.at(to) - from < ratio * 2 * pi * radiusAt(line, (z + to) / 2) / n;
    };
    if (tooLow(end)) return std::nan("");
    double low = z, high = end;
    constexpr int halvings = 34;
    for (int k = 0; k < halvings; ++k) (tooLow((low + high) / 2) ? low : high) = (low + high) / 2;
    return (low + high) / 2;
}

/// The joints of `rings` rings over the run, all of one ratio: found by halving the ratio's logarithm.
struct Joints {
    std::vector<double> at;  ///< stations from the first to the last
    double ratio = 1;
};
Joints jointsOf(const Polyline& line, const Run& run, int n, int rings)
{
    const LineLength wall(line);
    const auto lay = [&](double ratio) {
        std::vector<double> at{run.z0};
        while (static_cast<int>(at.size()) <= rings) {
            const double next = nextJoint(line, wall, at.back(), run.z1, n, ratio);
            if (std::isnan(next)) break;
            at.push_back(next);
        }
        return at;
    };
    double low = std::log(0.1), high = std::log(10.0);
    constexpr int halvings = 26;
    for (int k = 0; k < halvings; ++k) {
        const double middle = (low + high) / 2;
        // As many rings as wanted find room as long as they are low enough.
        (static_cast<int>(lay(std::exp(middle)).size()) > rings ? low : high) = middle;
    }
    Joints j{lay(std::exp(low)), std::exp(low)};
    if (static_cast<int>(j.at.size()) > rings) j.at.back() = run.z1;
    return j;
}

struct Laid {
    Joints joints;
    int rings = 0, segments = 0;
    double off() const { return std::abs(std::log(joints.ratio)); }
};

/// The number of rings that comes nearest to squares.
Laid nearest(const Polyline& line, const Run& run, int n, int room)
{
    const LineLength wall(line);
    const double wide = 2 * pi * radiusAt(line, (run.z0 + run.z1) / 2) / n;
    const int about = std::clamp(static_cast<int>(std::lround((wall.at(run.z1) - wall.at(run.z0)) / wide)), 1, room);
    Laid best;
    for (int rings = std::max(1, about - 1); rings <= std::min(room, about + 1); ++rings) {
        Laid one{jointsOf(line, run, n, rings), rings, n};
        if (static_cast<int>(one.joints.at.size()) == rings + 1 && (best.rings == 0 || one.off() < best.off()))
            best = std::move(one);
    }
    return best;
}

Piece laidOut(const Piece& piece, const Run& run, const Laid& laid)
{
    Piece out = piece;
    const auto first = out.layers.begin() + run.first, last = out.layers.begin() + run.last + 1;
    const std::vector<Layer> old(first, last);
    std::vector<Layer> rings;
    for (int k = 0; k < laid.rings; ++k) {
        // Their woods follow one another as before; one more is like the last.
        Layer l = old[std::min(old.size() - 1, static_cast<size_t>(k))];
        if (static_cast<size_t>(k) >= old.size()) l.id.clear();
        l.thickness = laid.joints.at[static_cast<size_t>(k) + 1] - laid.joints.at[static_cast<size_t>(k)];
        l.sectors()->segments = laid.segments;
        l.stockOuter.reset();
        l.stockInner.reset();
        rings.push_back(std::move(l));
    }
    out.layers.erase(first, last);
    out.layers.insert(out.layers.begin() + run.first, rings.begin(), rings.end());
    identifyLayers(out);
    return out;
}

}  // namespace

std::vector<InverseDesign> squareBricks(const Piece& piece, int layer)
{
    if (layer < 0 || layer >= static_cast<int>(piece.layers.size())) return {};
    const auto* own = piece.layers[static_cast<size_t>(layer)].as<RingForm>();
    if (!own) return {};
    const Run run = runOf(piece, layer);
    const Polyline line = outsideRadii(piece);
    if (run.z1 - run.z0 < 2 || line.empty()) return {};
    const int others = static_cast<int>(piece.layers.size()) - (run.last - run.first + 1);
    const int room = static_cast<int>(limits::layers) - others;
    std::vector<InverseDesign> out;
    const auto offer = [&](const Laid& laid) {
        const bool thinnest = std::ranges::adjacent_find(laid.joints.at, [](double a, double b) {
                                  return b - a < limits::thickness.low;
                              }) != laid.joints.at.end();
        if (laid.rings < 1 || thinnest) return;
        const double percent = 100 * (laid.joints.ratio - 1);
        const Text said = laid.off() <= square
                              ? says(words::squareBricks, laid.rings, laid.segments)
                              : says(percent > 0 ? words::nearlySquare : words::nearlySquareLow, laid.rings,
                                     laid.segments, Quantity{std::abs(percent), Unit::Count, 1});
        out.push_back({said, laid.off(), laidOut(piece, run, laid)});
    };
    const Laid asIs = nearest(line, run, own->segments, room);
    offer(asIs);
    if (asIs.rings > 0 && asIs.off() <= square) return out;
    Laid best = asIs;
    constexpr int away = 6;
    for (int n = std::max(3, own->segments - away); n <= own->segments + away; ++n) {
        Laid one = nearest(line, run, n, room);
        if (one.rings > 0 && (best.rings == 0 || one.off() < best.off() - 1e-6)) best = std::move(one);
    }
    if (best.segments != asIs.segments) offer(best);
    return out;
}

std::vector<InverseDesign> pointsMeet(const Piece& piece, int layer)
{
    if (layer < 0 || layer >= static_cast<int>(piece.layers.size())) return {};
    const Layer& l = piece.layers[static_cast<size_t>(layer)];
    const auto* own = l.as<RingForm>();
    if (!own || (own->madeUp.kind != MadeUp::Zigzag && own->madeUp.kind != MadeUp::Diamond)) return {};
    const Range r = turnedRadii(piece, layer);
    const double room = own->madeUp.kind == MadeUp::Diamond ? l.thickness / 2 : l.thickness,
                 rise = room - own->madeUp.band;
    if (!(rise > 0) || !(r.high > 0)) return {};
    // The rise is as drawn at the greatest diameter and in proportion to it elsewhere.
    const double missing = rise * (1 - r.low / r.high);
    Piece p = piece;
    p.layers[static_cast<size_t>(layer)].ring()->madeUp.rise = rise;
    const Quantity to{rise, Unit::Length, 2};
    constexpr double seen = 0.1;  // mm
    return {{missing < seen ? says(words::pointsMeet, to)
                            : says(words::pointsShort, Quantity{missing, Unit::Length, 1}, to),
             missing / room, std::move(p)}};
}

std::vector<InverseDesign> wedgesStay(const Piece& piece, int layer)
{
    if (layer < 0 || layer >= static_cast<int>(piece.layers.size())) return {};
    const Layer& l = piece.layers[static_cast<size_t>(layer)];
    const auto* own = l.as<WrapForm>();
    if (!own || !own->wedges) return {};
    const Range r = turnedRadii(piece, layer);
    if (!(r.high > 0)) return {};
    constexpr double left = 0.5, leastPost = 6;     // mm of wedge left on the radius, and a side that can still be sawn
    const double half = r.high + l.outerAllowance;  // of the blank
    const double wanted = std::sqrt(2.0) * (r.low - left) - half, side = std::max(leastPost / 2, wanted);
    const double wrap = half - side;
    if (wrap < 1) return {};
    Piece p = piece;
    WrapForm& w = *p.layers[static_cast<size_t>(layer)].as<WrapForm>();
    w.post = 2 * side;
    w.wrap = wrap;
    const double begins = (side + half) / std::sqrt(2.0);
    const Quantity post{w.post, Unit::Length, 1}, round{wrap, Unit::Length, 1};
    const bool stay = begins <= r.low - left + 1e-9;
    return {{stay ? says(words::wedgesStay, post, round)
                  : says(words::wedgesGo, Quantity{2 * (begins + left), Unit::Length, 1}, post, round),
             stay ? 0 : (begins + left) / r.low - 1, std::move(p)}};
}

std::vector<InverseDesign> spirals(const Piece& piece, int layer)
{
    if (layer < 0 || layer >= static_cast<int>(piece.layers.size())) return {};
    const auto* own = piece.layers[static_cast<size_t>(layer)].as<RingForm>();
    if (!own) return {};
    const Run run = runOf(piece, layer);
    const Polyline line = outsideRadii(piece);
    const int n = own->segments, rings = run.last - run.first + 1;
    for (int i = run.first; i <= run.last; ++i)
        if (piece.layers[static_cast<size_t>(i)].ring()->segments != n) return {};
    if (rings < 3 || line.empty()) return {};
    // What its woods repeat after: turned on by more than a quarter of it, the eye goes the other way.
    const auto& woods = piece.layers[static_cast<size_t>(layer)].woods;
    size_t repeats = 1;
    const auto alike = [&](size_t by) {
        for (size_t k = 0; k < static_cast<size_t>(n); ++k)
            if (woods[k % woods.size()] != woods[(k + by) % static_cast<size_t>(n) % woods.size()]) return false;
        return true;
    };
    while (repeats < static_cast<size_t>(n) && !alike(repeats)) ++repeats;
    const double turn = std::min(1.0, static_cast<double>(repeats) / 4);
    const double z = (run.z0 + run.z1) / 2;
    const LineLength wall(line);
    const double each = (wall.at(run.z1) - wall.at(run.z0)) / rings;
    const double leans = std::atan2(turn * 2 * pi * radiusAt(line, z) / n, each) / degrees;
    Text upsideDown;  // an upper section at the most
    for (const Section& s : sectionsOf(piece, Shop{}, turnedSurfacesOf(piece))) {
        const size_t first = std::max(s.first, static_cast<size_t>(run.first)),
                     last = std::min(s.last, static_cast<size_t>(run.last));
        if (s.fromBelow && first < last)
            upsideDown.also(says(words::spiralUpsideDown, static_cast<int>(first) + 1, static_cast<int>(last) + 1));
    }
    std::vector<InverseDesign> out;
    // Counterclockwise as seen from the rim is to the right as seen from outside, rim up.
    for (const double way : {1.0, -1.0}) {
        InverseDesign one{says(words::spiral, says(way > 0 ? words::toTheRight : words::toTheLeft),
                               Quantity{turn, Unit::Count, 2}, Quantity{leans, Unit::Count, 0}),
                          0, piece};
        if (!upsideDown.empty()) one.said.also(upsideDown);
        for (int i = run.first + 1; i <= run.last; ++i)
            one.piece.layers[static_cast<size_t>(i)].sectors()->turn = way * turn;
        out.push_back(std::move(one));
    }
    return out;
}

std::vector<InverseDesign> stripesAtRim(const Piece& piece, int layer)
{
    if (layer < 0 || layer + 1 != static_cast<int>(piece.layers.size())) return {};
    const Layer& l = piece.layers.back();
    const auto* own = l.as<BoardRingForm>();
    const TurnedSurfaces drawn = turnedSurfacesOf(piece);
    if (!own || own->board.pattern != SlabForm::Striped || !own->board.widths.empty() || drawn.inside.empty())
        return {};
    const double outer = drawn.outside.back().y(), inner = drawn.inside.back().y(), middle = (outer + inner) / 2;
    const double top = drawn.outside.back().x() - 1e-3, across = 90 + own->rotate * (own->rings - 1);
    std::map<std::string, InverseDesign> nearest;  // by wood
    const int about = static_cast<int>(std::lround(middle / own->board.strip));
    for (int i = std::max(1, about - 3); i <= about + 3; ++i)
        for (const double from : {0.0, 0.5}) {
            Piece p = piece;
            double& strip = p.layers.back().as<BoardRingForm>()->board.strip;
            strip = middle / (i - from);
            clampToLimits(p.layers.back());
            // The board that is glued then says what lies there: with one strip more its middle is elsewhere.
            const Assembly made = assemble(p, Shop{}, drawn);
            const auto wood = [&](double r) -> const Species* {
                const Cell* cell = made.layers.back().cellAt(top, r, across);
                return cell ? cell->wood : nullptr;
            };
            const double reach = std::min(strip, outer - inner) / 2 - 0.1;
            const Species* there = wood(middle);
            if (!there || wood(middle - reach) != there || wood(middle + reach) != there) continue;
            const double off = std::abs(std::log(strip / own->board.strip));
            const bool whole = strip >= outer - inner;
            InverseDesign one{
                says(whole ? words::stripeAtRim : words::stripeInRim, there->name, Quantity{strip, Unit::Length, 1}),
                off, std::move(p)};
            const auto [at, fresh] = nearest.try_emplace(there->name, one);
            if (one.off < at->second.off) at->second = std::move(one);
        }
    std::vector<InverseDesign> out;
    for (auto& [wood, one] : nearest) out.push_back(std::move(one));
    std::ranges::sort(out, {}, &InverseDesign::off);
    constexpr size_t most = 4;
    if (out.size() > most) out.resize(most);
    return out;
}

std::vector<InverseDesign> inverseDesigns(const Piece& piece, int layer)
{
    std::vector<InverseDesign> all = squareBricks(piece, layer);
    for (auto find : {spirals, pointsMeet, wedgesStay, stripesAtRim})
        std::ranges::move(find(piece, layer), std::back_inserter(all));
    return all;
}

}  // namespace vl
