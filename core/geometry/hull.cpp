#include "core/geometry/hull.h"

#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/convex_hull_3.h>

namespace vl {

Surface hullOf(const std::vector<Eigen::Vector3d>& points)
{
    using Place = CGAL::Exact_predicates_inexact_constructions_kernel::Point_3;
    std::vector<Place> places;
    for (const Eigen::Vector3d& p : points) places.emplace_back(p.x(), p.y(), p.z());
    CGAL::Surface_mesh<Place> hull;
    CGAL::convex_hull_3(places.begin(), places.end(), hull);
    Surface out;
    if (!CGAL::is_closed(hull)) return out;
    for (const auto v : hull.vertices())
        out.corners.push_back({hull.point(v).x(), hull.point(v).y(), hull.point(v).z()});
    for (const auto f : hull.faces()) {
        std::array<std::uint32_t, 3> face{};
        size_t k = 0;
        for (const auto v : hull.vertices_around_face(hull.halfedge(f)))
            face[k++ % 3] = static_cast<std::uint32_t>(v.idx());
        out.faces.push_back(face);
    }
    return out;
}

}  // namespace vl
