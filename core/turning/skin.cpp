#include "core/turning/skin.h"

#include "core/turning/mesh.h"
#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
std::uint32_t packColour(const std::array<float, 3>& c)
{
    auto byte = [](float v) { return static_cast<std::uint32_t>(std::clamp(v, 0.0f, 1.0f) * 255 + 0.5f); };
    return 0xff000000u | byte(c[0]) << 16 | byte(c[1]) << 8 | byte(c[2]);
}

namespace {

std::uint32_t woodAt(const BuiltLayer& layer, size_t index, size_t segment, double z, double r, double angleDeg, double endGrain)
{
    const auto p = boardPlace(layer, segment, z, r, angleDeg);
    return packColour(woodColour(layer.woods[segment]->figure, p[0], p[1], p[2], segmentSeed(index, segment), static_cast<float>(endGrain)));
}

/// How far a face looking out from the axis runs across the grain: the fibres run along the segment, square to its middle.
double endGrainOf(const BuiltLayer& layer, size_t segment, double angleDeg)
{
    const double mid = layer.kind == LayerKind::Disc ? 0 : layer.phaseDeg + 360.0 * static_cast<double>(segment) / layer.stock.sides;
    return std::abs(std::sin((angleDeg - mid) * degrees));
}

}  // namespace

Raster bakeSkin(const Assembly& assembly, const Sides& sides, const SkinWindow& w, const std::atomic<bool>* cancelled)
{
    Raster out{w.width, w.height, std::vector<std::uint32_t>(static_cast<size_t>(w.width) * static_cast<size_t>(w.height), 0)};
    if (assembly.layers.empty() || w.width <= 0 || w.height <= 0) return out;
    struct Column {
        double z, r;
        size_t layer;
    };
    std::vector<Column> columns;
    for (int x = 0; x < w.width; ++x) {
        const double z = w.z0 + (x + 0.5) * (w.z1 - w.z0) / w.width;
        columns.push_back({z, radiusAt(sides.outside, z), assembly.layerAt(z)});
    }
    for (int y = 0; y < w.height; ++y) {
        if (cancelled && *cancelled) break;
        const double angle = w.angle1 - (y + 0.5) * (w.angle1 - w.angle0) / w.height;
        for (int x = 0; x < w.width; ++x) {
            const Column& c = columns[static_cast<size_t>(x)];
            if (std::isnan(c.r)) continue;
            const BuiltLayer& layer = assembly.layers[c.layer];
            const size_t segment = layer.segmentAt(angle);
            out.pixels[static_cast<size_t>(y) * static_cast<size_t>(w.width) + static_cast<size_t>(x)] =
                woodAt(layer, c.layer, segment, c.z, c.r, angle, endGrainOf(layer, segment, angle));
        }
    }
    return out;
}

Raster bakeSection(const Assembly& assembly, const Sides& sides, double z0, double z1, double r0, double r1, int width, int height)
{
    Raster out{width, height, std::vector<std::uint32_t>(static_cast<size_t>(width) * static_cast<size_t>(height), 0)};
    if (assembly.layers.empty()) return out;
    for (int x = 0; x < width; ++x) {
        const double z = z0 + (x + 0.5) * (z1 - z0) / width;
        const double outer = radiusAt(sides.outside, z);
        const double bore = sides.inside.empty() ? std::nan("") : radiusRange(sides.inside, z, z).low;
        const double inner = std::isnan(bore) ? 0 : bore;
        if (std::isnan(outer)) continue;
        const size_t index = assembly.layerAt(z);
        const BuiltLayer& layer = assembly.layers[index];
        const size_t segment = layer.segmentAt(0);
        for (int y = 0; y < height; ++y) {
            const double r = r1 - (y + 0.5) * (r1 - r0) / height;
            if (r < inner || r > outer) continue;
            out.pixels[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)] = woodAt(layer, index, segment, z, r, 0, 0.6);
        }
    }
    return out;
}

Raster bakeRing(const BuiltLayer& layer, size_t index, double half, int size)
{
    Raster out{size, size, std::vector<std::uint32_t>(static_cast<size_t>(size) * static_cast<size_t>(size), 0)};
    const double inner = layer.stockInnerRadius() * std::cos(pi / std::max(layer.count(), 2));
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x) {
            const double px = ((x + 0.5) / size * 2 - 1) * half, py = (1 - (y + 0.5) / size * 2) * half;
            const double r = std::hypot(px, py), angle = std::atan2(-px, py) / degrees;
            const size_t segment = layer.segmentAt(angle);
            const double mid = layer.phaseDeg + 360.0 * static_cast<double>(segment) / layer.count();
            const double across = layer.kind == LayerKind::Disc ? r : r * std::cos((angle - mid) * degrees);
            if (across > layer.stock.apothem() || (layer.stock.inner > 0 && across < inner)) continue;
            out.pixels[static_cast<size_t>(y) * static_cast<size_t>(size) + static_cast<size_t>(x)] = woodAt(layer, index, segment, (layer.z0 + layer.z1) / 2, r, angle, 0);
        }
    return out;
}

}  // namespace vl
