#include "core/picture/closed_surface.h"

#include "core/geometry/boolean.h"
#include "core/geometry/profile.h"

#include <algorithm>
#include <cmath>
#include <iterator>
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

namespace {

/// A line turned about the axis, added to a surface. It runs from the axis to the axis, or comes round to its
/// beginning.
void addTurned(const Polyline& line, double tolerance, Surface& s)
{
    Polyline clean;
    for (const Point& p : line)
        if (clean.empty() || (p - clean.back()).norm() > 1e-6) clean.push_back(p);
    double widest = 1;
    for (const Point& p : clean) widest = std::max(widest, p.y());
    const auto around = static_cast<std::uint32_t>(
        std::clamp(std::ceil(pi / std::acos(1 - std::min(0.5, tolerance / widest))), 12.0, 2880.0));
    const bool ring = clean.front() == clean.back() && clean.front().y() > 0;
    std::vector<std::uint32_t> first;  // of each point of the line: its one corner on the axis, or its circle's first
    for (const Point& p : clean) {
        if (ring && first.size() + 1 == clean.size()) {
            first.push_back(first.front());
            break;
        }
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
}

/// The line from the axis to the axis, square to it at both ends.
Polyline ended(Polyline line)
{
    if (line.front().y() > 0) line.insert(line.begin(), Point(line.front().x(), 0));
    if (line.back().y() > 0) line.emplace_back(line.back().x(), 0);
    return line;
}

/// The border of a region as a line that comes round to its beginning, which is not on the axis, and runs along the
/// outside from the headstock.
Polyline ring(const Polyline& border)
{
    Polyline line(border.rbegin(), border.rend());
    std::ranges::rotate(line, std::ranges::max_element(line, {}, [](const Point& p) { return p.y(); }));
    line.push_back(line.front());
    return line;
}

/// The hollow as a cutter, drawn on past the ends at which it opens.
Drilled hollowOf(const TurnedSurfaces& surfaces)
{
    constexpr double past = 2, same = 1e-6;  // mm
    Drilled d;
    d.profile = surfaces.inside;
    const auto ends = [&](const Point& p, const Point& face) { return p.y() > 0 && std::abs(p.x() - face.x()) < same; };
    if (ends(d.profile.front(), surfaces.outside.front()))
        d.profile.insert(d.profile.begin(), Point(d.profile.front().x() - past, d.profile.front().y()));
    if (ends(d.profile.back(), surfaces.outside.back()))
        d.profile.emplace_back(d.profile.back().x() + past, d.profile.back().y());
    return d;
}

}  // namespace

Surface closedSurface(const TurnedSurfaces& surfaces, double tolerance)
{
    Surface s;
    const Polyline &out = surfaces.outside, &in = surfaces.inside;
    if (!surfaces.back.undercut.empty() || !surfaces.back.standing.empty()) {
        const Region wood = surfaces.wood();
        for (const Polyline& border : wood.polygons()) addTurned(ring(border), tolerance, s);
        return s;
    }
    if (in.empty()) {
        addTurned(ended(out), tolerance, s);
        return s;
    }
    constexpr double same = 1e-6;  // mm
    const bool openBelow =
        in.front().y() > 0 && std::abs(in.front().x() - out.front().x())<same, openAbove = in.back().y()> 0;
    const Polyline back(in.rbegin(), in.rend());
    if (!openBelow && !openAbove) {
        // A hollow that nothing opens: a lid is on.
        addTurned(ended(out), tolerance, s);
        addTurned(ended(back), tolerance, s);
        return s;
    }
    Polyline line = out;
    if (openAbove)
        line.insert(line.end(), back.begin(), back.end());
    else {
        // From the hollow's end through its opening below and over the outside to the axis.
        line = back;
        line.insert(line.end(), out.begin(), out.end());
    }
    if (openAbove && openBelow)
        line.push_back(line.front());
    else
        line = ended(std::move(line));
    addTurned(line, tolerance, s);
    return s;
}

Solid without(Surface surface, const std::vector<Cutter>& cutters, double tolerance)
{
    Solid s{std::move(surface)};
    std::vector<std::vector<Face>> solids;
    for (const Cutter& c : cutters) solids.push_back(facesOf(c, tolerance));
    constexpr size_t mostExact = 5;  // solids: more of them take minutes
    s.whole = solids.empty() || takeAway(s.surface, solids) ||
              (solids.size() <= mostExact && takeAway(s.surface, solids, Corners::Exact));
    // What cannot be taken away is left, so that the rest is seen.
    if (!s.whole)
        for (std::vector<Face>& one : solids) takeAway(s.surface, {std::move(one)});
    return s;
}

namespace {

/// What lies beyond edges that go round the axis in order, in two halves: so many planes one by one would take long.
std::vector<Cutter> beyondRound(const std::vector<HalfSpace>& edges)
{
    Polyline corners;  // y towards 12 o'clock, z towards 9, counterclockwise
    for (size_t i = 0; i < edges.size(); ++i) {
        const HalfSpace &a = edges[i], &b = edges[(i + 1) % edges.size()];
        const double det = a.normal.y() * b.normal.z() - b.normal.y() * a.normal.z();
        corners.emplace_back((a.offset * b.normal.z() - b.offset * a.normal.z()) / det,
                             (a.normal.y() * b.offset - b.normal.y() * a.offset) / det);
    }
    const auto by = [](const Point& p, const Point& q) { return p.x() < q.x(); };
    std::ranges::rotate(corners, std::ranges::max_element(corners, by));
    const auto split = std::ranges::min_element(corners, by);
    const Point first = corners.front(), far = *split;
    Polyline over{{beyondAll, first.y()}, {beyondAll, beyondAll}, {-beyondAll, beyondAll}, {-beyondAll, far.y()}},
        under{{-beyondAll, far.y()}, {-beyondAll, -beyondAll}, {beyondAll, -beyondAll}, {beyondAll, first.y()}, first};
    over.insert(over.end(), std::make_reverse_iterator(split + 1), corners.rend());
    under.insert(under.end(), corners.rbegin(), std::make_reverse_iterator(split));
    return {Sawed{Eigen::Vector3d::UnitY(), Eigen::Vector3d::UnitZ(), std::move(over)},
            Sawed{Eigen::Vector3d::UnitY(), Eigen::Vector3d::UnitZ(), std::move(under)}};
}

/// A region turned about the axis, as faces.
std::vector<Face> turnedFaces(const Region& region, double tolerance)
{
    Surface s;
    for (const Polyline& border : region.polygons()) addTurned(ring(border), tolerance, s);
    std::vector<Face> faces;
    for (const auto& f : s.faces) {
        Face face;
        for (const std::uint32_t c : f) face.emplace_back(s.corners[c][0], s.corners[c][1], s.corners[c][2]);
        faces.push_back(std::move(face));
    }
    return faces;
}

/// What falls back of a piece whose skin is not round, each drawn on past its mouth.
std::vector<std::vector<Face>> fallenBack(const TurnedSurfaces& surfaces, double tolerance)
{
    constexpr double past = 0.5;  // mm
    std::vector<std::vector<Face>> all;
    const Region wood = surfaces.wood();
    for (const Undercut& u : undercutsOf(surfaces.back.outside)) {
        Polyline moved = u.air.polygons().front();
        for (Point& p : moved) p.x() += u.to == OpensTo::Rim ? past : -past;
        all.push_back(turnedFaces(((u.air | Region({moved})) - wood).cleaned(), tolerance));
    }
    if (!surfaces.back.standing.empty()) {
        const double rim = surfaces.inside.back().x();
        const Region open = Region::box({rim, rim + past}, {0, surfaces.inside.back().y()});
        all.push_back(turnedFaces(surfaces.hollow() | open, tolerance));
    }
    return all;
}

}  // namespace

Solid solidOf(const TurnedSurfaces& surfaces, double tolerance)
{
    constexpr size_t fewPlanes = 12;
    std::vector<Cutter> cutters;
    // A skin from other axes has the edges in its sections.
    if (surfaces.axes.empty() && surfaces.edges.size() > fewPlanes)
        cutters = beyondRound(surfaces.edges);
    else if (surfaces.axes.empty())
        for (const HalfSpace& h : surfaces.edges) cutters.emplace_back(beyondPlane(h));
    for (const Cut& c : surfaces.cuts) cutters.push_back(c.solid);
    if (surfaces.axes.empty()) return without(closedSurface(surfaces, tolerance), cutters, tolerance);
    Assembly one;  // all of it as one wood
    one.layers.resize(1);
    one.layers[0].z1 = surfaces.outside.back().x();
    one.layers[0].finishedOuter.high = surfaces.widest();
    one.layers[0].cells.resize(1);
    TurnedSurfaces solid = surfaces;
    solid.cuts.clear();
    solid.inside.clear();
    solid.back = {};
    std::vector<std::vector<Face>> turned = fallenBack(surfaces, tolerance);
    if (!surfaces.inside.empty() && surfaces.back.standing.empty()) cutters.insert(cutters.begin(), hollowOf(surfaces));
    Solid made = without(drawnSurface(turnedMesh(one, solid, {tolerance, false})), cutters, tolerance);
    for (std::vector<Face>& air : turned) made.whole &= takeAway(made.surface, {std::move(air)});
    return made;
}

}  // namespace vl
