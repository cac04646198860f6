#include "core/plan/cautions/judge.h"

#include "core/holding/foot_hold.h"
#include "core/measure/format.h"
#include "core/workpiece/lid_sides.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The other ways of holding the foot that would do, as fixes.
void otherFeet(const Case& in, std::vector<Fix>& fixes)
{
    static constexpr std::array names{"a tenon in the jaws", "a recess on the jaws", "a faceplate on the foot"};
    for (size_t k = 0; k < names.size(); ++k) {
        Piece q = in.piece;
        q.choices.foot = static_cast<FootMethod>(k);
        if (q.choices.foot == in.piece.choices.foot) continue;
        const FootHold f = footHold(q, in.shop, in.plan.surfaces);
        if (!f.fits || f.left < in.piece.hollow.leastWall || f.diameter < 1) continue;
        const MountProof proof =
            proveMount(f.by, f.diameter, f.depth, outlineHeight(q), in.shop.catchLoad, in.shop.grips);
        if (proof.holds) fixes.push_back(pieceFix(names[k], [to = q.choices.foot](Piece& p) { p.choices.foot = to; }));
    }
}

Fix thickerFloor(const Case& in, double by)
{
    return pieceFix("a floor " + in.mm(by) + " thicker", [by](Piece& p) {
        p.hollow.floor += by;
        for (Node& n : p.hollow.inside) n.z = std::min(n.z + by, outlineHeight(p));
    });
}

/// What the foot of a block is held by, against the jaws and the floor above it.
void foot(const Case& in, std::vector<Caution>& out)
{
    const bool block = isWholeBlock(in.piece);
    if (!block && !hasChuckTenon(in.piece)) return;
    const FootHold f =
        block ? footHold(in.piece, in.shop, in.plan.surfaces) : chuckTenon(in.piece, in.shop, in.plan.surfaces);
    if (!f.fits) {
        Caution c = in.at("foot-jaws", 0, Level::Stop);
        c.at = "foot";
        c.z = 0;
        c.measure = f.diameter;
        const Jaws& jaws = jawsNamed(in.shop, f.jaws);
        c.limit = f.by == Hold::Tenon ? jaws.gripLeast : f.by == Hold::Recess ? jaws.spreadLeast : 40;
        c.message = "the foot leaves room for a grip of " + in.mm(std::max(0.0, f.diameter)) +
                    " and the shop's holds from " + in.mm(c.limit) + " on: it cannot be held there";
        if (block) otherFeet(in, c.fixes);
        const double wider = c.limit / 2 + 2 * fullDepth(Hold::Recess);
        c.fixes.push_back(pieceFix("a foot of " + in.mm(2 * wider), [wider](Piece& p) {
            for (Node& n : p.outside)
                if (n.z < 1) n.r = std::max(n.r, wider);
        }));
        out.push_back(c);
        return;
    }
    if (const double least = in.piece.hollow.leastWall; block && !in.plan.surfaces.inside.empty() && f.left < least) {
        Caution c = in.at("foot-floor", 0, f.left <= 0 ? Level::Stop : Level::Care);
        c.at = "foot";
        c.z = 0;
        c.measure = f.left;
        c.limit = least;
        c.message = f.left <= 0 ? "the foot's grip goes deeper than the floor is thick: the tool comes through it"
                                : "over the foot's grip " + in.mm(f.left) + " of floor are left";
        c.fixes.push_back(thickerFloor(in, least - f.left + 0.5));
        otherFeet(in, c.fixes);
        out.push_back(c);
    }
}

/// Sides that a chuck swings, of what has nothing for it to close on.
void chuckWithoutTenon(const Case& in, std::vector<Caution>& out)
{
    const auto chucked = [](const OffAxis& a) { return a.by != AxisBy::Centers; };
    const auto axis = std::ranges::find_if(in.piece.axes, chucked);
    if (axis == in.piece.axes.end()) return;
    const bool foot = isWholeBlock(in.piece) && in.piece.choices.foot != FootMethod::Tenon;
    const bool none =
        std::ranges::any_of(in.plan.mounts, [](const Mount& m) { return m.held.setUp >= 0 && !(m.held.diameter > 0); });
    if (!foot && !none) return;
    Caution c = in.at("no-tenon", 0, Level::Stop);
    c.at = nameOf(in.piece, static_cast<size_t>(axis - in.piece.axes.begin()));
    c.message = "the chuck that swings it closes on a tenon, and there is none";
    if (foot) c.fixes.push_back(pieceFix("a tenon on the foot", [](Piece& p) { p.choices.foot = FootMethod::Tenon; }));
    c.fixes.push_back(pieceFix("centers marked on both ends", [chucked](Piece& p) {
        const double height = outlineHeight(p);
        for (OffAxis& a : p.axes) {
            if (!chucked(a)) continue;
            if (a.by == AxisBy::Tilt) {
                const double slope = std::tan(a.tilt * degrees);
                a.headOffset = a.pivot * slope;
                a.tailOffset = std::abs(height - a.pivot) * slope;
                a.tailDirection = a.headDirection + (a.pivot < height ? 180 : 0);
            } else {
                a.tailOffset = a.headOffset;
                a.tailDirection = a.headDirection;
            }
            if (a.tailDirection > 360) a.tailDirection -= 360;
            a.by = AxisBy::Centers;
        }
    }));
    out.push_back(std::move(c));
}

/// Undercuts that no step takes out, or two recesses in one foot.
void undercutsLeft(const Case& in, std::vector<Caution>& out)
{
    const Piece& p = in.piece;
    const auto add = [&](const char* message, double z, std::vector<Fix> fixes) {
        Caution c = in.at("falls-back", 0, Level::Stop);
        c.z = z;
        c.message = message;
        c.fixes = std::move(fixes);
        out.push_back(std::move(c));
    };
    if (!fallsBack(p.outside) && !fallsBack(p.hollow.inside)) return;
    const Fix straight = pieceFix("an outline that does not fall back", [](Piece& q) {
        for (Outline* o : {&q.outside, &q.hollow.inside}) {
            double reached = 0;
            std::erase_if(*o, [&](const Node& n) { return n.z < reached || (reached = n.z, false); });
        }
        q.outside.front().z = 0;
    });
    const bool reversed = p.layers.size() == 1 && p.layers[0].is<InsideOutForm>();
    if (p.split.on || reversed || p.nest.on)
        return add("halves, strips and nested rings are turned to an outline that does not fall back", 0, {straight});
    if (!undercutsOf(p, OpensTo::Rim).empty() && (hasLid(p) || p.hollow.rule != WallRule::Solid))
        return add("the outline falls back at the rim, where the inside opens: draw that as the inside",
                   outlineHeight(p), {straight});
    if (!undercutsOf(p, OpensTo::Side).empty() && hasLid(p))
        return add("under what overhangs on a box or its lid no step reaches", 0, {straight});
    if (!undercutsOf(p, OpensTo::Foot).empty() && isWholeBlock(p) && p.choices.foot == FootMethod::Recess)
        add("the jaws' recess and the foot's own would lie in one another: hold it by a tenon, and recess the foot "
            "last",
            0, {pieceFix("a tenon on the foot", [](Piece& q) { q.choices.foot = FootMethod::Tenon; })});
}

/// No order of its cuts holds the piece for each of them.
void unheld(const Case& in, std::vector<Caution>& out)
{
    if (fewestKnown(in.plan.mounts)) return;
    Caution c = in.at("unheld", 0, Level::Stop);
    c.message = "in no order is it held for every cut as that cut needs it: do not follow these steps";
    if (!in.piece.axes.empty())
        c.fixes.push_back(pieceFix("turned on the true axis alone", [](Piece& p) { p.axes.clear(); }));
    out.push_back(std::move(c));
}

/// The jaws stand out beside a narrow foot: what is cut there once it is reversed has no room for the tool.
void besideJaws(const Case& in, std::vector<Caution>& out)
{
    if (!isWholeBlock(in.piece) || in.piece.choices.sides != SideMethod::BothRoughed) return;
    const FootHold f = footHold(in.piece, in.shop, in.plan.surfaces);
    if (f.by == Hold::Faceplate) return;
    const double sweep = jawsNamed(in.shop, f.jaws).swing;
    constexpr double room = 15;  // mm that a gouge and its handle need before the jaws; own value
    double hidden = 0;
    for (const Point& p : in.plan.surfaces.outside)
        if (p.x() < room && p.y() < sweep) hidden = std::max(hidden, p.x());
    const double foot = radiusAt(in.plan.surfaces.outside, 0.01);
    if (!(foot < sweep) || hidden <= 0.5) return;
    Caution c = in.at("beside-jaws", 0);
    c.at = "foot";
    c.z = hidden;
    c.measure = sweep - foot;
    c.limit = 0;
    c.message = "the jaws sweep " + in.mm(sweep - foot) + " further out than the foot: its last " + in.mm(hidden) +
                " outside cannot be finished once it is reversed, the tool meets the jaws";
    c.fixes.push_back(pieceFix("outside finished before it is reversed",
                               [](Piece& p) { p.choices.sides = SideMethod::OneThenOther; }));
    out.push_back(std::move(c));
}

/// What is to stand rough work; the others only carry light cuts with the tailstock or a hand beside them.
bool bites(Hold by)
{
    static constexpr std::array firm{Hold::Centers, Hold::Tenon,     Hold::Recess, Hold::Faceplate,
                                     Hold::Screw,   Hold::Eccentric, Hold::Tilted};
    return std::ranges::find(firm, by) != firm.end();
}

void proofs(const Case& in, std::vector<Caution>& out)
{
    const bool block = isWholeBlock(in.piece);
    for (const Mount& m : in.plan.mounts) {
        if (m.proof.holds) continue;
        const auto step = std::ranges::find(in.plan.assembly.recipe, m.id, &Step::id);
        const bool last = !bites(m.held.by);
        Caution c = in.at("hold", std::max(0, step->layer), last ? Level::Care : Level::Stop);
        c.called("hold", m.id);
        c.at = print(step->title, in.style);
        c.measure = m.proof.moment;
        c.limit = m.proof.limit;
        c.unit = "N·m";
        c.message = m.why + (m.held.tailstock ? "" : "; the tailstock stays up as long as the work lets it");
        if (block && !last) {
            otherFeet(in, c.fixes);
            c.fixes.push_back(pieceFix("a wider foot", [to = m.proof.wouldHold / 2 + 2](Piece& p) {
                for (Node& n : p.outside)
                    if (n.z < 1) n.r = std::max(n.r, to);
            }));
        }
        if (block && last && in.piece.choices.last != LastMethod::Jam)
            c.fixes.push_back(
                pieceFix("jammed in a turned recess", [](Piece& p) { p.choices.last = LastMethod::Jam; }));
        out.push_back(c);
    }
}

/// Room over the bed, and over the base of the tool rest.
void room(const Case& in, std::vector<Caution>& out)
{
    const double widest = in.plan.assembly.cornerRadius();
    const int layer = in.widestLayer();
    if (widest >= in.shop.lathe.swingRadius) return;  // that is a stop already
    if (widest > in.shop.lathe.swingRadius - in.shop.swingMargin) {
        Caution c = in.at("bed-margin", layer);
        c.measure = in.shop.lathe.swingRadius - widest;
        c.limit = in.shop.swingMargin;
        c.message = "between the blank's corners and the bed " + in.mm(c.measure) +
                    " are left: a blank that is not quite centered strikes it";
        out.push_back(c);
    }
    if (widest > in.shop.lathe.restSwing) {
        Caution c = in.at("rest-base", layer, Level::Note);
        c.measure = widest;
        c.limit = in.shop.lathe.restSwing;
        c.message = "the blank reaches " + in.mm(widest) + " from the axis and the rest's base passes under " +
                    in.mm(c.limit) + ": the rest stands beside it, not under it";
        out.push_back(c);
    }
}

/// What the piece is for.
void use(const Case& in, std::vector<Caution>& out)
{
    // The cylinder of 16 CFR 1501.4, from memory: what fits into it whole can be swallowed.
    constexpr double bore = 31.7, deep = 57.1;
    if (in.piece.choices.use == Use::Children && in.plan.shape.greatestDiameter < bore && in.plan.shape.height < deep) {
        Caution c = in.at("small-part", 0);
        c.measure = in.plan.shape.greatestDiameter;
        c.limit = bore;
        c.message =
            "a small child can swallow it: it passes whole into a cylinder of " + in.mm(bore) + " by " + in.mm(deep);
        out.push_back(c);
    }
    constexpr double heavy = 60;  // g, that is worn gladly; own value
    if (in.piece.choices.use == Use::Worn && in.plan.shape.weight * 1000 > heavy) {
        Caution c = in.at("worn-weight", 0, Level::Note);
        c.measure = in.plan.shape.weight * 1000;
        c.limit = heavy;
        c.unit = "g";
        c.message = "it weighs " + fixed(c.measure, 0) + " g: what is worn all day is lighter";
        out.push_back(c);
    }
    const bool worn = in.piece.choices.use == Use::Worn;
    if (worn && in.piece.hollow.rule == WallRule::Bored) {
        // A bangle's hole: wider than a ring's and narrower than what a small hand passes; own values.
        constexpr double ring = 35, hand = 60;  // mm
        if (const double hole = in.piece.hollow.bore; hole > ring && hole < hand) {
            Caution c = in.at("worn-bore", 0);
            c.measure = hole;
            c.limit = hand;
            c.message = "a hole of " + in.mm(hole) + " goes over no grown hand";
            c.fixes.push_back(pieceFix("a bore of " + in.mm(hand), [](Piece& p) { p.hollow.bore = hand; }));
            out.push_back(c);
        }
    }
    constexpr double onHook = 2;  // kg, that a plain hook and a thin cord carry gladly; own value
    if (in.piece.choices.use == Use::Hung && in.plan.shape.weight > onHook) {
        Caution c = in.at("hung-weight", 0);
        c.measure = in.plan.shape.weight;
        c.limit = onHook;
        c.unit = "kg";
        c.message = "it weighs " + fixed(c.measure, 1) +
                    " kg: its hook, its cord and what they are screwed into carry "
                    "more than an ornament's do";
        out.push_back(c);
    }
    // A point: no thicker than a match where it ends, and slim behind; own values.
    static constexpr double blunt = 1.5, behind = 6, slim = 0.6;  // mm, mm, slope
    if (worn || in.piece.choices.use == Use::Children)
        for (const bool head : {true, false}) {
            const double z = head ? 0 : in.plan.shape.height, in1 = head ? behind : in.plan.shape.height - behind;
            const double tip = radiusAt(in.plan.surfaces.outside, z), back = radiusAt(in.plan.surfaces.outside, in1);
            if (!(tip < blunt && back - tip < slim * behind)) continue;
            Caution c = in.at("sharp-tip", head ? 0 : in.layers() - 1);
            c.called("sharp-tip", head ? "head" : "tail");
            c.z = z;
            c.measure = tip;
            c.limit = blunt;
            c.message = "it ends in a point: rounded to a radius of " + in.mm(blunt) + " or more it pricks nobody";
            c.fixes.push_back(pieceFix("a blunt end", [head](Piece& p) {
                Node& n = head ? p.outside.front() : p.outside.back();
                n.r = std::max(n.r, blunt);
            }));
            out.push_back(c);
        }
    const bool open = std::ranges::any_of(in.plan.assembly.layers, &BuiltLayer::gaps);
    if (in.piece.choices.use == Use::Food && open) {
        Caution c = in.at("food-gaps", 0);
        c.measure = 1;
        c.unit = "";
        c.message = "food stays in gaps between segments and cannot be washed out of them";
        c.fixes.push_back(pieceFix("segments glued without gaps", [](Piece& p) {
            for (Layer& l : p.layers)
                if (RingForm* r = l.ring()) r->joint.kind = SegmentJoint::Glued;
        }));
        out.push_back(c);
    }
}

}  // namespace

void holdCautions(const Case& in, std::vector<Caution>& out)
{
    foot(in, out);
    chuckWithoutTenon(in, out);
    undercutsLeft(in, out);
    unheld(in, out);
    besideJaws(in, out);
    proofs(in, out);
    room(in, out);
    use(in, out);
}

}  // namespace vl
