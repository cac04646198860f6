#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"

#include <cmath>

namespace vl {
namespace {

void wall(const Case& in, std::vector<Caution>& out)
{
    if (in.shape.solid) return;
    const double thin = in.shape.thinnest.wall;
    bool through = false;
    double at = in.shape.thinnest.inside.x();
    for (const Point& q : in.sides.inside) {
        const double r = radiusAt(in.sides.outside, q.x());
        if (!std::isnan(r) && q.y() >= r && q.y() > 0) through = true, at = q.x();
    }
    if (through || thin < in.piece.hollow.leastWall - 1e-6) {
        Caution c;
        c.id = "wall";
        c.level = through ? Level::Stop : Level::Care;
        c.at = "wall at " + in.mm(at);
        c.z = at;
        c.layer = static_cast<int>(in.assembly.layerAt(at));
        c.measure = through ? 0 : thin;
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

void tip(const Case& in, std::vector<Caution>& out)
{
    if (in.shape.gravityHeight <= 0 || in.shape.tipAngle >= in.shop.leastTip) return;
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
    out.push_back(c);
}

}  // namespace

void shapeCautions(const Case& in, std::vector<Caution>& out)
{
    wall(in, out);
    floor(in, out);
    tip(in, out);
}

}  // namespace vl
