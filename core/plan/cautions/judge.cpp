#include "core/plan/cautions/judge.h"

#include "core/constructions/construction.h"
#include "core/geometry/dividing.h"
#include "core/measure/format.h"
#include "core/piece/records/field_items.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {

std::string Case::name(int i) const { return built(i).how->noun + std::string(" ") + std::to_string(i + 1); }

Caution Case::at(const char* kind, int i, Level level) const
{
    Caution c;
    c.called(kind, layer(i).id);
    c.perLayer = true;
    c.level = level;
    c.at = name(i);
    c.z = (built(i).z0 + built(i).z1) / 2;
    c.layer = i;
    c.unit = "mm";
    return c;
}

Caution atPlace(const Case& in, const char* kind, const std::string& place, std::string name, double z, Level level)
{
    Caution c;
    c.called(kind, place);
    c.level = level;
    c.at = std::move(name);
    c.z = std::clamp(z, 0.0, in.plan.shape.height);
    c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
    c.unit = "mm";
    return c;
}

void offPlate(Caution at, int count, int plate, int start, const std::function<void(Piece&, int)>& set,
              std::vector<Caution>& out)
{
    const std::vector<IndexMark> marks = laidOut(count, plate, start);
    if (plate == 0 || isExact(marks)) return;
    for (const IndexMark& m : marks) at.measure = std::max(at.measure, std::abs(m.errorDeg));
    at.limit = 0;
    at.unit = "°";
    at.message = std::to_string(count) + " do not fall on " + std::to_string(plate) + " holes: the nearest are up to " +
                 fixed(at.measure, 1) + "° off";
    const auto to = [set](int other) { return [set, other](Piece& p) { set(p, other); }; };
    if (const std::vector<int> exact = platesFor(count); !exact.empty())
        at.fixes.push_back(pieceFix("a plate of " + std::to_string(exact[0]) + " holes", to(exact[0])));
    at.fixes.push_back(pieceFix("laid out by angle", to(0)));
    out.push_back(std::move(at));
}

Fix thickerWall(const Case& in, double by)
{
    // A little more than asked, so that what was rounded away does not bring the caution back.
    const double more = std::ceil((by + 0.05) * 10) / 10;
    const Hollow& h = in.piece.hollow;
    if (h.rule == WallRule::Drawn)
        return pieceFix("draw the inside " + in.mm(more) + " smaller", [more](Piece& q) {
            for (Node& n : q.hollow.inside) n.r = n.r > 0 ? std::max(0.0, n.r - more) : 0;
        });
    if (h.rule == WallRule::Bored) {
        const double bore = std::max(0.5, h.bore - 2 * more);
        return pieceFix("a bore of " + in.mm(bore), [bore](Piece& q) { q.hollow.bore = bore; });
    }
    return pieceFix("wall " + in.mm(h.rimWall + more) + " instead of " + in.mm(h.rimWall), [more](Piece& q) {
        q.hollow.rimWall += more;
        q.hollow.baseWall = std::max(q.hollow.baseWall, q.hollow.rimWall);
    });
}

void letStockFollow(const Case& in, int layer, const std::string& label, std::vector<Fix>& fixes)
{
    const Layer& l = in.layer(layer);
    if (l.stockOuter || l.stockInner)
        fixes.push_back(layerFix(label, layer, [](Layer& q) {
            q.stockOuter.reset();
            q.stockInner.reset();
        }));
}

std::vector<Caution> cautionsOf(const Piece& piece, const Shop& shop, const Scheduled& plan, LengthStyle style)
{
    const Case in{piece, shop, plan, style};
    std::vector<Caution> out;
    for (const auto judge :
         {shapeCautions, buildCautions, cutCautions, glueCautions, turnCautions, holdCautions, axisCautions,
          lidCautions, cutCurveCautions, workedCautions, flawCautions, inlayCautions, reversedCautions, finishCautions})
        judge(in, out);
    std::ranges::stable_sort(out, [](const Caution& x, const Caution& y) {
        return std::pair(-static_cast<int>(x.level), x.z) < std::pair(-static_cast<int>(y.level), y.z);
    });
    return out;
}

}  // namespace vl
