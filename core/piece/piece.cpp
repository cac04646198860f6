#include "core/piece/piece.h"

#include "core/geometry/profile.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/check.h"
#include "core/wood/species.h"

#include <cmath>

namespace vl {

std::string limitText(const Limit& limit) { return exact(limit.low) + " to " + exact(limit.high) + (*limit.unit ? std::string(" ") + limit.unit : "") + " is"; }

void checkWithin(const std::string& field, double value, const Limit& limit)
{
    if (!(value >= limit.low && value <= limit.high)) throw InputError(field, exact(value), limitText(limit));
}

double stackHeight(const Piece& piece)
{
    double height = 0;
    for (const Layer& l : piece.layers) height += l.thickness;
    return height;
}

double gluedThickness(const Layer& layer) { return std::max(layer.thickness, layer.partedFrom.value_or(0)); }

double outlineHeight(const Piece& piece) { return piece.outside.empty() ? 0 : piece.outside.back().z; }

Outline drawnFrom(const Polyline& inside, const Piece& piece)
{
    const Polyline outside = flatten(piece.outside);
    const double end = outlineHeight(piece), floor = inside.empty() ? std::min(piece.hollow.floor, end * 0.8) : inside.front().x();
    Outline drawn{{floor, 0, Span::Curve, 0, true, {}}};
    for (const double share : {0.04, 0.15, 0.35, 0.6, 0.8, 1.0}) {
        const double z = floor + (end - floor) * share;
        drawn.push_back({z, inside.empty() ? radiusAt(outside, z) / 2 : radiusRange(inside, z, z).high, Span::Curve, 0, true, {}});
    }
    return drawn;
}

namespace {

std::string item(const char* list, size_t i) { return std::string(list) + "[" + std::to_string(i) + "]"; }

void checkOutline(const Outline& outline, const char* name)
{
    if (outline.size() < 2 || outline.size() > limits::nodes)
        throw InputError(name, std::to_string(outline.size()) + " nodes", "2 to " + std::to_string(limits::nodes) + " nodes are");
    for (size_t i = 0; i < outline.size(); ++i) {
        const std::string at = item(name, i);
        checkWithin(at + ".z_mm", outline[i].z, limits::z);
        checkWithin(at + ".r_mm", outline[i].r, limits::radius);
        checkWithin(at + ".bulge", outline[i].bulge, limits::bulge);
        if (i && outline[i].z < outline[i - 1].z)
            throw InputError(at + ".z_mm", exact(outline[i].z), "the node before it, at " + exact(outline[i - 1].z) + " mm, or further on is");
    }
    if (!(outline.back().z > outline.front().z)) throw InputError(item(name, outline.size() - 1) + ".z_mm", exact(outline.back().z), "a station beyond the first node's is");
}

void checkLayer(const Layer& l, const std::string& at)
{
    checkWithin(at + ".thickness_mm", l.thickness, limits::thickness);
    checkWithin(at + ".segments", l.segments, limits::segments);
    checkWithin(at + ".turn", l.turn, limits::turn);
    checkWithin(at + ".outer_allowance_mm", l.outerAllowance, limits::allowance);
    checkWithin(at + ".inner_allowance_mm", l.innerAllowance, limits::allowance);
    checkWithin(at + ".sanding_loss_mm", l.sandingLoss, limits::sandingLoss);
    if (l.stockOuter) checkWithin(at + ".stock_outer_mm", *l.stockOuter, {1, limits::stock.high, "mm"});
    if (l.stockInner) checkWithin(at + ".stock_inner_mm", *l.stockInner, limits::stock);
    if (l.stockOuter && l.stockInner && *l.stockInner >= *l.stockOuter)
        throw InputError(at + ".stock_inner_mm", exact(*l.stockInner), "less than the stock's outside, " + exact(*l.stockOuter) + " mm, is");
    if (l.partedFrom) checkWithin(at + ".parted_from_mm", *l.partedFrom, limits::thickness);
    if (l.slope) checkWithin(at + ".slope_deg", *l.slope, limits::slope);
    checkWithin(at + ".let_in.diameter_mm", l.letIn.diameter, limits::inset);
    checkWithin(at + ".let_in.clearance_mm", l.letIn.clearance, limits::clearance);
    checkWithin(at + ".joint.width_mm", l.joint.width, limits::jointWidth);
    checkWithin(at + ".joint.angle_deg", l.joint.angle, limits::jointAngle);
    checkWithin(at + ".made_up.band_mm", l.madeUp.band, limits::band);
    checkWithin(at + ".made_up.rise_mm", l.madeUp.rise, limits::rise);
    checkWithin(at + ".slab.strip_mm", l.slab.strip, limits::strip);
    checkWithin(at + ".slab.row_mm", l.slab.row, limits::strip);
    checkWithin(at + ".slab.jointing_mm", l.slab.jointing, limits::jointing);
    checkWithin(at + ".slab.flattening_mm", l.slab.flattening, limits::jointing);
    checkWithin(at + ".wrapped.post_mm", l.wrapped.post, limits::post);
    checkWithin(at + ".wrapped.wrap_mm", l.wrapped.wrap, limits::wrap);
    checkWithin(at + ".board_rings.angle_deg", l.boardRings.angle, limits::boardAngle);
    checkWithin(at + ".board_rings.kerf_mm", l.boardRings.kerf, limits::kerf);
    checkWithin(at + ".board_rings.rings", l.boardRings.rings, limits::rings);
    checkWithin(at + ".board_rings.rotate_deg", l.boardRings.rotate, limits::rotate);
    for (const auto& [field, wood] : {std::pair{".joint.wood", &l.joint.wood}, {".made_up.wood", &l.madeUp.wood}, {".wrapped.wedge_wood", &l.wrapped.wedgeWood}})
        if (!findSpecies(*wood)) throw InputError(at + field, "'" + *wood + "'", "the id of a known wood is");
    if (l.woods.empty() || l.woods.size() > static_cast<size_t>(limits::segments.high)) throw InputError(at + ".woods", std::to_string(l.woods.size()) + " woods", "1 to 96 are");
    for (const std::string& wood : l.woods)
        if (!findSpecies(wood)) throw InputError(at + ".woods", "'" + wood + "'", "the id of a known wood is");
}

void checkProgress(const Progress& p)
{
    if (p.start) checkWithin("progress.start_min", *p.start, limits::clock);
    if (p.strips.size() > limits::steps || p.done.size() > limits::steps || p.moved.size() > limits::steps) throw InputError("progress", "too many entries", "up to " + std::to_string(limits::steps) + " are");
    for (size_t i = 0; i < p.strips.size(); ++i) {
        const KeptStrip& s = p.strips[i];
        const std::string at = item("progress.strips", i);
        checkWithin(at + ".x_mm", s.x, limits::alongBoard);
        checkWithin(at + ".y_mm", s.y, limits::alongBoard);
        checkWithin(at + ".length_mm", s.length, limits::boardLength);
        checkWithin(at + ".width_mm", s.width, limits::stripWidth);
        checkWithin(at + ".thickness_mm", s.thickness, limits::thickness);
        for (const auto& [part, count] : s.runs) checkWithin(at + ".runs." + part.substr(0, 60), count, {0, 100000, ""});
    }
    for (size_t i = 0; i < p.done.size(); ++i) {
        checkWithin(item("progress.done", i) + ".start_min", p.done[i].start, limits::clock);
        checkWithin(item("progress.done", i) + ".end_min", p.done[i].end, {p.done[i].start, limits::clock.high, "min"});
    }
    for (size_t i = 0; i < p.moved.size(); ++i) checkWithin(item("progress.moved", i) + ".from_min", p.moved[i].from, limits::clock);
}

}  // namespace

void checkPiece(const Piece& p)
{
    if (p.name.size() > 200) throw InputError("name", std::to_string(p.name.size()) + " bytes", "up to 200 are");
    if (p.notes.size() > limits::textLength) throw InputError("notes", std::to_string(p.notes.size()) + " bytes", "up to 20000 are");
    checkOutline(p.outside, "outside");
    if (p.outside.front().z != 0) throw InputError("outside[0].z_mm", exact(p.outside.front().z), "0, the headstock face, is");
    const Hollow& h = p.hollow;
    checkWithin("hollow.rim_wall_mm", h.rimWall, limits::wall);
    checkWithin("hollow.base_wall_mm", h.baseWall, limits::wall);
    checkWithin("hollow.least_wall_mm", h.leastWall, {0, limits::wall.high, "mm"});
    checkWithin("hollow.floor_mm", h.floor, limits::floor);
    checkWithin("hollow.floor_round_mm", h.floorRound, limits::floorRound);
    if (h.rule == WallRule::Drawn) checkOutline(h.inside, "hollow.inside");
    if (p.layers.empty() || p.layers.size() > limits::layers)
        throw InputError("layers", std::to_string(p.layers.size()) + " layers", "1 to " + std::to_string(limits::layers) + " are");
    for (size_t i = 0; i < p.layers.size(); ++i) checkLayer(p.layers[i], item("layers", i));
    checkWithin("hollow.bore_mm", h.bore, limits::bore);
    checkProgress(p.progress);
    checkWithin("nest.smallest_mm", p.nest.smallest, limits::nest);
    checkWithin("nest.largest_mm", p.nest.largest, limits::nest);
    checkWithin("nest.wall_mm", p.nest.wall, limits::wall);
    checkWithin("nest.tool_mm", p.nest.tool, limits::tool);
    checkWithin("nest.blade_below_edge_mm", p.nest.below, limits::blade);
    const Choices& c = p.choices;
    checkWithin("choices.sled_run_mm", c.sledRun, limits::sledRun);
    checkWithin("choices.end_waste_mm", c.endWaste, limits::endWaste);
    checkWithin("choices.trial_gap_mm", c.trialGap, limits::trialGap);
    checkWithin("choices.trial_ring", c.trialRing, {-1, static_cast<double>(p.layers.size()) - 1, ""});
    checkWithin("choices.station_spacing_mm", c.stationSpacing, limits::spacing);
}

}  // namespace vl
