#include "core/piece/document/hole_ends.h"

#include "core/geometry/profile.h"
#include "core/piece/records/field_items.h"

#include <algorithm>
#include <cmath>

namespace vl {

HoleEnds holeEnds(const Hole& h, double r)
{
    const double aside = std::asin(std::clamp(h.beside / std::max(r, 1e-9), -1.0, 1.0)) / degrees;
    return {h.direction + aside, h.direction + 180 - aside};
}

void setHoleEnds(Hole& h, HoleEnds ends, double r)
{
    // Half of what the two ends are short of standing across from one another.
    const double most = 90 - leastApart / 2;
    const double aside = std::clamp(std::remainder(ends.enters - ends.leaves + 180, 360) / 2, -most, most);
    h.beside = r * std::sin(aside * degrees);
    h.direction = std::remainder(ends.enters - aside, 360);
}

namespace {

/// How far from where it passes nearest the axis a hole's line meets a radius; NaN where it passes beside it.
double alongTo(const Hole& h, double r) { return std::sqrt(r * r - h.beside * h.beside); }

/// The farthest place of the outside that the line meets to one side of the axis, `side` 1 at its mouth, −1 beyond.
std::optional<Point> meets(const Hole& h, const Polyline& outside, double side)
{
    const double slope = side * std::tan(h.lean * degrees);
    // How far a place of the outside lies beyond the line: it changes its sign where they meet.
    const auto beyond = [&](const Point& p) { return p.x() - h.at - slope * alongTo(h, p.y()); };
    std::optional<Point> best;
    const double least = std::abs(h.beside);
    // A leaning one may come out of the foot's face or the rim's.
    Polyline line = outside;
    if (line.empty()) return best;
    line.insert(line.begin(), {line.front().x(), least});
    line.emplace_back(line.back().x(), least);
    for (size_t i = 1; i < line.size(); ++i) {
        Point a = line[i - 1], b = line[i];
        if (a.y() < least && b.y() < least) continue;
        if (a.y() < least) a += (b - a) * (least - a.y()) / (b.y() - a.y());
        if (b.y() < least) b += (a - b) * (least - b.y()) / (a.y() - b.y());
        a.y() = std::max(a.y(), least);
        b.y() = std::max(b.y(), least);
        if (beyond(a) * beyond(b) > 0) continue;
        constexpr int halvings = 40;
        for (int k = 0; k < halvings; ++k) {
            const Point middle = (a + b) / 2;
            (beyond(a) * beyond(middle) <= 0 ? b : a) = middle;
        }
        if (!best || a.y() > best->y()) best = a;
    }
    return best;
}

}  // namespace

std::optional<HoleStations> holeStations(const Hole& h, const Polyline& outside)
{
    const auto enters = meets(h, outside, 1), leaves = meets(h, outside, -1);
    if (!enters || !leaves) return std::nullopt;
    return HoleStations{*enters, *leaves};
}

void setHoleStations(Hole& h, double enters, double leaves, const Polyline& outside)
{
    if (outside.empty()) return;
    for (double* z : {&enters, &leaves}) *z = std::clamp(*z, outside.front().x(), outside.back().x());
    const double in = alongTo(h, radiusAt(outside, enters)), out = alongTo(h, radiusAt(outside, leaves));
    if (!(in + out > 0)) return;
    h.lean = std::atan2(enters - leaves, in + out) / degrees;
    clampToLimits(h);
    // Held by what it may lean, it keeps the end that is held still: the one it leaves by.
    h.at = leaves + out * std::tan(h.lean * degrees);
    clampToLimits(h);
}

}  // namespace vl
