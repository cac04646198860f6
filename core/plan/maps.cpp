#include "core/plan/maps.h"

#include "core/plan/figures/movement.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {
namespace {

constexpr double unmeasured = std::numeric_limits<double>::quiet_NaN();
constexpr double mostFiber = 40, mostWall = 60;  // mm: longer is as good as endless

/// What a measure is asked about: a place on the turned surface.
struct Spot {
    Eigen::Vector3d at, normal;
    size_t layer = 0;

    double r() const { return at.tail<2>().norm(); }
    double angleDeg() const { return std::atan2(at.z(), at.y()) / degrees; }
};

/// How far something goes on from a place, mm, up to `most`: as far as `goesOn` holds.
template <class Holds>
double onwards(const Eigen::Vector3d& from, const Eigen::Vector3d& way, double most, const Holds& goesOn)
{
    double in = 0, out = most;
    for (double t = 0; t < most;) {
        const double next = std::min(most, t + 0.6 + t / 8);
        if (!goesOn(from + way * next)) {
            out = next;
            for (int k = 0; k < 10; ++k) {
                const double mid = (in + out) / 2;
                (goesOn(from + way * mid) ? in : out) = mid;
            }
            return in;
        }
        in = t = next;
    }
    return most;
}

class Measurer {
public:
    Measurer(MapKind kind, const Shop& shop, const Plan& plan) : kind_(kind), shop_(shop), plan_(plan)
    {
        if (kind == MapKind::Movement) movements_ = movementsOf(plan.assembly, plan.surfaces, shop);
    }

    double at(const Spot& s) const
    {
        switch (kind_) {
        case MapKind::EndGrain:
            return endGrain(s);
        case MapKind::ShortGrain:
            return fiber(s);
        case MapKind::JointsOver:
            return jointsOver(s);
        case MapKind::Movement:
            return movement(s);
        case MapKind::Wall:
            return wall(s);
        case MapKind::ToolMarks:
            break;
        }
        return marks(s);
    }

private:
    const Cell* cell(const Spot& s) const
    {
        constexpr double under = 0.02;  // mm under the surface
        const Eigen::Vector3d p = s.at - under * s.normal;
        return plan_.assembly.layers[s.layer].cellAt(p.x(), p.tail<2>().norm(), std::atan2(p.z(), p.y()) / degrees);
    }

    double endGrain(const Spot& s) const
    {
        const Cell* c = cell(s);
        return c ? std::asin(std::min(1.0, c->endGrain(s.normal))) / degrees : unmeasured;
    }

    double fiber(const Spot& s) const
    {
        const Cell* c = cell(s);
        if (!c) return unmeasured;
        const double across = c->endGrain(s.normal);
        return across * mostFiber < 1e-6 ? mostFiber : std::min(mostFiber, wall(s) / across);
    }

    double jointsOver(const Spot& s) const
    {
        const BuiltLayer& own = plan_.assembly.layers[s.layer];
        if (!own.radial()) return unmeasured;
        const bool up = s.at.x() > (own.z0 + own.z1) / 2;
        if (up ? s.layer + 1 >= plan_.assembly.layers.size() : s.layer == 0) return unmeasured;
        const BuiltLayer& next = plan_.assembly.layers[up ? s.layer + 1 : s.layer - 1];
        if (!next.radial()) return unmeasured;
        auto nearest = [](const BuiltLayer& l, double angle) {
            const double turns = (angle - l.phaseDeg) * l.sectors / 360.0;
            return l.phaseDeg + (std::floor(turns) + 0.5) * 360.0 / l.sectors;
        };
        const double joint = nearest(own, s.angleDeg()), other = nearest(next, joint);
        return std::abs(std::remainder(joint - other, 360.0)) * degrees * s.r();
    }

    double movement(const Spot& s) const
    {
        double best = unmeasured, near = std::numeric_limits<double>::infinity();
        for (const JointMovement& m : movements_) {
            const auto below = static_cast<size_t>(m.below);
            if (below != s.layer && below + 1 != s.layer) continue;
            if (const double away = std::abs(m.z - s.at.x()); away < near) near = away, best = m.moves;
        }
        return best;
    }

    double wall(const Spot& s) const
    {
        const TurnedSurfaces& surfaces = plan_.surfaces;
        // A facet's middle lies a little off the true surface.
        constexpr double deepest = 0.6, step = 0.04;  // mm
        double under = step / 2;
        while (under < deepest && !surfaces.holds(s.at - under * s.normal)) under += step;
        if (under >= deepest) return unmeasured;
        const auto in = [&](const auto& goesOn, double most) {
            return onwards(s.at - under * s.normal, -s.normal, most, goesOn);
        };
        const auto isWood = [&](const Eigen::Vector3d& at) { return surfaces.holds(at); };
        if (!surfaces.round() || surfaces.inside.empty()) return in(isWood, mostWall);
        // Of round work the wall is known exactly, as everywhere else; a cut may end it sooner.
        const Point p(s.at.x(), s.r());
        const double toIn = distanceTo(surfaces.inside, p), toOut = distanceTo(surfaces.outside, p);
        const bool cut = !surfaces.cuts.empty(), turned = std::min(toIn, toOut) <= deepest;
        // The faces at its two ends are no wall.
        const bool face = std::abs(s.normal.x()) > 0.9 && (std::abs(p.x() - surfaces.outside.front().x()) < 0.01 ||
                                                           std::abs(p.x() - surfaces.outside.back().x()) < 0.01);
        if (cut && (face || !turned)) return in(isWood, mostWall);
        if (face || !turned) return unmeasured;
        const double wall = std::min(std::max(toIn, toOut), mostWall);
        if (!cut) return std::max(toIn, toOut);
        const auto isUncut = [&](const Eigen::Vector3d& at) {
            return std::ranges::none_of(surfaces.cuts, [&](const Cut& c) { return takes(c.solid, at); });
        };
        return in(isUncut, wall);
    }

    double marks(const Spot& s) const
    {
        for (const Cut& c : plan_.surfaces.cuts)
            if (takes(c.solid, s.at + 0.02 * s.normal)) return unmeasured;
        for (const HalfSpace& h : plan_.surfaces.edges)
            if (std::abs(h.beyond(s.at)) < 0.01) return unmeasured;
        double rpm = plan_.lathe.finished.high, near = std::abs(s.r() - radiusAt(plan_.surfaces.outside, s.at.x()));
        if (!plan_.surfaces.inside.empty()) near = std::min(near, distanceTo(plan_.surfaces.inside, {s.at.x(), s.r()}));
        for (const AxisSetUp& u : plan_.setUps) {
            const double own = u.solid.radiusNear(s.at.x());
            if (std::isnan(own)) continue;
            const Point off = Point(s.at.y(), s.at.z()) - u.solid.centerAt(s.at.x());
            const double away = std::abs(off.norm() - own);
            const auto mount = std::ranges::find(plan_.mounts, "mount-" + u.id, &Mount::id);
            if (away >= near || mount == plan_.mounts.end()) continue;
            near = away;
            rpm = mount->speed.high;
        }
        if (!(rpm > 0)) return unmeasured;
        const double pitch = shop_.feed * 60 / rpm;
        constexpr double microns = 1000;
        return pitch * pitch / (8 * shop_.toolNose) * microns;
    }

    MapKind kind_;
    const Shop& shop_;
    const Plan& plan_;
    std::vector<JointMovement> movements_;
};

}  // namespace

std::vector<float> SurfaceMap::shades() const
{
    std::vector<float> out;
    const double width = range.high - range.low;
    for (const float v : values) {
        double share = std::isnan(v)  ? -1
                       : width > 1e-9 ? std::clamp((static_cast<double>(v) - range.low) / width, 0.0, 1.0)
                                      : 0;
        if (share >= 0 && lowIsWorst) share = width > 1e-9 ? 1 - share : 0;
        out.push_back(static_cast<float>(share));
    }
    return out;
}

SurfaceMap surfaceMap(MapKind kind, const Mesh& mesh, const Shop& shop, const Plan& plan)
{
    SurfaceMap map{.kind = kind};
    map.unit = kind == MapKind::EndGrain ? "°" : kind == MapKind::ToolMarks ? "µm" : "mm";
    map.lowIsWorst = kind == MapKind::ShortGrain || kind == MapKind::JointsOver || kind == MapKind::Wall;
    map.range = {unmeasured, unmeasured};
    map.worst = unmeasured;
    const Measurer measure(kind, shop, plan);
    const auto at = [&](size_t i) {
        const auto& p = mesh.vertices[i].position;
        return Eigen::Vector3d(p[0], p[1], p[2]);
    };
    std::vector<bool> done(mesh.vertices.size(), false);
    map.values.assign(mesh.vertices.size(), static_cast<float>(unmeasured));
    for (size_t t = 0; t + 2 < mesh.indices.size(); t += 3) {
        const std::array<size_t, 3> corners{mesh.indices[t], mesh.indices[t + 1], mesh.indices[t + 2]};
        const Eigen::Vector3d middle = (at(corners[0]) + at(corners[1]) + at(corners[2])) / 3;
        for (const size_t i : corners) {
            if (done[i]) continue;
            done[i] = true;
            const Vertex& v = mesh.vertices[i];
            // A little inside its triangle: on an edge itself a wall is nothing and a fiber ends at once.
            constexpr double aside = 1;  // mm
            const Eigen::Vector3d in = middle - at(i);
            const double share = std::min(0.5, aside / std::max(1e-9, in.norm()));
            const Spot s{
                at(i) + share * in, {v.normal[0], v.normal[1], v.normal[2]}, static_cast<size_t>(v.part) / 1000};
            const double value = measure.at(s);
            map.values[i] = static_cast<float>(value);
            if (std::isnan(value)) continue;
            if (!(map.range.low <= value)) map.range.low = value;
            if (!(map.range.high >= value)) map.range.high = value;
            if (map.lowIsWorst ? !(map.worst <= value) : !(map.worst >= value)) map.worst = value, map.worstAt = s.at;
        }
    }
    return map;
}

}  // namespace vl
