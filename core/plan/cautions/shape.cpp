#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"

#include <cmath>

namespace vl {
namespace {

void wall(const Case& in, std::vector<Caution>& out)
{
    if (in.shape.solid) return;
    const double thin = in.shape.thinnest.wall;
    double at = in.shape.thinnest.inside.x();
    const bool through = isThrough(in.sides, at);
    // How far the inside stands out of the outside where it does so most.
    double beyond = 0;
    if (through)
        for (const WallAt& w : wallAlong(in.sides))
            for (const auto beside : {radiusBefore, radiusAfter})
                if (const double over = beside(in.sides.inside, w.inside.x()) - beside(in.sides.outside, w.inside.x());
                    over > beyond)
                    beyond = over, at = w.inside.x();
    if (through || thin < in.piece.hollow.leastWall - 1e-6) {
        Caution c;
        c.id = "wall";
        c.level = through ? Level::Stop : Level::Care;
        c.at = "wall at " + in.mm(at);
        c.z = at;
        c.layer = static_cast<int>(in.assembly.layerAt(at));
        c.measure = through ? -beyond : thin;
        c.limit = in.piece.hollow.leastWall;
        c.unit = "mm";
        c.message = through ? "the inside comes through the outside: the wall is cut open here"
                            : "the wall is " + in.mm(thin) + " square to the surface, thinner than the " +
                                  in.mm(c.limit) + " you asked for";
        c.fixes.push_back(thickerWall(in, c.limit - c.measure));
        if (!through)
            c.fixes.push_back(pieceFix("accept " + in.mm(thin) + " as the least wall",
                                       [thin](Piece& q) { q.hollow.leastWall = std::floor(thin * 100) / 100; }));
        out.push_back(c);
    }
}

/// The floor is turned to from the rim: what is left of it.
void floor(const Case& in, std::vector<Caution>& out)
{
    if (in.shape.solid || in.shape.floorThickness >= in.piece.hollow.leastWall) return;
    Caution c;
    c.id = "floor";
    c.level = in.shape.floorThickness <= 0 ? Level::Stop : Level::Care;
    c.at = "floor";
    c.z = in.piece.hollow.floor;
    c.layer = 0;
    c.measure = in.shape.floorThickness;
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

/// A floor at the rim or beyond it hollows nothing.
void floorBeyond(const Case& in, std::vector<Caution>& out)
{
    const Hollow& h = in.piece.hollow;
    const double rim = outlineHeight(in.piece);
    if ((h.rule != WallRule::Even && h.rule != WallRule::Tapered) || h.floor < rim) return;
    Caution c;
    c.id = "floor-beyond";
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
    if (!in.piece.choices.stands || in.shape.gravityHeight <= 0 || in.shape.tipAngle >= in.shop.leastTip) return;
    Caution c;
    c.id = "tip";
    c.level = Level::Care;
    c.at = "foot";
    c.z = 0;
    c.layer = 0;
    c.measure = in.shape.tipAngle;
    c.limit = in.shop.leastTip;
    c.unit = "°";
    const double wanted = std::ceil(in.shape.gravityHeight * std::tan((in.shop.leastTip + 0.3) * degrees) * 10) / 10;
    c.message = "leaning " + fixed(c.measure, 1) + "° it tips over, sooner than the " + fixed(c.limit, 1) +
                "° asked for: its foot is narrow for its height";
    c.fixes.push_back(pieceFix("foot Ø " + in.mm(2 * wanted), [wanted](Piece& q) {
        for (Node& n : q.outside)
            if (n.z <= 8 || &n == &q.outside.front()) n.r = std::max(n.r, wanted);
    }));
    c.fixes.push_back(pieceFix("it is held or hung, and does not stand", [](Piece& q) { q.choices.stands = false; }));
    out.push_back(c);
}

}  // namespace

void shapeCautions(const Case& in, std::vector<Caution>& out)
{
    wall(in, out);
    floor(in, out);
    floorBeyond(in, out);
    tip(in, out);
}

}  // namespace vl
