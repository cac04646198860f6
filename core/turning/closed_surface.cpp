#include "core/turning/closed_surface.h"

#include "core/geometry/profile.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace vl {

bool hasGaps(const Assembly& assembly) { return std::ranges::any_of(assembly.layers, &BuiltLayer::gaps); }

Surface drawnSurface(const Mesh& mesh)
{
    Surface out;
    std::map<std::array<float, 3>, std::uint32_t> places;
    std::vector<std::uint32_t> index;
    for (const Vertex& v : mesh.vertices) {
        const auto [it, fresh] = places.emplace(v.position, static_cast<std::uint32_t>(out.corners.size()));
        if (fresh) out.corners.push_back({v.position[0], v.position[1], v.position[2]});
        index.push_back(it->second);
    }
    for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3) {
        const std::array f{index[mesh.indices[i]], index[mesh.indices[i + 1]], index[mesh.indices[i + 2]]};
        if (f[0] != f[1] && f[1] != f[2] && f[2] != f[0]) out.faces.push_back(f);
    }
    return out;
}

Surface closedSurface(const Sides& sides, double tolerance)
{
    Polyline line = sides.outside;
    line.insert(line.end(), sides.inside.rbegin(), sides.inside.rend());
    // It begins and ends on the axis.
    if (line.front().y() > 0) line.insert(line.begin(), Point(line.front().x(), 0));
    if (line.back().y() > 0) line.emplace_back(sides.inside.empty() ? line.back().x() : sides.inside.front().x(), 0);
    Polyline clean;
    for (const Point& p : line)
        if (clean.empty() || (p - clean.back()).norm() > 1e-6) clean.push_back(p);
    double widest = 1;
    for (const Point& p : clean) widest = std::max(widest, p.y());
    const auto around = static_cast<std::uint32_t>(
        std::clamp(std::ceil(pi / std::acos(1 - std::min(0.5, tolerance / widest))), 12.0, 2880.0));
    Surface s;
    std::vector<std::uint32_t> first;  // of each point of the line: its one corner on the axis, or its circle's first
    for (const Point& p : clean) {
        first.push_back(static_cast<std::uint32_t>(s.corners.size()));
        if (p.y() < 1e-9) {
            s.corners.push_back({p.x(), 0, 0});
            continue;
        }
        for (std::uint32_t k = 0; k < around; ++k) {
            const double a = 2 * pi * k / around;
            s.corners.push_back({p.x(), p.y() * std::cos(a), p.y() * std::sin(a)});
        }
    }
    for (size_t i = 0; i + 1 < clean.size(); ++i) {
        const bool low = clean[i].y() < 1e-9, high = clean[i + 1].y() < 1e-9;
        for (std::uint32_t k = 0; k < around; ++k) {
            const std::uint32_t n = (k + 1) % around;
            const std::uint32_t a = first[i] + (low ? 0 : k), b = first[i] + (low ? 0 : n),
                                c = first[i + 1] + (high ? 0 : k), d = first[i + 1] + (high ? 0 : n);
            if (!low) s.faces.push_back({a, b, c});
            if (!high) s.faces.push_back({b, d, c});
        }
    }
    return s;
}

}  // namespace vl
