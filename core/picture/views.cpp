#include "core/picture/views.h"

#include "core/wood/figure.h"
#include "core/workpiece/cross_section.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The wood at a place, lit as the working drawing is: from above, over the turner's left shoulder.
std::uint32_t litWood(const BuiltLayer& layer, double z, double r, double angleDeg, const Eigen::Vector3d& normal,
                      const Eigen::Vector3d& light)
{
    const Cell* cell = layer.cellAt(z, r, angleDeg);
    if (!cell) return 0;
    const Eigen::Vector3d p = cell->board.place(pointAt(z, r, angleDeg));
    std::array<float, 3> color =
        woodColor(cell->wood->figure, static_cast<float>(p.x()), static_cast<float>(p.y()), static_cast<float>(p.z()),
                  cell->seed, static_cast<float>(cell->endGrain(normal)));
    constexpr double shade = 0.6, lit = 0.48;
    const auto bright = static_cast<float>(shade + lit * std::max(0.0, normal.dot(light)));
    for (float& part : color) part *= bright;
    return packColor(color);
}

/// The wood that a line of sight meets first, from a place on the turned surface on; nothing where saw and drill have
/// left none. How far it was is told too.
struct Sight {
    Eigen::Vector3d at;
    double gone = 0;  ///< mm behind the surface
};
std::optional<Sight> seenBehind(const TurnedSurfaces& surfaces, const Eigen::Vector3d& surface,
                                const Eigen::Vector3d& way)
{
    constexpr double just = 1e-4, step = 0.4;  // mm
    const double far = 2 * surfaces.widest() + surfaces.outside.back().x();
    for (double t = just; t < far; t += step)
        if (const Eigen::Vector3d p = surface + way * t; surfaces.holds(p)) return Sight{p, t < 2 * just ? 0 : t};
    return std::nullopt;
}

/// Wood in the depth of a cut is seen in its shade.
std::uint32_t shaded(std::uint32_t color, double gone)
{
    if (gone <= 0) return color;
    constexpr std::uint32_t share = 150, whole = 256;
    std::uint32_t out = color & 0xff000000u;
    for (const int shift : {0, 8, 16}) out |= ((color >> shift & 0xffu) * share / whole) << shift;
    return out;
}

Raster blank(int width, int height)
{
    return {width, height, std::vector<std::uint32_t>(static_cast<size_t>(width) * static_cast<size_t>(height), 0)};
}

}  // namespace

Raster bakeSide(const Assembly& assembly, const TurnedSurfaces& surfaces, double z0, double z1, double low, double high,
                int width, int height, const std::atomic<bool>* canceled)
{
    if (assembly.layers.empty() || width <= 0 || height <= 0) return {};
    Raster out = blank(width, height);
    const Eigen::Vector3d light = Eigen::Vector3d(-0.35, 0.7, 0.8).normalized();
    const double step = (z1 - z0) / width;
    for (int x = 0; x < width; ++x) {
        if (canceled && *canceled) break;
        const double z = z0 + (x + 0.5) * step, r = radiusAt(surfaces.outside, z);
        if (!(r > 0)) continue;
        const double before = radiusAt(surfaces.outside, z - step), after = radiusAt(surfaces.outside, z + step);
        const double slope = std::isnan(before) || std::isnan(after) ? 0 : (after - before) / (2 * step);
        const BuiltLayer& layer = assembly.layers[assembly.layerAt(z)];
        std::optional<CrossSection> section;
        if (!surfaces.round()) section.emplace(surfaces, z);
        for (int y = 0; y < height; ++y) {
            const double up = high - (y + 0.5) * (high - low) / height;
            if (std::abs(up) >= r) continue;
            std::uint32_t& pixel =
                out.pixels[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)];
            if (!surfaces.cuts.empty()) {
                const auto front = section ? section->front(up) : std::nullopt;
                if (section && !front) continue;
                const Eigen::Vector3d surface(z, up, front ? front->out : std::sqrt(r * r - up * up));
                const bool taken = std::ranges::any_of(surfaces.cuts, [&](const Cut& c) {
                    return takes(c.solid, surface - 1e-4 * Eigen::Vector3d::UnitZ());
                });
                if (taken) {
                    if (const auto seen = seenBehind(surfaces, surface, -Eigen::Vector3d::UnitZ()))
                        pixel = shaded(litWood(layer, z, seen->at.tail<2>().norm(),
                                               std::atan2(seen->at.z(), seen->at.y()) / degrees,
                                               Eigen::Vector3d::UnitZ(), light),
                                       seen->gone);
                    continue;
                }
            }
            if (section) {
                if (const auto front = section->front(up)) {
                    const Point p(up, front->out);
                    const double angle = std::atan2(p.y(), p.x()) / degrees;
                    pixel = litWood(layer, z, p.norm() - 1e-6, angle, section->normalAt(p, front->of), light);
                }
                continue;
            }
            const double angle = std::acos(up / r) / degrees;  // 9 o'clock, 90°, is nearest to the turner
            const Eigen::Vector3d out3 = outwards(angle) - slope * Eigen::Vector3d::UnitX();
            pixel = litWood(layer, z, r - 1e-6, angle, out3.normalized(), light);
        }
    }
    return out;
}

namespace {

/// Whether a place of the turned piece is cut away, seen from an end; then what is seen behind it is in `pixel`.
bool behindCut(const Assembly& assembly, const TurnedSurfaces& surfaces, double towards, const Eigen::Vector3d& surface,
               const Eigen::Vector3d& light, std::uint32_t& pixel)
{
    const Eigen::Vector3d way = -towards * Eigen::Vector3d::UnitX(), just = surface + 1e-3 * way;
    if (std::ranges::none_of(surfaces.cuts, [&](const Cut& c) { return takes(c.solid, just); })) return false;
    if (const auto seen = seenBehind(surfaces, surface, way))
        pixel = shaded(litWood(assembly.layers[assembly.layerAt(seen->at.x())], seen->at.x(), seen->at.tail<2>().norm(),
                               std::atan2(seen->at.z(), seen->at.y()) / degrees, -way, light),
                       seen->gone);
    return true;
}

/// The piece from one end where it is not round: at every pixel the first section, coming from there, that holds it.
Raster bakeFacetedEnd(const Assembly& assembly, const TurnedSurfaces& surfaces, End from, double half, int size,
                      const std::atomic<bool>* canceled)
{
    Raster out = blank(size, size);
    const double towards = from == End::Tailstock ? 1 : -1;
    const Eigen::Vector3d light = Eigen::Vector3d(0.8 * towards, 0.7, 0.35).normalized();
    struct Level {
        CrossSection section;
        double bore;
    };
    std::vector<Level> levels;
    const double z0 = surfaces.outside.front().x(), z1 = surfaces.outside.back().x();
    constexpr int looks = 240;
    for (int k = 0; k <= looks; ++k) {
        const double z = z0 + (z1 - z0) * k / looks;
        const double bore = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, z, z).low;
        levels.push_back({CrossSection(surfaces, z), std::isnan(bore) ? 0 : bore});
    }
    if (towards > 0) std::ranges::reverse(levels);
    for (int y = 0; y < size; ++y) {
        if (canceled && *canceled) break;
        for (int x = 0; x < size; ++x) {
            const double px = ((x + 0.5) / size * 2 - 1) * half, py = (1 - (y + 0.5) / size * 2) * half;
            const Point p(py, -towards * px);
            const double r = p.norm();
            const auto seen =
                std::ranges::find_if(levels, [&](const Level& l) { return r >= l.bore && l.section.holds(p); });
            if (seen == levels.end()) continue;
            const double z = seen->section.z(), angle = std::atan2(p.y(), p.x()) / degrees;
            std::uint32_t& pixel =
                out.pixels[static_cast<size_t>(y) * static_cast<size_t>(size) + static_cast<size_t>(x)];
            if (behindCut(assembly, surfaces, towards, {z, p.x(), p.y()}, light, pixel)) continue;
            // The face that is nearest is the one the light falls on.
            Eigen::Vector3d normal = towards * Eigen::Vector3d::UnitX();
            if (seen != levels.begin()) {
                const double turned =
                    std::atan2(p.y() - seen->section.middle().y(), p.x() - seen->section.middle().x());
                for (const CrossSection::Side& side : seen->section.spans()) {
                    const double on = std::fmod(turned / degrees - side.from + 720, 360);
                    if (on <= side.to - side.from) normal = seen->section.normalAt(p, side.of);
                }
                normal = (normal + towards * 0.4 * Eigen::Vector3d::UnitX()).normalized();
            }
            pixel = litWood(assembly.layers[assembly.layerAt(z - towards * 1e-6)], z - towards * 1e-6, r, angle, normal,
                            light);
        }
    }
    return out;
}

}  // namespace

Raster bakeEnd(const Assembly& assembly, const TurnedSurfaces& surfaces, End from, double half, int size,
               const std::atomic<bool>* canceled)
{
    if (assembly.layers.empty() || size <= 0) return {};
    if (!surfaces.round()) return bakeFacetedEnd(assembly, surfaces, from, half, size, canceled);
    Raster out = blank(size, size);
    const double towards = from == End::Tailstock ? 1 : -1, step = half / size;
    const Eigen::Vector3d light = Eigen::Vector3d(0.8 * towards, 0.7, 0.35).normalized();
    std::vector<double> seen;  // by radius, a step apart
    for (int i = 0; i <= 2 * size; ++i) seen.push_back(stationSeen(surfaces, from, (i + 0.5) * step));
    for (int y = 0; y < size; ++y) {
        if (canceled && *canceled) break;
        for (int x = 0; x < size; ++x) {
            const double px = ((x + 0.5) / size * 2 - 1) * half, py = (1 - (y + 0.5) / size * 2) * half;
            const double r = std::hypot(px, py), angle = std::atan2(-towards * px, py) / degrees;
            const auto i = static_cast<size_t>(r / step);
            if (i + 1 >= seen.size() || std::isnan(seen[i])) continue;
            const double z = seen[i], beside = seen[i + 1];
            // A wall seen edge on has no slope that could be drawn.
            const double slope = std::isnan(beside) ? 0 : std::clamp((beside - z) / step, -3.0, 3.0);
            const Eigen::Vector3d normal = towards * Eigen::Vector3d::UnitX() - towards * slope * outwards(angle);
            std::uint32_t& pixel =
                out.pixels[static_cast<size_t>(y) * static_cast<size_t>(size) + static_cast<size_t>(x)];
            if (behindCut(assembly, surfaces, towards, pointAt(z, r, angle), light, pixel)) continue;
            pixel = litWood(assembly.layers[assembly.layerAt(z - towards * 1e-6)], z - towards * 1e-6, r, angle,
                            normal.normalized(), light);
        }
    }
    return out;
}

}  // namespace vl
