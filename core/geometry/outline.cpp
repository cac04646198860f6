#include "core/geometry/outline.h"

#include "core/geometry/fall_back.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {
namespace {

Point at(const Node& n) { return {n.z, n.r}; }

double chord(const Outline& o, size_t i) { return (at(o[i + 1]) - at(o[i])).norm(); }

/// A bulge held to what does not swell past the stations of its ends: between two nodes an outline has one radius at
/// every station. The arc leaves its chord at 2·atan(bulge), and may turn as far as square to the axis (plane
/// geometry).
double heldBulge(const Point& a, const Point& b, double bulge)
{
    const double lean = std::atan2(std::abs(b.y() - a.y()), std::abs(b.x() - a.x()));
    const double most = std::tan(std::max(0.0, pi / 2 - lean) / 2);
    return std::clamp(bulge, -most, most);
}

/// The center of the arc from a to b with this bulge (sagitta over half chord), and its radius; |bulge| > 0.
struct BulgedArc {
    Point center;
    double radius, start, sweep;
};

BulgedArc arcOf(const Point& a, const Point& b, double bulge)
{
    const double half = (b - a).norm() / 2, sagitta = bulge * half;
    const Point along = (b - a) / (2 * half), out(-along.y(), along.x());
    const double radius = (half * half + sagitta * sagitta) / (2 * std::abs(sagitta));
    const Point center = (a + b) / 2 + out * (sagitta - std::copysign(radius, sagitta));
    const Point from = a - center;
    const double sweep = -std::copysign(4 * std::atan(std::abs(bulge)), bulge);
    return {center, radius, std::atan2(from.y(), from.x()), sweep};
}

/// Slope of one coordinate at a node between two spans with secants s0, s1 and chord lengths h0, h1.
double monotoneSlope(double s0, double s1, double h0, double h1)
{
    if (s0 * s1 <= 0) return 0;
    const double alpha = (h0 + 2 * h1) / (3 * (h0 + h1));
    return s0 * s1 / (alpha * s1 + (1 - alpha) * s0);
}

Point direction(const Outline& o, size_t i)
{
    const double h = chord(o, i);
    return h > 0 ? Point((at(o[i + 1]) - at(o[i])) / h) : Point(0, 0);
}

/// The unit tangent an arc has at its start or end.
Point arcTangent(const Outline& o, size_t i, bool atEnd)
{
    const BulgedArc arc = arcOf(at(o[i]), at(o[i + 1]), heldBulge(at(o[i]), at(o[i + 1]), o[i].bulge));
    const double angle = arc.start + (atEnd ? arc.sweep : 0), sense = std::copysign(1.0, arc.sweep);
    return {-std::sin(angle) * sense, std::cos(angle) * sense};
}

bool isArc(const Outline& o, size_t i)
{
    return o[i].span == Span::Arc && chord(o, i) > 0 && std::abs(heldBulge(at(o[i]), at(o[i + 1]), o[i].bulge)) > 1e-6;
}

/// A tangent held to what keeps the curve between its nodes: the chord's own sense, at most three times its slope.
Point withinMonotone(Point t, const Point& own)
{
    for (int k = 0; k < 2; ++k) {
        if (t[k] * own[k] <= 0) t[k] = 0;
        if (std::abs(t[k]) > 3 * std::abs(own[k])) t[k] = 3 * own[k];
    }
    return t;
}

/// Tangent (d point / d chord length) of the curve on span `i` at its first or last node.
Point tangent(const Outline& o, size_t i, bool atEnd)
{
    const size_t node = atEnd ? i + 1 : i;
    const bool hasOther = atEnd ? i + 2 < o.size() : i > 0;
    const size_t other = atEnd ? i + 1 : i - 1;
    const Point own = direction(o, i);
    if (!o[node].smooth || !hasOther || chord(o, other) == 0) {
        // A free end: as much beyond the chord as the other end asks for, held within the monotone range.
        const bool farSmooth = atEnd ? (o[i].smooth && i > 0 && chord(o, i - 1) > 0)
                                     : (o[i + 1].smooth && i + 2 < o.size() && chord(o, i + 1) > 0);
        if (!farSmooth) return own;
        const Point far = tangent(o, i, !atEnd);
        return withinMonotone((3 * own - far) / 2, own);
    }
    if (isArc(o, other)) return withinMonotone(arcTangent(o, other, !atEnd) * own.norm(), own);
    if (o[other].span == Span::Line || o[other].span == Span::Arc) return withinMonotone(direction(o, other), own);
    const Point prev = atEnd ? own : direction(o, other), next = atEnd ? direction(o, other) : own;
    const double h0 = chord(o, atEnd ? i : other), h1 = chord(o, atEnd ? other : i);
    return {monotoneSlope(prev.x(), next.x(), h0, h1), monotoneSlope(prev.y(), next.y(), h0, h1)};
}

struct Hermite {
    Point a, b, ta, tb;
    Point operator()(double t) const
    {
        const double t2 = t * t, t3 = t2 * t;
        return (2 * t3 - 3 * t2 + 1) * a + (t3 - 2 * t2 + t) * ta + (3 * t2 - 2 * t3) * b + (t3 - t2) * tb;
    }
};

Hermite hermiteOf(const Outline& o, size_t i)
{
    const double h = chord(o, i);
    return {at(o[i]), at(o[i + 1]), tangent(o, i, false) * h, tangent(o, i, true) * h};
}

/// Appends span `i` without its first point.
void appendSpan(const Outline& o, size_t i, double tolerance, Polyline& out)
{
    const double h = chord(o, i);
    if (h == 0) return;
    if (isArc(o, i)) {
        const BulgedArc arc = arcOf(at(o[i]), at(o[i + 1]), heldBulge(at(o[i]), at(o[i + 1]), o[i].bulge));
        // A chord over the angle a leaves its circle by r · (1 − cos(a/2)) = 2 · r · sin²(a/4).
        const double step = 4 * std::asin(std::sqrt(std::min(0.5, tolerance / (2 * arc.radius))));
        const int n = std::max(1, static_cast<int>(std::ceil(std::abs(arc.sweep) / step)));
        for (int k = 1; k < n; ++k) {
            const double angle = arc.start + arc.sweep * k / n;
            out.push_back(arc.center + arc.radius * Point(std::cos(angle), std::sin(angle)));
        }
    } else if (o[i].span == Span::Curve) {
        const Hermite curve = hermiteOf(o, i);
        // Chord error of a cubic over n equal parts: |c''|max / (8 n²); c'' is linear, its largest value at an end.
        const Point second0 = 6 * (curve.b - curve.a) - 4 * curve.ta - 2 * curve.tb;
        const Point second1 = -6 * (curve.b - curve.a) + 2 * curve.ta + 4 * curve.tb;
        const double bend = std::max(second0.norm(), second1.norm());
        const int n = std::clamp(static_cast<int>(std::ceil(std::sqrt(bend / (8 * tolerance)))), 1, 400);
        for (int k = 1; k < n; ++k) out.push_back(curve(static_cast<double>(k) / n));
    }
    out.push_back(at(o[i + 1]));
}

}  // namespace

Polyline flatten(const Outline& outline, double tolerance)
{
    Polyline out;
    if (outline.empty()) return out;
    out.push_back(at(outline[0]));
    for (size_t i = 0; i + 1 < outline.size(); ++i) appendSpan(outline, i, tolerance, out);
    for (Point& p : out) p.y() = std::max(0.0, p.y());
    return out;
}

std::vector<size_t> nodePositions(const Outline& outline, double tolerance)
{
    std::vector<size_t> positions;
    Polyline out;
    if (!outline.empty()) out.push_back(at(outline[0]));
    for (size_t i = 0; i < outline.size(); ++i) {
        positions.push_back(out.size() - 1);
        if (i + 1 < outline.size()) appendSpan(outline, i, tolerance, out);
    }
    return positions;
}

Range reachOf(const Outline& outline)
{
    if (outline.empty()) return {};
    const auto [low, high] = std::ranges::minmax_element(outline, {}, &Node::z);
    return {low->z, high->z};
}

bool standsAlone(const Outline& outline, size_t i)
{
    return outline[i].z <= 0 && std::ranges::count_if(outline, [](const Node& n) { return n.z <= 0; }) == 1;
}

size_t insertInLongestSpan(Outline& outline)
{
    size_t longest = 0;
    const auto reach = [&](size_t i) { return std::abs(outline[i + 1].z - outline[i].z); };
    for (size_t i = 0; i + 1 < outline.size(); ++i)
        if (reach(i) > reach(longest)) longest = i;
    const Node &a = outline[longest], &b = outline[longest + 1];
    return insertNode(outline, (a.z + b.z) / 2, (a.r + b.r) / 2);
}

namespace {

/// The radius of span `i` at a station that it holds, mm.
double radiusOn(const Outline& outline, size_t i, double z)
{
    Polyline span{at(outline[i])};
    appendSpan(outline, i, 0.002, span);
    if (span.back().x() < span.front().x()) std::ranges::reverse(span);
    for (size_t k = 0; k + 1 < span.size(); ++k)
        if (span[k + 1].x() >= z) {
            const double run = span[k + 1].x() - span[k].x();
            return run > 0 ? span[k].y() + (span[k + 1].y() - span[k].y()) * (z - span[k].x()) / run : span[k + 1].y();
        }
    return span.back().y();
}

/// The span that holds a station; of several the one nearest to a radius, below 0 the first; the last where none does.
size_t spanAt(const Outline& outline, double z, double r)
{
    size_t best = outline.size() - 2;
    double least = std::numeric_limits<double>::infinity();
    for (size_t i = 0; i + 1 < outline.size(); ++i) {
        const auto [low, high] = std::minmax(outline[i].z, outline[i + 1].z);
        // A station on a node belongs to what follows it.
        if (z < low || z > high || (z == outline[i + 1].z && i + 2 < outline.size())) continue;
        if (r < 0) return i;
        if (const double off = std::abs(radiusOn(outline, i, z) - r); off < least) least = off, best = i;
    }
    return best;
}

}  // namespace

size_t insertNode(Outline& outline, double z, double r)
{
    const size_t i = spanAt(outline, z, r);
    Node fresh = outline[i];
    fresh.extra.clear();
    const auto [low, high] = std::minmax(outline[i].z, outline[i + 1].z);
    fresh.z = std::clamp(z, low, high);
    fresh.r = radiusOn(outline, i, fresh.z);
    fresh.smooth = outline[i].span != Span::Line;
    if (fresh.span == Span::Arc) {
        // Both halves keep the circle: each sweeps its own share of the angle.
        const Point a = at(outline[i]), b = at(outline[i + 1]), m(fresh.z, fresh.r);
        if (isArc(outline, i)) {
            const BulgedArc arc = arcOf(a, b, heldBulge(a, b, outline[i].bulge));
            auto half = [&](const Point& p, const Point& q) {
                const double ratio = std::min(1.0, (q - p).norm() / (2 * arc.radius));
                return std::copysign(std::tan(std::asin(ratio) / 2), outline[i].bulge);
            };
            outline[i].bulge = half(a, m);
            fresh.bulge = half(m, b);
        }
    }
    outline.insert(outline.begin() + static_cast<long>(i) + 1, fresh);
    return i + 1;
}

Outline movedNode(Outline outline, size_t i, double z, double r, Stations stations)
{
    Node& n = outline[i];
    const Node *before = i > 0 ? &outline[i - 1] : nullptr, *after = i + 1 < outline.size() ? &outline[i + 1] : nullptr;
    const bool fallen = (before && n.z < before->z) || (after && after->z < n.z);
    const double low = before ? before->z : 0, high = after ? after->z : std::max(low, z);
    n.z = stations == Stations::MayFallBack || fallen ? std::max(0.0, z) : std::clamp(z, low, high);
    n.r = std::max(0.0, r);
    return outline;
}

Point middleOfArc(const Node& a, const Node& b)
{
    const Point half = (at(b) - at(a)) / 2;
    return (at(a) + at(b)) / 2 + a.bulge * Point(-half.y(), half.x());
}

double bulgeThrough(const Node& a, const Node& b, const Point& p)
{
    const Point chord = at(b) - at(a), reach = p - (at(a) + at(b)) / 2;
    const double half2 = chord.squaredNorm() / 2;
    return half2 > 0 ? std::clamp((chord.x() * reach.y() - chord.y() * reach.x()) / half2, -1.0, 1.0) : 0;
}

Outline withDiameter(Outline outline, double z, double d)
{
    for (Node& n : outline)
        if (std::abs(n.z - z) <= 0.5) {
            n.r = d / 2;
            return outline;
        }
    outline[insertNode(outline, z)].r = d / 2;
    return outline;
}

Outline stretched(Outline outline, double length)
{
    const double now = reachOf(outline).high;
    if (now <= 0) return outline;
    for (Node& n : outline) n.z *= length / now;
    return outline;
}

void checkOutline(const Outline& outline, const std::string& field, size_t mostNodes, Stations stations)
{
    auto node = [&](size_t i) { return field + "[" + std::to_string(i) + "].z_mm"; };
    if (outline.size() < 2)
        throw InputError(field, std::to_string(outline.size()) + " nodes",
                         "2 to " + std::to_string(mostNodes) + " nodes are");
    bool falls = false;
    for (size_t i = 1; i < outline.size(); ++i) {
        if (outline[i].z >= outline[i - 1].z) continue;
        falls = true;
        if (stations == Stations::NeverFall)
            throw InputError(node(i), exact(outline[i].z),
                             "the node before it, at " + exact(outline[i - 1].z) + " mm, or further on is");
    }
    if (!(reachOf(outline).high > reachOf(outline).low))
        throw InputError(node(outline.size() - 1), exact(outline.back().z), "a station beyond the first node's is");
    constexpr double fine = 0.05;  // mm
    if (falls && crossesItself(flatten(outline, fine)))
        throw InputError(field, "a line that crosses itself", "one that falls back beside itself is");
}

}  // namespace vl
