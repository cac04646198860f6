#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"

#include <cmath>

namespace vl {
namespace {

void wall(const Case& in, std::vector<Caution>& out)
{
    if (in.plan.shape.solid) return;
    const double thin = in.plan.shape.thinnest.wall;
    double at = in.plan.shape.thinnest.inside.x();
    const bool through = isThrough(in.plan.surfaces, at) || thin <= 0;
    // How far the inside stands out of the outside where it does so most.
    double beyond = 0;
    if (through)
        for (const WallAt& w : in.plan.shape.walls)
            for (const auto beside : {radiusBefore, radiusAfter})
                if (const double over =
                        beside(in.plan.surfaces.inside, w.inside.x()) - beside(in.plan.surfaces.outside, w.inside.x());
                    over > beyond)
                    beyond = over, at = w.inside.x();
    if (through || thin < in.piece.hollow.leastWall - 1e-6) {
        Caution c;
        c.called("wall");
        c.level = through ? Level::Stop : Level::Care;
        c.at = "wall at " + in.mm(at);
        c.z = at;
        c.layer = static_cast<int>(in.plan.assembly.layerAt(at));
        c.measure = through ? -beyond : thin;
        c.limit = in.piece.hollow.leastWall;
        c.unit = "mm";
        c.message = through ? "the inside comes through the outside: the wall is cut open here"
                            : "the wall is " + in.mm(thin) + " square to the surface, thinner than the " +
                                  in.mm(c.limit) + " you asked for";
        c.fixes.push_back(thickerWall(in, c.limit - c.measure));
        // What is left must still be a wall.
        constexpr double leastAccepted = 1;  // mm, own value
        if (!through && thin >= leastAccepted)
            c.fixes.push_back(pieceFix("accept " + in.mm(thin) + " as the least wall",
                                       [thin](Piece& q) { q.hollow.leastWall = std::floor(thin * 100) / 100; }));
        out.push_back(c);
    }
}

/// The floor is turned to from the rim: what is left of it.
void floor(const Case& in, std::vector<Caution>& out)
{
    if (in.plan.shape.solid || in.plan.shape.floorThickness >= in.piece.hollow.leastWall) return;
    Caution c;
    c.called("floor");
    c.level = in.plan.shape.floorThickness <= 0 ? Level::Stop : Level::Care;
    c.at = "floor";
    c.z = in.piece.hollow.floor;
    c.layer = 0;
    c.measure = in.plan.shape.floorThickness;
    c.limit = in.piece.hollow.leastWall;
    c.unit = "mm";
    c.message = "the floor is " + in.mm(c.measure) + " thick, less than the least wall of " + in.mm(c.limit) +
                ": it can be turned through";
    c.fixes.push_back(pieceFix("floor at " + in.mm(c.limit), [to = c.limit](Piece& q) {
        const double up = to - q.hollow.floor;
        q.hollow.floor = to;
        for (Node& n : q.hollow.inside) n.z = std::min(n.z + std::max(0.0, up), outlineHeight(q));
    }));
    out.push_back(c);
}

/// Where the outline comes to the axis between its ends the piece comes apart.
void waist(const Case& in, std::vector<Caution>& out)
{
    const Polyline& line = in.plan.surfaces.outside;
    constexpr double leastWaist = 1;  // mm of radius, own value
    const Point* thin = nullptr;
    bool before = false;  // there is wood below it
    for (size_t i = 0; i + 1 < line.size(); ++i) {
        const bool more = std::any_of(line.begin() + static_cast<long>(i) + 1, line.end(),
                                      [](const Point& p) { return p.y() > leastWaist; });
        if (before && more && line[i].y() < leastWaist && (!thin || line[i].y() < thin->y())) thin = &line[i];
        before = before || line[i].y() > leastWaist;
    }
    if (!thin) return;
    Caution c;
    c.called("waist");
    c.level = Level::Stop;
    c.at = "outline at " + in.mm(thin->x());
    c.z = thin->x();
    c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
    c.measure = thin->y();
    c.limit = leastWaist;
    c.unit = "mm";
    c.message = "between its ends the outline comes to a radius of " + in.mm(thin->y()) +
                ": the piece breaks there, or comes apart";
    c.fixes.push_back(pieceFix("nowhere thinner than Ø 10 mm between its ends", [](Piece& q) {
        for (size_t i = 1; i + 1 < q.outside.size(); ++i) q.outside[i].r = std::max(q.outside[i].r, 5.0);
    }));
    out.push_back(c);
}

/// A floor at the rim or beyond it hollows nothing.
void floorBeyond(const Case& in, std::vector<Caution>& out)
{
    const Hollow& h = in.piece.hollow;
    const double rim = outlineHeight(in.piece);
    if ((h.rule != WallRule::Even && h.rule != WallRule::Tapered) || h.floor < rim) return;
    Caution c;
    c.called("floor-beyond");
    c.level = Level::Stop;
    c.at = "floor";
    c.z = rim;
    c.layer = in.layers() - 1;
    c.measure = h.floor;
    c.limit = rim;
    c.unit = "mm";
    c.message = "the floor lies at or above the rim: nothing is hollowed";
    const double to = std::min(std::max(h.leastWall, 5.0), rim / 2);
    c.fixes.push_back(pieceFix("floor at " + in.mm(to), [to](Piece& q) { q.hollow.floor = to; }));
    c.fixes.push_back(pieceFix("leave it solid", [](Piece& q) { q.hollow.rule = WallRule::Solid; }));
    out.push_back(c);
}

void tip(const Case& in, std::vector<Caution>& out)
{
    if (!in.piece.choices.stands || in.plan.shape.gravityHeight <= 0 || in.plan.shape.tipAngle >= in.shop.leastTip)
        return;
    Caution c;
    c.called("tip");
    c.level = Level::Care;
    c.at = "foot";
    c.z = 0;
    c.layer = 0;
    c.measure = in.plan.shape.tipAngle;
    c.limit = in.shop.leastTip;
    c.unit = "°";
    const double wanted =
        std::ceil(in.plan.shape.gravityHeight * std::tan((in.shop.leastTip + 0.3) * degrees) * 10) / 10;
    c.message = "leaning " + fixed(c.measure, 1) + "° it tips over, sooner than the " + fixed(c.limit, 1) +
                "° asked for: its foot is narrow for its height";
    c.fixes.push_back(pieceFix("foot Ø " + in.mm(2 * wanted), [wanted](Piece& q) {
        for (Node& n : q.outside)
            if (n.z <= 8 || &n == &q.outside.front()) n.r = std::max(n.r, wanted);
    }));
    c.fixes.push_back(pieceFix("it is held or hung, and does not stand", [](Piece& q) { q.choices.stands = false; }));
    out.push_back(c);
}

/// Tenons on a shaped end: one across the grain snaps, one without a shoulder does not say when it is home.
void tenonCautions(const Case& in, std::vector<Caution>& out)
{
    for (size_t i = 0; i < in.piece.forms.size(); ++i) {
        const FormPart& f = in.piece.forms[i];
        if (f.kind != FormPart::Tenon) continue;
        const TenonShape t = tenonShape(f, in.piece.outside);
        const auto about = [&](const char* kind, double measure, double limit, std::string words) {
            Caution c;
            c.called(kind, f.id);
            c.level = Level::Care;
            c.at = f.end == FormPart::AtFoot ? "tenon at the foot" : "tenon at the rim";
            c.z = (t.from + t.to) / 2;
            c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
            c.measure = measure;
            c.limit = limit;
            c.message = std::move(words);
            return c;
        };
        const BuiltLayer& wood = in.plan.assembly.layers[in.plan.assembly.layerAt((t.from + t.to) / 2)];
        constexpr double alongEnough = 0.7;
        const double along = wood.cells.empty() ? 1 : wood.cells[0].endGrain(Eigen::Vector3d::UnitX());
        if (along < alongEnough)
            out.push_back(about("tenon-grain", along, alongEnough,
                                "its grain runs across it, and across the grain a tenon snaps: a dowel let in instead, "
                                "or a post with its grain along the axis"));
        constexpr double leastShoulder = 1;  // mm on the radius; own value
        const double shoulder = (f.shoulder - t.root) / 2;
        if (shoulder < leastShoulder) {
            Caution c = about("tenon-shoulder", shoulder, leastShoulder,
                              "its shoulder is " + in.mm(std::max(0.0, shoulder)) +
                                  " wide: nothing says when it is home, and its joint shows");
            c.unit = "mm";
            const double wide = t.root + 2 * leastShoulder + 0.1;
            c.fixes.push_back(pieceFix("a shoulder of Ø " + in.mm(wide), [i, wide](Piece& p) {
                if (i < p.forms.size()) p.forms[i].shoulder = wide;
                p = withForms(std::move(p));
            }));
            out.push_back(c);
        }
    }
}

}  // namespace

void shapeCautions(const Case& in, std::vector<Caution>& out)
{
    wall(in, out);
    floor(in, out);
    floorBeyond(in, out);
    waist(in, out);
    tip(in, out);
    tenonCautions(in, out);
}

}  // namespace vl
