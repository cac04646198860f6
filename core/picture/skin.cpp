#include "core/picture/skin.h"

#include "core/picture/mesh.h"
#include "core/wood/figure.h"
#include "core/workpiece/cross_section.h"

#include <algorithm>
#include <cmath>

namespace vl {
std::uint32_t packColor(const std::array<float, 3>& c)
{
    auto byte = [](float v) { return static_cast<std::uint32_t>(std::clamp(v, 0.0f, 1.0f) * 255 + 0.5f); };
    return 0xff000000u | byte(c[0]) << 16 | byte(c[1]) << 8 | byte(c[2]);
}

namespace {

/// The wood at a place, on a face with this normal; 0 in a gap.
std::uint32_t woodAt(const BuiltLayer& layer, double z, double r, double angleDeg, const Eigen::Vector3d& normal)
{
    const Cell* cell = layer.cellAt(z, r, angleDeg);
    if (!cell) return 0;
    const Eigen::Vector3d p = cell->board.place(pointAt(z, r, angleDeg));
    return packColor(woodColor(cell->wood->figure, static_cast<float>(p.x()), static_cast<float>(p.y()),
                               static_cast<float>(p.z()), cell->seed, static_cast<float>(cell->endGrain(normal))));
}

bool isCut(const TurnedSurfaces& surfaces, double z, double r, double angleDeg)
{
    constexpr double just = 1e-3;  // mm under the surface
    return std::ranges::any_of(surfaces.cuts,
                               [&](const Cut& c) { return takes(c.solid, pointAt(z, r - just, angleDeg)); });
}

}  // namespace

Raster bakeSkin(const Assembly& assembly, const TurnedSurfaces& surfaces, const SkinWindow& w,
                const std::atomic<bool>* canceled)
{
    Raster out{w.width, w.height,
               std::vector<std::uint32_t>(static_cast<size_t>(w.width) * static_cast<size_t>(w.height), 0)};
    if (assembly.layers.empty() || w.width <= 0 || w.height <= 0) return out;
    struct Column {
        double z, r;
        size_t layer;
        std::optional<CrossSection> section;  // where it is not round
    };
    std::vector<Column> columns;
    for (int x = 0; x < w.width; ++x) {
        const double z = w.z0 + (x + 0.5) * (w.z1 - w.z0) / w.width;
        columns.push_back({z, radiusAt(surfaces.outside, z), assembly.layerAt(z), {}});
        if (surfaces.round()) continue;
        columns.back().section.emplace(surfaces, z);
        if (!columns.back().section->holds({0, 0})) columns.back().r = std::nan("");
    }
    for (int y = 0; y < w.height; ++y) {
        if (canceled && *canceled) break;
        const double angle = w.angle1 - (y + 0.5) * (w.angle1 - w.angle0) / w.height;
        for (int x = 0; x < w.width; ++x) {
            const Column& c = columns[static_cast<size_t>(x)];
            if (std::isnan(c.r)) continue;
            const BuiltLayer& layer = assembly.layers[c.layer];
            const double r = c.section ? c.section->reachFrom({0, 0}, angle) : c.r;
            if (isCut(surfaces, c.z, r, angle)) continue;
            out.pixels[static_cast<size_t>(y) * static_cast<size_t>(w.width) + static_cast<size_t>(x)] =
                woodAt(layer, c.z, r, angle, outwards(angle));
        }
    }
    return out;
}

Raster bakeSection(const Assembly& assembly, const TurnedSurfaces& surfaces, double z0, double z1, double r0, double r1,
                   int width, int height)
{
    Raster out{width, height, std::vector<std::uint32_t>(static_cast<size_t>(width) * static_cast<size_t>(height), 0)};
    if (assembly.layers.empty()) return out;
    const Polyline outside = greatestRadii(outsideAlong(surfaces, 0));
    for (int x = 0; x < width; ++x) {
        const double z = z0 + (x + 0.5) * (z1 - z0) / width;
        const double outer = radiusAt(outside, z);
        const double bore = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, z, z).low;
        const double inner = std::isnan(bore) ? 0 : bore;
        if (std::isnan(outer)) continue;
        const BuiltLayer& layer = assembly.layers[assembly.layerAt(z)];
        for (int y = 0; y < height; ++y) {
            const double r = r1 - (y + 0.5) * (r1 - r0) / height;
            if (r > outer || (r < inner && !surfaces.back.standing.holds({z, r})) ||
                surfaces.back.undercut.holds({z, r}) || isCut(surfaces, z, r, 0))
                continue;
            out.pixels[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)] =
                woodAt(layer, z, r, 1e-3, onwards(0) * 0.6);
        }
    }
    return out;
}

Raster bakeRing(const BuiltLayer& layer, double half, int size)
{
    Raster out{size, size, std::vector<std::uint32_t>(static_cast<size_t>(size) * static_cast<size_t>(size), 0)};
    const double z = (layer.z0 + layer.z1) / 2;
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x) {
            const double px = ((x + 0.5) / size * 2 - 1) * half, py = (1 - (y + 0.5) / size * 2) * half;
            const double r = std::hypot(px, py), angle = std::atan2(-px, py) / degrees;
            const Cell* cell = layer.cellAt(z, r, angle);
            if (!cell) continue;
            const Eigen::Vector3d p = pointAt(z, r, angle);
            const auto sawn = layer.sawnFaces(*cell);
            if (!std::ranges::all_of(sawn, [&](const HalfSpace& h) { return h.beyond(p) <= 1e-9; })) continue;
            out.pixels[static_cast<size_t>(y) * static_cast<size_t>(size) + static_cast<size_t>(x)] =
                woodAt(layer, z, r, angle, Eigen::Vector3d::Zero());
        }
    return out;
}

}  // namespace vl
