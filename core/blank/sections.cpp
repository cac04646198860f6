#include "core/blank/sections.h"

#include <algorithm>
#include <cmath>

namespace vl {

std::vector<Unreached> unreached(const Polyline& inside, double z0, double z1, bool fromBelow, const Shop& shop)
{
    std::vector<Unreached> out;
    const Polyline part = simplified(clipped(inside, z0, z1), 0.05);
    const double opening = fromBelow ? z0 : z1;
    for (const Point& p : part) {
        if (p.y() <= 0) continue;
        if (std::abs(opening - p.x()) > shop.toolReach) {
            out.push_back({p.x(), p.y(), true});
            continue;
        }
        // Slopes of the lines from the point that pass between the two walls at every station on the way out.
        double least = -std::tan(shop.toolAngle * degrees), most = -least;
        for (const Point& q : part) {
            const double way = std::abs(q.x() - p.x());
            if ((q.x() - p.x()) * (opening - p.x()) <= 0 || way < 0.5) continue;
            const double room = std::max(0.0, q.y() - std::min(shop.toolShank / 2, way * 0.25));
            most = std::min(most, (room - p.y()) / way);
            least = std::max(least, (-room - p.y()) / way);
        }
        if (least > most) out.push_back({p.x(), p.y(), false});
    }
    return out;
}

std::vector<Section> sectionsOf(const Piece& piece, const Shop& shop, const Sides& sides)
{
    const size_t n = piece.layers.size();
    std::vector<double> faces{0};  // of the layers, one more than there are
    for (const Layer& l : piece.layers) faces.push_back(faces.back() + l.thickness);
    auto section = [&](size_t a, size_t b) {
        Section s{.first = a, .last = b, .z0 = faces[a], .z1 = faces[b + 1], .fromBelow = a > 0};
        if (a > 0) {
            const double outer = radiusAt(sides.outside, s.z0),
                         inner = sides.inside.empty() ? std::nan("") : radiusRange(sides.inside, s.z0, s.z0).low;
            s.meetOutside = std::isnan(outer) ? 0 : 2 * outer;
            s.meetInside = std::isnan(inner) ? 0 : 2 * inner;
        }
        return s;
    };
    if (sides.inside.empty() || piece.choices.sections == SectionRule::Whole || piece.hollow.rule == WallRule::Bored ||
        n < 2)
        return {section(0, n - 1)};
    auto reached = [&](size_t a, size_t b) {
        const double z0 = faces[a], z1 = std::min(faces[b + 1], sides.inside.back().x());
        if (z1 <= sides.inside.front().x()) return true;
        const bool last = b + 1 == n;
        if (a == 0) return unreached(sides.inside, z0, z1, false, shop).empty();
        if (unreached(sides.inside, z0, z1, true, shop).empty()) return true;
        // The rim end is open too; what one way misses the other must reach.
        if (!last) return false;
        const auto below = unreached(sides.inside, z0, z1, true, shop),
                   above = unreached(sides.inside, z0, z1, false, shop);
        return std::ranges::none_of(below, [&](const Unreached& u) {
            return std::ranges::any_of(above, [&](const Unreached& v) { return u.z == v.z && u.r == v.r; });
        });
    };
    std::vector<Section> out;
    for (size_t a = 0; a < n;) {
        size_t b = n - 1;
        while (b > a && !reached(a, b)) --b;
        out.push_back(section(a, b));
        a = b + 1;
    }
    // Where single layers cannot be reached dividing does not help.
    return out.size() * 2 > n + 1 ? std::vector<Section>{section(0, n - 1)} : out;
}

}  // namespace vl
