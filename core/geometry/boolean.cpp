#include "core/geometry/boolean.h"

#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/corefinement.h>
#include <CGAL/Polygon_mesh_processing/triangulate_faces.h>
#include <CGAL/Surface_mesh.h>

#include <map>

namespace vl {
namespace {

namespace pmp = CGAL::Polygon_mesh_processing;
using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Solid = CGAL::Surface_mesh<Kernel::Point_3>;

/// False where the faces do not fit together.
bool read(const Surface& surface, Solid& solid)
{
    for (const auto& c : surface.corners) solid.add_vertex({c[0], c[1], c[2]});
    for (const auto& f : surface.faces)
        if (solid.add_face(Solid::Vertex_index(f[0]), Solid::Vertex_index(f[1]), Solid::Vertex_index(f[2])) ==
            Solid::null_face())
            return false;
    return CGAL::is_closed(solid);
}

bool read(const std::vector<Face>& faces, Solid& solid)
{
    std::map<std::array<double, 3>, Solid::Vertex_index> places;
    for (const Face& f : faces) {
        std::vector<Solid::Vertex_index> corners;
        for (const Eigen::Vector3d& p : f) {
            const auto [it, fresh] = places.try_emplace({p.x(), p.y(), p.z()});
            if (fresh) it->second = solid.add_vertex({p.x(), p.y(), p.z()});
            corners.push_back(it->second);
        }
        if (solid.add_face(corners) == Solid::null_face()) return false;
    }
    return pmp::triangulate_faces(solid) && CGAL::is_closed(solid);
}

Surface written(const Solid& solid)
{
    Surface out;
    std::vector<std::uint32_t> place(solid.number_of_vertices() + solid.number_of_removed_vertices());
    for (const auto v : solid.vertices()) {
        place[static_cast<size_t>(v)] = static_cast<std::uint32_t>(out.corners.size());
        const auto& p = solid.point(v);
        out.corners.push_back({p.x(), p.y(), p.z()});
    }
    for (const auto f : solid.faces()) {
        std::array<std::uint32_t, 3> corners{};
        size_t k = 0;
        for (const auto v : solid.vertices_around_face(solid.halfedge(f)))
            if (k < 3) corners[k++] = place[static_cast<size_t>(v)];
        out.faces.push_back(corners);
    }
    return out;
}

}  // namespace

bool takeAway(Surface& from, const std::vector<Face>& solid)
{
    Solid whole, gone;
    if (solid.empty()) return true;
    if (!read(from, whole) || !read(solid, gone)) return false;
    try {
        if (!pmp::corefine_and_compute_difference(whole, gone, whole,
                                                  CGAL::parameters::throw_on_self_intersection(true)))
            return false;
    } catch (const std::exception&) {
        return false;
    }
    from = written(whole);
    return true;
}

}  // namespace vl
