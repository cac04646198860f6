#include "core/plan/cautions/judge.h"

#include "core/holding/foot_hold.h"
#include "core/measure/format.h"
#include "core/piece/edits/log_middle.h"
#include "core/workpiece/air_sweep.h"
#include "core/workpiece/sawn_cuts.h"
#include "core/workpiece/worked_cuts.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double leastUnder = 2;  // mm of wood under a point or beside a hole; own value
constexpr double mostSlope = 35;  // degrees at which a bit slides off; own value
constexpr double widestBit = 50;  // mm, in end grain at a drill press; common practice

Caution atHole(const Case& in, const char* kind, const DrilledHole& h, Level level)
{
    const Hole& hole = in.piece.holes[h.hole];
    Caution c;
    c.called(kind, hole.id);
    c.level = level;
    c.at = nameOf(in.piece, hole);
    c.z = std::clamp(h.solid.profile.empty() ? hole.at : h.solid.from.x(), 0.0, in.plan.shape.height);
    c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
    c.unit = "mm";
    return c;
}

Fix holeFix(std::string label, size_t which, std::function<void(Hole&)> change)
{
    return pieceFix(std::move(label), [which, change = std::move(change)](Piece& p) {
        if (which < p.holes.size()) change(p.holes[which]);
    });
}

/// How much wood a hole leaves beside it, away from its two ends, up to what it should; below 0 by as much as it breaks
/// out. mm.
double leastBeside(const Case& in, const DrilledHole& h)
{
    const Eigen::Vector3d u = h.solid.way.unitOrthogonal(), v = h.solid.way.cross(u);
    const double r = in.piece.holes[h.hole].diameter / 2, slant = r * std::tan(std::min(h.slopeDeg, 75.0) * degrees);
    double least = leastUnder;
    constexpr int around = 24, steps = 24;
    const double from = slant + leastUnder, to = h.full - slant - leastUnder - (h.through ? leastUnder : 0);
    for (int i = 0; i <= steps && to > from; ++i)
        for (int k = 0; k < around; ++k) {
            const double a = 2 * pi * k / around, t = from + (to - from) * i / steps;
            const Eigen::Vector3d out = std::cos(a) * u + std::sin(a) * v, middle = h.solid.from + h.solid.way * t;
            if (!in.plan.surfaces.holds(middle, false)) continue;  // in the hollow between two walls
            const auto isWood = [&](double away) { return in.plan.surfaces.holds(middle + out * away, false); };
            double wood = 0;
            if (isWood(r))
                while (wood < least && isWood(r + wood)) wood += 0.1;
            else {
                double low = 0, high = r;
                for (int halving = 0; halving < 8; ++halving)
                    (isWood((low + high) / 2) ? low : high) = (low + high) / 2;
                wood = low - r;
            }
            least = std::min(least, wood);
        }
    return least;
}

void oneHole(const Case& in, const DrilledHole& h, std::vector<Caution>& out)
{
    const Hole& hole = in.piece.holes[h.hole];
    if (h.solid.profile.empty()) {
        Caution c = atHole(in, "hole-air", h, Level::Stop);
        c.measure = hole.at;
        c.limit = hole.into == Hole::Side ? in.plan.shape.height : in.plan.shape.greatestDiameter / 2;
        c.message = "it meets no wood where it is to be drilled";
        const double middle = c.limit / 2;
        if (hole.into == Hole::Side)
            c.fixes.push_back(holeFix("half way up", h.hole, [middle](Hole& q) { q.at = middle, q.beside = 0; }));
        c.fixes.push_back(pieceFix("without it", [id = hole.id](Piece& p) {
            std::erase_if(p.holes, [&](const Hole& q) { return q.id == id; });
        }));
        out.push_back(c);
        return;
    }
    if (!h.through && h.under < leastUnder) {
        Caution c = atHole(in, "hole-under", h, h.under <= 0 ? Level::Stop : Level::Care);
        c.measure = h.under;
        c.limit = leastUnder;
        c.message = h.under <= 0 ? "its point comes out on the other side, by " + in.mm(-h.under)
                                 : "only " + in.mm(h.under) + " of wood stay under its point";
        if (const double depth = hole.depth - (leastUnder - h.under); depth > 0.5)
            c.fixes.push_back(
                holeFix("drill it " + in.mm(depth) + " deep", h.hole, [depth](Hole& q) { q.depth = depth; }));
        c.fixes.push_back(holeFix("let it come out", h.hole, [](Hole& q) { q.ends = Hole::Wall; }));
        out.push_back(c);
    }
    // What is drilled in the blank starts on its flat faces, and its rod is turned with the wood beside it.
    if (hole.early) return;
    if (const double beside = leastBeside(in, h); beside < leastUnder) {
        Caution c = atHole(in, "hole-beside", h, beside <= 0 ? Level::Stop : Level::Care);
        c.measure = beside;
        c.limit = leastUnder;
        c.message = beside <= 0 ? "it breaks out along its side" : "only " + in.mm(beside) + " of wood stay beside it";
        if (const double narrower = hole.diameter - 2 * (leastUnder - beside) - 0.2; narrower >= 0.5)
            c.fixes.push_back(holeFix("Ø " + in.mm(narrower), h.hole, [narrower](Hole& q) { q.diameter = narrower; }));
        out.push_back(c);
    }
    if (h.slopeDeg > mostSlope) {
        Caution c = atHole(in, "hole-slope", h, Level::Care);
        c.measure = h.slopeDeg;
        c.limit = mostSlope;
        c.unit = "°";
        c.message = "the bit meets the surface " + fixed(h.slopeDeg, 0) +
                    "° off square and slides off: it needs a flat or a guide block to start in";
        out.push_back(c);
    }
    const BuiltLayer& layer = in.plan.assembly.layers[in.plan.assembly.layerAt(h.solid.from.x())];
    const bool alongGrain = layer.cells[0].endGrain(h.solid.way) > 0.7;
    if (alongGrain && std::max(hole.diameter, hole.wide) > widestBit) {
        Caution c = atHole(in, "hole-wide", h, Level::Care);
        c.measure = std::max(hole.diameter, hole.wide);
        c.limit = widestBit;
        c.message = "a bit as wide as this grabs in end grain: a drill press is not used much above " +
                    in.mm(widestBit) + "; turned out instead, it is safe";
        out.push_back(c);
    }
}

/// Holes that run into each other, each pair of them once.
void crossings(const Case& in, std::vector<Caution>& out)
{
    const std::vector<DrilledHole>& all = in.plan.surfaces.holes;
    std::vector<std::pair<size_t, size_t>> said;
    for (size_t i = 0; i < all.size(); ++i)
        for (size_t k = 0; k < i; ++k) {
            if (all[i].solid.profile.empty() || all[k].solid.profile.empty()) continue;
            const std::pair pair(all[k].hole, all[i].hole);
            if (std::ranges::find(said, pair) != said.end()) continue;
            // Those alike on round work lie to each other as they lie to the first.
            if (pair.first == pair.second && in.plan.surfaces.round() && all[k].which > 0) continue;
            const double by = runsInto(in.piece, all[i], all[k]);
            if (by <= 0) continue;
            said.push_back(pair);
            // Rods of one blank come in rounds: the recipe drills the second once the first has set.
            const Hole &second = in.piece.holes[all[i].hole], &first = in.piece.holes[all[k].hole];
            const bool planned = first.filled && pair.first != pair.second && (!second.early || first.early);
            Caution c = atHole(in, "holes-cross", all[i], planned ? Level::Note : Level::Care);
            c.id += "-" + in.piece.holes[all[k].hole].id;
            c.measure = by;
            c.limit = 0;
            const std::string met = pair.first == pair.second ? "its holes run into one another by " + in.mm(by)
                                                              : "it runs " + in.mm(by) + " into " +
                                                                    nameOf(in.piece, in.piece.holes[all[k].hole]);
            c.message = met + (planned ? ": it is drilled once the other has set, and cuts it in two there"
                                       : ": the bit wanders off into the other; what is to be glued in is glued and "
                                         "cured before the next is drilled");
            out.push_back(c);
        }
}

void offIndex(const Case& in, size_t which, std::vector<Caution>& out)
{
    const Hole& hole = in.piece.holes[which];
    const DrilledHole none{.hole = which, .mark = {}, .solid = {}};
    offPlate(
        atHole(in, "hole-index", none, Level::Care), hole.count, hole.plate, hole.start,
        [which](Piece& p, int plate) {
            if (which >= p.holes.size()) return;
            p.holes[which].plate = plate;
            p.holes[which].start = std::max(0, std::min(p.holes[which].start, plate - 1));
        },
        out);
}

Caution atSawn(const Case& in, const char* kind, const Sawn& s, double z, Level level)
{
    Caution c;
    c.called(kind, s.id);
    c.level = level;
    c.at = nameOf(in.piece, s);
    c.z = std::clamp(z, 0.0, in.plan.shape.height);
    c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
    c.unit = "mm";
    return c;
}

/// The least wood between a sawn surface and the hollow; below 0 where it comes through, and where.
std::pair<double, double> toHollow(const Case& in, const Sawed& cut)
{
    std::pair<double, double> least{1e9, 0};
    if (in.plan.surfaces.inside.empty()) return least;
    const Eigen::Vector3d along = cut.right.cross(cut.up);
    const double far = in.plan.surfaces.widest(), tall = in.plan.shape.height;
    constexpr int steps = 40;
    for (size_t i = 0; i < cut.outline.size(); ++i) {
        const Point p = cut.outline[i], q = cut.outline[(i + 1) % cut.outline.size()];
        if (p.cwiseAbs().maxCoeff() >= beyondAll && q.cwiseAbs().maxCoeff() >= beyondAll) continue;
        const Point at = p.cwiseAbs().maxCoeff() >= beyondAll ? q : p;
        for (int k = 0; k <= steps; ++k) {
            const bool lies = std::abs(along.x()) > 0.5;  // pushed along the axis
            const double w = lies ? along.x() * tall * k / steps : far * (2.0 * k / steps - 1);
            const Eigen::Vector3d here = cut.right * at.x() + cut.up * at.y() + along * w;
            const double r = here.tail<2>().norm(), z = here.x();
            if (!(r <= radiusAt(in.plan.surfaces.outside, z))) continue;
            const double bore = radiusAt(in.plan.surfaces.inside, z);
            const double wood = distanceTo(in.plan.surfaces.inside, {z, r}) * (r < bore ? -1 : 1);
            if (wood < least.first) least = {wood, z};
        }
    }
    return least;
}

/// What is sawn from below or above before the work is mounted must leave the wood that holds it there.
void held(const Case& in, const Sawn& s, const Polyline& curve, std::vector<Caution>& out)
{
    if (!sawnBefore(in.piece, s) || s.from == Sawn::Sides) return;
    constexpr double center = 10, flange = 30, flat = 0.1;  // mm: a center's place, a screw's flange
    const bool below = s.from == Sawn::Underside;
    const double middle = !isWholeBlock(in.piece) ? center
                          : below                 ? footHold(in.piece, in.shop, in.plan.surfaces).diameter / 2
                                                  : flange;
    const bool cut = std::ranges::any_of(curve, [&](const Point& p) {
        return p.x() <= middle && (below ? p.y() > flat : p.y() < in.plan.shape.height - flat);
    });
    if (!cut) return;
    Caution c = atSawn(in, "saw-grip", s, below ? 0 : in.plan.shape.height, Level::Stop);
    c.measure = 2 * middle;
    c.limit = 0;
    c.message = "sawn before it is turned it takes the wood away that holds it: " + in.mm(2 * middle) +
                " in the middle of the " + (below ? "foot" : "rim\u2019s face");
    c.fixes.push_back(pieceFix("saw it after it is turned", [id = s.id](Piece& p) {
        for (Sawn& q : p.sawn)
            if (q.id == id) q.when = Sawn::After;
    }));
    out.push_back(c);
}

/// What a curve from below leaves between it and the hollow.
void floorOver(const Case& in, const Sawn& s, std::vector<Caution>& out)
{
    // A wall that is sawn open from above or beside is meant to be.
    if (s.from != Sawn::Underside || s.when == Sawn::Grown) return;
    const double least = in.piece.hollow.leastWall;
    for (const Cut& cut : in.plan.surfaces.cuts) {
        const Sawed* solid = std::get_if<Sawed>(&cut.solid);
        if (cut.step != sawStep(s) || !solid) continue;
        const auto [wood, z] = toHollow(in, *solid);
        if (wood >= least) return;
        Caution c = atSawn(in, "saw-floor", s, z, wood <= 0 ? Level::Stop : Level::Care);
        c.measure = wood;
        c.limit = least;
        c.message = wood <= 0 ? "it comes through into the hollow"
                              : "between it and the hollow " + in.mm(wood) + " of wood are left";
        const double lower = least - wood + 0.2;
        c.fixes.push_back(pieceFix("its curve " + in.mm(lower) + " lower", [id = s.id, lower](Piece& p) {
            for (Sawn& q : p.sawn)
                if (q.id == id)
                    for (Node& n : q.curve) n.r = std::max(0.0, n.r - lower);
        }));
        out.push_back(c);
        return;
    }
}

/// A curve tighter than the blade turns.
void tightFor(const Case& in, const Sawn& s, const Polyline& curve, std::vector<Caution>& out)
{
    double tightest = 1e9;
    for (const Point& p : curvatureAlong(curve))
        if (std::abs(p.y()) > 1e-6) tightest = std::min(tightest, 1000 / std::abs(p.y()));
    if (s.when == Sawn::Grown || tightest >= in.shop.bandsawRadius) return;
    Caution c = atSawn(in, "saw-radius", s, curve.front().y(), Level::Care);
    c.measure = tightest;
    c.limit = in.shop.bandsawRadius;
    c.message = "it bends with a radius of " + in.mm(tightest) +
                ", tighter than the bandsaw's blade turns: " + "relief cuts, or a coping saw there";
    out.push_back(c);
}

/// A leg carries what the rim is: no narrower than it; common practice.
void legsLeft(const Case& in, const Sawn& s, const Polyline& curve, std::vector<Caution>& out)
{
    if (s.from != Sawn::Underside) return;
    const Edge& edge = in.piece.edge;
    double end = in.plan.shape.footRadius;
    if (edge.kind == Edge::Square) end = std::min(end, (s.run == Sawn::WithGrain ? edge.length : edge.width) / 2);
    const double leg = end - curve.back().x(), rim = in.piece.hollow.rimWall;
    if (leg >= rim) return;
    Caution c = atSawn(in, "saw-leg", s, 0, leg <= 0 ? Level::Stop : Level::Care);
    c.measure = leg;
    c.limit = rim;
    c.message = leg <= 0 ? "no foot is left to stand on"
                         : "the legs it leaves are " + in.mm(leg) + " wide where they are narrowest, less than the rim";
    const double shorter = rim - leg;
    c.fixes.push_back(pieceFix("end it " + in.mm(shorter) + " sooner", [id = s.id, shorter](Piece& p) {
        for (Sawn& q : p.sawn) {
            if (q.id != id || q.curve.back().z <= shorter) continue;
            const double share = (q.curve.back().z - shorter) / q.curve.back().z;
            for (Node& n : q.curve) n.z *= share;
        }
    }));
    out.push_back(c);
}

void oneSawn(const Case& in, const Sawn& s, std::vector<Caution>& out)
{
    const Polyline curve = curveOf(s);
    floorOver(in, s, out);
    tightFor(in, s, curve, out);
    held(in, s, curve, out);
    legsLeft(in, s, curve, out);
}

/// Where the bark is the rim: how deep it dips.
void bark(const Case& in, std::vector<Caution>& out)
{
    const auto edge = livingEdge(in.piece);
    if (!edge) return;
    // Across the grain the log falls away to both sides: the highest wood of the wall there.
    double across = 0;
    constexpr double step = 0.25;  // mm
    for (double z = 0; z <= in.plan.shape.height; z += step)
        if (const double r = radiusAt(in.plan.surfaces.outside, z); !takes(*edge, {z, r, 0})) across = z;
    const double dips = in.plan.shape.height - across;
    if (dips < 0.5) return;
    Caution c;
    c.called("living-edge");
    c.level = Level::Note;
    c.at = "rim";
    c.z = across;
    c.layer = in.layers() - 1;
    c.measure = dips;
    c.limit = 0;
    c.unit = "mm";
    c.message = "the rim follows the bark and dips by " + in.mm(dips) +
                " across the grain: half of a turn is air there, and bark that is loose flies off: bound with thin CA "
                "before it is turned, or taken off";
    out.push_back(c);
}

/// Bark that is to stay where the blank has none.
void noBark(const Case& in, std::vector<Caution>& out)
{
    if (in.piece.edge.kind != Edge::Bark || wholeLog(in.piece)) return;
    Caution c;
    c.called("edge-bark");
    c.level = Level::Care;
    c.at = "edge";
    c.layer = in.layers() - 1;
    c.message = "only a whole log has bark along its flank: this blank is turned round";
    c.fixes.push_back(pieceFix("turned round", [](Piece& p) { p.edge.kind = Edge::Turned; }));
    out.push_back(std::move(c));
}

/// Edges, wings and bark rims that come round unseen.
void air(const Case& in, std::vector<Caution>& out)
{
    const Range sweep = airSweep(in.piece, in.plan.surfaces);
    if (!(sweep.high > 0)) return;
    Caution c;
    c.called("air-sweep");
    c.level = Level::Note;
    c.at = "edge";
    c.z = in.plan.shape.height;
    c.layer = in.layers() - 1;
    c.measure = sweep.low;
    c.limit = sweep.high;
    c.unit = "mm";
    c.message =
        "from a radius of " + in.mm(sweep.low) + " to " + in.mm(sweep.high) +
        " it turns half in air and is seen only as a shadow: the sweep marked on the rest, hands behind the mark, "
        "rest off and lathe at rest before the edge is sanded";
    out.push_back(c);
}

/// Rings that are parted one inside another are no one piece that could be sawn, or drilled from its foot.
void nested(const Case& in, std::vector<Caution>& out)
{
    if (!in.piece.nest.on) return;
    std::string what;
    for (const Sawn& s : in.piece.sawn) what = nameOf(in.piece, s);
    for (const Hole& h : in.piece.holes)
        if (h.into == Hole::Foot && !h.early) what = nameOf(in.piece, h);
    for (const Worked& w : in.piece.worked)
        if (w.kind == Worked::Legs || w.kind == Worked::Openings) what = nameOf(in.piece, w);
    if (in.piece.lean.angle > 0 || in.piece.split.on) what = "foot";
    if (what.empty()) return;
    Caution c;
    c.called("nest-cut");
    c.level = Level::Stop;
    c.at = what;
    c.layer = 0;
    c.measure = static_cast<double>(in.piece.sawn.size() + in.piece.holes.size());
    c.limit = 0;
    c.message = "the blank is parted into rings: no step saws it, drills its foot or makes legs after that";
    c.fixes.push_back(pieceFix("no rings parted from it", [](Piece& p) { p.nest.on = false; }));
    out.push_back(c);
}

}  // namespace

void cutCurveCautions(const Case& in, std::vector<Caution>& out)
{
    for (const DrilledHole& h : in.plan.surfaces.holes) {
        if (h.which > 0 && in.plan.surfaces.round()) continue;
        // Those alike are judged by the one that has the least to spare: each kind is said once.
        const size_t before = out.size();
        oneHole(in, h, out);
        for (size_t i = out.size(); i-- > before;) {
            const auto same = std::find_if(out.begin(), out.begin() + static_cast<long>(before),
                                           [&](const Caution& c) { return c.id == out[i].id; });
            if (same == out.begin() + static_cast<long>(before)) continue;
            if (out[i].measure < same->measure) *same = out[i];
            out.erase(out.begin() + static_cast<long>(i));
        }
    }
    crossings(in, out);
    for (size_t i = 0; i < in.piece.holes.size(); ++i) offIndex(in, i, out);
    for (const Sawn& s : in.piece.sawn) oneSawn(in, s, out);
    bark(in, out);
    noBark(in, out);
    air(in, out);
    nested(in, out);
}

}  // namespace vl
