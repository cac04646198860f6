#include "core/blank/contact.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>

namespace vl {
namespace {

/// Half the angle of the air between two segments at a radius, degrees.
double halfGap(const BuiltLayer& b, double r)
{
    return b.gaps ? b.stock.openDeg / 2 + std::asin(std::min(1.0, b.stock.gap / 2 / r)) / degrees : 0;
}

struct Arc {
    double from, to;  // degrees
};

/// The wood of a layer at a radius, as arcs from its first segment on; a full circle where it has no gaps.
std::vector<Arc> arcsOf(const BuiltLayer& b, double r)
{
    if (!b.gaps) return {{0, 360}};
    const double pitch = 360.0 / b.stock.sides, half = std::max(0.0, pitch / 2 - halfGap(b, r));
    std::vector<Arc> out;
    for (int k = 0; k < b.stock.sides; ++k)
        out.push_back({b.phaseDeg + k * pitch - half, b.phaseDeg + k * pitch + half});
    return out;
}

/// How much of an arc lies on others, degrees, round the circle.
double shared(const Arc& arc, const std::vector<Arc>& on)
{
    double sum = 0;
    for (const Arc& o : on)
        for (const double turn : {-720.0, -360.0, 0.0, 360.0, 720.0})
            sum += std::max(0.0, std::min(arc.to, o.to + turn) - std::max(arc.from, o.from + turn));
    return std::min(sum, arc.to - arc.from);
}

}  // namespace

JointsBeside jointsBeside(const BuiltLayer& below, const BuiltLayer& above)
{
    if (!below.sectored() || !above.sectored()) return {};
    const int a = below.stock.sides, b = above.stock.sides;
    const double period = 360.0 / std::lcm(a, b);
    double apart = std::fmod((above.phaseDeg + 180.0 / b) - (below.phaseDeg + 180.0 / a), period);
    if (apart < 0) apart += period;
    return {.least = std::min(apart, period - apart), .best = period / 2, .offset = period / 2 - apart};
}

Contact contactOf(const BuiltLayer& below, const BuiltLayer& above, double inner, double outer)
{
    if (!(outer > inner)) return {};
    if (!below.gaps && !above.gaps) {
        const double all = pi * (outer * outer - inner * inner);
        return {all, all};
    }
    constexpr int radii = 8;
    const double step = (outer - inner) / radii;
    std::vector<double> each;
    for (int i = 0; i < radii; ++i) {
        const double r = inner + (i + 0.5) * step;
        const std::vector<Arc> low = arcsOf(below, r), high = arcsOf(above, r);
        each.resize(high.size());
        for (size_t k = 0; k < high.size(); ++k) each[k] += shared(high[k], low) * degrees * r * step;
    }
    return {std::accumulate(each.begin(), each.end(), 0.0), *std::ranges::min_element(each)};
}

}  // namespace vl
