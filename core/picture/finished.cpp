#include "core/picture/finished.h"

#include "core/blank/insets.h"
#include "core/picture/material_mesh.h"
#include "core/picture/rejoined.h"
#include "core/wood/filler.h"

#include <Eigen/Geometry>

#include <algorithm>

namespace vl {
namespace {

void addBar(Mesh& mesh, const Cell& bar, double reach)
{
    auto wood = std::ranges::find(mesh.woods, bar.wood);
    if (wood == mesh.woods.end()) wood = mesh.woods.insert(wood, bar.wood);
    const auto species = static_cast<float>(wood - mesh.woods.begin());
    for (const Face& face : convexBody(bar.bounds, reach)) {
        const Eigen::Vector3d normal = (face[1] - face[0]).cross(face[2] - face[0]).normalized();
        const auto first = static_cast<std::uint32_t>(mesh.vertices.size());
        const auto floats = [](const Eigen::Vector3d& v) {
            return std::array{static_cast<float>(v.x()), static_cast<float>(v.y()), static_cast<float>(v.z())};
        };
        for (const Eigen::Vector3d& p : face)
            mesh.vertices.push_back({floats(p), floats(normal), floats(bar.board.place(p)), species, bar.seed, 0});
        for (std::uint32_t k = 2; k < face.size(); ++k)
            mesh.indices.insert(mesh.indices.end(), {first, first + k - 1, first + k});
    }
}

}  // namespace

void join(Mesh& all, const Mesh& more)
{
    std::vector<float> wood;
    for (const Species* w : more.woods) {
        auto at = std::ranges::find(all.woods, w);
        if (at == all.woods.end()) at = all.woods.insert(at, w);
        wood.push_back(static_cast<float>(at - all.woods.begin()));
    }
    const auto first = static_cast<std::uint32_t>(all.vertices.size());
    for (Vertex v : more.vertices) {
        v.species = wood[static_cast<size_t>(v.species)];
        all.vertices.push_back(v);
    }
    for (const std::uint32_t i : more.indices) all.indices.push_back(first + i);
}

void addBought(const Piece& piece, const TurnedSurfaces& surfaces, Mesh& mesh)
{
    const double reach = 4 * (surfaces.widest() + surfaces.outside.back().x()) + 1000;
    const Species& metal = fillingOf("aluminium");
    for (const Bought& b : piece.bought) {
        int left = b.count;
        for (const DrilledHole& h : surfaces.holes) {
            if (piece.holes[h.hole].id != b.hole || h.solid.profile.empty() || left-- <= 0) continue;
            addBar(mesh, barCell(h.solid.from, h.solid.way, 0, b.length, b.diameter / 2, metal), reach);
            if (b.flange > 0) addBar(mesh, barCell(h.solid.from, h.solid.way, -b.thick, 0, b.flange / 2, metal), reach);
        }
    }
}

Mesh turnedOnMesh(const Piece& piece, const Assembly& assembly, const Surface& surface)
{
    const auto [still, on] = halvesOf(surface);
    Mesh mesh = materialMesh(assembly, still);
    join(mesh, moved(materialMesh(assembly, on), turningOn(piece)));
    return mesh;
}

Mesh finishedMesh(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                  const MeshDetail& detail)
{
    Mesh mesh = piece.split.on && !detail.cutAway
                    ? turnedOnMesh(piece, assembly, solidOf(surfaces, detail.tolerance).surface)
                    : turnedMesh(assembly, surfaces, detail);
    if (!detail.cutAway) addBought(piece, surfaces, mesh);
    return mesh;
}

Solid finishedSolid(const Piece& piece, const TurnedSurfaces& surfaces, double tolerance)
{
    Solid s = solidOf(surfaces, tolerance);
    if (!piece.split.on) return s;
    auto [still, on] = halvesOf(s.surface);
    const Surface turned = moved(std::move(on), turningOn(piece));
    const auto first = static_cast<std::uint32_t>(still.corners.size());
    still.corners.insert(still.corners.end(), turned.corners.begin(), turned.corners.end());
    for (std::array<std::uint32_t, 3> f : turned.faces) {
        for (std::uint32_t& c : f) c += first;
        still.faces.push_back(f);
    }
    return {std::move(still), s.whole};
}

}  // namespace vl
