#include "core/plan/cautions/judge.h"

#include "core/blank/sections.h"
#include "core/constructions/end_rings.h"
#include "core/holding/speed.h"
#include "core/measure/format.h"
#include "core/process/axis_recipe.h"
#include "core/workpiece/lid_sides.h"
#include "core/workpiece/nest.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace vl {
namespace {

/// Inside places that no tool comes to, whole or in sections.
void unreachable(const Case& in, std::vector<Caution>& out)
{
    if (in.plan.surfaces.inside.empty() || in.piece.hollow.rule == WallRule::Bored) return;
    const auto sections = sectionsOf(in.piece, in.shop, in.plan.surfaces);
    if (sections.size() > 1) return;
    const auto missing = [&](const Polyline& inside, bool fromBelow) {
        return inside.empty() ? decltype(unreached(inside, 0, 0, false, in.shop)){}
                              : unreached(inside, inside.front().x(), inside.back().x(), fromBelow, in.shop);
    };
    auto missed = missing(in.plan.surfaces.inside, false);
    if (hasLid(in.piece)) {
        // Box and lid are each hollowed from where they meet.
        const BoxAndLid both = apart(in.piece, in.shop.fits, in.plan.surfaces);
        missed = missing(both.box.inside, false);
        if (missed.empty()) missed = missing(both.lid.inside, true);
    }
    if (missed.empty()) return;
    Caution c;
    c.called("inside");
    c.level = Level::Care;
    c.at = "inside at " + in.mm(missed.front().z);
    c.z = missed.front().z;
    c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
    c.measure = in.plan.surfaces.inside.back().x() - missed.front().z;
    for (const TurningTool& t : hollowers(in.shop)) c.limit = std::max(c.limit, t.reach);
    c.unit = "mm";
    c.message = missed.front().tooDeep
                    ? "the floor lies " + in.mm(c.measure) + " behind the rim and the tools work to " + in.mm(c.limit) +
                          ": they chatter, or do not come there"
                : in.layers() == 1
                    ? "from the rim no straight tool comes here: it is hollowed with a bent tool, and measured with a "
                      "bent caliper"
                    : "from the rim no straight tool comes here: it can be neither turned nor sanded once the rings "
                      "above are on";
    if (in.piece.choices.sections == SectionRule::Whole)
        c.fixes.push_back(
            pieceFix("build it in sections", [](Piece& q) { q.choices.sections = SectionRule::Proposed; }));
    out.push_back(c);
}

/// The tool that parts nested rings must fit its grooves.
void grooves(const Case& in, std::vector<Caution>& out)
{
    const Nest& n = in.piece.nest;
    if (!n.on) return;
    const auto rings = nestedRings(n);
    if (const double room = in.plan.shape.leastDiameter; n.largest > room + 0.005) {
        Caution c;
        c.called("nest-wide");
        c.level = Level::Stop;
        c.at = "nested rings";
        c.z = in.plan.shape.leastAt;
        c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
        c.measure = n.largest;
        c.limit = room;
        c.unit = "mm";
        c.message = "the largest ring is " + in.mm(n.largest) + " wide and the turned blank " + in.mm(room);
        const double to = std::floor(room * 10) / 10;
        if (to < 5)
            c.fixes.push_back(pieceFix("part no rings from it", [](Piece& q) { q.nest.on = false; }));
        else
            c.fixes.push_back(pieceFix("a largest diameter of " + in.mm(to), [to](Piece& q) { q.nest.largest = to; }));
        out.push_back(c);
    }
    const double tightest = rings.empty() ? 0 : rings.back().inner / 2, clearance = bladeClearance(tightest, n.below);
    Caution c;
    c.at = "nested rings";
    c.unit = "mm";
    if (rings.empty()) {
        c.called("nest-none");
        c.level = Level::Stop;
        c.measure = n.largest - 2 * n.wall;
        c.limit = n.smallest;
        c.message = "between the smallest and the largest diameter not one ring fits";
        c.fixes.push_back(pieceFix("a largest diameter of " + in.mm(n.smallest + 2 * n.wall),
                                   [](Piece& q) { q.nest.largest = q.nest.smallest + 2 * q.nest.wall; }));
    } else if (std::isnan(clearance) || clearance > n.tool / 2) {
        c.called("nest-blade");
        c.level = Level::Care;
        c.measure = std::isnan(clearance) ? n.below : clearance;
        c.limit = n.tool / 2;
        c.message =
            "in the smallest groove the wall stands " +
            (std::isnan(clearance) ? std::string("across the blade") : in.mm(clearance) + " nearer below the edge") +
            ": a straight blade rubs and is pinched. Grind its lower outer corner away by as much, or take a shallower "
            "blade";
        const double fits =
            std::floor(std::sqrt(std::max(0.0, n.tool * tightest - n.tool * n.tool / 4)) * 10 - 0.5) / 10;
        if (fits >= 0.5)
            c.fixes.push_back(
                pieceFix("a blade " + in.mm(fits) + " below its edge", [fits](Piece& q) { q.nest.below = fits; }));
    } else
        return;
    out.push_back(c);
}

/// The whole piece made slimmer, so that what sweeps `widest` mm from the axis sweeps `most`.
void slimmer(const Case& in, double most, double widest, std::vector<Fix>& fixes)
{
    const double scale = most / widest;
    if (!(scale > 0 && scale < 1) || in.layers() == 0) return;
    fixes.push_back(pieceFix("make the piece " + fixed((1 - scale) * 100, 1) + " % slimmer", [scale, most](Piece& q) {
        for (Node& n : q.outside) n.r *= scale;
        for (Node& n : q.hollow.inside) n.r *= scale;
        for (Layer& l : q.layers) {
            l.outerAllowance *= scale;
            if (l.stockOuter) l.stockOuter = std::max(1.0, std::min(*l.stockOuter * scale, 2 * most));
            if (l.stockInner) *l.stockInner *= scale;
        }
    }));
}

/// A lathe that cannot turn slowly enough for the blank.
void speed(const Case& in, std::vector<Caution>& out)
{
    const double widest = in.plan.assembly.cornerRadius();
    if (widest <= 0 || widest > 5000) return;
    const double high = speedRange(2 * widest).high;
    if (high >= in.shop.lathe.lowestRpm) return;
    Caution c = in.at("speed", in.widestLayer(), Level::Stop);
    c.measure = in.shop.lathe.lowestRpm;
    c.limit = high;
    c.unit = "rpm";
    c.message = "a blank that sweeps Ø " + in.mm(2 * widest) + " turns no faster than " + fixed(high, 0) +
                " rpm and the lathe's lowest is " + fixed(in.shop.lathe.lowestRpm, 0) +
                ": it can fly apart or throw the lathe";
    slimmer(in, widest * high / in.shop.lathe.lowestRpm - 0.5, widest, c.fixes);
    out.push_back(c);
}

/// A caution of one of the ways in which the work is held.
Caution atMount(const Case& in, const char* kind, const Mount& m)
{
    Caution c;
    c.called(kind, m.id);
    c.level = Level::Stop;
    const auto step = std::ranges::find(in.plan.assembly.recipe, m.id, &Step::id);
    c.at = step == in.plan.assembly.recipe.end() ? m.id : print(step->title, in.style);
    c.layer = step == in.plan.assembly.recipe.end() ? -1 : step->layer;
    return c;
}

/// Which axis a mount is for; −1: the true one. All sides of one axis are mounted alike.
int axisOf(const Case& in, const Mount& m)
{
    const auto setUp =
        std::ranges::find_if(in.plan.setUps, [&](const AxisSetUp& s) { return m.id == axisMountStep(s); });
    return setUp == in.plan.setUps.end() ? -1 : static_cast<int>(setUp->axis);
}

/// What would make an axis beside the true one turn nearer to it, or not at all.
void nearerToTrue(const Case& in, const Mount& m, double share, std::vector<Fix>& fixes)
{
    const int which = axisOf(in, m);
    if (which < 0) return;
    const std::string id = in.piece.axes[static_cast<size_t>(which)].id;
    if (share > 0 && share < 1)
        fixes.push_back(pieceFix("bring its axis nearer to the true one, to " + fixed(share * 100, 0) + " %",
                                 [id, share](Piece& q) {
                                     const auto axis = std::ranges::find(q.axes, id, &OffAxis::id);
                                     if (axis == q.axes.end()) return;
                                     axis->headOffset *= share;
                                     axis->tailOffset *= share;
                                     axis->tilt *= share;
                                 }));
    fixes.push_back(pieceFix("turn it on the true axis alone",
                             [id](Piece& q) { std::erase_if(q.axes, [&](const OffAxis& a) { return a.id == id; }); }));
}

/// A mount that bears less speed than the lathe's lowest.
void mountedTooFast(const Case& in, std::vector<Caution>& out)
{
    const double lowest = in.shop.lathe.lowestRpm;
    const bool blankToo = std::ranges::any_of(out, [](const Caution& c) { return c.id.starts_with("speed-"); });
    std::set<int> said;
    for (const Mount& m : in.plan.mounts) {
        if (m.speed.high >= lowest - 1e-6) continue;
        if (const int axis = axisOf(in, m); axis >= 0 && !said.insert(axis).second) continue;
        const bool offAxis = m.held.setUp >= 0;
        if (blankToo && !offAxis) continue;  // one thing is said once
        Caution c = atMount(in, "mount-speed", m);
        c.measure = lowest;
        c.limit = m.speed.high;
        c.unit = "rpm";
        c.message = "it bears no more than " + fixed(m.speed.high, 0) + " rpm (" + m.limit +
                    ") and the lathe turns no slower than " + fixed(lowest, 0) +
                    ": it can shake the lathe over or fly off. A slower lathe, or a counterweight opposite, is needed";
        if (offAxis) {
            // The force grows with the offset and with the square of the speed.
            const double share = m.limit.starts_with("imbalance") ? std::pow(m.speed.high / lowest, 2) : 0;
            nearerToTrue(in, m, std::floor(share * 98) / 100, c.fixes);
        } else
            slimmer(in, m.sweep * m.speed.high / lowest - 0.5, m.sweep, c.fixes);
        out.push_back(c);
    }
}

/// Another axis swings the blank's corners farther out than the true one does.
void mountedTooWide(const Case& in, std::vector<Caution>& out)
{
    const double blank = in.plan.assembly.cornerRadius();
    std::set<int> said;
    for (const Mount& m : in.plan.mounts) {
        const double swing = in.shop.lathe.swingRadius;
        if (m.sweep < swing || m.sweep <= blank + 1e-6 || !said.insert(axisOf(in, m)).second) continue;
        Caution c = atMount(in, "mount-swing", m);
        c.measure = m.sweep;
        c.limit = swing;
        c.unit = "mm";
        c.message = "off its own axis the work reaches " + in.mm(m.sweep) + " out and the bed is " + in.mm(swing) +
                    " below: it will strike the bed";
        const double share = (swing - 1 - (m.sweep - m.stray)) / std::max(m.stray, 1e-9);
        nearerToTrue(in, m, std::floor(share * 100) / 100, c.fixes);
        out.push_back(c);
    }
}

void swing(const Case& in, std::vector<Caution>& out)
{
    const double widest = in.plan.assembly.cornerRadius();
    if (widest >= in.shop.lathe.swingRadius) {
        Caution c;
        c.called("swing");
        c.level = Level::Stop;
        c.layer = in.widestLayer();
        c.at = in.name(c.layer);
        c.z = (in.built(c.layer).z0 + in.built(c.layer).z1) / 2;
        c.measure = widest;
        c.limit = in.shop.lathe.swingRadius;
        c.unit = "mm";
        c.message = "the rough blank's corners reach " + in.mm(widest) + " from the axis and the bed is " +
                    in.mm(c.limit) + " below it: it will strike the bed";
        if (const double nip = in.shop.lathe.swingRadius - in.shop.swingMargin;
            in.piece.edge.kind == Edge::Square && nip > std::max(in.piece.edge.length, in.piece.edge.width) / 2)
            c.fixes.push_back(
                pieceFix("corners nipped to " + in.mm(nip), [nip](Piece& q) { q.edge.nipped = std::floor(nip); }));
        slimmer(in, in.shop.lathe.swingRadius - 1, widest, c.fixes);
        out.push_back(c);
    }
}

/// A glue block carries hollowing as far as its joint is wide for what hangs on it.
void onGlueBlock(const Case& in, std::vector<Caution>& out)
{
    const auto holds = std::ranges::find_if(in.plan.assembly.recipe, [](const Step& s) {
        return s.action == Action::Glue && s.glue.faces == JointFaces::Block;
    });
    if (holds == in.plan.assembly.recipe.end() || in.plan.surfaces.inside.empty()) return;
    // Own choice: hollowed without the tailstock no longer than the joint is wide, as for a tenon in jaws.
    const double across = 2 * std::sqrt(holds->glue.area / pi), hangs = stackHeight(in.piece);
    if (hangs <= across) return;
    Caution c = in.at("glue-block", std::max(0, holds->layer));
    c.measure = hangs;
    c.limit = across;
    c.message = "the piece hangs " + in.mm(hangs) + " over a glue joint " + in.mm(across) +
                " across: when a tool catches without the tailstock up, the joint lets go and the piece flies";
    c.fixes.push_back(pieceFix("on a solid waste block, parted off at the end", [](Piece& q) {
        q.choices.holding = HoldMethod::WasteBlock;
        q.choices.ends = EndMethod::OwnBlocks;
    }));
    out.push_back(c);
}

/// A first and a last layer that were to come from one ring and cannot.
void unlikeEnds(const Case& in, std::vector<Caution>& out)
{
    if (in.piece.choices.ends != EndMethod::PartedRing) return;
    const std::vector<Section> sections = sectionsOf(in.piece, in.shop, in.plan.surfaces);
    const EndRings can = endRings(in.piece, sections);
    if (can == EndRings::Shared) return;
    Caution c = in.at("end-rings", in.layers() - 1);
    c.at = in.name(0) + " and " + in.name(in.layers() - 1);
    c.unit = "";
    c.measure = can == EndRings::OneSection ? static_cast<double>(sections.size()) : 1;
    c.limit = can == EndRings::OneSection ? 2 : 0;
    c.message =
        can == EndRings::OneSection
            ? "the piece is built in one section, from one end: it has no use for a ring parted between two "
              "blocks; each layer is made by itself"
            : "they are not closed rings of as many segments in the same woods: one ring cannot give both; each "
              "is made by itself";
    c.fixes.push_back(pieceFix("first and last layer each on its own block",
                               [](Piece& q) { q.choices.ends = EndMethod::OwnBlocks; }));
    const bool alike = in.layer(0).is<RingForm>() && can == EndRings::Unlike;
    if (alike)
        c.fixes.push_back(pieceFix("the last ring made up like the first", [](Piece& q) {
            const double turn = q.layers.back().sectors() ? q.layers.back().sectors()->turn : 0;
            q.layers.back().form = q.layers.front().form;
            q.layers.back().woods = q.layers.front().woods;
            q.layers.back().sectors()->turn = turn;
        }));
    out.push_back(c);
}

void betweenCenters(const Case& in, std::vector<Caution>& out)
{
    if (stackHeight(in.piece) > in.shop.lathe.betweenCenters + 1e-6) {
        Caution c;
        c.called("between-centres");
        c.level = Level::Stop;
        c.at = "whole stack";
        c.z = stackHeight(in.piece);
        c.measure = stackHeight(in.piece);
        c.limit = in.shop.lathe.betweenCenters;
        c.unit = "mm";
        c.message = "the stack is " + in.mm(c.measure) + " long and the lathe takes " + in.mm(c.limit) +
                    " between centers: the tailstock cannot hold it";
        c.fixes.push_back(pieceFix("shorten the piece to fit", [to = in.shop.lathe.betweenCenters](Piece& q) {
            const double scale = to / std::max(stackHeight(q), outlineHeight(q));
            q.outside = stretched(q.outside, outlineHeight(q) * scale);
            for (Node& n : q.hollow.inside) n.z *= scale;
            q.hollow.floor *= scale;
            for (Layer& l : q.layers) l.thickness *= scale;
        }));
        out.push_back(c);
    }
}

}  // namespace

void turnCautions(const Case& in, std::vector<Caution>& out)
{
    unreachable(in, out);
    grooves(in, out);
    swing(in, out);
    speed(in, out);
    mountedTooFast(in, out);
    mountedTooWide(in, out);
    onGlueBlock(in, out);
    unlikeEnds(in, out);
    betweenCenters(in, out);
}

}  // namespace vl
