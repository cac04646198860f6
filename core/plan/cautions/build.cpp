#include "core/plan/cautions/stem.h"

#include "core/measure/format.h"
#include "core/piece/edits/edit.h"
#include "core/piece/records/field_items.h"
#include "core/plan/figures/movement.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

void overlap(const Case& in, std::vector<Caution>& out)
{
    for (const Overlap& o : in.plan.overlaps) {
        const double least = std::min(o.stock, o.finished);
        if (least >= in.shop.leastOverlap) continue;
        Caution c;
        c.called("overlap", in.layer(o.below).id);
        c.perLayer = true;
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
        if (!in.plan.shape.solid && o.wall < in.shop.leastOverlap)
            c.fixes.push_back(thickerWall(in, in.shop.leastOverlap - o.wall));
        if (c.fixes.empty())
            c.fixes.push_back(pieceFix("solid discs instead of both", [below = o.below](Piece& q) {
                for (const int i : {below, below + 1})
                    if (i < static_cast<int>(q.layers.size())) {
                        Layer& l = q.layers[static_cast<size_t>(i)];
                        l.form = DiscForm{};
                        l.woods.resize(1);
                    }
            }));
        out.push_back(c);
    }
}

/// Open segments rest on what is below them; how much wood touches there.
void openBricks(const Case& in, std::vector<Caution>& out)
{
    for (const Overlap& o : in.plan.overlaps) {
        const BuiltLayer &a = in.built(o.below), &b = in.built(o.below + 1);
        if (!a.gaps && !b.gaps) continue;
        // At each of its ends a segment rests on as much as layers must overlap, both ways.
        const double limit = 2 * in.shop.leastOverlap * std::max(in.shop.leastOverlap, std::max(0.0, o.finished));
        if (o.contact.least >= limit) continue;
        const bool none = o.contact.least < 1;
        Caution c = in.at("contact", o.below + 1, none ? Level::Stop : Level::Care);
        c.at += " on " + in.name(o.below);
        c.z = o.z;
        c.measure = o.contact.least;
        c.limit = limit;
        c.unit = "mm²";
        c.message = none ? "a segment stands over a gap: nothing below holds it"
                         : "a segment rests on " + fixed(o.contact.least, 0) + " mm² of wood, less than " +
                               fixed(limit, 0) + " mm²: it can be knocked off while it is turned";
        if (const Sectors* own = in.layer(o.below + 1).sectors()) {
            const double turn = own->turn + o.joints.offset * own->segments / 360.0;
            if (std::abs(o.joints.offset) > 0.01)
                c.fixes.push_back(layerFix("turn it to the middle of the segments below", o.below + 1,
                                           [turn](Layer& l) { l.sectors()->turn = turn; }));
        }
        for (const int i : {o.below, o.below + 1})
            if (in.built(i).gaps)
                c.fixes.push_back(layerFix("halve the gaps of " + in.name(i), i, [](Layer& l) {
                    l.ring()->joint.width /= 2;
                    l.ring()->joint.angle /= 2;
                }));
        out.push_back(c);
    }
}

/// Joints that stand over joints: a seam through both layers.
void seams(const Case& in, std::vector<Caution>& out)
{
    constexpr double clear = 3;  // mm; our own choice
    for (const Overlap& o : in.plan.overlaps) {
        const Sectors* own = in.layer(o.below + 1).sectors();
        if (!own || o.joints.best <= 0 || o.joints.least >= o.joints.best / 2) continue;
        const double r = in.built(o.below + 1).finishedOuter.high, apart = o.joints.least * degrees * r;
        if (apart >= clear) continue;
        Caution c = in.at("seam", o.below + 1);
        c.at += " on " + in.name(o.below);
        c.z = o.z;
        c.measure = apart;
        c.limit = std::min(clear, o.joints.best * degrees * r);
        c.message = "joints stand over joints" +
                    (apart < 0.05 ? std::string() : ", " + in.mm(apart) + " beside one another") +
                    ": a seam runs through both layers and nothing bridges it";
        const double turn = own->turn + o.joints.offset * own->segments / 360.0;
        c.fixes.push_back(layerFix("turn it on so that they stand over wood", o.below + 1,
                                   [turn](Layer& l) { l.sectors()->turn = turn; }));
        out.push_back(c);
    }
}

void reachHeight(const Case& in, std::vector<Caution>& out)
{
    const double lack = outlineHeight(in.piece) - stackHeight(in.piece);
    if (lack > 0.01) {
        Caution c;
        c.called("reach-height");
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

/// What stands above the rim: partly it is turned away, wholly it is built for nothing.
void beyondOutline(const Case& in, std::vector<Caution>& out)
{
    const double rim = outlineHeight(in.piece), over = stackHeight(in.piece) - rim;
    if (over <= 0.01) return;
    const int last = in.layers() - 1;
    const bool idle = in.built(last).z0 >= rim - 0.01;
    Caution c = in.at("beyond", last, idle ? Level::Stop : Level::Care);
    c.z = rim;
    c.measure = stackHeight(in.piece);
    c.limit = rim;
    c.message = idle ? "it stands above the rim: nothing of it is in the piece"
                     : "the stack stands " + in.mm(over) + " above the rim: as much of it is turned away";
    c.fixes.push_back(pieceFix("end the stack at the rim", [rim](Piece& q) {
        double below = 0;
        size_t n = 0;
        for (; n < q.layers.size() && (n == 0 || below < rim - limits::thickness.low); ++n)
            below += q.layers[n].thickness;
        q.layers.resize(n);
        Layer& top = q.layers.back();
        top.thickness =
            std::clamp(top.thickness - std::max(0.0, below - rim), limits::thickness.low, limits::thickness.high);
    }));
    out.push_back(c);
}

/// Segments that run to an edge or a point inside.
void pointed(const Case& in, std::vector<Caution>& out)
{
    constexpr double least = 3;  // mm; common practice
    for (int i = 0; i < in.layers(); ++i) {
        const BuiltLayer& b = in.built(i);
        if (!b.segmented || b.stock.innerEdge() >= least) continue;
        Caution c = in.at("point", i);
        c.measure = b.stock.innerEdge();
        c.limit = least;
        c.message = "its segments run to an edge of " + in.mm(c.measure) +
                    " inside: the tips break at the saw and leave a hole where they meet";
        if (const auto run = stemAt(in, i)) c.fixes.push_back(spindleFix(in, *run));
        c.fixes.push_back(layerFix("a solid disc instead", i, [](Layer& l) {
            l.form = DiscForm{};
            l.woods.resize(1);
            l.stockInner.reset();
        }));
        const double h = b.stock.miterDeg() * degrees, ringLeft = 4;
        // Least bore with an edge that can be cut, from 2 · V · sin h − g / cos h.
        const RingForm* ring = in.layer(i).ring();
        const double gap = ring && ring->joint.kind == SegmentJoint::Spacer ? ring->joint.width : b.stock.gap;
        const double bore = (least + 0.2 + gap / std::cos(h)) / (2 * std::sin(h));
        LetInForm letIn;
        letIn.diameter = std::max(b.finishedOuter.high, 2 * (bore + in.layer(i).innerAllowance));
        const double outer = std::min(b.finishedOuter.high, b.stockOuterRadius());
        const bool room = letIn.diameter / 2 + letIn.clearance + ringLeft < outer;
        if (room && !b.gaps && in.layer(i).is<RingForm>())
            c.fixes.push_back(layerFix("a disc let in", i, [letIn](Layer& l) {
                LetInForm f = letIn;
                static_cast<RingForm&>(f) = *l.ring();
                l.form = f;
                l.stockInner.reset();
            }));
        // Bored just so far that the edges can be cut; the allowance is taken by the bit.
        LetInForm plug;
        plug.plug = true;
        plug.diameter = std::ceil(2 * (bore + in.layer(i).innerAllowance));
        plug.discWood = in.layer(i).woods[0];
        if (!b.gaps && in.layer(i).is<RingForm>() && plug.diameter / 2 + ringLeft < outer)
            c.fixes.push_back(layerFix("bored, and a plug glued in", i, [plug](Layer& l) {
                LetInForm f = plug;
                static_cast<RingForm&>(f) = *l.ring();
                l.form = f;
                l.stockInner.reset();
            }));
        out.push_back(c);
    }
}

/// How far a layer's stock falls short of the outline, outside and inside, mm, station by station.
std::pair<double, double> lacks(const Case& in, const BuiltLayer& b)
{
    double outer = 0, inner = 0;
    for (const Point& q : between(in.plan.surfaces.outside, b.z0, b.z1))
        // Square work keeps its edges: its outline may sweep past them.
        if (in.plan.surfaces.edges.empty()) outer = std::max(outer, q.y() - radiusAt(b.outerHold, q.x()));
    if (b.innerHold.empty()) return {outer, inner};
    const Polyline hollowed = between(in.plan.surfaces.inside, b.z0, b.z1);
    for (const Point& q : hollowed) inner = std::max(inner, radiusRange(b.innerHold, q.x(), q.x()).low - q.y());
    // Where nothing is hollowed the wood must reach the axis.
    if (hollowed.empty() || hollowed.front().x() > b.z0 + 1e-6)
        for (const Point& q : between(b.innerHold, b.z0, hollowed.empty() ? b.z1 : hollowed.front().x()))
            inner = std::max(inner, q.y());
    return {outer, inner};
}

/// Ways to make the cone of rings from one board hold the outline.
void steeperCone(const Case& in, int i, std::vector<Fix>& fixes)
{
    const BoardRingForm* own = in.layer(i).as<BoardRingForm>();
    if (!own) return;
    const BuiltLayer& b = in.built(i);
    Limit angles = fieldOf(&BoardRingForm::angle).limit;
    if (own->tool == BoardRingForm::Bandsaw) angles.low = std::max(angles.low, 90 - in.shop.bandsawTilt);
    const double run =
        radiusAt(in.plan.surfaces.outside, b.z1 - 1e-6) - radiusAt(in.plan.surfaces.outside, b.z0 + 1e-6);
    const double angle = std::floor(std::atan2(b.z1 - b.z0, std::max(run, 1.0)) / degrees);
    if (angle >= angles.low && angle <= angles.high && angle != own->angle)
        fixes.push_back(layerFix("cut at " + fixed(angle, 0) + "°, the slope of the outline", i,
                                 [angle](Layer& l) { l.as<BoardRingForm>()->angle = angle; }));
    if (own->rings < 12)
        fixes.push_back(
            layerFix("more rings from a thinner board", i, [](Layer& l) { ++l.as<BoardRingForm>()->rings; }));
}

/// Where the stock is a ring but the piece is solid: hollowed as far as the stock is.
void hollowFrom(const Case& in, const BuiltLayer& b, std::vector<Fix>& fixes)
{
    if (b.innerHold.size() < 4 || in.piece.hollow.rule == WallRule::Drawn) return;
    const double floor = b.innerHold[1].x();
    if (floor < in.piece.hollow.leastWall || floor >= outlineHeight(in.piece)) return;
    if (in.plan.shape.solid || in.plan.surfaces.inside.front().x() > floor)
        fixes.push_back(pieceFix("hollow it down to " + in.mm(floor), [floor](Piece& q) {
            if (q.hollow.rule == WallRule::Solid) q.hollow.rule = WallRule::Even;
            q.hollow.floor = floor;
        }));
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
        c.measure = outside ? std::max(0.0, c.limit - 2 * outerLack) : c.limit + 2 * innerLack;
        const std::string is = "Ø " + in.mm(c.measure), asked = "Ø " + in.mm(c.limit);
        c.message = outside ? "the stock is " + is + " where the outline asks for " + asked +
                                  ": a flat will be left at every joint's middle"
                            : "the bore of the stock is " + is + " where the wall reaches in to " + asked +
                                  ": the wall will have a hollow";
        letStockFollow(in, i, "let the stock follow the outline", c.fixes);
        if (!outside) hollowFrom(in, b, c.fixes);
        if (c.fixes.empty()) steeperCone(in, i, c.fixes);
        if (c.fixes.empty())
            c.fixes.push_back(layerFix("a solid disc instead", i, [](Layer& l) {
                l.form = DiscForm{};
                l.woods.resize(1);
            }));
        out.push_back(c);
    }
}

/// A wood that moves little enough in a layer, with the least change: one of the piece's own, else mahogany.
const Species* quieterWood(const Case& in, int i, const std::function<double(const Species&)>& moves)
{
    const Species* best = nullptr;
    auto look = [&](const Species& s) {
        if (moves(s) <= in.shop.mostMovement && (!best || moves(s) < moves(*best))) best = &s;
    };
    for (const Layer& l : in.piece.layers)
        for (const std::string& w : l.woods) look(speciesOf(w));
    if (!best) look(speciesOf("mahogany"));
    return best && best != in.built(i).woods[0] ? best : nullptr;
}

/// Joints of which one side moves with the seasons and the other does not, or another way.
void season(const Case& in, std::vector<Caution>& out)
{
    const double change = seasonOf(in.shop);
    for (const JointMovement& m : movementsOf(in.plan.assembly, in.plan.surfaces, in.shop)) {
        if (m.moves <= in.shop.mostMovement) continue;
        const int lower = m.below, upper = m.below + 1;
        const FaceMovement low = faceMovement(in.built(lower), true), high = faceMovement(in.built(upper), false);
        // What moves most is what has to change.
        const int i = std::max(low.along, low.across) >= std::max(high.along, high.across) ? lower : upper;
        const FaceMovement &own = i == lower ? low : high, &other = i == lower ? high : low;
        Caution c = in.at("season", i);
        c.id += i == lower ? "" : "-below";
        c.at += " against " + in.name(i == lower ? upper : lower);
        c.z = m.z;
        c.measure = m.moves;
        c.limit = in.shop.mostMovement;
        c.message = "over " + in.mm(m.width) + " the one moves " + formatLengthUnit(m.moves, in.style, 2) +
                    " more than the other between dry and damp rooms, as their grain runs: the joint opens or the "
                    "wood cracks";
        constexpr double leastDisc = 20;  // mm; smaller, the segments round it would run to a point
        if (in.layer(i).is<DiscForm>() && i == 0 && 1.3 * in.built(i).finishedOuter.high > leastDisc &&
            differs({}, other, m.width, change) <= c.limit)
            c.fixes.push_back(layerFix("a ring of 12 with a disc let in that is free to move", i,
                                       [r = in.built(i).finishedOuter.high](Layer& l) {
                                           LetInForm f;
                                           f.segments = 12;
                                           f.diameter = 1.3 * r;
                                           f.discWood = l.woods[0];
                                           l.form = f;
                                       }));
        auto moves = [&](const Species& s) {
            FaceMovement f = own;
            f.across = s.shrinkTangential;
            if (f.along > 0) f.along = f.across;
            return differs(f, other, m.width, change);
        };
        if (const Species* quiet = quieterWood(in, i, moves))
            c.fixes.push_back(layerFix(std::string("take ") + quiet->name + ", which moves " +
                                           formatLengthUnit(moves(*quiet), in.style, 2),
                                       i, [id = std::string(quiet->id)](Layer& l) { l.woods = {id}; }));
        out.push_back(c);
    }
}

/// What the constructions themselves found.
void ofConstructions(const Case& in, std::vector<Caution>& out)
{
    for (int i = 0; i < in.layers(); ++i)
        for (Caution c : in.built(i).cautions) {
            const Caution here = in.at(c.kind.c_str(), i);
            c.id = here.id;
            c.perLayer = true;
            c.at = here.at;
            c.z = here.z;
            c.layer = i;
            out.push_back(std::move(c));
        }
}

}  // namespace

void buildCautions(const Case& in, std::vector<Caution>& out)
{
    overlap(in, out);
    openBricks(in, out);
    seams(in, out);
    reachHeight(in, out);
    beyondOutline(in, out);
    reach(in, out);
    pointed(in, out);
    stemCautions(in, out);
    season(in, out);
    ofConstructions(in, out);
}

}  // namespace vl
