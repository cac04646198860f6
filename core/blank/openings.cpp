#include "core/blank/openings.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Stations against length along a line, and back.
class Skin {
public:
    explicit Skin(const Polyline& line) : line_(line)
    {
        double sum = 0;
        for (size_t i = 0; i < line.size(); ++i) {
            if (i > 0) sum += (line[i] - line[i - 1]).norm();
            along_.push_back(sum);
        }
    }
    double at(double z) const
    {
        for (size_t i = 1; i < line_.size(); ++i)
            if (z <= line_[i].x()) {
                const double wide = line_[i].x() - line_[i - 1].x();
                const double share = wide > 0 ? (z - line_[i - 1].x()) / wide : 0;
                return along_[i - 1] + std::clamp(share, 0.0, 1.0) * (along_[i] - along_[i - 1]);
            }
        return along_.back();
    }
    /// The place that far along it; held to its ends.
    Point place(double along) const
    {
        const auto it = std::ranges::lower_bound(along_, along);
        if (it == along_.begin()) return line_.front();
        if (it == along_.end()) return line_.back();
        const auto i = static_cast<size_t>(it - along_.begin());
        const double share = (along - along_[i - 1]) / (along_[i] - along_[i - 1]);
        return line_[i - 1] + share * (line_[i] - line_[i - 1]);
    }

private:
    const Polyline& line_;
    std::vector<double> along_;
};

/// The shape about its own middle, u along it and v across, anticlockwise.
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
        p = {{l, 0}, {0, h}, {-l, 0}, {0, -h}};
        break;
    }
    return p;
}

}  // namespace

std::optional<Opening> openingOf(const Worked& w, const Sides& sides)
{
    const Polyline& line = sides.outside;
    if (w.kind != Worked::Openings || line.size() < 2) return std::nullopt;
    const double z0 = std::max(w.from, line.front().x()), z1 = std::min(w.to, line.back().x());
    if (!(z1 - z0 > 1)) return std::nullopt;
    const Skin skin(line);
    const double from = skin.at(z0), to = skin.at(z1), middle = (from + to) / 2;
    Opening o;
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
    const double hollow = sides.inside.empty() ? std::nan("") : radiusRange(sides.inside, low, high).low;
    o.inner = std::isnan(hollow) ? 0 : std::max(0.0, hollow * std::cos(pi / w.count) - within);
    // Between neighbours at each height: the circle's share less what the opening takes of it.
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

Sawed openingCut(const Opening& o, double angleDeg)
{
    // Seen from outside: stations to the right; it is pushed from the axis out.
    Sawed s{.right = Eigen::Vector3d::UnitX(), .up = onwards(angleDeg), .outline = o.laid};
    s.reach = {-beyondAll, -o.inner};
    return s;
}

}  // namespace vl
