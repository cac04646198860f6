#include "core/picture/held_work.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

using Eigen::Vector3d;

const Species& steel()
{
    static constexpr Species s{.id = "steel",
                               .name = "steel",
                               .density = 7850,
                               .shrinkRadial = 0,
                               .shrinkTangential = 0,
                               .oily = false,
                               .figure = {{0.50f, 0.52f, 0.54f}, {0.46f, 0.48f, 0.50f}, 400, 0, 0},
                               .source = ""};
    return s;
}

/// Steel bodies, stations counted from the work's end at the headstock on.
class Smith {
public:
    Smith(Mesh& mesh, Range span, bool rimToHead)
        : mesh_(mesh), from_(rimToHead ? span.high : span.low), way_(rimToHead ? -1 : 1),
          species_(static_cast<float>(mesh.woods.size()))
    {
        mesh.woods.push_back(&steel());
    }

    /// A line of stations and radii turned about the axis.
    void turned(const std::vector<Point>& line)
    {
        constexpr int around = 36;
        auto at = [&](const Point& p, int k) {
            const double a = 2 * pi * k / around;
            return place(p.x(), p.y() * std::cos(a), p.y() * std::sin(a));
        };
        for (size_t i = 0; i + 1 < line.size(); ++i)
            for (int k = 0; k < around; ++k) {
                const Point &p = line[i], &q = line[i + 1];
                if (q.y() > 0) triangle(at(p, k), at(q, k + 1), at(q, k));
                if (p.y() > 0) triangle(at(p, k), at(p, k + 1), at(q, k + 1));
            }
    }
    /// A box between two corners: station, height over the axis, towards the turner.
    void box(const Vector3d& low, const Vector3d& high)
    {
        auto at = [&](int i) {
            return place(i & 1 ? high.x() : low.x(), i & 2 ? high.y() : low.y(), i & 4 ? high.z() : low.z());
        };
        for (const auto& f :
             {std::array{0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}}) {
            triangle(at(f[0]), at(f[1]), at(f[2]));
            triangle(at(f[0]), at(f[2]), at(f[3]));
        }
    }

private:
    Vector3d place(double z, double up, double out) const { return {from_ + way_ * z, up, out}; }
    void triangle(const Vector3d& a, Vector3d b, Vector3d c)
    {
        // Turned end for end it is its own mirror image: its faces look outwards all the same.
        if (way_ < 0) std::swap(b, c);
        const Vector3d normal = (b - a).cross(c - a);
        if (normal.norm() < 1e-9) return;
        for (const Vector3d& p : {a, b, c}) {
            const Vector3d n = normal.normalized();
            auto floats = [](const Vector3d& v) {
                return std::array{static_cast<float>(v.x()), static_cast<float>(v.y()), static_cast<float>(v.z())};
            };
            constexpr float nobodys = -2000;  // no layer's part
            mesh_.indices.push_back(static_cast<std::uint32_t>(mesh_.vertices.size()));
            mesh_.vertices.push_back({floats(p), floats(n), floats(p), species_, 0, nobodys});
        }
    }

    Mesh& mesh_;
    double from_, way_;
    float species_;
};

}  // namespace

void addHolding(Mesh& mesh, const Held& held, Range span, double sweep, const Shop& shop)
{
    Smith smith(mesh, span, held.rimToHead);
    const double long_ = span.high - span.low, grip = held.diameter / 2;
    // A block between the grip and the work hangs over as far as it is thick.
    const double block = std::max(0.0, held.overhang - long_), face = -block;
    constexpr double spindle = 16, arm = 46, plate = 12;  // mm, of a usual lathe
    switch (held.by) {
    case Hold::Centers:
        smith.turned({{face - arm, 0}, {face - arm, spindle}, {face - 6, 9}, {face + 2, 0}});
        break;
    case Hold::Jam:
    case Hold::Cushion:
    case Hold::Buttons:
    case Hold::RimPlates:
    case Hold::Vacuum:
    case Hold::Faceplate:
    case Hold::GlueBlock:
        smith.turned({{face - arm, 0},
                      {face - arm, spindle},
                      {face - plate, spindle},
                      {face - plate, grip + 8},
                      {face, grip + 8},
                      {face, 0}});
        break;
    default: {
        const double body = std::min(jawsNamed(shop, held.jaws).swing, grip + 24), deep = std::max(4.0, held.depth);
        smith.turned({{face - arm - 20, 0},
                      {face - arm - 20, spindle},
                      {face - arm, spindle},
                      {face - arm, body},
                      {face - plate - deep, body},
                      {face - plate - deep, 0}});
        // Two of the jaws stand upright, two lie: as far in as they grip.
        const bool inside = held.by == Hold::Recess;
        const double thick = 14, in = inside ? grip - thick : grip, out = inside ? grip : grip + thick;
        const double from = face - plate - deep, to = inside || held.by == Hold::Screw ? face + 1 : face;
        for (const double way : {-1.0, 1.0}) {
            const double a = std::min(way * in, way * out), b = std::max(way * in, way * out);
            smith.box({from, a, -thick / 2}, {to, b, thick / 2});
            smith.box({from, -thick / 2, a}, {to, thick / 2, b});
        }
        break;
    }
    }
    if (held.tailstock)
        smith.turned({{long_ - 2, 0},
                      {long_ + 14, 8},
                      {long_ + 14, spindle},
                      {long_ + arm + 20, spindle},
                      {long_ + arm + 20, 0}});
    // The rest along the front, a finger's breadth from what sweeps; the bed's two rails below.
    constexpr double clear = 8, rest = 10, rail = 22, apart = 40;  // mm
    const double reach = sweep + clear;
    smith.box({std::min(0.0, long_ / 2 - 60), -rest, reach}, {std::max(long_, long_ / 2 + 60), 0, reach + rest});
    smith.box({long_ / 2 - 8, -shop.lathe.swingRadius, reach + 1}, {long_ / 2 + 8, -rest, reach + rest - 1});
    const double ends = 160 + block;
    for (const double way : {-1.0, 1.0}) {
        const double a = way < 0 ? -apart - rail : apart, b = a + rail;
        smith.box({-ends, -shop.lathe.swingRadius - 2 * rail, a}, {long_ + 160, -shop.lathe.swingRadius, b});
    }
}

}  // namespace vl
