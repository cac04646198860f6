#include "core/process/worked_recipe.h"

#include "core/process/finish_recipe.h"
#include "core/process/round_marks.h"
#include "core/process/undercut_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/cuts.h"
#include "core/words/turn.h"
#include "core/words/worked.h"
#include "core/workpiece/decor_grid.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Where each of those alike comes round.
void sayPlaces(const Piece& piece, size_t which, StepSpec& d)
{
    std::vector<RoundMark> marks;
    for (const WorkedPlace& p : workedPlaces(piece))
        if (p.worked == which) marks.push_back({p.mark.hole, p.angleDeg});
    sayRound(Resource::Index, piece.worked[which].plate, marks, false, d);
}

WorkItem makeLegRing(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Bench& bench, WorkItem now,
                     size_t which)
{
    const Worked& w = piece.worked[which];
    const LegRing ring = legRing(piece, which, surfaces);
    const std::string name = nameOf(piece, w);
    const Setting high = lengthAt({}, "legs' height", w.height);
    if (ring.isHollowed()) {
        const Setting in = lengthAt(Resource::Lathe, "hollow's radius", ring.inner, "foot's radius − legs' thickness");
        now = bench.step(Action::Turn, recessStep(w), {now}, "legs-hollowed-" + w.id,
                         {.title = says(words::hollowLegs, name),
                          .why = says(words::ringCarries),
                          .how = says(words::hollowLegsWay, in, high),
                          .settings = {in, high},
                          .minutes = 10,
                          .uses = {Resource::Lathe},
                          .effect = effect::Remove{}});
    }
    const Setting half = lengthAt({}, "half a leg's width", w.width / 2, "width / 2");
    StepSpec d{.title = says(words::sawLegs, name, w.count),
               .why = says(words::afterTurning),
               .how = says(words::sawLegsWay, half, high),
               .settings = {half, high},
               .minutes = 5.0 * w.count,
               .effect = effect::Remove{}};
    sayPlaces(piece, which, d);
    if (ring.across)
        for (size_t k = 0; k < ring.grain.size(); ++k) {
            d.settings.push_back(lengthAt({}, "fibers through a leg", ring.grain[k], "thick / |cos| or wide / |sin|"));
            d.how.also(says(words::fibersThrough, static_cast<int>(k) + 1, d.settings.back()));
        }
    now = bench.step(Action::Cut, workedStep(w), {now}, "legs-" + w.id, std::move(d));
    StepSpec blend{.title = says(words::blendLegs, name),
                   .why = says(words::afterTurning),
                   .how = says(words::blockAndFile),
                   .minutes = 4.0 * w.count};
    sayGrits(piece, shop, SandedBy::Hand, blend.settings, blend.how);
    return bench.step(Action::Sand, "blend-" + w.id, {now}, "legs-blended-" + w.id, std::move(blend));
}

}  // namespace

WorkItem workByIndex(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned)
{
    WorkItem now = turned;
    for (size_t i = 0; i < piece.worked.size(); ++i) {
        const Worked& w = piece.worked[i];
        const auto cut = straightCut(w, surfaces);
        if (!cut) continue;
        const Setting from = lengthAt(Resource::Lathe, "from station", cut->from),
                      to = lengthAt(Resource::Lathe, "to station", cut->to);
        StepSpec d{.title =
                       says(w.kind == Worked::Flutes ? words::cutFlutes : words::cutFacets, nameOf(piece, w), w.count),
                   .why = says(words::whileHeldTrue),
                   .minutes = 10 + 3.0 * w.count,
                   .uses = {Resource::Lathe},
                   .effect = effect::Remove{}};
        const Setting at = lengthAt({}, "where it is deepest, station", cut->at, "measured on the drawing"),
                      wide = lengthAt({}, "wide there", cut->widest, "circles that cross");
        if (w.kind == Worked::Flutes) {
            const Setting cutter = lengthAt(Resource::Router, "cutter, Ø", w.cutter),
                          deep = lengthAt(Resource::Router, "deep", w.depth),
                          most = lengthAt({}, "deepest", cut->deepest, "surface − straight bottom");
            d.settings = {cutter, deep, from, to, most, at, wide};
            d.how = says(words::fluteWay, cutter, deep, from, to).also(says(words::deepestAt, most, at, wide));
        } else {
            const Setting low = lengthAt(Resource::Lathe, "flat to the axis, at its beginning", cut->low,
                                         "radius − depth"),
                          high = lengthAt(Resource::Lathe, "flat to the axis, at its end", cut->high, "radius − depth");
            d.settings = {from, to, low, high, wide, at};
            d.how = says(words::facetWay, from, to, low, high).also(says(words::flatWide, wide, at));
        }
        sayPlaces(piece, i, d);
        d.how.also(says(words::sandedByHand));
        now = bench.step(Action::Carve, workedStep(w), {now}, "worked-" + w.id, std::move(d));
    }
    return now;
}

WorkItem workGrids(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& sanded)
{
    WorkItem now = sanded;
    for (const GridOf& g : gridsOf(piece, surfaces)) {
        if (g.rings.empty()) continue;
        const Decor& decor = piece.decors[g.decor];
        const std::string name = nameOf(piece, decor);
        StepSpec d{.title = says(words::layOutGrid, name, static_cast<int>(g.rings.size()), decor.spokes),
                   .why = says(words::surfaceIsDone),
                   .how = says(words::gridWay),
                   .minutes = 5.0 * static_cast<double>(g.rings.size()) + 0.5 * decor.spokes,
                   .uses = {Resource::Lathe}};
        const bool face = decor.on == Decor::Face;
        for (size_t k = 0; k <= g.rings.size(); ++k) {
            const GridRing& r = g.rings[std::min(k, g.rings.size() - 1)];
            const bool last = k == g.rings.size();
            const Setting at =
                face ? lengthAt(Resource::Lathe, "circle's radius", last ? r.r1 : r.r0, "along the surface")
                     : lengthAt(Resource::Lathe, "circle's station", last ? r.z1 : r.z0, "along the surface");
            d.settings.push_back(at);
            if (k == 0)
                d.how.also(says(face ? words::ringsAtRadii : words::ringsAtStations, at));
            else
                d.how.also(says(words::onHole, at));
        }
        now = bench.step(Action::Mark, gridStep(decor), {now}, "gridded-" + decor.id, std::move(d));
        for (const GridCells::Work work : {GridCells::Carve, GridCells::Drill, GridCells::Burn, GridCells::Color}) {
            Text how = says(words::oneWayAtATime);
            int count = 0;
            for (size_t c = 0; c < decor.cells.size(); ++c) {
                if (decor.cells[c].work != work) continue;
                std::string spokes;
                for (const GridCell& cell : g.worked) {
                    if (cell.cells != c || cell.lost) continue;
                    spokes += (spokes.empty() ? "" : " ") + std::to_string(cell.spoke + 1);
                    ++count;
                }
                if (!spokes.empty()) how.also(says(words::inRing, decor.cells[c].ring + 1, spokes));
            }
            if (count == 0) continue;
            static constexpr std::array<const Pattern*, 4> ways{&words::colorCells, &words::burnCells,
                                                                &words::drillCells, &words::carveCells};
            const auto kind = static_cast<size_t>(work);
            how.also(says(*ways[kind]));
            static constexpr std::array actions{Action::Color, Action::Carve, Action::Drill, Action::Carve};
            static constexpr std::array names{"Color", "Burn", "Drill", "Carve"};
            const std::string id = workStep(decor, work);
            now = bench.step(actions[kind], id, {now}, "cells-" + id,
                             {.title = says(words::workCells, names[kind], name, count),
                              .why = says(words::surfaceIsDone),
                              .how = how,
                              .minutes = 5 + 1.5 * count,
                              .effect = effect::LetIn{}});
        }
    }
    return now;
}

void sayFootFreed(const Piece& piece, const TurnedSurfaces& surfaces, StepSpec& doing)
{
    const bool recessed = hasFootRecess(piece, surfaces);
    doing.how.also(says(recessed ? words::nubUnderCenter : words::footALittleHollow));
    sayFootRecess(piece, surfaces, doing);
    doing.how.also(says(isHollowedBetweenLegs(piece, surfaces) ? words::nubForLegs : words::nubLast));
}

WorkItem makeLegs(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Bench& bench,
                  const WorkItem& freed, bool onRim)
{
    WorkItem now = freed;
    const bool legs = std::ranges::any_of(piece.worked, [](const Worked& w) { return w.kind == Worked::Legs; });
    if (legs && !onRim) {
        const RimEnd end = rimEnd(surfaces);
        const double rim = std::max(20.0, 2 * end.radius);
        const Setting wide = lengthAt(Resource::Lathe, "held on, Ø", rim, "the rim");
        now = bench.step(Action::Mount, "mount-legs", {now}, "on-its-rim-for-legs",
                         {.title = says(words::mountForLegs),
                          .why = says(words::footStillWhole),
                          .how = says(words::jamForLegs, wide),
                          .settings = {wide},
                          .minutes = 10,
                          .uses = {Resource::Lathe},
                          .held = {.set = true,
                                   .by = Hold::Jam,
                                   .diameter = rim,
                                   .depth = 10,
                                   .overhang = outlineHeight(piece),
                                   .tailstock = true,
                                   .round = true,
                                   .rimToHead = true}});
    }
    for (size_t i = 0; i < piece.worked.size(); ++i)
        if (piece.worked[i].kind == Worked::Legs) now = makeLegRing(piece, shop, surfaces, bench, now, i);
    if (piece.lean.angle > 0) {
        const Setting lean = angleAt(Resource::Wedge, "lean", piece.lean.angle),
                      off = lengthAt({}, "taken off there",
                                     2 * footRadiusOf(surfaces) * std::tan(piece.lean.angle * degrees),
                                     "foot's Ø · tan lean"),
                      towards = angleAt(Resource::Index, "towards", std::fmod(piece.lean.direction + 720, 360));
        now = bench.step(Action::Cut, leanStep, {now}, "leaning",
                         {.title = says(words::leanBase, lean),
                          .why = says(words::leanLast),
                          .how = says(words::leanWay, towards, off),
                          .settings = {lean, off, towards},
                          .minutes = 12,
                          .effect = effect::Remove{}});
    }
    return now;
}

}  // namespace vl
