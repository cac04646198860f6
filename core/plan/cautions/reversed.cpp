#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"
#include "core/picture/rejoined.h"
#include "core/workpiece/reversed_parts.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

Fix formFix(std::string label, std::function<void(InsideOutForm&)> change)
{
    return layerFix(std::move(label), 0, [change = std::move(change)](Layer& l) {
        if (InsideOutForm* f = l.as<InsideOutForm>()) change(*f);
    });
}

/// What is left of reversed parts, station by station.
struct Remains {
    double thin = 1e9, thinAt = 0;  ///< mm between window and outside, at a station
    double edge = 180, edgeAt = 0;  ///< degrees of a window's edge, at a station
    double room = 1e9;              ///< mm from the axis that are free inside, in the middle of the window
    bool open = false;              ///< a window opens
};

Remains remainsOf(const InsideOutBlank& blank, const Polyline& outside)
{
    Remains left;
    constexpr int looks = 200;
    const double z0 = blank.first.front().x(), z1 = blank.first.back().x();
    for (int k = 0; k <= looks; ++k) {
        const double z = z0 + (z1 - z0) * k / looks, r = radiusAt(outside, z);
        if (!(r > 0)) continue;
        const InsideOut here = blank.at(z, r);
        if (here.diagonal() < left.thin) left.thin = here.diagonal(), left.thinAt = z;
        if (here.windowOpen()) {
            left.open = true;
            if (here.edgeDeg() < left.edge) left.edge = here.edgeDeg(), left.edgeAt = z;
        }
        if (std::abs(z - (z0 + z1) / 2) < (z1 - z0) / 8) left.room = std::min(left.room, here.room());
    }
    return left;
}

/// What the two turnings of reversed parts leave of them, station by station.
void insideOut(const Case& in, std::vector<Caution>& out)
{
    const auto blank = insideOutOf(in.piece, in.plan.surfaces.outside);
    if (!blank) return;
    const InsideOutForm& form = *in.layer(0).as<InsideOutForm>();
    if (in.piece.hollow.rule != WallRule::Solid) {
        Caution c = in.at("reversed-hollow", 0, Level::Stop);
        c.unit = "";
        c.message =
            "the first turning is its hollow: bored or hollowed besides, the ends that hold the parts together go";
        c.fixes.push_back(pieceFix("solid", [](Piece& p) { p.hollow.rule = WallRule::Solid; }));
        out.push_back(std::move(c));
    }
    if (blank->first.empty()) {
        Caution c = in.at("reversed-none", 0, Level::Stop);
        c.measure = form.to - form.from;
        c.message = "the first turning has no length within the piece: there is no window";
        const double height = in.plan.shape.height;
        c.fixes.push_back(formFix("in the middle half", [height](InsideOutForm& f) {
            f.from = height / 4;
            f.to = height * 3 / 4;
        }));
        return out.push_back(std::move(c));
    }
    const Remains left = remainsOf(*blank, in.plan.surfaces.outside);
    const double least = std::max(in.piece.hollow.leastWall, 2.0);
    if (left.thin < least) {
        Caution c = in.at("reversed-thin", 0, left.thin <= 0 ? Level::Stop : Level::Care);
        c.z = left.thinAt;
        c.measure = left.thin;
        c.limit = least;
        c.message = left.thin <= 0
                        ? "the second turning goes through into the first: a part is cut in two at station " +
                              in.mm(left.thinAt)
                        : "between window and outside " + in.mm(left.thin) + " of wood are left at station " +
                              in.mm(left.thinAt);
        const double more = least - left.thin + 0.2;
        c.fixes.push_back(formFix("first turning " + in.mm(more) + " less deep", [more](InsideOutForm& f) {
            f.radius += more;
            f.ends = std::max(f.ends, f.radius);
        }));
        out.push_back(std::move(c));
    }
    if (!left.open) {
        Caution c = in.at("reversed-closed", 0, Level::Note);
        c.measure = form.radius;
        c.message = "no window opens: the parts touch all along, what was turned first is a closed hollow";
        c.fixes.push_back(
            formFix("first turning deeper", [far = blank->at(0, 1).far()](InsideOutForm& f) { f.radius = 0.6 * far; }));
        out.push_back(std::move(c));
    }
    constexpr double keen = 25;  // degrees at which a window's edge breaks; own value
    if (left.edge < keen) {
        Caution c = in.at("reversed-edge", 0);
        c.z = left.edgeAt;
        c.measure = left.edge;
        c.limit = keen;
        c.unit = "°";
        c.message = "the wood runs out to an edge of " + fixed(left.edge, 0) +
                    "° beside the window: it splinters under the tool "
                    "and cuts the hand; ease it";
        c.fixes.push_back(formFix("first turning a little less deep", [](InsideOutForm& f) { f.radius *= 1.04; }));
        out.push_back(std::move(c));
    }
    if (form.core > 0 && left.room < form.core / 2 + 1) {
        Caution c = in.at("reversed-core", 0, Level::Stop);
        c.z = (blank->first.front().x() + blank->first.back().x()) / 2;
        c.measure = 2 * left.room;
        c.limit = form.core + 2;
        c.message = "inside there is room for Ø " + in.mm(2 * left.room) + ", and what is to stand there is " +
                    in.mm(form.core) + " wide";
        c.fixes.push_back(formFix("nothing wider inside", [room = left.room](InsideOutForm& f) {
            f.core = std::max(0.0, std::floor(2 * room - 2));
        }));
        out.push_back(std::move(c));
    }
    // Own value: at each end a joint as long as a part is wide holds turning and use.
    const double wanted = blank->side * blank->side, glued = jointsLeft(in.piece, in.plan.surfaces.outside, *blank);
    if (glued < blank->parts * wanted) {
        Caution c = in.at("reversed-joint", 0, glued < 0.3 * blank->parts * wanted ? Level::Stop : Level::Care);
        c.measure = glued / blank->parts;
        c.limit = wanted;
        c.unit = "mm²";
        c.message = "each joint has " + fixed(glued / blank->parts / 100, 1) +
                    " cm² left at the ends: too little to hold it at the second turning";
        c.fixes.push_back(formFix("a shorter window", [](InsideOutForm& f) {
            const double by = (f.to - f.from) / 10;
            f.from += by;
            f.to -= by;
        }));
        out.push_back(std::move(c));
    }
}

/// What is split and turned on must be alike under that turn, and have its waste.
void split(const Case& in, std::vector<Caution>& out)
{
    const Split& s = in.piece.split;
    if (!s.on) return;
    constexpr double most = 0.1;  // mm; own value
    if (const double step = stepAtJoint(in.plan.surfaces.outside, s); step > most) {
        Caution c =
            atPlace(in, "split-step", {}, "split", in.plan.shape.height / 2, step > 1 ? Level::Stop : Level::Care);
        c.measure = step;
        c.limit = most;
        c.message = "its outline is not alike under a turn by " + fixed(360.0 / s.fold, 0) +
                    "°: with one half turned on there are steps of up to " + in.mm(step) + " at the joint";
        c.fixes.push_back(pieceFix("the outline that its split asks for", [](Piece& p) {
            p.outside = splitOutline(p.split);
            p.forms.clear();
            if (p.layers.size() == 1) p.layers[0].thickness = outlineHeight(p);
        }));
        out.push_back(std::move(c));
    }
    if (in.layers() != 1) {
        Caution c = atPlace(in, "split-stack", {}, "split", 0, Level::Stop);
        c.measure = in.layers();
        c.limit = 1;
        c.unit = "";
        c.message =
            "a stack of layers has no plane along its axis that comes apart: one blank does, its grain along the axis";
        c.fixes.push_back(pieceFix("not split", [](Piece& p) { p.split.on = false; }));
        return out.push_back(std::move(c));
    }
    const double glued = in.layer(0).gluedThickness(), needed = in.plan.shape.height + 2 * s.waste;
    if (glued < needed - 0.01) {
        Caution c = atPlace(in, "split-waste", {}, "split", 0, Level::Stop);
        c.measure = glued;
        c.limit = needed;
        c.message = "the blank is " + in.mm(glued) + " long: with the waste at both ends that alone is glued it is " +
                    in.mm(needed);
        c.fixes.push_back(layerFix("a blank of " + in.mm(needed), 0, [needed](Layer& l) { l.partedFrom = needed; }));
        out.push_back(std::move(c));
    }
    if (in.piece.hollow.rule != WallRule::Solid) {
        Caution c = atPlace(in, "split-hollow", {}, "split", in.plan.shape.height / 2, Level::Stop);
        c.message = "a hollow does not meet itself once one half is turned on";
        c.fixes.push_back(pieceFix("solid", [](Piece& p) { p.hollow.rule = WallRule::Solid; }));
        out.push_back(std::move(c));
    }
}

}  // namespace

void reversedCautions(const Case& in, std::vector<Caution>& out)
{
    insideOut(in, out);
    split(in, out);
}

}  // namespace vl
