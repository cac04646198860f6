#include "core/plan/cautions/judge.h"

#include "core/workpiece/lid_sides.h"

#include <cmath>

namespace vl {
namespace {

Caution atLid(const Case& in, const char* kind, Level level)
{
    Caution c;
    c.called(kind);
    c.level = level;
    c.at = "lid";
    c.z = std::min(in.piece.lid.at, in.plan.shape.height);
    c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
    c.unit = "mm";
    return c;
}

Fix lidFix(std::string label, std::function<void(Lid&)> change)
{
    return pieceFix(std::move(label), [change = std::move(change)](Piece& p) { change(p.lid); });
}

}  // namespace

void lidCautions(const Case& in, std::vector<Caution>& out)
{
    const Lid& lid = in.piece.lid;
    if (!lid.on) return;
    if (!hasLid(in.piece)) {
        Caution c = atLid(in, "lid-blank", Level::Stop);
        c.measure = in.layers();
        c.limit = 1;
        c.unit = "";
        c.message = "a lid is planned from one hollow block with its grain along the axis: from this blank it is not";
        c.fixes.push_back(lidFix("without a lid", [](Lid& l) { l.on = false; }));
        out.push_back(c);
        return;
    }
    if (in.plan.surfaces.inside.empty()) return;
    const double floor = in.plan.surfaces.inside.front().x(), ceiling = in.plan.surfaces.inside.back().x(),
                 least = floor + (lid.joint == Lid::OnLid ? lid.spigot : 0) + 1,
                 most = ceiling - (lid.joint == Lid::OnBox ? lid.spigot : 0) - 1;
    if (lid.at < least || lid.at > most) {
        Caution c = atLid(in, "lid-place", Level::Stop);
        c.measure = lid.at;
        c.limit = lid.at < least ? least : most;
        c.message = "its joint lies beyond the hollow: between " + in.mm(least) + " and " + in.mm(most) +
                    " both box and lid are hollow there, with room for the spigot";
        if (least < most) c.fixes.push_back(lidFix("at " + in.mm(c.limit), [at = c.limit](Lid& l) { l.at = at; }));
        c.fixes.push_back(lidFix("without a lid", [](Lid& l) { l.on = false; }));
        out.push_back(c);
        return;
    }
    const LidJoint j = lidJoint(in.piece, in.shop.fits, in.plan.surfaces);
    const double wanted = in.piece.hollow.leastWall;
    if (lid.joint == Lid::OnBox && j.left < wanted) {
        Caution c = atLid(in, "lid-wall", j.left <= 0.5 ? Level::Stop : Level::Care);
        c.measure = j.left;
        c.limit = wanted;
        c.message = "round the spigot's recess " + in.mm(std::max(0.0, j.left)) + " of the lid's wall are left";
        if (const double wall = lid.wall - (wanted - j.left); wall >= 0.5)
            c.fixes.push_back(lidFix("a spigot " + in.mm(wall) + " thick", [wall](Lid& l) { l.wall = wall; }));
        c.fixes.push_back(lidFix("the spigot on the lid", [](Lid& l) { l.joint = Lid::OnLid; }));
        out.push_back(c);
    }
    if (lid.joint == Lid::OnLid && j.spigot - lid.wall < 1) {
        Caution c = atLid(in, "lid-wall", Level::Stop);
        c.measure = j.spigot;
        c.limit = lid.wall + 1;
        c.message = "the spigot is thicker than the hollow is wide: nothing of the lid's hollow is left in it";
        c.fixes.push_back(lidFix("a thinner spigot", [wall = std::max(0.5, j.spigot / 3)](Lid& l) { l.wall = wall; }));
        out.push_back(c);
    }
    if (lid.top < wanted) {
        Caution c = atLid(in, "lid-top", Level::Care);
        c.z = in.plan.shape.height;
        c.measure = lid.top;
        c.limit = wanted;
        c.message = "over the lid's hollow " + in.mm(lid.top) + " of wood are left";
        c.fixes.push_back(lidFix(in.mm(wanted) + " on top", [wanted](Lid& l) { l.top = wanted; }));
        out.push_back(c);
    }
}

}  // namespace vl
