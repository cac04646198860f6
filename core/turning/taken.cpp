#include "core/turning/taken.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// A box, or a cylinder, of directions of its own that holds what a cutter can take of the piece.
struct Around {
    Eigen::Vector3d from;
    std::array<Eigen::Vector3d, 3> sides;  // as long as it is
    double volume = 0;                     // mm³, of what place() fills evenly
    bool turned = false;                   // a cylinder: along the first side, the second its radius

    Eigen::Vector3d place(double u, double v, double w) const
    {
        if (!turned) return from + u * sides[0] + v * sides[1] + w * sides[2];
        const double r = std::sqrt(v), a = 2 * pi * w;
        return from + u * sides[0] + r * (std::cos(a) * sides[1] + std::sin(a) * sides[2]);
    }
};

Around around(const Drilled& d, const Sides&)
{
    double widest = 0;
    for (const Point& p : d.profile) widest = std::max(widest, p.y());
    const double low = d.profile.front().x(), length = d.profile.back().x() - low;
    const Eigen::Vector3d right = d.way.unitOrthogonal();
    return {d.from + d.way * low,
            {d.way * length, right * widest, d.way.cross(right) * widest},
            pi * widest * widest * length,
            true};
}

Around around(const Sawed& s, const Sides& sides)
{
    const Eigen::Vector3d along = s.right.cross(s.up);
    const double r = sides.widest(), z0 = sides.outside.front().x(), z1 = sides.outside.back().x();
    // How far the piece reaches in a direction: a cylinder about the axis.
    auto reach = [&](const Eigen::Vector3d& way) -> Range {
        const double wide = r * way.tail<2>().norm();
        return {std::min(way.x() * z0, way.x() * z1) - wide, std::max(way.x() * z0, way.x() * z1) + wide};
    };
    auto meet = [&](const Eigen::Vector3d& way, int axis) -> Range {
        Range own{beyondAll, -beyondAll};
        for (const Point& p : s.outline) own = {std::min(own.low, p[axis]), std::max(own.high, p[axis])};
        const Range piece = reach(way);
        return {std::max(own.low, piece.low), std::min(own.high, piece.high)};
    };
    const Range x = meet(s.right, 0), y = meet(s.up, 1), w = reach(along);
    if (x.high <= x.low || y.high <= y.low) return {Eigen::Vector3d::Zero(), {}, 0, false};
    return {s.right * x.low + s.up * y.low + along * w.low,
            {s.right * (x.high - x.low), s.up * (y.high - y.low), along * (w.high - w.low)},
            (x.high - x.low) * (y.high - y.low) * (w.high - w.low),
            false};
}

}  // namespace

Taken takenByCuts(const Assembly& assembly, const Sides& sides)
{
    Taken sum;
    if (assembly.layers.empty()) return sum;
    constexpr int looks = 4096;
    constexpr double root = 1.2207440846057596;  // x⁴ = x + 1
    constexpr double kgPerMm3 = 1e-9;            // times kg/m³
    for (size_t i = 0; i < sides.cuts.size(); ++i) {
        const Around box = std::visit([&](const auto& c) { return around(c, sides); }, sides.cuts[i].solid);
        if (!(box.volume > 0)) continue;
        const double each = box.volume / looks;
        double u = 0.5, v = 0.5, w = 0.5;
        for (int k = 0; k < looks; ++k) {
            u = std::fmod(u + 1 / root, 1.0);
            v = std::fmod(v + 1 / (root * root), 1.0);
            w = std::fmod(w + 1 / (root * root * root), 1.0);
            const Eigen::Vector3d p = box.place(u, v, w);
            if (!takes(sides.cuts[i].solid, p) || !sides.holds(p, false)) continue;
            const auto before = sides.cuts.begin() + static_cast<long>(i);
            if (std::any_of(sides.cuts.begin(), before, [&](const Cut& c) { return takes(c.solid, p); })) continue;
            const BuiltLayer& layer = assembly.layers[assembly.layerAt(p.x())];
            sum.volume += each * layer.fill;
            sum.mass += each * layer.fill * layer.density * kgPerMm3;
            sum.moment += each * layer.fill * layer.density * kgPerMm3 * p.x();
        }
    }
    return sum;
}

}  // namespace vl
