#include "core/process/cut_recipe.h"

#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/round_marks.h"
#include "core/recipe/settings.h"
#include "core/words/cuts.h"
#include "core/words/inlay.h"
#include "core/workpiece/sawn_cuts.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The template's way of lying on the wood, with the two numbers that it can be checked by.
Text layingOut(const Sawn& sawn, std::vector<Setting>& settings)
{
    const Polyline curve = curveOf(sawn);
    double most = 0;
    for (const Point& p : curve) most = std::max(most, p.y());
    const bool face = sawn.from == Sawn::Sides;
    settings.push_back(lengthAt(Resource::Bandsaw, "out from the axis", curve.back().x(), "the curve's end"));
    settings.push_back(face ? lengthAt(Resource::Bandsaw, "half width there", curve.back().y(), "the curve's end")
                            : lengthAt(Resource::Bandsaw, "up to", most, "its highest place"));
    return says(face ? words::templateOnFace : words::templateBothSides, settings[0], settings[1]);
}

WorkItem sawOnce(const Piece& piece, const Sawn& sawn, Bench& bench, const WorkItem& from, const Pattern& why,
                 bool cradle)
{
    StepSpec d{.title = says(words::sawCurve, nameOf(piece, sawn)),
               .why = says(why),
               .minutes = 12,
               .uses = {Resource::Bandsaw},
               .effect = effect::Remove{}};
    d.how = layingOut(sawn, d.settings);
    if (cradle) d.how.also(says(words::cradleAtSaw));
    return bench.step(Action::Cut, sawStep(sawn), {from}, "sawn-" + sawn.id, std::move(d));
}

/// How deep it goes, and what stays there.
void sayDepth(const Hole& hole, const DrilledHole& first, StepSpec& d)
{
    if (hole.early) {
        if (first.through) return void(d.how.also(says(words::rightThroughBlank)));
        const Setting deep = lengthAt(Resource::Drill, "below the finished surface", first.full),
                      left = lengthAt({}, "left under the point", std::max(0.0, first.under), "wood − depth − point");
        d.settings.insert(d.settings.end(), {deep, left});
        return void(d.how.also(says(words::belowFinished, deep, left)));
    }
    const Setting deep = lengthAt(Resource::Drill, "depth", first.full,
                                  hole.ends == Hole::Depth ? "chosen" : "wood along its way + clearance");
    d.settings.push_back(deep);
    switch (hole.ends) {
    case Hole::Depth:
        d.settings.push_back(lengthAt({}, "left under the point", std::max(0.0, first.under), "wood − depth − point"));
        d.how.also(says(words::toDepthBy, deep, d.settings.back()));
        break;
    case Hole::Wall:
        d.how.also(says(words::throughWall, deep));
        break;
    case Hole::Through:
        d.how.also(says(words::rightThrough, deep));
        break;
    }
}

}  // namespace

WorkItem sawBlank(const Piece& piece, Bench& bench, const WorkItem& blank)
{
    WorkItem now = blank;
    for (const Sawn& s : piece.sawn) {
        if (!sawnBefore(piece, s)) continue;
        if (s.when == Sawn::Before) {
            now = sawOnce(piece, s, bench, now, words::facesStillFlat, false);
            continue;
        }
        std::vector<Setting> settings;
        Text how = layingOut(s, settings);
        const Setting outside = lengthAt(Resource::Bandsaw, "outside the line", s.margin);
        settings.push_back(outside);
        now = bench.step(Action::Cut, "rough-" + s.id, {now}, "rough-sawn-" + s.id,
                         {.title = says(words::sawCurveRough, nameOf(piece, s), outside),
                          .why = says(words::thickWhileTurned),
                          .how = std::move(how),
                          .settings = settings,
                          .minutes = 10,
                          .uses = {Resource::Bandsaw}});
    }
    return now;
}

WorkItem sawTurned(const Piece& piece, const Shop& shop, Bench& bench, const WorkItem& turned)
{
    WorkItem now = turned;
    for (const Sawn& s : piece.sawn) {
        if (s.when == Sawn::Grown) continue;
        if (!sawnBefore(piece, s) || s.when == Sawn::Twice)
            now = sawOnce(piece, s, bench, now, words::shapeStands, true);
        StepSpec blend{.title = says(words::blendCurve, nameOf(piece, s)),
                       .why = says(words::sawMarksLast),
                       .how = says(words::blockAndFile),
                       .minutes = 15};
        sayGrits(piece, shop, SandedBy::Hand, blend.settings, blend.how);
        now = bench.step(Action::Sand, "blend-" + s.id, {now}, "blended-" + s.id, std::move(blend));
    }
    return now;
}

WorkItem drillAlike(const Piece& piece, const std::vector<const DrilledHole*>& all, Bench& bench, const WorkItem& now)
{
    const Hole& h = piece.holes[all.front()->hole];
    const bool side = h.into == Hole::Side;
    const Setting wide = lengthAt(Resource::Drill, "bit, Ø", h.diameter),
                  at = lengthAt(Resource::Drill, side ? "station" : "circle's radius", h.at);
    const Pattern &why = h.early                ? words::whileItIsBlank
                         : h.into == Hole::Foot ? words::footFreeNow
                         : inRimsMiddle(h)      ? words::beforeSanding
                         : h.filled             ? words::beforeTurnedFlush
                                                : words::onceSpun,
                  &how = h.early && side ? words::inTheBlank
                         : side          ? words::inTheSide
                                         : words::inAFace;
    const bool middle = inMiddle(h), turns = inRimsMiddle(h);
    StepSpec d{.title = all.size() == 1 ? says(words::drillHole, nameOf(piece, h), wide)
                                        : says(words::drillHoles, nameOf(piece, h), static_cast<int>(all.size()), wide),
               .why = says(why),
               .how = turns    ? says(words::inTheMiddle)
                      : middle ? says(words::middleOnPress)
                               : says(how, at),
               .settings = middle ? std::vector{wide} : std::vector{wide, at},
               .minutes = 4 + 3.0 * static_cast<double>(all.size()),
               .uses = {turns ? Resource::Lathe : Resource::Drill},
               .effect = effect::Remove{}};
    auto also = [&](const Pattern& words_, const Setting& s) {
        d.settings.push_back(s);
        d.how.also(says(words_, s));
    };
    if (side && h.beside != 0) also(words::besideAxis, lengthAt(Resource::Drill, "beside the axis", h.beside));
    if (h.lean != 0) {
        also(words::leansBy, angleAt(Resource::Drill, "wedge", std::abs(h.lean)));
        // Into a face it goes outwards as it deepens: its mouth lies nearer to the axis.
        d.how.also(
            says(words::mouthTowards, side ? (h.lean > 0 ? "tailstock" : "headstock") : (h.lean > 0 ? "axis" : "rim")));
    }
    if (h.wide > 0) {
        const Setting mouth = lengthAt(Resource::Drill, "wider bit, Ø", h.wide),
                      deep = lengthAt(Resource::Drill, "its depth", h.wideDepth);
        d.settings.insert(d.settings.end(), {mouth, deep});
        d.how.also(says(words::widerMouth, mouth, deep));
    }
    sayDepth(h, *all.front(), d);
    if (h.taper > 0 && h.wide <= 0) {
        also(words::reamedBy, angleAt(Resource::Drill, "reamer's half angle", h.taper));
        also(words::pegThatFits, lengthAt({}, "peg's Ø at the surface", all.front()->mouth, "Ø + 2 · depth · tan", 2));
    }
    if (h.ease > 0) also(words::easedBy, lengthAt({}, "edge's radius", h.ease));
    if (!middle) {
        std::vector<RoundMark> marks;
        for (const DrilledHole* one : all) marks.push_back({one->mark.hole, one->angleDeg});
        sayRound(Resource::Drill, h.plate, marks, true, d);
    }
    if (std::max(h.diameter, h.wide) > widestBit) d.how.also(says(words::wideBit));
    return bench.step(Action::Drill, drillStep(piece, *all.front()), {now}, "drilled-" + h.id, std::move(d));
}

namespace {

HolesOf timeOf(const Hole& h)
{
    return h.into == Hole::Foot ? HolesOf::Foot
           : inRimsMiddle(h)    ? HolesOf::RimsMiddle
           : h.filled           ? HolesOf::Filled
                                : HolesOf::Open;
}

}  // namespace

WorkItem drillHoles(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& before,
                    HolesOf time)
{
    WorkItem now = before;
    for (size_t i = 0; i < piece.holes.size(); ++i) {
        const Hole& h = piece.holes[i];
        if (h.early || timeOf(h) != time) continue;
        std::vector<const DrilledHole*> all;
        for (const DrilledHole& d : surfaces.holes)
            if (d.hole == i && !d.solid.profile.empty()) all.push_back(&d);
        if (all.empty()) continue;
        now = drillAlike(piece, all, bench, now);
        if (h.filled) now = fillHoles(piece, all, bench, now);
    }
    return now;
}

}  // namespace vl
