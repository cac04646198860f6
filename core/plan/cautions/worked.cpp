#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"
#include "core/workpiece/decor_grid.h"
#include "core/workpiece/openings.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

Caution atWorked(const Case& in, const char* kind, const Worked& w, double z, Level level)
{
    return atPlace(in, kind, w.id, nameOf(in.piece, w), z, level);
}

Fix workedFix(std::string label, const std::string& id, std::function<void(Worked&)> change)
{
    return pieceFix(std::move(label), [id, change = std::move(change)](Piece& p) {
        for (Worked& w : p.worked)
            if (w.id == id) change(w);
    });
}

/// Another plate for one of the piece's lists.
template <class List> auto plateOf(const std::string& id, List Piece::*list)
{
    return [id, list](Piece& p, int plate) {
        for (auto& one : p.*list)
            if (one.id == id) one.plate = plate, one.start = std::max(0, std::min(one.start, plate - 1));
    };
}

/// Openings: the wood between them, the grain that it has, and how the saw comes there.
void openings(const Case& in, const Worked& w, std::vector<Caution>& out)
{
    const auto o = openingOf(w, in.plan.surfaces);
    const double height = in.plan.shape.height;
    const auto within = workedFix("within the wall", w.id, [height](Worked& q) {
        q.from = height / 3;
        q.to = height * 2 / 3;
    });
    if (!o) {
        Caution c = atWorked(in, "opening-none", w, w.from, Level::Stop);
        c.measure = w.to - w.from;
        c.message = "between its stations no wall is left to open";
        if (w.shape == Worked::Lattice && w.rows > 1)
            c.fixes.push_back(workedFix("one row, bars of " + in.mm(2), w.id, [](Worked& q) {
                q.rows = 1;
                q.bar = 2;
            }));
        c.fixes.push_back(within);
        return out.push_back(std::move(c));
    }
    const double floor = in.plan.surfaces.inside.empty() ? height : in.plan.surfaces.inside.front().x();
    if (w.from < floor + in.piece.hollow.leastWall) {
        Caution c = atWorked(in, "opening-floor", w, w.from, w.from <= floor ? Level::Stop : Level::Care);
        c.measure = w.from;
        c.limit = floor + in.piece.hollow.leastWall;
        c.message = w.from <= floor
                        ? "it reaches below the hollow: there is solid wood behind it, no wall to saw through"
                        : "it ends less than a wall above the floor";
        if (c.limit < w.to - 2)
            c.fixes.push_back(workedFix("begin at " + in.mm(c.limit), w.id,
                                        [to = c.limit](Worked& q) { q.from = std::ceil(to * 10) / 10; }));
        out.push_back(std::move(c));
    }
    // Own value: what stands between two openings carries the rim over them.
    const double least = std::max(4.0, in.piece.hollow.rimWall);
    if (o->narrowest < least) {
        Caution c = atWorked(in, "opening-bridge", w, o->narrowestAt, o->narrowest <= 0 ? Level::Stop : Level::Care);
        c.measure = o->narrowest;
        c.limit = least;
        c.message = o->narrowest <= 0 ? "they run into one another: the rim falls off"
                                      : "between two of them only " + in.mm(o->narrowest) + " of wood are left";
        if (w.shape == Worked::Lattice)
            c.fixes.push_back(workedFix("bars of " + in.mm(least), w.id, [least](Worked& q) { q.bar = least; }));
        Worked narrow = w;
        for (; narrow.wide > 1.5; narrow.wide -= 0.5)
            if (const auto q = openingOf(narrow, in.plan.surfaces); q && q->narrowest >= least) break;
        if (w.shape != Worked::Lattice && narrow.wide < w.wide && narrow.wide > 1.5)
            c.fixes.push_back(
                workedFix(in.mm(narrow.wide) + " wide", w.id, [to = narrow.wide](Worked& q) { q.wide = to; }));
        if (w.count > 2) c.fixes.push_back(workedFix("one fewer", w.id, [](Worked& q) { --q.count; }));
        out.push_back(std::move(c));
    }
    if (o->deepest > in.shop.fretReach) {
        Caution c = atWorked(in, "opening-reach", w, w.from, Level::Care);
        c.measure = o->deepest;
        c.limit = in.shop.fretReach;
        c.message = "its lower end lies " + in.mm(o->deepest) + " below the rim and the saw's frame spans " +
                    in.mm(c.limit) + ": it is sawn from outside with the blade alone in a handle, or not at all";
        out.push_back(std::move(c));
    }
    const size_t which = static_cast<size_t>(&w - in.piece.worked.data());
    const double z = (w.from + w.to) / 2, r = radiusAt(in.plan.surfaces.outside, z) - 0.1;
    constexpr double across = 0.94;  // of end grain: within 20° of it
    const BuiltLayer& layer = in.plan.assembly.layers[in.plan.assembly.layerAt(z)];
    int number = 0;
    for (const double a : directionsOf(in.piece, which)) {
        const Cell* cell = layer.cellAt(z, r, a);
        if (cell && cell->endGrain(outwards(a)) > across) ++number;
    }
    if (number > 0) {
        Caution c = atWorked(in, "opening-grain", w, z, Level::Note);
        c.measure = number;
        c.unit = "";
        c.message = std::to_string(number) +
                    " of them lie on end grain: the wood between is short-fiberd there and breaks "
                    "easily; on side grain it holds";
        c.fixes.push_back(workedFix("half a step on", w.id, [](Worked& q) { q.direction += 180.0 / q.count; }));
        out.push_back(std::move(c));
    }
}

/// Flutes and facets: what they leave, and how they lie to one another.
void straight(const Case& in, const Worked& w, std::vector<Caution>& out)
{
    const auto cut = straightCut(w, in.plan.surfaces);
    if (!cut) {
        Caution c = atWorked(in, "worked-none", w, w.from, Level::Stop);
        c.measure = w.depth;
        c.limit = 0;
        c.message = "there is no wood where it begins or ends: nothing can be cut so";
        const double height = in.plan.shape.height;
        c.fixes.push_back(workedFix("within the piece", w.id, [height](Worked& q) {
            q.from = height / 4;
            q.to = height * 3 / 4;
        }));
        out.push_back(std::move(c));
        return;
    }
    if (!in.plan.surfaces.inside.empty()) {
        double least = 1e9, at = w.from;
        constexpr int looks = 100;
        for (int k = 0; k <= looks; ++k) {
            const double z = w.from + (w.to - w.from) * k / looks,
                         bore = radiusRange(in.plan.surfaces.inside, z, z).high;
            if (!(bore > 0)) continue;
            if (const double wall = cut->radiusAt(z) - bore; wall < least) least = wall, at = z;
        }
        if (const double wanted = in.piece.hollow.leastWall; least < wanted) {
            Caution c = atWorked(in, "worked-wall", w, at, least <= 0 ? Level::Stop : Level::Care);
            c.measure = least;
            c.limit = wanted;
            c.message = least <= 0 ? "it comes through into the hollow"
                                   : "between its bottom and the hollow " + in.mm(least) + " of wood are left";
            if (const double depth = w.depth - (wanted - least) - 0.05; depth >= 0.1)
                c.fixes.push_back(
                    workedFix("cut it " + in.mm(depth) + " deep", w.id, [depth](Worked& q) { q.depth = depth; }));
            c.fixes.push_back(thickerWall(in, wanted - least));
            out.push_back(std::move(c));
        }
    }
    // A straight bottom is nearest to the axis at one of its ends.
    const bool ends = cut->high < cut->low;
    const double core = std::min(cut->low, cut->high), end = ends ? cut->to : cut->from,
                 wanted = in.piece.hollow.leastWall;
    if (core < wanted && std::isnan(insideAt(in.plan.surfaces, end))) {
        Caution c = atWorked(in, "worked-core", w, end, Level::Care);
        c.measure = core;
        c.limit = wanted;
        c.message = "to the axis only " + in.mm(core) + " of wood are left";
        if (const double depth = w.depth - (wanted - core) - 0.05; depth >= 0.1)
            c.fixes.push_back(
                workedFix("cut it " + in.mm(depth) + " deep", w.id, [depth](Worked& q) { q.depth = depth; }));
        out.push_back(std::move(c));
    }
    const bool flutes = w.kind == Worked::Flutes;
    if (flutes && cut->deepest > w.cutter / 2 + 1e-6) {
        Caution c = atWorked(in, "flute-deep", w, cut->at, Level::Care);
        c.measure = cut->deepest;
        c.limit = w.cutter / 2;
        c.message = "the surface stands " + in.mm(cut->deepest) +
                    " over its straight bottom, more than the cutter's round nose reaches: the shank rubs, and the "
                    "groove's walls stand upright there";
        out.push_back(std::move(c));
    }
    if (cut->shallowest < 0) {
        Caution c = atWorked(in, "worked-air", w, (w.from + w.to) / 2, Level::Note);
        c.measure = cut->shallowest;
        c.limit = 0;
        c.message = "it is straight and the surface falls away under it: between its ends it runs out and begins anew";
        out.push_back(std::move(c));
    }
    const double apart = 2 * (radiusAt(in.plan.surfaces.outside, std::clamp(cut->at, 0.0, in.plan.shape.height))) *
                         std::sin(pi / w.count);
    if (flutes && cut->widest > apart) {
        Caution c = atWorked(in, "flutes-meet", w, cut->at, Level::Care);
        c.measure = cut->widest;
        c.limit = apart;
        c.message = "they are " + in.mm(cut->widest) + " wide and stand " + in.mm(apart) +
                    " apart: they run into one another, and what is between them breaks off";
        if (w.count > 2)
            c.fixes.push_back(workedFix("one fewer", w.id, [](Worked& q) { q.count = std::max(2, q.count - 1); }));
        out.push_back(std::move(c));
    }
    if (!in.piece.axes.empty()) {
        Caution c = atWorked(in, "worked-axes", w, cut->at, Level::Care);
        c.measure = static_cast<double>(in.piece.axes.size());
        c.limit = 0;
        c.unit = "";
        c.message = "its depths count from the piece turned true; where another axis has been at it, it is shallower";
        out.push_back(std::move(c));
    }
}

void legs(const Case& in, const Worked& w, std::vector<Caution>& out)
{
    const double foot = footRadiusOf(in.plan.surfaces);
    const double floor = in.plan.surfaces.inside.empty() ? in.plan.shape.height : in.plan.surfaces.inside.front().x();
    if (const double left = floor - w.height, wanted = in.piece.hollow.leastWall; left < wanted) {
        Caution c = atWorked(in, "legs-floor", w, w.height, left <= 0 ? Level::Stop : Level::Care);
        c.measure = left;
        c.limit = wanted;
        c.message = left <= 0 ? "they are higher than the floor lies: the hollow between them opens it"
                              : "over the hollow between them " + in.mm(left) + " of floor are left";
        if (const double lower = floor - wanted; lower >= 1)
            c.fixes.push_back(
                workedFix(in.mm(lower) + " high", w.id, [lower](Worked& q) { q.height = std::min(q.height, lower); }));
        else
            c.fixes.push_back(pieceFix("the floor " + in.mm(wanted - left) + " higher",
                                       [more = wanted - left](Piece& p) { p.hollow.floor += more; }));
        out.push_back(std::move(c));
    }
    const double apart = 2 * foot * std::sin(pi / w.count);
    if (w.width >= apart) {
        Caution c = atWorked(in, "legs-meet", w, 0, Level::Stop);
        c.measure = w.width;
        c.limit = apart;
        c.message = "they are as wide as they stand apart: no gap is left to saw";
        if (const double half = apart / 2; half >= 2)
            c.fixes.push_back(workedFix(in.mm(half) + " wide", w.id, [half](Worked& q) { q.width = half; }));
        else
            c.fixes.push_back(pieceFix("no legs", [id = w.id](Piece& p) {
                std::erase_if(p.worked, [&](const Worked& q) { return q.id == id; });
            }));
        out.push_back(std::move(c));
        return;
    }
    // A leg carries what the rim is: no narrower than it; common practice.
    const double rim = in.piece.hollow.rimWall, narrow = std::min(w.width, w.thick);
    if (!in.plan.surfaces.inside.empty() && narrow < rim) {
        Caution c = atWorked(in, "legs-narrow", w, 0, Level::Care);
        c.measure = narrow;
        c.limit = rim;
        c.message = "they are " + in.mm(narrow) + " where they are narrowest, less than the rim";
        c.fixes.push_back(workedFix("as wide as the rim", w.id, [rim](Worked& q) {
            q.width = std::max(q.width, rim);
            q.thick = std::max(q.thick, rim);
        }));
        out.push_back(std::move(c));
    }
    const LegRing ring = legRing(in.piece, static_cast<size_t>(&w - in.piece.worked.data()), in.plan.surfaces);
    if (ring.across) {
        const auto weakest = std::ranges::min_element(ring.grain);
        // Short fibers split a leg off its floor: no less than half its height; own value.
        if (const double wanted = w.height / 2; *weakest < wanted) {
            Caution c = atWorked(in, "legs-grain", w, 0, Level::Care);
            c.measure = *weakest;
            c.limit = wanted;
            c.message = "the fibers run only " + in.mm(*weakest) + " through leg " +
                        std::to_string(weakest - ring.grain.begin() + 1) + ", which is " + in.mm(w.height) +
                        " high: it splits off the floor";
            c.fixes.push_back(workedFix("wider legs", w.id, [wanted](Worked& q) {
                q.width = std::max(q.width, wanted);
                q.thick = std::max(q.thick, wanted);
            }));
            out.push_back(std::move(c));
        }
    }
    if (w.count == 2 && in.piece.choices.stands) {
        Caution c = atWorked(in, "legs-two", w, 0, Level::Care);
        c.measure = 2;
        c.limit = 3;
        c.unit = "";
        c.message = "two legs do not stand by themselves, three do not rock";
        c.fixes.push_back(workedFix("three legs", w.id, [](Worked& q) { q.count = 3; }));
        out.push_back(std::move(c));
    }
}

void leaning(const Case& in, std::vector<Caution>& out)
{
    const Lean& lean = in.piece.lean;
    if (!(lean.angle > 0)) return;
    const double foot = footRadiusOf(in.plan.surfaces), tilt = lean.angle * degrees;
    const auto upright = [](Piece& p) { p.lean.angle = 0; };
    if (!in.plan.surfaces.inside.empty()) {
        double least = 1e9, at = 0;
        for (const Point& p : in.plan.surfaces.inside)
            if (const double wood = (p.x() - (foot + p.y()) * std::tan(tilt)) * std::cos(tilt); wood < least)
                least = wood, at = p.x();
        if (const double wanted = in.piece.hollow.leastWall; least < wanted) {
            Caution c = atPlace(in, "lean-floor", {}, "base", at, least <= 0 ? Level::Stop : Level::Care);
            c.measure = least;
            c.limit = wanted;
            c.message = least <= 0 ? "the leaning base comes through into the hollow"
                                   : "between the leaning base and the hollow " + in.mm(least) + " of wood are left";
            c.fixes.push_back(pieceFix("let it stand upright", upright));
            out.push_back(std::move(c));
        }
    }
    if (const double left = in.plan.shape.tipAngle - lean.angle; in.piece.choices.stands && left < in.shop.leastTip) {
        Caution c = atPlace(in, "lean-tips", {}, "base", 0, left <= 0 ? Level::Stop : Level::Care);
        c.measure = left;
        c.limit = in.shop.leastTip;
        c.unit = "°";
        c.message =
            left <= 0 ? "leaning so far it falls over by itself" : "leaning so far it tips " + fixed(left, 1) + "° on";
        if (const double less = std::floor(in.plan.shape.tipAngle - in.shop.leastTip); less > 0)
            c.fixes.push_back(pieceFix("lean by " + fixed(less, 0) + "°", [less](Piece& p) { p.lean.angle = less; }));
        c.fixes.push_back(pieceFix("let it stand upright", upright));
        out.push_back(std::move(c));
    }
}

void grids(const Case& in, std::vector<Caution>& out)
{
    for (const GridOf& g : gridsOf(in.piece, in.plan.surfaces)) {
        const Decor& d = in.piece.decors[g.decor];
        const double z = g.rings.empty() ? (d.on == Decor::Face ? in.plan.shape.height : d.from) : g.rings[0].z0;
        if (g.rings.empty()) {
            Caution c = atPlace(in, "grid-none", d.id, nameOf(in.piece, d), z, Level::Care);
            c.measure = d.to - d.from;
            c.limit = 0;
            c.message = "between " + in.mm(d.from) + " and " + in.mm(d.to) +
                        " there is no room for one whole ring of it on this surface";
            out.push_back(std::move(c));
            continue;
        }
        offPlate(atPlace(in, "grid-index", d.id, nameOf(in.piece, d), z, Level::Care), d.spokes, d.plate, d.start,
                 plateOf(d.id, &Piece::decors), out);
        if (const auto lost = std::ranges::count(g.worked, true, &GridCell::lost); lost > 0) {
            Caution c = atPlace(in, "grid-lost", d.id, nameOf(in.piece, d), z, Level::Note);
            c.measure = static_cast<double>(lost);
            c.limit = 0;
            c.unit = "";
            c.message = std::to_string(lost) + " of its worked cells lie where saw or drill take the surface away: "
                                               "they are left out of the lists";
            out.push_back(std::move(c));
        }
        const auto beyond = std::ranges::count_if(
            d.cells, [&](const GridCells& c) { return c.ring >= static_cast<int>(g.rings.size()); });
        if (beyond > 0) {
            Caution c = atPlace(in, "grid-beyond", d.id, nameOf(in.piece, d), z, Level::Note);
            c.measure = static_cast<double>(beyond);
            c.limit = static_cast<double>(g.rings.size());
            c.unit = "";
            c.message = "it has " + std::to_string(g.rings.size()) + " rings now; cells of rings beyond wait";
            out.push_back(std::move(c));
        }
    }
}

}  // namespace

void workedCautions(const Case& in, std::vector<Caution>& out)
{
    for (const Worked& w : in.piece.worked) {
        if (w.kind == Worked::Legs)
            legs(in, w, out);
        else if (w.kind == Worked::Openings)
            openings(in, w, out);
        else
            straight(in, w, out);
        offPlate(atWorked(in, "worked-index", w, w.kind == Worked::Legs ? 0 : w.from, Level::Care), w.count, w.plate,
                 w.start, plateOf(w.id, &Piece::worked), out);
    }
    leaning(in, out);
    grids(in, out);
}

}  // namespace vl
