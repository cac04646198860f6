#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"
#include "core/process/inlay_recipe.h"
#include "core/wood/filler.h"
#include "core/workpiece/inlay_sides.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

Fix inlayFix(std::string label, const std::string& id, std::function<void(Inlay&)> change)
{
    return pieceFix(std::move(label), [id, change = std::move(change)](Piece& p) {
        for (Inlay& f : p.inlays)
            if (f.id == id) change(f);
    });
}

/// Whether a rod is cut open by the hollow, and how much of it stays in the finished wood, by places along it.
void rods(const Case& in, std::vector<Caution>& out)
{
    constexpr double shortStub = 4;  // mm of a rod that its glue still holds; own value
    for (const DrilledHole& h : in.plan.surfaces.holes) {
        const Hole& hole = in.piece.holes[h.hole];
        if (!hole.filled || h.solid.profile.empty() || h.which > 0) continue;
        double least = 1e9;
        int stretches = 0;
        for (const Range& wood : woodAlong(in.plan.surfaces, h.solid.from - h.solid.way, h.solid.way, h.full + 2)) {
            least = std::min(least, wood.high - wood.low);
            ++stretches;
        }
        if (stretches > 1) {
            Caution c = atPlace(in, "rod-cut", hole.id, nameOf(in.piece, hole), h.solid.from.x(), Level::Note);
            c.measure = stretches;
            c.limit = 1;
            c.unit = "";
            c.message = "the hollow cuts its rod into " + std::to_string(stretches) +
                        " pieces, each held by its own glue alone: beside the hollow it stays whole";
            if (hole.into == Hole::Side)
                c.fixes.push_back(pieceFix("in the near wall alone", [id = hole.id](Piece& p) {
                    for (Hole& q : p.holes)
                        if (q.id == id) q.ends = Hole::Wall, q.early = false;
                }));
            out.push_back(std::move(c));
        }
        if (least < shortStub) {
            Caution c = atPlace(in, "rod-short", hole.id, nameOf(in.piece, hole), h.solid.from.x(), Level::Care);
            c.measure = least;
            c.limit = shortStub;
            c.message = "a piece of its rod is only " + in.mm(least) +
                        " long once it is turned: it can let go and fly; "
                        "soak its joint before it is turned through";
            out.push_back(std::move(c));
        }
    }
}

/// A tube that lines the bore; what goes into the tube is as wide as its maker made it.
void inOwnBore(const Case& in, const Bought& b, std::vector<Caution>& out)
{
    const Bought* tube = tubeInBore(in.piece);
    const double room = in.piece.hollow.bore - b.diameter;
    const bool lines = tube == &b;
    const double most = lines ? 0.5 : 1;  // mm; own values
    const bool tight = room<0, loose = room> most;
    if (!(lines || !tube) || !(tight || loose)) return;
    Caution c = atPlace(in, "bought-fit", b.id, nameOf(b), 0, tight ? Level::Stop : Level::Care);
    c.measure = room;
    c.limit = tight ? 0 : most;
    c.message = tight ? "it is " + in.mm(-room) + " wider than the bore"
                      : "the bore is " + in.mm(room) + " wider than it is: the glue does not fill that";
    c.fixes.push_back(
        pieceFix("a bore of Ø " + in.mm(b.diameter + 0.25), [b](Piece& p) { p.hollow.bore = b.diameter + 0.25; }));
    out.push_back(std::move(c));
}

void fitting(const Case& in, std::vector<Caution>& out)
{
    for (const Bought& b : in.piece.bought) {
        if (b.hole == Bought::ownBore && in.piece.hollow.rule == WallRule::Bored) {
            inOwnBore(in, b, out);
            continue;
        }
        const auto drilled = std::ranges::find_if(
            in.plan.surfaces.holes, [&](const DrilledHole& h) { return in.piece.holes[h.hole].id == b.hole; });
        if (drilled == in.plan.surfaces.holes.end()) {
            Caution c = atPlace(in, "bought-hole", b.id, nameOf(b), 0, Level::Stop);
            c.measure = b.diameter;
            c.message = "no hole of the piece is called '" + b.hole.substr(0, 40) + "': it has no place";
            if (!in.piece.holes.empty())
                c.fixes.push_back(pieceFix("into " + nameOf(in.piece, in.piece.holes.front()), [id = b.id](Piece& p) {
                    for (Bought& q : p.bought)
                        if (q.id == id && !p.holes.empty()) q.hole = p.holes.front().id;
                }));
            out.push_back(std::move(c));
            continue;
        }
        const Hole& hole = in.piece.holes[drilled->hole];
        const double z = drilled->solid.profile.empty() ? hole.at : drilled->solid.from.x();
        const double room = std::max(hole.diameter, hole.wide) - b.diameter;
        if (room < 0 || room > 1) {
            Caution c = atPlace(in, "bought-fit", b.id, nameOf(b), z, room < 0 ? Level::Stop : Level::Care);
            c.measure = room;
            c.limit = room < 0 ? 0 : 1;
            c.message = room < 0 ? "it is " + in.mm(-room) + " wider than its hole"
                                 : "its hole is " + in.mm(room) + " wider than it is: nothing holds it";
            c.fixes.push_back(pieceFix("a hole of Ø " + in.mm(b.diameter + 0.25), [id = hole.id, b](Piece& p) {
                for (Hole& q : p.holes)
                    if (q.id == id) q.diameter = b.diameter + 0.25, q.wide = 0;
            }));
            out.push_back(std::move(c));
        }
        if (hole.ends == Hole::Depth && hole.depth < b.length) {
            Caution c = atPlace(in, "bought-deep", b.id, nameOf(b), z, Level::Stop);
            c.measure = hole.depth;
            c.limit = b.length;
            c.message = "its hole is " + in.mm(hole.depth) + " deep and it needs " + in.mm(b.length);
            c.fixes.push_back(pieceFix("the hole " + in.mm(b.length + 0.5) + " deep", [id = hole.id, b](Piece& p) {
                for (Hole& q : p.holes)
                    if (q.id == id) q.depth = b.length + 0.5;
            }));
            out.push_back(std::move(c));
        }
        if (hole.filled) {
            Caution c = atPlace(in, "bought-filled", b.id, nameOf(b), z, Level::Stop);
            c.message = "its hole is filled with a rod";
            c.fixes.push_back(pieceFix("no rod in it", [id = hole.id](Piece& p) {
                for (Hole& q : p.holes)
                    if (q.id == id) q.filled = false;
            }));
            out.push_back(std::move(c));
        }
    }
}

void groovesAndCracks(const Case& in, std::vector<Caution>& out)
{
    for (const Inlay& f : in.piece.inlays) {
        const InlayPlace p = placeOf(f, in.plan.surfaces);
        const std::string name = nameOf(in.piece, f);
        const double z = f.kind == Inlay::Rim ? in.plan.shape.height : f.at, least = in.piece.hollow.leastWall;
        if (!p.meetsWood) {
            Caution c = atPlace(in, "inlay-none", f.id, name, z, Level::Stop);
            c.measure = f.kind == Inlay::Rim ? f.center : f.at;
            c.message = "there is no wood where it is to be let in, or less than it is deep";
            c.fixes.push_back(pieceFix("without it", [id = f.id](Piece& q) {
                std::erase_if(q.inlays, [&](const Inlay& one) { return one.id == id; });
            }));
            out.push_back(std::move(c));
            continue;
        }
        const double over = std::max(-p.z0, p.z1 - in.plan.shape.height);
        if (f.kind == Inlay::Wall && over > 0) {
            Caution c = atPlace(in, "inlay-end", f.id, name, z, Level::Stop);
            c.measure = over;
            c.limit = 0;
            c.message = "its groove runs out over the end by " + in.mm(over) +
                        ": it has one wall only, and nothing holds "
                        "what is let in";
            const double low = least + f.width / 2, high = in.plan.shape.height - low;
            if (low < high)
                c.fixes.push_back(inlayFix("at station " + in.mm(std::clamp(f.at, low, high)), f.id,
                                           [to = std::clamp(f.at, low, high)](Inlay& q) { q.at = to; }));
            out.push_back(std::move(c));
        }
        const bool crack = f.kind == Inlay::Crack;
        const double left = p.left - (crack ? f.loss : 0);
        if (left < least && !(crack && p.left <= 0 && f.loss < f.depth)) {
            Caution c = atPlace(in, "inlay-thin", f.id, name, z, left <= 0 && !crack ? Level::Stop : Level::Care);
            c.measure = left;
            c.limit = least;
            c.message = left <= 0 && !crack ? "it comes through: no wood is left beside or below it"
                                            : "beside or below it " + in.mm(std::max(0.0, left)) + " of wood are left" +
                                                  (crack ? " once it is cut back" : "");
            Inlay shallow = f;
            constexpr double step = 0.25, shallowest = 0.5;  // mm
            while (shallow.depth > shallowest && placeOf(shallow, in.plan.surfaces).left - (crack ? f.loss : 0) < least)
                shallow.depth -= step;
            if (shallow.depth > shallowest)
                c.fixes.push_back(
                    inlayFix(in.mm(shallow.depth) + " deep", f.id, [to = shallow.depth](Inlay& q) { q.depth = to; }));
            out.push_back(std::move(c));
        }
        if (crack || f.set == Inlay::None) continue;
        if (p.gap < 0) {
            Caution c = atPlace(in, "inlay-gap", f.id, name, z, Level::Stop);
            c.measure = p.gap;
            c.limit = 0;
            c.message = "its pieces do not go in: they overlap by " + in.mm(-p.gap) + " each";
            int fewer = f.count;
            for (Inlay q = f; fewer > 1 && placeOf(q, in.plan.surfaces).gap < 0; q.count = --fewer) {
            }
            if (fewer < f.count)
                c.fixes.push_back(
                    inlayFix(std::to_string(fewer) + " pieces", f.id, [fewer](Inlay& q) { q.count = fewer; }));
            out.push_back(std::move(c));
        }
        if (f.piece > f.width) {
            Caution c = atPlace(in, "inlay-wide", f.id, name, z, Level::Stop);
            c.measure = f.piece;
            c.limit = f.width;
            c.message = "a piece is wider than its groove";
            if (f.kind != Inlay::Rim || f.piece < f.center)
                c.fixes.push_back(inlayFix("groove as wide as a piece", f.id, [](Inlay& q) { q.width = q.piece; }));
            out.push_back(std::move(c));
        }
    }
}

/// What nobody could name is planned by cautious values.
void unknownWoods(const Case& in, std::vector<Caution>& out)
{
    for (int i = 0; i < in.layers(); ++i) {
        if (std::ranges::find(in.layer(i).woods, unknownWood) == in.layer(i).woods.end()) continue;
        Caution c = in.at("wood-unknown", i, Level::Note);
        c.unit = "";
        c.message =
            "its wood is not known: planned as heavy, oily and moving much; try tool, glue and finish on a scrap, "
            "and wear a mask, since some woods make ill";
        return out.push_back(std::move(c));
    }
}

}  // namespace

void inlayCautions(const Case& in, std::vector<Caution>& out)
{
    rods(in, out);
    groovesAndCracks(in, out);
    fitting(in, out);
    unknownWoods(in, out);
}

}  // namespace vl
