#include "core/blank/sections.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {

namespace {

constexpr double coarse = 0.05;  // mm: what a tool's way does not notice

enum class Reach { Yes, TooDeep, Hidden };

/// Whether a tool comes to a point of the inside through the opening.
Reach reach(const Polyline& part, const Point& p, double opening, const TurningTool& tool)
{
    if (std::abs(opening - p.x()) > tool.reach) return Reach::TooDeep;
    // Slopes of the lines from the point that pass between the two walls at every station on the way out.
    double least = -std::tan(tool.angle * degrees), steepest = -least;
    for (const Point& q : part) {
        const double way = std::abs(q.x() - p.x());
        if ((q.x() - p.x()) * (opening - p.x()) <= 0 || way < 0.5) continue;
        // Nothing goes through a mouth narrower than the tool's shank.
        if (way > tool.shank && q.y() < tool.shank / 2) return Reach::Hidden;
        const double room = std::max(0.0, q.y() - std::min(tool.shank / 2, way * 0.25));
        steepest = std::min(steepest, (room - p.y()) / way);
        least = std::max(least, (-room - p.y()) / way);
    }
    return least > steepest ? Reach::Hidden : Reach::Yes;
}

/// What of a line already simplified no tool comes to; no more than `most` places.
std::vector<Unreached> missed(const Polyline& inside, double z0, double z1, bool fromBelow, const Shop& shop,
                              size_t most)
{
    std::vector<Unreached> out;
    const std::vector<TurningTool> tools = hollowers(shop);
    const Polyline part = clipped(inside, z0, z1);
    const double opening = fromBelow ? z0 : z1;
    for (const Point& p : part) {
        if (out.size() >= most) break;
        if (p.y() <= 0) continue;
        bool come = false, tooDeep = true;
        for (const TurningTool& t : tools) {
            const Reach here = reach(part, p, opening, t);
            come = come || here == Reach::Yes;
            tooDeep = tooDeep && here == Reach::TooDeep;
        }
        if (!come) out.push_back({p.x(), p.y(), tooDeep});
    }
    return out;
}

}  // namespace

std::vector<Unreached> unreached(const Polyline& inside, double z0, double z1, bool fromBelow, const Shop& shop)
{
    return missed(simplified(inside, coarse), z0, z1, fromBelow, shop, std::numeric_limits<size_t>::max());
}

std::vector<Section> sectionsOf(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces)
{
    const size_t n = piece.layers.size();
    std::vector<double> faces{0};  // of the layers, one more than there are
    for (const Layer& l : piece.layers) faces.push_back(faces.back() + l.thickness);
    auto section = [&](size_t a, size_t b) {
        Section s{.first = a, .last = b, .z0 = faces[a], .z1 = faces[b + 1], .fromBelow = a > 0};
        if (a > 0) {
            const double outer = radiusAt(surfaces.outside, s.z0),
                         inner = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, s.z0, s.z0).low;
            s.meetOutside = std::isnan(outer) ? 0 : 2 * outer;
            s.meetInside = std::isnan(inner) ? 0 : 2 * inner;
        }
        return s;
    };
    if (surfaces.inside.empty() || piece.choices.sections == SectionRule::Whole ||
        piece.hollow.rule == WallRule::Bored || n < 2)
        return {section(0, n - 1)};
    const Polyline inside = simplified(surfaces.inside, coarse);
    auto reached = [&](size_t a, size_t b) {
        const double z0 = faces[a], z1 = std::min(faces[b + 1], inside.back().x());
        if (z1 <= inside.front().x()) return true;
        const bool last = b + 1 == n;
        if (a == 0) return missed(inside, z0, z1, false, shop, 1).empty();
        if (missed(inside, z0, z1, true, shop, 1).empty()) return true;
        // The rim end is open too; what one way misses the other must reach.
        if (!last) return false;
        const size_t all = std::numeric_limits<size_t>::max();
        const auto below = missed(inside, z0, z1, true, shop, all), above = missed(inside, z0, z1, false, shop, all);
        return std::ranges::none_of(below, [&](const Unreached& u) {
            return std::ranges::any_of(above, [&](const Unreached& v) { return u.z == v.z && u.r == v.r; });
        });
    };
    std::vector<Section> out;
    for (size_t a = 0; a < n;) {
        size_t b = n - 1;
        if (a == 0)
            while (b > a && !reached(a, b)) --b;
        else if (!reached(a, b)) {
            // From below nothing that is added further in opens the way: the last layer that is reached is halved for.
            size_t good = a, bad = b;
            while (bad - good > 1) (reached(a, (good + bad) / 2) ? good : bad) = (good + bad) / 2;
            b = good;
        }
        out.push_back(section(a, b));
        a = b + 1;
    }
    // Where single layers cannot be reached dividing does not help.
    return out.size() * 2 > n + 1 ? std::vector<Section>{section(0, n - 1)} : out;
}

}  // namespace vl
