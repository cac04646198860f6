#include "core/process/inlay_recipe.h"

#include "core/process/cut_recipe.h"
#include "core/recipe/settings.h"
#include "core/wood/filler.h"
#include "core/words/inlay.h"
#include "core/workpiece/inlay_sides.h"
#include "core/workpiece/openings.h"
#include "core/workpiece/turning.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double overnight = 720, sealerDries = 15, caSets = 15;  // minutes; common practice

double minutesToSet(Inlay::Method method, int fillings)
{
    return method == Inlay::Thin ? overnight : caSets * fillings;
}

Setting grams(const char* name, double g, const char* formula)
{
    return {.name = name,
            .value = g,
            .unit = Unit::Mass,
            .formula = formula,
            .source = "own share",
            .decimals = g < 9.95 ? 1 : 0};
}

WorkItem opened(const Inlay& f, const InlayPlace& p, const std::string& name, Bench& bench, const WorkItem& now)
{
    if (f.kind == Inlay::Crack) {
        const Setting wide = lengthAt({}, "opened to", f.width),
                      deep = lengthAt({}, "deep", f.depth + roughLeft,
                                      "below the finished surface, and what roughing left"),
                      length = lengthAt({}, "long", f.length), loss = lengthAt({}, "lost in cutting back", f.loss);
        return bench.step(Action::Carve, "open-" + f.id, {now}, "opened-" + f.id,
                          {.title = says(words::openCrack, name),
                           .why = says(words::soundWood),
                           .how = says(words::openWay, wide, length, deep, loss),
                           .settings = {wide, deep, length, loss},
                           .minutes = 15});
    }
    const bool rim = f.kind == Inlay::Rim;
    const Setting first =
                      rim ? lengthAt(Resource::Lathe, "groove from Ø", 2 * p.low, "circle − width")
                          : lengthAt(Resource::Lathe, "groove from station", std::max(0.0, p.z0), "middle − width / 2"),
                  second = rim ? lengthAt(Resource::Lathe, "groove to Ø", 2 * p.high, "circle + width")
                               : lengthAt(Resource::Lathe, "groove to station", p.z1, "middle + width / 2"),
                  deep = lengthAt(Resource::Lathe, "groove deep", f.depth),
                  left = lengthAt({}, "wood left by it", std::max(0.0, p.left), "measured on the drawing");
    return bench.step(Action::Turn, "groove-" + f.id, {now}, "grooved-" + f.id,
                      {.title = says(words::turnGroove, name),
                       .why = says(words::insideFirst),
                       .how = says(rim ? words::grooveInRim : words::grooveInWall, first, second, deep, left),
                       .settings = {first, second, deep, left},
                       .minutes = 12,
                       .uses = {Resource::Lathe}});
}

WorkItem set(const Inlay& f, const InlayPlace& p, const std::string& name, Bench& bench, WorkItem now)
{
    const Setting across = lengthAt(Resource::Saw, "piece, across", f.piece),
                  length = lengthAt(Resource::Saw, "piece cut to", p.pieceLength, "depth + proud");
    Text how = says(words::piecesWay, across, length);
    if (isMetal(fillingOf(f.wood))) how.also(says(words::roughenMetal));
    now = bench.step(Action::Cut, "pieces-" + f.id, {now}, "pieces-cut-" + f.id,
                     {.title = says(words::cutPieces, f.count, name),
                      .why = says(words::alikeAndProud),
                      .how = std::move(how),
                      .settings = {across, length},
                      .minutes = 5 + 0.7 * f.count,
                      .uses = {Resource::Saw}});
    const Setting gap = lengthAt({}, "gap", std::max(0.0, p.gap), "circle less the pieces, shared evenly", 2),
                  first = angleAt(Resource::Index, "first towards", std::fmod(f.direction + 720, 360));
    Text where = says(words::setWay, gap, first);
    if (f.rows != Inlay::One) where.also(says(words::inTwoRows));
    return bench.step(Action::Fill, "set-" + f.id, {now}, "set-" + f.id,
                      {.title = says(words::setPieces, name),
                       .why = says(words::evenGaps),
                       .how = where.also(says(words::fumes)),
                       .settings = {gap, first},
                       .minutes = 5 + 1.0 * f.count,
                       .waitMinutes = caSets});
}

/// `wait` in minutes: what sets beside it is waited for once.
WorkItem packed(const Inlay& f, const InlayPlace& p, const std::string& name, double wait, Bench& bench,
                const WorkItem& now)
{
    const Filling of = fillingOf(f, p);
    const Setting fillings = countAt({}, "fillings", f.fillings), filler = grams("filler", of.filler, "volume · share"),
                  glue = grams("glue", of.glue, "volume · the rest");
    StepSpec d{.title = says(words::packFiller, name),
               .why = says(words::noVoid),
               .how = says(f.method == Inlay::Thin ? words::fillThin : words::fillMedium, fillings, filler, glue),
               .settings = {fillings, filler, glue},
               .minutes = 10.0 * f.fillings,
               .waitMinutes = wait,
               .rounds = {.usual = f.fillings, .until = says(words::nothingSinks)},
               .effect = effect::LetIn{}};
    if (f.kind == Inlay::Crack) d.how.also(says(words::fromRimDown));
    d.how.also(says(words::fumes));
    return bench.step(Action::Fill, fillStep(f), {now}, "filled-" + f.id, std::move(d));
}

WorkItem sealed(const Inlay& f, const std::string& name, double wait, Bench& bench, const WorkItem& now)
{
    return bench.step(Action::Finish, "seal-" + f.id, {now}, "sealed-" + f.id,
                      {.title = says(words::seal, name),
                       .why = says(words::noStain),
                       .how = says(words::sealWay),
                       .minutes = 5,
                       .waitMinutes = wait});
}

WorkItem dammed(const Inlay& f, const std::string& name, Bench& bench, const WorkItem& now)
{
    return bench.step(
        Action::Fill, "dam-" + f.id, {now}, "dammed-" + f.id,
        {.title = says(words::damTape, name), .why = says(words::runsOut), .how = says(words::damWay), .minutes = 5});
}

bool hasPieces(const Inlay& f) { return f.kind != Inlay::Crack && f.set != Inlay::None; }

WorkItem levelled(const Inlay& f, const std::string& name, Bench& bench, const WorkItem& now)
{
    Text how = says(words::levelWay);
    if (hasPieces(f) && isMetal(fillingOf(f.wood))) how.also(says(words::levelMetal));
    return bench.step(Action::Turn, "level-" + f.id, {now}, "levelled-" + f.id,
                      {.title = says(words::levelInlay, name),
                       .why = says(words::beforeGrits),
                       .how = how.also(says(words::refill)),
                       .minutes = 15,
                       .uses = {Resource::Lathe},
                       .rounds = {.usual = 1, .until = says(words::noPits)}});
}

/// Those that `which` holds for, a step of each after a step of each: all of them dry and set side by side.
template <class Which>
WorkItem letInTogether(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, WorkItem now, Which which)
{
    struct One {
        const Inlay& inlay;
        InlayPlace place;
        std::string name;
    };
    std::vector<One> all;
    double sets = 0;
    for (const Inlay& f : piece.inlays)
        if (InlayPlace p = placeOf(f, surfaces); which(f) && p.meetsWood) {
            all.push_back({f, std::move(p), nameOf(piece, f)});
            sets = std::max(sets, minutesToSet(f.method, f.fillings));
        }
    const auto atLast = [&](const One& o, double minutes) { return &o == &all.back() ? minutes : 0.0; };
    for (const One& o : all) now = opened(o.inlay, o.place, o.name, bench, now);
    for (const One& o : all) now = sealed(o.inlay, o.name, atLast(o, sealerDries), bench, now);
    for (const One& o : all)
        if (hasPieces(o.inlay)) now = set(o.inlay, o.place, o.name, bench, now);
    for (const One& o : all)
        if (o.inlay.kind == Inlay::Crack) now = dammed(o.inlay, o.name, bench, now);
    for (const One& o : all) now = packed(o.inlay, o.place, o.name, atLast(o, sets), bench, now);
    for (const One& o : all) now = levelled(o.inlay, o.name, bench, now);
    return now;
}

}  // namespace

WorkItem fillHoles(const Piece& piece, const std::vector<const DrilledHole*>& alike, Bench& bench,
                   const WorkItem& drilled)
{
    const DrilledHole& first = *alike.front();
    const Hole& h = piece.holes[first.hole];
    const Species& wood = fillingOf(h.fill);
    const auto count = static_cast<int>(alike.size());
    const std::string name = nameOf(piece, h), gives = "filled-" + h.id;
    if (isPacked(wood))
        return bench.step(Action::Fill, fillStep(h), {drilled}, gives,
                          {.title = says(words::packPlug, wood.name, name),
                           .why = says(words::noVoid),
                           .how = says(words::fumes),
                           .minutes = 4.0 * count,
                           .waitMinutes = overnight,
                           .rounds = {.usual = 1, .until = says(words::nothingSinks)},
                           .effect = effect::LetIn{}});
    constexpr double longer = 3;  // mm, to be cut off flush; own value
    const Setting wide = lengthAt({}, "rod, Ø", h.diameter - h.fit, "hole − fit", 2),
                  spare = lengthAt(Resource::Saw, "rod longer by", longer, "own value");
    Text how = says(words::rodWay, wide, spare);
    std::vector<Setting> settings{wide, spare};
    if (h.wide > h.diameter) {
        const Setting shoulder = lengthAt(Resource::Lathe, "shoulder, Ø", h.wide - h.fit, "wider step − fit", 2),
                      deep = lengthAt(Resource::Lathe, "shoulder's length", h.wideDepth);
        how.also(says(words::rodShoulder, shoulder, deep));
        settings.insert(settings.end(), {shoulder, deep});
    }
    if (h.early) how.also(says(words::soakedJoint));
    return bench.glue(fillStep(h), {drilled}, gives,
                      {.title = says(words::glueRods, wood.name, name),
                       .why = says(words::curedFirst),
                       .how = std::move(how),
                       .joint = {.faces = JointFaces::LongGrain,
                                 .area = pi * h.diameter * first.full * count,
                                 .joints = count,
                                 .woods = {&wood}},
                       .settings = std::move(settings),
                       .minutes = 3.0 * count,
                       .uses = {},
                       .waitTitle = says(words::leaveRods, name),
                       .waitUses = {},
                       .effect = effect::LetIn{}});
}

WorkItem letRodsIn(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& blank)
{
    using Alike = std::vector<const DrilledHole*>;
    std::vector<Alike> all;
    for (size_t i = 0; i < piece.holes.size(); ++i) {
        if (!piece.holes[i].early) continue;
        Alike alike;
        for (const DrilledHole& d : surfaces.holes)
            if (d.hole == i && !d.solid.profile.empty()) alike.push_back(&d);
        if (!alike.empty()) all.push_back(std::move(alike));
    }
    const auto cross = [&](const Alike& a, const Alike& b) {
        return std::ranges::any_of(a, [&](const DrilledHole* x) {
            return std::ranges::any_of(b, [&](const DrilledHole* y) { return runsInto(piece, *x, *y) > 0; });
        });
    };
    WorkItem now = blank;
    for (size_t i = 0; i < all.size();) {
        // As many as do not run into one another, in their order.
        size_t end = i + 1;
        while (end < all.size() &&
               std::none_of(all.begin() + static_cast<long>(i), all.begin() + static_cast<long>(end),
                            [&](const Alike& a) { return cross(a, all[end]); }))
            ++end;
        for (size_t k = i; k < end; ++k) now = drillAlike(piece, all[k], bench, now);
        for (size_t k = i; k < end; ++k)
            if (piece.holes[all[k].front()->hole].filled) now = fillHoles(piece, all[k], bench, now);
        i = end;
    }
    return now;
}

WorkItem fillCracks(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& roughed)
{
    return letInTogether(piece, surfaces, bench, roughed, [](const Inlay& f) { return f.kind == Inlay::Crack; });
}

WorkItem letIn(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned)
{
    return letInTogether(piece, surfaces, bench, turned, [](const Inlay& f) { return f.kind != Inlay::Crack; });
}

WorkItem sawOpenings(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& freed)
{
    WorkItem now = freed;
    for (const Worked& w : piece.worked) {
        const auto o = openingOf(w, surfaces);
        if (!o) continue;
        const std::string name = nameOf(piece, w);
        const int openings = w.count * (w.shape == Worked::Lattice ? w.rows : 1);
        const Setting from = lengthAt({}, "from station", w.from), to = lengthAt({}, "to station", w.to),
                      drill = lengthAt(Resource::Drill, "bit, Ø", o->drill),
                      reach = lengthAt({}, "frame spans", o->deepest),
                      between =
                          lengthAt({}, "between two openings", std::max(0.0, o->narrowest), "circle's share − width"),
                      at = lengthAt({}, "narrowest at station", o->narrowestAt, "measured on the drawing"),
                      ease = lengthAt({}, "edges' radius", w.ease);
        now = bench.step(Action::Mark, "punch-" + w.id, {now}, "punched-" + w.id,
                         {.title = says(words::punchOpenings, name, openings),
                          .why = says(words::insideIsDone),
                          .how = says(words::punchWay, from, to),
                          .settings = {from, to},
                          .minutes = 5 + 2.0 * openings});
        now = bench.step(Action::Drill, "ends-" + w.id, {now}, "ends-drilled-" + w.id,
                         {.title = says(words::drillOpenings, name),
                          .why = says(words::roundEnds),
                          .how = says(words::drillOpeningsWay, drill),
                          .settings = {drill},
                          .minutes = 3.0 * openings,
                          .uses = {Resource::Drill}});
        now = bench.step(Action::Cut, workedStep(w), {now}, "sawn-open-" + w.id,
                         {.title = says(words::sawOpenings, name),
                          .why = says(words::fromHoles),
                          .how = says(words::sawOpeningsWay, reach, between, at),
                          .settings = {reach, between, at},
                          .minutes = 8.0 * openings,
                          .effect = effect::Remove{}});
        now = bench.step(Action::Sand, "ease-" + w.id, {now}, "eased-" + w.id,
                         {.title = says(words::easeOpenings, name),
                          .why = says(words::sharpEdges),
                          .how = says(words::easeWay, ease),
                          .settings = {ease},
                          .minutes = 6.0 * openings});
    }
    return now;
}

std::string nameOf(const Bought& bought)
{
    return bought.name.empty() ? choices(bought.kind)[static_cast<size_t>(bought.kind)].words : bought.name;
}

std::vector<const Bought*> fittedLast(const Piece& piece)
{
    std::vector<const Bought*> all;
    for (const Bought& b : piece.bought)
        if (&b != tubeInBore(piece)) all.push_back(&b);
    return all;
}

WorkItem fitBought(const Piece& piece, Bench& bench, const WorkItem& finished)
{
    const std::vector<const Bought*> all = fittedLast(piece);
    WorkItem now = finished;
    for (const Bought* each : all) {
        const Bought& b = *each;
        const Setting wide = lengthAt({}, "part, Ø", b.diameter), length = lengthAt({}, "part, long", b.length);
        now = bench.step(Action::Mount, "fit-" + b.id, {now}, each == all.back() ? "piece" : "fitted-" + b.id,
                         {.title = says(words::fitBought, nameOf(b)),
                          .why = says(words::afterFinish),
                          .how = says(words::fitWay, wide, length),
                          .settings = {wide, length},
                          .minutes = 5.0 * b.count,
                          .effect = effect::Fit{}});
    }
    return now;
}

}  // namespace vl
