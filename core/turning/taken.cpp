#include "core/turning/taken.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {
namespace {

/// Three numbers 0 … 1 that fill a cube evenly, one place after another.
class Spread {
public:
    std::array<double, 3> next()
    {
        constexpr double root = 1.2207440846057596;  // x⁴ = x + 1
        u_ = std::fmod(u_ + 1 / root, 1.0);
        v_ = std::fmod(v_ + 1 / (root * root), 1.0);
        w_ = std::fmod(w_ + 1 / (root * root * root), 1.0);
        return {u_, v_, w_};
    }

private:
    double u_ = 0.5, v_ = 0.5, w_ = 0.5;
};

/// Places over the cylinder that a drill can take, and how much wood each stands for.
template <class See> void overDrill(const Drilled& d, int looks, See see)
{
    double widest = 0;
    for (const Point& p : d.profile) widest = std::max(widest, p.y());
    const double low = d.profile.front().x(), length = d.profile.back().x() - low,
                 each = pi * widest * widest * length / looks;
    const Eigen::Vector3d right = d.way.unitOrthogonal(), up = d.way.cross(right);
    Spread spread;
    for (int k = 0; k < looks; ++k) {
        const auto [u, v, w] = spread.next();
        const double r = widest * std::sqrt(v), a = 2 * pi * w;
        see(d.from + d.way * (low + u * length) + r * (std::cos(a) * right + std::sin(a) * up), each);
    }
}

/// Places over what is turned true, and how much wood each stands for.
template <class See> void overTurned(const Sides& sides, int looks, See see)
{
    const double z0 = sides.outside.front().x(), z1 = sides.outside.back().x();
    Spread spread;
    for (int k = 0; k < looks; ++k) {
        const auto [u, v, w] = spread.next();
        const double z = z0 + (z1 - z0) * u, out = radiusAt(sides.outside, z);
        const double bore = sides.inside.empty() ? std::nan("") : radiusAt(sides.inside, z);
        const double in = std::isnan(bore) ? 0 : bore, area = pi * (out * out - in * in);
        if (!(area > 0)) continue;
        const double r = std::sqrt(in * in + v * (out * out - in * in)), a = 2 * pi * w;
        see(Eigen::Vector3d(z, r * std::cos(a), r * std::sin(a)), area * (z1 - z0) / looks);
    }
}

}  // namespace

Taken takenByCuts(const Assembly& assembly, const Sides& sides)
{
    Taken sum;
    if (assembly.layers.empty()) return sum;
    constexpr double kgPerMm3 = 1e-9;  // times kg/m³
    const auto add = [&](const Eigen::Vector3d& p, double volume) {
        const BuiltLayer& layer = assembly.layers[assembly.layerAt(p.x())];
        const double wood = volume * layer.fill;
        sum.volume += wood;
        sum.mass += wood * layer.density * kgPerMm3;
        sum.moment += wood * layer.density * kgPerMm3 * p.x();
    };
    std::vector<const Cutter*> saws;
    for (const Cut& c : sides.cuts)
        if (std::holds_alternative<Sawed>(c.solid)) saws.push_back(&c.solid);
    const auto sawn = [&](const Eigen::Vector3d& p) {
        return std::ranges::any_of(saws, [&](const Cutter* c) { return takes(*c, p); });
    };
    constexpr int ofSaws = 16384, ofDrill = 2048;
    if (!saws.empty())
        overTurned(sides, ofSaws, [&](const Eigen::Vector3d& p, double volume) {
            if (sawn(p) && sides.holds(p, false)) add(p, volume);
        });
    // A hole by itself, less what the saw and the holes before it have taken.
    std::vector<const Cutter*> before;
    for (const Cut& c : sides.cuts) {
        const Drilled* d = std::get_if<Drilled>(&c.solid);
        if (!d) continue;
        overDrill(*d, ofDrill, [&](const Eigen::Vector3d& p, double volume) {
            if (!takes(c.solid, p) || !sides.holds(p, false) || sawn(p)) return;
            if (std::ranges::none_of(before, [&](const Cutter* o) { return takes(*o, p); })) add(p, volume);
        });
        before.push_back(&c.solid);
    }
    return sum;
}

}  // namespace vl
