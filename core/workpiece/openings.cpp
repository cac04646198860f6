#include "core/workpiece/openings.h"

#include "core/geometry/line_length.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// A line that swings once to each side, u from −reach to reach, with a round nib of radius h run along it. It never
/// swings so hard that the nib would cut into its own way.
Polyline scroll(double reach, double h, double sway)
{
    const double turn = pi / reach, most = 0.95 / (turn * turn * std::max(h, 1e-6)), a = std::min(sway, most);
    constexpr int steps = 48, cap = 16;
    const auto at = [&](int k) { return reach * (2.0 * k / steps - 1); };
    const auto line = [&](double u) { return Point(u, a * std::sin(turn * u)); };
    const auto lean = [&](double u) { return std::atan(a * turn * std::cos(turn * u)); };
    Polyline p;
    const auto add = [&](double u, double angle) {
        p.push_back(line(u) + h * Point(std::cos(angle), std::sin(angle)));
    };
    for (int k = 0; k <= steps; ++k) add(at(k), lean(at(k)) - pi / 2);
    for (int k = 1; k < cap; ++k) add(reach, lean(reach) - pi / 2 + pi * k / cap);
    for (int k = steps; k >= 0; --k) add(at(k), lean(at(k)) + pi / 2);
    for (int k = 1; k < cap; ++k) add(-reach, lean(reach) + pi / 2 + pi * k / cap);
    return p;
}

/// Through the corners that were drawn, or led round them: a quadratic spline from middle to middle of its sides, whose
/// corners are the drawn ones, so that it stays inside them.
Polyline drawn(const Worked& w, double l, double h)
{
    Polyline corners;
    double area = 0;
    for (const SkinCorner& c : w.drawn) corners.emplace_back(c.along * l, c.across * h);
    for (size_t i = 0, j = corners.size() - 1; i < corners.size(); j = i++)
        area += corners[j].x() * corners[i].y() - corners[i].x() * corners[j].y();
    if (area < 0) std::ranges::reverse(corners);
    if (!w.rounded) return corners;
    Polyline p;
    constexpr int steps = 10;
    const size_t n = corners.size();
    for (size_t i = 0; i < n; ++i) {
        const Point a = (corners[i] + corners[(i + 1) % n]) / 2, b = corners[(i + 1) % n],
                    c = (b + corners[(i + 2) % n]) / 2;
        for (int k = 0; k < steps; ++k) {
            const double t = k / static_cast<double>(steps);
            p.push_back((1 - t) * (1 - t) * a + 2 * t * (1 - t) * b + t * t * c);
        }
    }
    return p;
}

/// The shape about its own middle, u along it and v across, counterclockwise.
Polyline shapeOf(const Worked& w, double length)
{
    const double l = length / 2, h = w.wide / 2;
    Polyline p;
    constexpr int steps = 24;
    switch (w.shape) {
    case Worked::Slot: {
        const double r = std::min(l, h), straight = l - r;
        for (const double side : {1.0, -1.0})
            for (int k = 0; k <= steps; ++k) {
                const double a = pi * (k / static_cast<double>(steps) - 0.5);
                p.emplace_back(side * (straight + r * std::cos(a)), side * h * std::sin(a));
            }
        break;
    }
    case Worked::Leaf:
        // Back along its upper edge, and on along its lower one.
        for (const double side : {1.0, -1.0})
            for (int k = 0; k < steps; ++k) {
                const double u = side * (1 - 2.0 * k / steps);
                p.emplace_back(u * l, side * h * (1 - u * u));
            }
        break;
    case Worked::Round:
        for (int k = 0; k < 2 * steps; ++k) {
            const double a = pi * k / steps;
            p.emplace_back(l * std::cos(a), h * std::sin(a));
        }
        break;
    case Worked::Diamond:
    case Worked::Lattice:
        p = {{l, 0}, {0, h}, {-l, 0}, {0, -h}};
        break;
    case Worked::Drawn:
        p = drawn(w, l, h);
        break;
    case Worked::Scroll:
        p = scroll(std::max(1e-3, l - h), std::min(l, h), w.sway);
        break;
    }
    return p;
}

/// Rows of diamonds whose edges lie along the same two families of lines: u along the skin, v round it.
struct Rows {
    double step = 0;    ///< from row to row, mm along the skin
    double length = 0;  ///< of the lowest and the highest, mm
};

/// A bar of width b takes b / cos of its lean from a cell of the lattice, both ways (plane geometry). The step follows
/// from what all rows have together; as the lean depends on it, it is found by repeating.
Rows rowsOf(const Worked& w, double together, double share)
{
    double step = together / (w.rows + 1), lost = 0;
    constexpr int rounds = 40;
    for (int k = 0; k < rounds; ++k) {
        lost = w.bar * std::hypot(share, 2 * step) / share;
        step = (together + lost) / (w.rows + 1);
    }
    return {step, 2 * step - lost};
}

}  // namespace

namespace {

/// One opening between two lengths along the skin.
Opening opening(const Worked& w, const TurnedSurfaces& surfaces, const LineLength& skin, double from, double to)
{
    const Polyline& line = surfaces.outside;
    const double middle = (from + to) / 2;
    Opening o;
    o.middle = middle;
    o.length = to - from;
    constexpr double starting = 3;  // mm: a hole that takes a fine saw's blade; own value
    o.drill = w.shape == Worked::Slot ? std::min(w.wide, o.length) : std::min({starting, w.wide, o.length});
    const double c = std::cos(w.slant * degrees), s = std::sin(w.slant * degrees);
    double low = 1e9, high = -1e9;
    for (const Point& p : shapeOf(w, o.length)) {
        const Point flat(p.x() * c - p.y() * s, p.x() * s + p.y() * c);
        const Point on = skin.place(middle + flat.x());
        const double r = std::max(on.y(), 1e-6), round = std::clamp(flat.y() / r, -pi / 2, pi / 2);
        o.flat.push_back(flat);
        o.laid.emplace_back(on.x(), r * std::sin(round));
        low = std::min(low, on.x());
        high = std::max(high, on.x());
    }
    o.deepest = line.back().x() - low;
    constexpr double within = 1;  // mm into the hollow
    const double hollow = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, low, high).low;
    o.inner = std::isnan(hollow) ? 0 : std::max(0.0, hollow * std::cos(pi / w.count) - within);
    // Between neighbors at each height: the circle's share less what the opening takes of it.
    o.narrowest = 1e9;
    constexpr int looks = 60;
    for (int k = 0; k <= looks; ++k) {
        const double u = o.length * (k / static_cast<double>(looks) - 0.5);
        double left = 1e9, right = -1e9;
        for (size_t i = 0, j = o.flat.size() - 1; i < o.flat.size(); j = i++) {
            const Point &a = o.flat[j], &b = o.flat[i];
            if ((a.x() - u) * (b.x() - u) > 0) continue;
            const double share = a.x() == b.x() ? 0 : (u - a.x()) / (b.x() - a.x());
            const double here = a.y() + share * (b.y() - a.y());
            left = std::min(left, here);
            right = std::max(right, here);
        }
        const Point on = skin.place(middle + u);
        const double wood = 2 * pi * on.y() / w.count - std::max(0.0, right - left);
        if (wood < o.narrowest) o.narrowest = wood, o.narrowestAt = on.x();
    }
    return o;
}

}  // namespace

std::vector<Opening> openingsOf(const Worked& w, const TurnedSurfaces& surfaces)
{
    const Polyline& line = surfaces.outside;
    if (w.kind != Worked::Openings || line.size() < 2) return {};
    const double z0 = std::max(w.from, line.front().x()), z1 = std::min(w.to, line.back().x());
    if (!(z1 - z0 > 1)) return {};
    const LineLength skin(line);
    const double from = skin.at(z0), to = skin.at(z1);
    if (w.shape != Worked::Lattice) return {opening(w, surfaces, skin, from, to)};
    const auto shareAt = [&](double along) { return 2 * pi * skin.place(along).y() / w.count; };
    const Rows rows = rowsOf(w, to - from, shareAt((from + to) / 2));
    std::vector<Opening> all;
    for (int k = 0; k < w.rows; ++k) {
        const double middle = from + rows.length / 2 + k * rows.step, share = shareAt(middle),
                     bar = w.bar * std::hypot(share, 2 * rows.step);
        Worked one = w;
        one.wide = share - bar / (2 * rows.step);
        const double length = 2 * rows.step - bar / share;
        constexpr double least = 1;  // mm: less is no opening
        if (one.wide < least || length < least) return {};
        Opening o = opening(one, surfaces, skin, middle - length / 2, middle + length / 2);
        o.on = k % 2 ? 0.5 : 0;
        if (w.bar < o.narrowest) o.narrowest = w.bar;
        all.push_back(std::move(o));
    }
    return all;
}

std::optional<Opening> openingOf(const Worked& w, const TurnedSurfaces& surfaces)
{
    const std::vector<Opening> all = openingsOf(w, surfaces);
    if (all.empty()) return std::nullopt;
    Opening first = all.front();
    for (const Opening& o : all) {
        if (o.narrowest < first.narrowest) first.narrowest = o.narrowest, first.narrowestAt = o.narrowestAt;
        first.deepest = std::max(first.deepest, o.deepest);
    }
    return first;
}

Sawed openingCut(const Opening& o, double angleDeg)
{
    // Seen from outside: stations to the right; it is pushed from the axis out.
    Sawed s{.right = Eigen::Vector3d::UnitX(), .up = onwards(angleDeg), .outline = o.laid};
    s.reach = {-beyondAll, -o.inner};
    return s;
}

}  // namespace vl
