#include "core/picture/material_mesh.h"

#include "core/blank/insets.h"
#include "core/picture/mesh_builder.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {
namespace {

using Triangle = std::array<MeshBuilder::Corner, 3>;

constexpr double crease = 0.866;  // cosine of the angle above which an edge stays sharp

/// Triangles with a normal at each corner: the mean of the faces there that meet this one smoothly, by their areas.
std::vector<Triangle> smoothed(const Surface& surface)
{
    auto at = [&](std::uint32_t i) {
        const auto& c = surface.corners[i];
        return Eigen::Vector3d(c[0], c[1], c[2]);
    };
    std::vector<Eigen::Vector3d> areas;  // normals as long as twice the face's area
    std::vector<std::uint32_t> first(surface.corners.size() + 1, 0), faces(3 * surface.faces.size());
    for (const auto& f : surface.faces) {
        areas.push_back((at(f[1]) - at(f[0])).cross(at(f[2]) - at(f[0])));
        for (const std::uint32_t c : f) ++first[c + 1];
    }
    for (size_t c = 0; c + 1 < first.size(); ++c) first[c + 1] += first[c];
    std::vector<std::uint32_t> next(first.begin(), first.end() - 1);
    for (size_t f = 0; f < surface.faces.size(); ++f)
        for (const std::uint32_t c : surface.faces[f]) faces[next[c]++] = static_cast<std::uint32_t>(f);
    std::vector<Triangle> out;
    for (size_t f = 0; f < surface.faces.size(); ++f) {
        const double area = areas[f].norm();
        if (!(area > 1e-12)) continue;
        const Eigen::Vector3d own = areas[f] / area;
        Triangle t;
        for (size_t k = 0; k < 3; ++k) {
            const std::uint32_t c = surface.faces[f][k];
            Eigen::Vector3d sum = Eigen::Vector3d::Zero();
            for (std::uint32_t i = first[c]; i < first[c + 1]; ++i)
                if (areas[faces[i]].dot(own) > crease * areas[faces[i]].norm()) sum += areas[faces[i]];
            t[k] = {at(c), sum.norm() > 1e-12 ? Eigen::Vector3d(sum.normalized()) : own};
        }
        out.push_back(t);
    }
    return out;
}

/// Halved along their longest edge until none is longer than `most` mm.
void halve(const Triangle& t, double most, std::vector<Triangle>& out)
{
    size_t longest = 0;
    double length = 0;
    for (size_t k = 0; k < 3; ++k)
        if (const double l = (t[(k + 1) % 3].place - t[k].place).norm(); l > length) length = l, longest = k;
    if (length <= most) return out.push_back(t);
    const MeshBuilder::Corner &a = t[longest], &b = t[(longest + 1) % 3], &c = t[(longest + 2) % 3];
    const MeshBuilder::Corner mid{(a.place + b.place) / 2, (a.normal + b.normal).normalized()};
    halve({a, mid, c}, most, out);
    halve({mid, b, c}, most, out);
}

/// The box round a triangle in the terms of a cell's extent.
struct Extent {
    Range z, r;
};
Extent extentOf(const Triangle& t)
{
    Extent extent{{t[0].place.x(), t[0].place.x()}, {0, 0}};
    for (const MeshBuilder::Corner& c : t) {
        extent.z = {std::min(extent.z.low, c.place.x()), std::max(extent.z.high, c.place.x())};
        extent.r.high = std::max(extent.r.high, c.place.tail<2>().norm());
    }
    // The nearest point of it to the axis is no nearer than its middle less its size.
    double size = 0;
    for (size_t k = 0; k < 3; ++k) size = std::max(size, (t[(k + 1) % 3].place - t[k].place).norm());
    extent.r.low = std::max(0.0, ((t[0].place + t[1].place + t[2].place) / 3).tail<2>().norm() - size);
    return extent;
}

/// Triangles in the order of their lower ends, so that those at a height are found without looking at all of them.
class Heights {
public:
    explicit Heights(const std::vector<Triangle>& all)
    {
        for (const Triangle& t : all) {
            triangles_.push_back({t, extentOf(t)});
            tallest_ = std::max(tallest_, triangles_.back().extent.z.high - triangles_.back().extent.z.low);
        }
        std::ranges::stable_sort(triangles_, {}, low);
    }

    /// Calls `see` with each that is between two heights, or touches one of them.
    template <class See> void between(double z0, double z1, const See& see) const
    {
        const auto end = std::ranges::upper_bound(triangles_, z1, {}, low);
        for (auto t = std::ranges::lower_bound(triangles_, z0 - tallest_, {}, low); t != end; ++t)
            if (t->extent.z.high >= z0) see(t->corners);
    }

private:
    struct Placed {
        Triangle corners;
        Extent extent;
    };
    static double low(const Placed& t) { return t.extent.z.low; }

    std::vector<Placed> triangles_;
    double tallest_ = 0;
};

bool wholly(const Triangle& t, const HalfSpace& h)
{
    return std::ranges::all_of(t, [&](const MeshBuilder::Corner& c) { return h.beyond(c.place) > 0; });
}

using Loop = std::vector<MeshBuilder::Corner>;

/// What of a face lies in a convex solid; the rest of it goes to `rest` in triangles.
Loop within(Loop face, const std::vector<HalfSpace>& solid, std::vector<Triangle>& rest)
{
    for (const HalfSpace& h : solid) {
        Loop beyond = face;
        if (MeshBuilder::cut(beyond, {-h.normal, -h.offset, false}))
            for (size_t k = 2; k < beyond.size(); ++k) rest.push_back({beyond[0], beyond[k - 1], beyond[k]});
        if (!MeshBuilder::cut(face, h)) return {};
    }
    return face;
}

/// Paints what is let into a layer, and leaves in `own` what is not.
void paintInsets(MeshBuilder& b, size_t index, const BuiltLayer& layer, std::vector<Triangle>& own)
{
    for (auto i = layer.insets.rbegin(); i != layer.insets.rend(); ++i)
        for (const Cell& part : convexParts(i->cell)) {
            b.beginInset(index, part);
            std::vector<HalfSpace> solid = part.wedge();
            solid.insert(solid.end(), part.bounds.begin(), part.bounds.end());
            std::vector<Triangle> rest;
            for (const Triangle& t : own) {
                const Eigen::Vector3d middle = (t[0].place + t[1].place + t[2].place) / 3;
                double size = 0;
                for (const MeshBuilder::Corner& c : t) size = std::max(size, (c.place - middle).norm());
                const auto apart = [&](const HalfSpace& h) { return wholly(t, h); };
                if ((middle - i->middle).norm() > i->reach + size || std::ranges::any_of(solid, apart)) {
                    rest.push_back(t);
                    continue;
                }
                if (Loop inside = within({t.begin(), t.end()}, solid, rest); !inside.empty()) b.face(std::move(inside));
            }
            own = std::move(rest);
        }
}

}  // namespace

Mesh materialMesh(const Assembly& assembly, const Surface& surface)
{
    Mesh mesh;
    MeshBuilder b(assembly, mesh);
    const Heights all(smoothed(surface));
    constexpr double far = 1e6, fine = 2;  // mm
    for (size_t i = 0; i < assembly.layers.size(); ++i) {
        const BuiltLayer& layer = assembly.layers[i];
        // The outermost layers take what stands beyond them.
        const double z0 = i == 0 ? -far : layer.z0, z1 = i + 1 == assembly.layers.size() ? far : layer.z1;
        // A cell that ends at a radius is told by its triangles' middles: they must be small there.
        const bool round = std::ranges::any_of(layer.cells, [](const Cell& c) { return c.low > 0 || c.high < far; });
        std::vector<Triangle> own;
        std::vector<Extent> extent;
        all.between(z0, z1, [&](const Triangle& t) { round ? halve(t, fine, own) : own.push_back(t); });
        std::vector<HalfSpace> ends;
        if (i > 0) ends.push_back({-Eigen::Vector3d::UnitX(), -z0, false});
        if (z1 < far) ends.push_back({Eigen::Vector3d::UnitX(), z1, false});
        b.limit(ends);
        paintInsets(b, i, layer, own);
        for (const Triangle& t : own) extent.push_back(extentOf(t));
        for (const Cell& cell : layer.cells) {
            std::vector<HalfSpace> limits = cell.wedge();
            limits.insert(limits.end(), ends.begin(), ends.end());
            b.limit(limits);
            b.begin(i, layer, cell);
            const BuiltLayer::Extent& e = b.extent();
            for (size_t k = 0; k < own.size(); ++k) {
                const Triangle& t = own[k];
                if (extent[k].z.high < e.z.low || extent[k].z.low > e.z.high || extent[k].r.high < e.r.low ||
                    extent[k].r.low > e.r.high)
                    continue;
                if (round) {
                    const double r = ((t[0].place + t[1].place + t[2].place) / 3).tail<2>().norm();
                    if (r < cell.low || r > cell.high) continue;
                }
                const auto apart = [&](const HalfSpace& h) { return wholly(t, h); };
                if (std::ranges::any_of(limits, apart) || std::ranges::any_of(cell.bounds, apart)) continue;
                b.face({t.begin(), t.end()});
            }
        }
    }
    return mesh;
}

}  // namespace vl
