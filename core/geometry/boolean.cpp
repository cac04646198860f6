#include "core/geometry/boolean.h"

#include <CGAL/Exact_predicates_exact_constructions_kernel.h>
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_2_algorithms.h>
#include <CGAL/Polygon_mesh_processing/corefinement.h>
#include <CGAL/Polygon_mesh_processing/intersection.h>
#include <CGAL/Polygon_mesh_processing/triangulate_faces.h>
#include <CGAL/Surface_mesh.h>

#include <map>

namespace vl {
namespace {

namespace pmp = CGAL::Polygon_mesh_processing;

template <class Kernel> using Solid = CGAL::Surface_mesh<typename Kernel::Point_3>;

/// False where the faces do not fit together.
template <class Kernel> bool read(const Surface& surface, Solid<Kernel>& solid)
{
    using Corner = typename Solid<Kernel>::Vertex_index;
    for (const auto& c : surface.corners) solid.add_vertex({c[0], c[1], c[2]});
    for (const auto& f : surface.faces)
        if (solid.add_face(Corner(f[0]), Corner(f[1]), Corner(f[2])) == Solid<Kernel>::null_face()) return false;
    return CGAL::is_closed(solid);
}

/// Whether a face's outline keeps clear of itself, seen square to it: CGAL's triangulation ends the program over one
/// that does not.
bool isSimple(const Face& face)
{
    Eigen::Vector3d normal(0, 0, 0);  // Newell's
    for (size_t i = 0, j = face.size() - 1; i < face.size(); j = i++) normal += face[j].cross(face[i]);
    Eigen::Index drop = 0;
    normal.cwiseAbs().maxCoeff(&drop);
    std::vector<CGAL::Epick::Point_2> flat;
    for (const Eigen::Vector3d& p : face) flat.emplace_back(p[(drop + 1) % 3], p[(drop + 2) % 3]);
    return CGAL::is_simple_2(flat.begin(), flat.end(), CGAL::Epick());
}

template <class Kernel> bool read(const std::vector<Face>& faces, Solid<Kernel>& solid)
{
    std::map<std::array<double, 3>, typename Solid<Kernel>::Vertex_index> places;
    for (const Face& f : faces) {
        if (f.size() > 3 && !isSimple(f)) return false;
        std::vector<typename Solid<Kernel>::Vertex_index> corners;
        for (const Eigen::Vector3d& p : f) {
            const auto [it, fresh] = places.try_emplace({p.x(), p.y(), p.z()});
            if (fresh) it->second = solid.add_vertex({p.x(), p.y(), p.z()});
            corners.push_back(it->second);
        }
        if (solid.add_face(corners) == Solid<Kernel>::null_face()) return false;
    }
    return pmp::triangulate_faces(solid) && CGAL::is_closed(solid);
}

template <class Kernel> Surface written(const Solid<Kernel>& solid)
{
    Surface out;
    std::vector<std::uint32_t> place(solid.number_of_vertices() + solid.number_of_removed_vertices());
    for (const auto v : solid.vertices()) {
        place[static_cast<size_t>(v)] = static_cast<std::uint32_t>(out.corners.size());
        const auto& p = solid.point(v);
        out.corners.push_back({CGAL::to_double(p.x()), CGAL::to_double(p.y()), CGAL::to_double(p.z())});
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

/// Solids that keep clear of one another are taken in one go: what is rounded in one difference is not cut again by the
/// next. `good` tells whether all of them are closed.
template <class Kernel> std::vector<Solid<Kernel>> batches(const std::vector<std::vector<Face>>& solids, bool& good)
{
    constexpr size_t most = 80;  // beyond it every pair would be looked at for too long
    std::vector<Solid<Kernel>> out;
    std::vector<std::vector<Solid<Kernel>>> members;
    for (const std::vector<Face>& faces : solids) {
        if (faces.empty()) continue;
        Solid<Kernel> one;
        if (!read<Kernel>(faces, one)) {
            good = false;
            return out;
        }
        size_t at = members.size();
        if (solids.size() <= most)
            for (size_t b = 0; b < members.size() && at == members.size(); ++b) {
                bool clear = true;
                for (const Solid<Kernel>& other : members[b])
                    clear = clear &&
                            !pmp::do_intersect(one, other, CGAL::parameters::do_overlap_test_of_bounded_sides(true));
                if (clear) at = b;
            }
        if (at == members.size()) {
            members.emplace_back();
            out.emplace_back();
        }
        read<Kernel>(faces, out[at]);
        members[at].push_back(std::move(one));
    }
    return out;
}

template <class Kernel> bool take(Surface& from, const std::vector<std::vector<Face>>& solids)
{
    bool good = true;
    Solid<Kernel> whole;
    if (!read<Kernel>(from, whole)) return false;
    try {
        for (Solid<Kernel>& gone : batches<Kernel>(solids, good)) {
            if (!good || !pmp::corefine_and_compute_difference(whole, gone, whole,
                                                               CGAL::parameters::throw_on_self_intersection(true)))
                return false;
            whole.collect_garbage();
        }
        if (!good) return false;
    } catch (const std::exception&) {
        return false;
    }
    from = written<Kernel>(whole);
    return true;
}

}  // namespace

bool takeAway(Surface& from, const std::vector<std::vector<Face>>& solids, Corners corners)
{
    return corners == Corners::Exact ? take<CGAL::Exact_predicates_exact_constructions_kernel>(from, solids)
                                     : take<CGAL::Exact_predicates_inexact_constructions_kernel>(from, solids);
}

}  // namespace vl
