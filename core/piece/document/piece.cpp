#include "core/piece/document/piece.h"

#include "core/geometry/fall_back.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace vl {

double stackHeight(const Piece& piece)
{
    double height = 0;
    for (const Layer& l : piece.layers) height += l.thickness;
    return height;
}

double outlineHeight(const Piece& piece) { return reachOf(piece.outside).high; }

Polyline outsideRadii(const Piece& piece) { return greatestRadii(flatten(piece.outside)); }

std::vector<Undercut> undercutsOf(const Piece& piece, OpensTo to)
{
    if (!fallsBack(piece.outside)) return {};
    std::vector<Undercut> all = undercutsOf(flatten(piece.outside));
    std::erase_if(all, [to](const Undercut& u) { return u.to != to; });
    return all;
}

const Bought* tubeInBore(const Piece& piece)
{
    if (piece.hollow.rule != WallRule::Bored || piece.layers.size() != 1 || !piece.axes.empty() || piece.split.on)
        return nullptr;
    const auto it = std::ranges::find_if(
        piece.bought, [](const Bought& b) { return b.kind == Bought::Tube && b.hole == Bought::ownBore; });
    return it == piece.bought.end() ? nullptr : &*it;
}

Outline drawnFrom(const Polyline& inside, const Piece& piece)
{
    const Polyline outside = outsideRadii(piece);
    const double end = outlineHeight(piece),
                 floor = inside.empty() ? std::min(piece.hollow.floor, end * 0.8) : inside.front().x();
    Outline drawn{{floor, 0, Span::Curve, 0, true, {}}};
    for (const double share : {0.04, 0.15, 0.35, 0.6, 0.8, 1.0}) {
        const double z = floor + (end - floor) * share;
        drawn.push_back(
            {z, inside.empty() ? radiusAt(outside, z) / 2 : radiusRange(inside, z, z).high, Span::Curve, 0, true, {}});
    }
    return drawn;
}

const Layer* layerOf(const Piece& piece, const std::string& id)
{
    const auto it = std::ranges::find(piece.layers, id, &Layer::id);
    return it == piece.layers.end() ? nullptr : &*it;
}

int placeOf(const Piece& piece, const std::string& id)
{
    const Layer* layer = layerOf(piece, id);
    return layer ? static_cast<int>(layer - piece.layers.data()) : -1;
}

std::string freshLayerId(Piece& piece)
{
    std::string id;
    do id = "L" + std::to_string(++piece.layersMade);
    while (layerOf(piece, id));
    return id;
}

size_t boardCells(const Piece& piece)
{
    double widest = 0;
    for (const Node& n : piece.outside) widest = std::max(widest, n.r);
    size_t all = 0;
    for (const Layer& l : piece.layers) {
        const BoardRingForm* rings = l.as<BoardRingForm>();
        const SlabForm* board = rings ? &rings->board : l.as<SlabForm>();
        if (!board || board->pattern == SlabForm::Plain) continue;
        const double size = l.stockOuter.value_or(2 * (widest + l.outerAllowance));
        auto number = [&](double each) { return static_cast<size_t>(std::clamp(std::ceil(size / each), 1.0, 96.0)); };
        const size_t rows = board->pattern == SlabForm::Checkered ? number(board->row) : 1;
        all += number(board->strip) * rows * static_cast<size_t>(rings ? rings->rings : 1);
    }
    return all;
}

void identifyLayers(Piece& piece)
{
    std::set<std::string> seen;
    for (Layer& l : piece.layers)
        if (l.id.empty() || !seen.insert(l.id).second) {
            l.id.clear();
            l.id = freshLayerId(piece);
            seen.insert(l.id);
        }
}

void identifyAxes(Piece& piece)
{
    std::set<std::string> seen;
    for (OffAxis& axis : piece.axes) {
        while (axis.id.empty() || seen.contains(axis.id)) axis.id = "A" + std::to_string(++piece.axesMade);
        seen.insert(axis.id);
    }
}

void identifyCuts(Piece& piece)
{
    std::set<std::string> seen;
    auto identify = [&](auto& list, const char* mark) {
        for (auto& one : list) {
            while (one.id.empty() || seen.contains(one.id)) one.id = mark + std::to_string(++piece.cutsMade);
            seen.insert(one.id);
        }
    };
    identify(piece.forms, "F");
    identify(piece.holes, "H");
    identify(piece.sawn, "S");
    identify(piece.worked, "W");
    identify(piece.decors, "G");
    identify(piece.flaws, "D");
    identify(piece.inlays, "I");
    identify(piece.bought, "B");
}

Piece withForms(Piece piece)
{
    const bool had = std::ranges::any_of(piece.outside, [](const Node& n) { return !n.form.empty(); });
    if (!piece.forms.empty() || had) piece.outside = withForms(std::move(piece.outside), piece.forms);
    return piece;
}

namespace {

std::string item(const char* list, size_t i) { return std::string(list) + "[" + std::to_string(i) + "]"; }

/// Letters, digits and hyphens: an id stands in names of steps, parts and files.
bool plainId(const std::string& id)
{
    return !id.empty() && std::ranges::all_of(id, [](char c) {
        return (c >= '0' && c <= '9') || (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_' || c == '-';
    });
}

void checkLayers(const std::vector<Layer>& layers)
{
    if (layers.empty()) throw InputError("layers", "0 layers", "1 to " + std::to_string(limits::layers) + " are");
    std::set<std::string_view> ids;
    for (size_t i = 0; i < layers.size(); ++i) {
        const Layer& l = layers[i];
        if (!plainId(l.id))
            throw InputError(item("layers", i) + ".id", "'" + l.id.substr(0, 40) + "'",
                             "letters, digits and hyphens are");
        if (!ids.insert(l.id).second)
            throw InputError(item("layers", i) + ".id", "'" + l.id + "' twice", "an id of its own for each layer is");
        if (l.stockOuter && l.stockInner && *l.stockInner >= *l.stockOuter)
            throw InputError(item("layers", i) + ".stock_inner_mm", exact(*l.stockInner),
                             "less than the stock's outside, " + exact(*l.stockOuter) + " mm, is");
    }
}

/// Each of a list by itself, and its id, which none that is in `ids` has.
template <class One>
void checkEach(const std::vector<One>& list, const char* name, std::set<std::string_view>& ids,
               void (*check)(const One&, const std::string&))
{
    for (size_t i = 0; i < list.size(); ++i) {
        const std::string at = item(name, i), &id = list[i].id;
        if (!plainId(id)) throw InputError(at + ".id", "'" + id.substr(0, 40) + "'", "letters, digits and hyphens are");
        if (!ids.insert(id).second) throw InputError(at + ".id", "'" + id + "' again", "an id of its own is");
        check(list[i], at);
    }
}

}  // namespace

void checkPiece(const Piece& p)
{
    FieldCheck check;
    fields(check, p);
    checkOutline(p.outside, "outside", limits::nodes, Stations::MayFallBack);
    if (const double least = reachOf(p.outside).low; least != 0)
        throw InputError("outside[0].z_mm", exact(least), "0, the headstock face, is the least of all nodes");
    if (!p.forms.empty() && fallsBack(p.outside))
        throw InputError("forms", "forms on an outline that falls back", "an outline whose stations never fall is");
    if (p.hollow.rule == WallRule::Drawn)
        checkOutline(p.hollow.inside, "hollow.inside", limits::nodes, Stations::MayFallBack);
    checkLayers(p.layers);
    if (const size_t cells = boardCells(p); cells > limits::cells)
        throw InputError("layers", std::to_string(cells) + " pieces of wood in slabs and rings",
                         "up to " + std::to_string(limits::cells) + " are: wider strips, longer rows or fewer rings");
    std::set<std::string_view> axes, cuts;
    checkEach(p.axes, "axes", axes, checkOffAxis);
    checkEach(p.forms, "forms", cuts, checkFormPart);
    checkEach(p.holes, "holes", cuts, checkHole);
    checkEach(p.sawn, "sawn", cuts, checkSawn);
    checkEach(p.worked, "worked", cuts, checkWorked);
    checkEach(p.decors, "decors", cuts, checkDecor);
    checkEach(
        p.flaws, "flaws", cuts, +[](const Flaw&, const std::string&) {});
    checkEach(p.inlays, "inlays", cuts, checkInlay);
    checkEach(
        p.bought, "bought", cuts, +[](const Bought&, const std::string&) {});
    if (p.split.on) checkSplit(p.split);
    constexpr size_t mostDrilled = 300;
    size_t drilled = 0;
    for (const Hole& h : p.holes) drilled += static_cast<size_t>(h.count);
    if (drilled > mostDrilled)
        throw InputError("holes", std::to_string(drilled) + " of them all told",
                         "up to " + std::to_string(mostDrilled) + " are");
    for (size_t i = 0; i < p.progress.done.size(); ++i)
        if (const StepDone& d = p.progress.done[i]; d.end < d.start)
            throw InputError(item("progress.done", i) + ".end_min", exact(d.end),
                             "its beginning, " + exact(d.start) + " min, or later is");
    if (!p.choices.trialRing.empty() && !layerOf(p, p.choices.trialRing))
        throw InputError("choices.trial_ring", "'" + p.choices.trialRing.substr(0, 40) + "'", "the id of a layer is");
}

}  // namespace vl
