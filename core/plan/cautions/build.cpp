#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"
#include "core/piece/edit.h"
#include "core/piece/field_items.h"
#include "core/wood/moisture.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The turned wall along the radius at a station, mm.
double wallAt(const Case& in, double z)
{
    const double outer = radiusAt(in.sides.outside, z),
                 inner = in.sides.inside.empty() ? 0 : radiusRange(in.sides.inside, z, z).low;
    return std::isnan(outer) ? 0 : outer - (std::isnan(inner) ? 0 : inner);
}

void overlap(const Case& in, std::vector<Caution>& out)
{
    for (const Overlap& o : in.overlaps) {
        const double least = std::min(o.stock, o.finished);
        if (least >= in.shop.leastOverlap) continue;
        Caution c;
        c.id = "overlap-" + in.layer(o.below).id;
        c.level = least <= 0 ? Level::Stop : Level::Care;
        c.at = in.name(o.below) + " and " + in.name(o.below + 1);
        c.z = o.z;
        c.layer = o.below;
        c.measure = least;
        c.limit = in.shop.leastOverlap;
        c.unit = "mm";
        c.message = least <= 0 ? "they do not meet: nothing glues one to the other"
                               : "they overlap by " + in.mm(least) + ", less than " + in.mm(c.limit) +
                                     ": the joint can let go while it is turned";
        for (const int i : {o.below, o.below + 1})
            letStockFollow(in, i, "let the stock of " + in.name(i) + " follow the outline", c.fixes);
        // The stock holds the wall and its allowances unless it was set by hand: then only the wall itself can be too
        // thin.
        const double wall = wallAt(in, o.z);
        if (!in.shape.solid && wall < in.shop.leastOverlap)
            c.fixes.push_back(thickerWall(in, in.shop.leastOverlap - wall));
        out.push_back(c);
    }
}

void reachHeight(const Case& in, std::vector<Caution>& out)
{
    const double lack = outlineHeight(in.piece) - stackHeight(in.piece);
    if (lack > 0.01) {
        Caution c;
        c.id = "reach-height";
        c.level = Level::Stop;
        c.at = "top of the stack";
        c.z = stackHeight(in.piece);
        c.layer = in.layers() - 1;
        c.measure = stackHeight(in.piece);
        c.limit = outlineHeight(in.piece);
        c.unit = "mm";
        c.message = "the stack ends " + in.mm(lack) + " short of the outline: there is no wood for the rim";
        c.fixes.push_back(pieceFix("make every layer thicker to fit", [](Piece& q) { q = edit::fitLayers(q); }));
        if (lack >= 4)
            c.fixes.push_back(pieceFix("add a ring of " + in.mm(lack), [lack](Piece& q) {
                q = edit::addLayer(q, static_cast<int>(q.layers.size()) - 1);
                q.layers.back().thickness = std::min(lack, limits::thickness.high);
            }));
        out.push_back(c);
    }
}

/// How far a layer's stock falls short of the outline, outside and inside, mm. Straight stock is measured against the
/// extremes; what slopes, station by station.
std::pair<double, double> lacks(const Case& in, const BuiltLayer& b)
{
    if (b.outerHold.front().y() == b.outerHold.back().y())
        return {b.finishedOuter.high - b.stockOuterRadius(),
                b.innerHold.empty() ? 0 : b.stockInnerRadius() - b.finishedInner.low};
    double outer = 0, inner = 0;
    for (const Point& q : clipped(in.sides.outside, b.z0, b.z1))
        outer = std::max(outer, q.y() - radiusAt(b.outerHold, q.x()));
    if (!b.innerHold.empty())
        for (const Point& q : clipped(in.sides.inside, b.z0, b.z1))
            inner = std::max(inner, radiusRange(b.innerHold, q.x(), q.x()).low - q.y());
    return {outer, inner};
}

/// Ways to make the cone of rings from one board hold the outline.
void steeperCone(const Case& in, int i, std::vector<Fix>& fixes)
{
    const BoardRingForm* own = in.layer(i).as<BoardRingForm>();
    if (!own) return;
    const BuiltLayer& b = in.built(i);
    const Limit angles = fieldOf(&BoardRingForm::angle).limit;
    const double run = radiusAt(in.sides.outside, b.z1 - 1e-6) - radiusAt(in.sides.outside, b.z0 + 1e-6);
    const double angle = std::floor(std::atan2(b.z1 - b.z0, std::max(run, 1.0)) / degrees);
    if (angle >= angles.low && angle <= angles.high && angle != own->angle)
        fixes.push_back(layerFix("cut at " + fixed(angle, 0) + "°, the slope of the outline", i,
                                 [angle](Layer& l) { l.as<BoardRingForm>()->angle = angle; }));
    if (own->rings < 12)
        fixes.push_back(
            layerFix("more rings from a thinner board", i, [](Layer& l) { ++l.as<BoardRingForm>()->rings; }));
}

void reach(const Case& in, std::vector<Caution>& out)
{
    for (int i = 0; i < in.layers(); ++i) {
        const BuiltLayer& b = in.built(i);
        const auto [outerLack, innerLack] = lacks(in, b);
        if (std::max(outerLack, innerLack) <= 0.005) continue;
        const bool outside = outerLack >= innerLack;
        Caution c = in.at(outside ? "reach-outside" : "reach-inside", i, Level::Stop);
        c.limit = outside ? 2 * b.finishedOuter.high : 2 * b.finishedInner.low;
        c.measure = outside ? c.limit - 2 * outerLack : c.limit + 2 * innerLack;
        const std::string is = "Ø " + in.mm(c.measure), asked = "Ø " + in.mm(c.limit);
        c.message = outside ? "the stock is " + is + " where the outline asks for " + asked +
                                  ": a flat will be left at every joint's middle"
                            : "the bore of the stock is " + is + " where the wall reaches in to " + asked +
                                  ": the wall will have a hollow";
        letStockFollow(in, i, "let the stock follow the outline", c.fixes);
        if (c.fixes.empty()) steeperCone(in, i, c.fixes);
        out.push_back(c);
    }
}

void season(const Case& in, std::vector<Caution>& out)
{
    const double change = equilibriumMoisture(20, in.shop.dampHumidity) - equilibriumMoisture(20, in.shop.dryHumidity);
    for (int i = 0; i + 1 < in.layers(); ++i) {
        const BuiltLayer& b = in.built(i);
        if (!in.layer(i).is<DiscForm>() || !in.layer(i + 1).is<RingForm>()) continue;
        const double r = radiusAt(in.sides.outside, b.z1);
        const double width = 2 * std::min(std::isnan(r) ? b.finishedOuter.high : r, b.finishedOuter.high);
        const double moves = std::abs(movement(width, b.woods[0]->shrinkTangential, change));
        if (moves <= in.shop.mostMovement) continue;
        Caution c = in.at("season", i);
        c.at += " against " + in.name(i + 1);
        c.z = b.z1;
        c.measure = moves;
        c.limit = in.shop.mostMovement;
        c.message =
            "between dry and damp rooms a disc " + in.mm(width) + " wide moves " +
            formatLengthUnit(moves, in.style, 2) +
            " across its grain; the ring it is glued to hardly moves along its own: the base cracks or the joint opens";
        c.fixes.push_back(layerFix("build it of 12 segments instead", i, [](Layer& l) { l.form = RingForm{}; }));
        const Species* quiet = b.woods[0];
        for (const Layer& l : in.piece.layers)
            for (const std::string& w : l.woods)
                if (speciesOf(w).shrinkTangential < quiet->shrinkTangential) quiet = &speciesOf(w);
        const Species& mahogany = speciesOf("mahogany");
        if (movement(width, quiet->shrinkTangential, change) > c.limit &&
            movement(width, mahogany.shrinkTangential, change) <= c.limit)
            quiet = &mahogany;
        if (quiet != b.woods[0] && movement(width, quiet->shrinkTangential, change) <= c.limit)
            c.fixes.push_back(
                layerFix(std::string("take ") + quiet->name + ", which moves " +
                             formatLengthUnit(movement(width, quiet->shrinkTangential, change), in.style, 2),
                         i, [id = std::string(quiet->id)](Layer& l) { l.woods = {id}; }));
        out.push_back(c);
    }
}

/// What the constructions themselves found.
void concerns(const Case& in, std::vector<Caution>& out)
{
    for (int i = 0; i < in.layers(); ++i)
        for (const Concern& k : in.built(i).concerns) {
            Caution c = in.at(k.id.c_str(), i, k.stop ? Level::Stop : Level::Care);
            c.measure = k.measure;
            c.limit = k.limit;
            c.unit = k.unit;
            c.message = print(k.message, in.style);
            if (k.change) c.fixes.push_back(layerFix(print(k.fix, in.style), i, k.change));
            out.push_back(c);
        }
}

/// Wood glued end on to wood that lies across the axis: the one keeps its width with the seasons, the other does not.
void endOnJoints(const Case& in, std::vector<Caution>& out)
{
    const double change = equilibriumMoisture(20, in.shop.dampHumidity) - equilibriumMoisture(20, in.shop.dryHumidity);
    for (const JointGlue& g : in.glues) {
        const Step& s = in.assembly.recipe[g.step];
        if (s.glue.faces != JointFaces::EndToLong || s.layer < 0) continue;
        const double width = 2 * std::sqrt(s.glue.area / pi);
        double moves = 0;
        for (const Species* w : s.glue.woods)
            moves = std::max(moves, std::abs(movement(width, w->shrinkTangential, change)));
        if (moves <= in.shop.mostMovement) continue;
        Caution c = in.at("end-on", s.layer);
        c.at += " end on to " + in.name(std::max(0, s.layer - 1));
        c.z = in.built(s.layer).z0;
        c.measure = moves;
        c.limit = in.shop.mostMovement;
        c.message = "end grain stands on long grain over " + in.mm(width) + ": between dry and damp rooms one moves " +
                    formatLengthUnit(moves, in.style, 2) +
                    " more than the other, and the joint opens or the wood splits";
        if (const int below = s.layer - 1; below >= 0 && in.layer(below).is<DiscForm>())
            c.fixes.push_back(layerFix("build layer " + std::to_string(below + 1) +
                                           " as a ring of 12 with a disc let in that is free to move",
                                       below, [](Layer& l) { l.form = LetInForm{}; }));
        out.push_back(c);
    }
}

}  // namespace

void buildCautions(const Case& in, std::vector<Caution>& out)
{
    overlap(in, out);
    reachHeight(in, out);
    reach(in, out);
    season(in, out);
    concerns(in, out);
    endOnJoints(in, out);
}

}  // namespace vl
