#include "core/geometry/disc_region.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <optional>

namespace vl {
namespace {

constexpr double tiny = 1e-9;  // mm: shorter sides are points

double cross(const Point& a, const Point& b) { return a.x() * b.y() - a.y() * b.x(); }
Point direction(double radians) { return {std::cos(radians), std::sin(radians)}; }

struct CircleArc {
    double start = 0, sweep = 2 * pi;
};

/// What a circle has where cos(φ − about) ≤ k: the whole of it, nothing, or one arc.
std::optional<CircleArc> allowed(double about, double k)
{
    if (k >= 1) return CircleArc{};
    if (k <= -1) return std::nullopt;
    const double half = std::acos(k);
    return CircleArc{about + half, 2 * pi - 2 * half};
}

/// Cuts arcs of one circle down to what lies in `keep` too.
std::vector<CircleArc> common(const std::vector<CircleArc>& arcs, const CircleArc& keep)
{
    if (keep.sweep >= 2 * pi) return arcs;
    std::vector<CircleArc> out;
    for (const CircleArc& a : arcs) {
        if (a.sweep >= 2 * pi) {
            out.push_back(keep);
            continue;
        }
        // Seen from the beginning of `keep`, a lies between `at` and `at` + its sweep, and may come round again.
        double at = std::fmod(a.start - keep.start, 2 * pi);
        if (at < 0) at += 2 * pi;
        if (at < keep.sweep) out.push_back({a.start, std::min(a.sweep, keep.sweep - at)});
        const double again = at + a.sweep - 2 * pi;
        if (again > 0) out.push_back({keep.start, std::min(again, keep.sweep)});
    }
    return out;
}

}  // namespace

Point polar(double r, double angleDeg) { return r * direction(angleDeg * degrees); }

DiscRegion::DiscRegion(std::vector<Disc> discs, std::vector<HalfPlane> halves)
    : discs_(std::move(discs)), halves_(std::move(halves))
{
    for (size_t i = 0; i < discs_.size(); ++i) {
        const Disc& d = discs_[i];
        std::vector<CircleArc> arcs{CircleArc{}};
        for (size_t j = 0; j < discs_.size() && !arcs.empty(); ++j) {
            if (i == j) continue;
            const Point apart = d.center - discs_[j].center;
            const double gap = apart.norm();
            if (gap < tiny) {
                // One inside the other; of two alike the first speaks for both.
                const bool hidden =
                    d.radius > discs_[j].radius + tiny || (std::abs(d.radius - discs_[j].radius) <= tiny && j < i);
                if (hidden) arcs.clear();
                continue;
            }
            const double k =
                (discs_[j].radius * discs_[j].radius - gap * gap - d.radius * d.radius) / (2 * d.radius * gap);
            const auto keep = allowed(std::atan2(apart.y(), apart.x()), k);
            arcs = keep ? common(arcs, *keep) : std::vector<CircleArc>{};
        }
        for (const HalfPlane& h : halves_) {
            const auto keep =
                allowed(std::atan2(h.normal.y(), h.normal.x()), (h.offset - h.normal.dot(d.center)) / d.radius);
            arcs = keep ? common(arcs, *keep) : std::vector<CircleArc>{};
        }
        for (const CircleArc& a : arcs)
            if (a.sweep * d.radius > tiny)
                sides_.push_back({.arc = true,
                                  .of = i,
                                  .from = d.center + d.radius * direction(a.start),
                                  .to = d.center + d.radius * direction(a.start + a.sweep),
                                  .start = a.start,
                                  .sweep = a.sweep,
                                  .outwards = direction(a.start + a.sweep / 2),
                                  .within = std::cos(a.sweep / 2)});
    }
    for (size_t i = 0; i < halves_.size(); ++i) {
        const HalfPlane& h = halves_[i];
        const Point foot = h.normal * h.offset, along(-h.normal.y(), h.normal.x());
        double low = -std::numeric_limits<double>::infinity(), high = -low;
        for (const Disc& d : discs_) {
            const double t = along.dot(d.center - foot), off = h.normal.dot(d.center) - h.offset;
            const double half2 = d.radius * d.radius - off * off;
            if (half2 <= 0) high = low;
            low = std::max(low, t - std::sqrt(std::max(0.0, half2)));
            high = std::min(high, t + std::sqrt(std::max(0.0, half2)));
        }
        for (size_t j = 0; j < halves_.size(); ++j) {
            if (i == j) continue;
            const double slope = halves_[j].normal.dot(along), room = halves_[j].offset - halves_[j].normal.dot(foot);
            if (std::abs(slope) < 1e-12) {
                // Parallel: it hides this one, or the other does.
                if (room < -tiny || (halves_[j].normal.dot(h.normal) > 0 && room <= tiny && j < i)) high = low;
            } else if (slope > 0)
                high = std::min(high, room / slope);
            else
                low = std::max(low, room / slope);
        }
        if (high - low > tiny) sides_.push_back({.of = i, .from = foot + along * low, .to = foot + along * high});
    }
    if (sides_.empty()) return;
    Point inside(0, 0);
    for (const Side& s : sides_) inside += middle(s) / static_cast<double>(sides_.size());
    std::ranges::sort(sides_, {}, [&](const Side& s) {
        const Point p = middle(s) - inside;
        return std::atan2(p.y(), p.x());
    });
}

Point DiscRegion::middle(const Side& s) const
{
    if (!s.arc) return (s.from + s.to) / 2;
    return discs_[s.of].center + discs_[s.of].radius * direction(s.start + s.sweep / 2);
}

double DiscRegion::area() const
{
    double twice = 0;
    for (const Side& s : sides_) {
        if (s.arc) {
            const Disc& d = discs_[s.of];
            twice += d.radius * d.radius * s.sweep + cross(d.center, s.to - s.from);
        } else
            twice += cross(s.from, s.to);
    }
    return twice / 2;
}

Point DiscRegion::centroid() const
{
    // Triangles from the origin to each chord, and the segment of the circle that stands beyond it.
    Point moment(0, 0);
    double whole = 0;
    for (const Side& s : sides_) {
        const double triangle = cross(s.from, s.to) / 2;
        moment += triangle * (s.from + s.to) / 3;
        whole += triangle;
        if (!s.arc) continue;
        const Disc& d = discs_[s.of];
        const double segment = d.radius * d.radius * (s.sweep - std::sin(s.sweep)) / 2;
        if (segment <= 0) continue;
        const double out = std::pow(2 * d.radius * std::sin(s.sweep / 2), 3) / (12 * segment);
        moment += segment * (d.center + out * direction(s.start + s.sweep / 2));
        whole += segment;
    }
    return whole > 0 ? Point(moment / whole) : Point(0, 0);
}

double DiscRegion::perimeter() const
{
    double sum = 0;
    for (const Side& s : sides_) sum += s.arc ? discs_[s.of].radius * s.sweep : s.chord();
    return sum;
}

double DiscRegion::support(const Point& u) const
{
    double most = -std::numeric_limits<double>::infinity();
    for (const Side& s : sides_) {
        most = std::max({most, u.dot(s.from), u.dot(s.to)});
        // An arc reaches as far as its circle where that way lies within its sweep.
        if (s.arc && u.dot(s.outwards) >= s.within)
            most = std::max(most, u.dot(discs_[s.of].center) + discs_[s.of].radius);
    }
    return most;
}

namespace {

/// The greatest or the least of widths that are tried.
class Extreme {
public:
    explicit Extreme(bool widest) : widest_(widest), best_(widest ? -1.0 : std::numeric_limits<double>::infinity()) {}
    void take(double across, const Point& u)
    {
        if (widest_ ? across > best_ : across < best_) best_ = across, way_ = u;
    }
    DiscRegion::Width width() const
    {
        double deg = std::fmod(std::atan2(way_.y(), way_.x()) / degrees, 180);
        if (deg < 0) deg += 180;
        return {best_, deg};
    }

private:
    bool widest_;
    double best_;
    Point way_{1, 0};
};

Point square(const Point& d) { return {d.y(), -d.x()}; }

}  // namespace

DiscRegion::Width widthOf(const Polyline& polygon, bool widest)
{
    if (polygon.size() < 3) return {};
    Extreme best(widest);
    for (size_t i = 0; i < polygon.size(); ++i) {
        for (size_t j = 0; j < i && widest; ++j)
            if (const Point d = polygon[i] - polygon[j]; d.norm() > tiny) best.take(d.norm(), d.normalized());
        const Point side = polygon[(i + 1) % polygon.size()] - polygon[i];
        if (widest || side.norm() <= tiny) continue;
        const Point u = square(side.normalized());
        double low = std::numeric_limits<double>::infinity(), high = -low;
        for (const Point& p : polygon) {
            low = std::min(low, u.dot(p));
            high = std::max(high, u.dot(p));
        }
        best.take(high - low, u);
    }
    return best.width();
}

DiscRegion::Width DiscRegion::extreme(bool widest) const
{
    if (empty()) return {};
    if (std::ranges::none_of(sides_, &Side::arc)) {
        Polyline corners;
        for (const Side& s : sides_) corners.push_back(s.from);
        return widthOf(corners, widest);
    }
    Extreme best(widest);
    const auto look = [&](const Point& u) { best.take(support(u) + support(-u), u); };
    // While the same two corners or arcs carry it a width is a sinusoid: it turns along the line from one of their
    // middles to the other's, or where another takes over, square to a line or at an arc's end.
    std::vector<Point> marks;
    for (const Side& s : sides_) {
        marks.push_back(s.from);
        if (const Point d = s.to - s.from; d.norm() > tiny) look(square(d.normalized()));
        if (!s.arc) continue;
        marks.push_back(discs_[s.of].center);
        look(direction(s.start));
        look(direction(s.start + s.sweep));
    }
    constexpr size_t many = 80;  // of more the lines between them are as good as every direction
    for (size_t i = 0; i < marks.size() && marks.size() <= many; ++i)
        for (size_t j = 0; j < i; ++j)
            if (const Point d = marks[i] - marks[j]; d.norm() > tiny) look(d.normalized());
    constexpr int looks = 720;
    for (int k = 0; k < looks && marks.size() > many; ++k) look(direction(pi * k / looks));
    return best.width();
}

DiscRegion::Width DiscRegion::widest() const { return extreme(true); }
DiscRegion::Width DiscRegion::narrowest() const { return extreme(false); }

std::vector<double> DiscRegion::flats() const
{
    std::vector<double> out(discs_.size(), 0.0);
    for (const Side& s : sides_)
        if (s.arc) out[s.of] += s.chord();
    return out;
}

double DiscRegion::reach(const Point& from, double angleDeg) const
{
    const Point u = polar(1, angleDeg);
    double least = std::numeric_limits<double>::infinity();
    for (const Disc& d : discs_) {
        const Point off = d.center - from;
        const double along = u.dot(off), beside2 = off.squaredNorm() - along * along;
        least = std::min(least, along + std::sqrt(std::max(0.0, d.radius * d.radius - beside2)));
    }
    for (const HalfPlane& h : halves_)
        if (const double slope = h.normal.dot(u); slope > 1e-12)
            least = std::min(least, (h.offset - h.normal.dot(from)) / slope);
    return least;
}

Polyline DiscRegion::outline(double tolerance) const
{
    Polyline line;
    for (const Side& s : sides_) {
        if (!s.arc) {
            line.push_back(s.from);
            continue;
        }
        const Disc& d = discs_[s.of];
        const double step = 2 * std::acos(std::max(0.5, 1 - tolerance / std::max(d.radius, tolerance)));
        const int n = std::max(1, static_cast<int>(std::ceil(s.sweep / step - 1e-9)));
        for (int k = 0; k < n; ++k) line.push_back(d.center + d.radius * direction(s.start + s.sweep * k / n));
    }
    return line;
}

}  // namespace vl
