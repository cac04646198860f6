#include "core/blank/removed_volume.h"

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

using Stretches = std::vector<Range>;  // along a line, in their order

/// Where a line of place and direction runs through what a saw takes.
Stretches takenAlong(const Sawed& s, const Eigen::Vector3d& from, const Eigen::Vector3d& way)
{
    const Point at(s.right.dot(from), s.up.dot(from)), on(s.right.dot(way), s.up.dot(way));
    if (on.norm() < 1e-12) {
        // Along its own push: all of it, or nothing.
        const double here = s.along().dot(from), way1 = s.along().dot(way);
        const Range line{std::min((s.reach.low - here) / way1, (s.reach.high - here) / way1),
                         std::max((s.reach.low - here) / way1, (s.reach.high - here) / way1)};
        const Eigen::Vector3d inside = from + way * (line.low + line.high) / 2;
        return takes(s, inside) ? Stretches{line} : Stretches{};
    }
    std::vector<double> crossings;
    for (size_t i = 0, j = s.outline.size() - 1; i < s.outline.size(); j = i++) {
        // On which side of the line its two ends lie.
        const Point a = s.outline[j] - at, b = s.outline[i] - at;
        const double sideA = on.x() * a.y() - on.y() * a.x(), sideB = on.x() * b.y() - on.y() * b.x();
        if ((sideA > 0) == (sideB > 0)) continue;
        const Point cross = a + (b - a) * (sideA / (sideA - sideB));
        crossings.push_back(cross.dot(on) / on.squaredNorm());
    }
    std::ranges::sort(crossings);
    // No further than it is pushed.
    Range pushed{-beyondAll, beyondAll};
    const double here = s.along().dot(from), pace = s.along().dot(way);
    if (std::abs(pace) < 1e-12) {
        if (!(here > s.reach.low && here < s.reach.high)) return {};
    } else {
        const double a = (s.reach.low - here) / pace, b = (s.reach.high - here) / pace;
        pushed = {std::min(a, b), std::max(a, b)};
    }
    Stretches out;
    for (size_t k = 0; k + 1 < crossings.size(); k += 2) {
        const Range one{std::max(crossings[k], pushed.low), std::min(crossings[k + 1], pushed.high)};
        if (one.high > one.low) out.push_back(one);
    }
    return out;
}

/// What of some stretches lies in a range, mm.
double within(const Stretches& stretches, const Range& range)
{
    double sum = 0, last = range.low;
    for (const Range& s : stretches) {
        const double low = std::max(s.low, last), high = std::min(s.high, range.high);
        if (high > low) sum += high - low;
        last = std::max(last, std::min(s.high, range.high));
    }
    return sum;
}

/// What saws take of what is turned true and keeps its edges, along lines towards 9 o'clock: how much at each station.
/// Midpoints of stations and of angles, so that the round ends of its sections are met squarely.
template <class See> void overLines(const TurnedSurfaces& surfaces, const std::vector<const Sawed*>& saws, See see)
{
    constexpr int stations = 80, lines = 64;
    const Eigen::Vector3d way = Eigen::Vector3d::UnitZ();
    const double z0 = surfaces.outside.front().x(), dz = (surfaces.outside.back().x() - z0) / stations;
    for (int i = 0; i < stations; ++i) {
        const double z = z0 + (i + 0.5) * dz, out = radiusAt(surfaces.outside, z);
        const double bore = surfaces.inside.empty() ? std::nan("") : radiusAt(surfaces.inside, z);
        if (!(out > 0)) continue;
        // Edges square to the lines say how far up and down these go.
        Range tall{-out, out};
        for (const HalfSpace& h : surfaces.edges)
            if (std::abs(h.normal.y()) > 0.999)
                (h.normal.y() > 0 ? tall.high : tall.low) =
                    h.normal.y() > 0 ? std::min(tall.high, h.offset) : std::max(tall.low, -h.offset);
        if (tall.high <= tall.low) continue;
        const double first = std::asin(tall.low / out), wide = std::asin(tall.high / out) - first;
        for (int k = 0; k < lines; ++k) {
            const double angle = first + wide * (k + 0.5) / lines, up = out * std::sin(angle);
            const Eigen::Vector3d from(z, up, 0);
            Range wood{-out * std::cos(angle), out * std::cos(angle)};
            for (const HalfSpace& h : surfaces.edges) {
                const double slope = h.normal.z(), room = h.offset - h.normal.dot(from);
                if (std::abs(slope) > 1e-12)
                    (slope > 0 ? wood.high : wood.low) =
                        slope > 0 ? std::min(wood.high, room / slope) : std::max(wood.low, room / slope);
                else if (room < 0)
                    wood = {0, 0};
            }
            if (wood.high <= wood.low) continue;
            Stretches all;
            for (const Sawed* s : saws) std::ranges::copy(takenAlong(*s, from, way), std::back_inserter(all));
            if (all.empty()) continue;
            std::ranges::sort(all, {}, &Range::low);
            double taken = within(all, wood);
            if (const double half2 = bore * bore - up * up; half2 > 0) {
                const double half = std::sqrt(half2);
                taken -= within(all, {std::max(wood.low, -half), std::min(wood.high, half)});
            }
            see(z, taken * dz * out * std::cos(angle) * wide / lines);
        }
    }
}

/// The same by places over what is turned true, where other axes have been at it too.
template <class See> void overTurned(const TurnedSurfaces& surfaces, int looks, See see)
{
    const double z0 = surfaces.outside.front().x(), z1 = surfaces.outside.back().x();
    Spread spread;
    for (int k = 0; k < looks; ++k) {
        const auto [u, v, w] = spread.next();
        const double z = z0 + (z1 - z0) * u, out = radiusAt(surfaces.outside, z);
        const double bore = surfaces.inside.empty() ? std::nan("") : radiusAt(surfaces.inside, z);
        const double in = std::isnan(bore) ? 0 : bore, area = pi * (out * out - in * in);
        if (!(area > 0)) continue;
        const double r = std::sqrt(in * in + v * (out * out - in * in)), a = 2 * pi * w;
        see(Eigen::Vector3d(z, r * std::cos(a), r * std::sin(a)), area * (z1 - z0) / looks);
    }
}

}  // namespace

RemovedVolume removedByCuts(const Assembly& assembly, const TurnedSurfaces& surfaces)
{
    RemovedVolume sum;
    if (assembly.layers.empty()) return sum;
    constexpr double kgPerMm3 = 1e-9;  // times kg/m³
    const auto add = [&](double z, double volume) {
        const BuiltLayer& layer = assembly.layers[assembly.layerAt(z)];
        const double wood = volume * layer.fill;
        sum.volume += wood;
        sum.mass += wood * layer.density * kgPerMm3;
        sum.moment += wood * layer.density * kgPerMm3 * z;
    };
    std::vector<const Sawed*> saws;
    for (const Cut& c : surfaces.cuts)
        if (const Sawed* s = std::get_if<Sawed>(&c.solid)) saws.push_back(s);
    std::vector<const Cutter*> between;
    for (const Cut& c : surfaces.cuts)
        if (std::holds_alternative<Between>(c.solid)) between.push_back(&c.solid);
    const auto sawn = [&](const Eigen::Vector3d& p) {
        return std::ranges::any_of(saws, [&](const Sawed* s) { return takes(*s, p); }) ||
               std::ranges::any_of(between, [&](const Cutter* c) { return takes(*c, p); });
    };
    constexpr int ofSaws = 16384, ofDrill = 2048;
    if (!saws.empty() && surfaces.axes.empty() && between.empty())
        overLines(surfaces, saws, add);
    else if (!saws.empty() || !between.empty())
        overTurned(surfaces, ofSaws, [&](const Eigen::Vector3d& p, double volume) {
            if (sawn(p) && surfaces.holds(p, false)) add(p.x(), volume);
        });
    // A hole by itself, less what the saw and the holes before it have taken.
    std::vector<const Cutter*> before;
    for (const Cut& c : surfaces.cuts) {
        const Drilled* d = std::get_if<Drilled>(&c.solid);
        if (!d) continue;
        overDrill(*d, ofDrill, [&](const Eigen::Vector3d& p, double volume) {
            if (!takes(c.solid, p) || !surfaces.holds(p, false) || sawn(p)) return;
            if (std::ranges::none_of(before, [&](const Cutter* o) { return takes(*o, p); })) add(p.x(), volume);
        });
        before.push_back(&c.solid);
    }
    return sum;
}

}  // namespace vl
