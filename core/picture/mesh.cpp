#include "core/picture/mesh.h"

#include "core/picture/loft.h"
#include "core/picture/material_mesh.h"
#include "core/picture/mesh_builder.h"

#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace vl {

namespace {

/// Angles from a0 to a1 (degrees) whose chords stay within tolerance of the circle of radius r.
std::vector<double> arcAngles(double a0, double a1, double r, double tolerance)
{
    const double step = 2 * std::acos(std::max(0.5, 1 - tolerance / std::max(r, tolerance))) / degrees;
    const int n = std::max(1, static_cast<int>(std::ceil((a1 - a0) / step - 1e-9)));
    std::vector<double> angles;
    for (int k = 0; k <= n; ++k) angles.push_back(a0 + (a1 - a0) * k / n);
    return angles;
}

/// The part of a side that is a layer's own: a face square to the axis just at its lower joint belongs to the layer
/// below.
Polyline ownPart(const Polyline& line, double z0, double z1, bool first, double tolerance)
{
    Polyline part = clipped(line, z0, z1);
    // What a picture needs is coarser than the line that is measured.
    if (part.size() > 2 && tolerance > 0.02) part = simplified(part, tolerance / 2);
    while (!first && part.size() > 1 && part[1].x() <= z0 + 1e-9) part.erase(part.begin());
    return part;
}

/// What of a layer's height a cell has: a tenon that ends inside it stops square to the axis.
Range heightOf(const Cell& cell, double z0, double z1)
{
    for (const HalfSpace& h : cell.bounds) {
        if (std::abs(std::abs(h.normal.x()) - 1) > 1e-9) continue;
        if (h.normal.x() > 0)
            z1 = std::min(z1, h.offset);
        else
            z0 = std::max(z0, -h.offset);
    }
    return {z0, z1};
}

/// The spans of angle that a cell is swept over; cut away, only what falls within 0° … 180°.
std::vector<Range> spansOf(const Cell& cell, bool cutAway)
{
    if (!cutAway) return {{cell.from, cell.to}};
    if (cell.round()) return {{0, 180}};
    std::vector<Range> spans;
    const double shift = 360 * std::floor(cell.from / 360);
    for (const double base : {shift, shift + 360}) {
        const double from = std::max(cell.from - base, 0.0), to = std::min(cell.to - base, 180.0);
        if (to - from > 1e-9) spans.push_back({from, to});
    }
    return spans;
}

/// The flat face of a layer in a plane along the axis, between the inside and the outside, corners as (z, u, r): u runs
/// in the plane away from the point nearest the axis, `near` mm off it.
template <class Emit>
void planeFace(const Polyline& outside, const Polyline& inside, double near, double low, double high, Range within,
               const Emit& emit)
{
    std::vector<double> stations;
    for (const Polyline* line : {&outside, &inside})
        for (const Point& p : *line) stations.push_back(p.x());
    std::ranges::sort(stations);
    stations.erase(std::unique(stations.begin(), stations.end(), [](double x, double y) { return y - x < 1e-6; }),
                   stations.end());
    for (size_t i = 0; i + 1 < stations.size(); ++i) {
        if (stations[i + 1] < within.low || stations[i] > within.high) continue;
        const double eps = 1e-7, z0 = stations[i] + eps, z1 = stations[i + 1] - eps;
        auto bore = [&](double z) {
            const double r = inside.empty() ? 0.0 : radiusRange(inside, z, z).low;
            return std::isnan(r) ? 0.0 : r;
        };
        auto along = [&](double r) {
            return std::sqrt(std::max(0.0, std::clamp(r, low, high) * std::clamp(r, low, high) - near * near));
        };
        const double o0 = radiusAt(outside, z0), o1 = radiusAt(outside, z1);
        if (std::isnan(o0) || std::isnan(o1)) continue;
        const double a = along(bore(z0)), b = along(bore(z1)), c = along(o1), d = along(o0);
        if (c - b < 1e-9 && d - a < 1e-9) continue;
        emit(std::array{Point(z0, a), Point(z1, b), Point(z1, c), Point(z0, d)});
    }
}

/// The face laid open by the cut, over one layer.
void openFace(MeshBuilder& b, const BuiltLayer& layer, size_t index, const Polyline& outside, const Polyline& inside,
              double angle)
{
    const double turn = angle == 0 ? -1 : 1, within = angle + (angle == 0 ? 1e-6 : -1e-6);
    for (const Cell& cell : layer.cells) {
        if (!cell.spans(within)) continue;
        b.begin(index, layer, cell);
        // What does not come to this side of the axis has no face here.
        const auto& [zs, rs, from, to] = b.extent();
        if (to - from < 360 && std::fmod(within - from + 720, 360) > to - from) continue;
        planeFace(outside, inside, 0, cell.low, cell.high, b.extent().z, [&](const std::array<Point, 4>& q) {
            std::vector<MeshBuilder::Corner> corners;
            for (const Point& p : q) corners.push_back(b.corner(p.x(), p.y(), angle, 0, 0, turn));
            b.face(corners);
        });
    }
}

/// The sides of open segments, where one looks into the gaps.
void gapFaces(MeshBuilder& b, const BuiltLayer& layer, size_t index, const Polyline& outside, const Polyline& inside)
{
    for (const Cell& cell : layer.cells) {
        b.begin(index, layer, cell);
        const Eigen::Vector3d mid = outwards((cell.from + cell.to) / 2);
        for (const HalfSpace& h : cell.bounds) {
            if (!h.open) continue;
            Eigen::Vector3d along = Eigen::Vector3d::UnitX().cross(h.normal);
            if (along.dot(mid) < 0) along = -along;
            const bool turned = Eigen::Vector3d::UnitX().cross(along).dot(h.normal) < 0;
            planeFace(outside, inside, std::abs(h.offset), cell.low, cell.high, b.extent().z,
                      [&](std::array<Point, 4> q) {
                          if (!turned) std::ranges::reverse(q);
                          std::vector<MeshBuilder::Corner> corners;
                          for (const Point& p : q)
                              corners.push_back(
                                  {h.normal * h.offset + along * p.y() + Eigen::Vector3d::UnitX() * p.x(), h.normal});
                          b.face(corners);
                      });
        }
    }
}

/// What every face of a piece that is not round is cut at: its edges, and the plane that lays it open.
std::vector<HalfSpace> limitsOf(const TurnedSurfaces& surfaces, const MeshDetail& detail, std::vector<HalfSpace> more)
{
    // What other axes leave has the edges in its sections already.
    if (surfaces.axes.empty()) more.insert(more.end(), surfaces.edges.begin(), surfaces.edges.end());
    if (detail.cutAway && !surfaces.round()) more.push_back({-Eigen::Vector3d::UnitZ(), 0, false});
    return more;
}

/// The sawn faces that stay of the blank, along the axis.
void edgeFaces(MeshBuilder& b, const BuiltLayer& layer, size_t index, const TurnedSurfaces& surfaces,
               const Polyline& outside, const Polyline& inside)
{
    if (outside.size() < 2) return;
    // A face cuts an outline in a hyperbola: its points stand close.
    const Polyline out = refined(outside, 1), in = inside.empty() ? inside : refined(inside, 1);
    for (const Cell& cell : layer.cells) {
        b.begin(index, layer, cell);
        for (const HalfSpace& h : surfaces.edges)
            for (const double way : {-1.0, 1.0}) {
                const Eigen::Vector3d along = way * Eigen::Vector3d::UnitX().cross(h.normal);
                planeFace(out, in, h.offset, cell.low, cell.high, b.extent().z, [&](std::array<Point, 4> q) {
                    if (way > 0) std::ranges::reverse(q);
                    std::vector<MeshBuilder::Corner> corners;
                    for (const Point& p : q)
                        corners.push_back(
                            {h.normal * h.offset + along * p.y() + Eigen::Vector3d::UnitX() * p.x(), h.normal});
                    b.face(corners);
                });
            }
    }
}

/// Puts triangles into the mesh for every cell that they may lie in.
void ofCells(MeshBuilder& b, const BuiltLayer& layer, size_t index, const std::vector<Loft::Triangle>& triangles)
{
    for (const Cell& cell : layer.cells) {
        b.begin(index, layer, cell);
        const double low = cell.low, high = cell.high;
        for (const Loft::Triangle& t : triangles) {
            const Eigen::Vector3d mid = (t[0].place + t[1].place + t[2].place) / 3;
            const double r = mid.tail<2>().norm();
            if (r < low || r > high) continue;
            b.face({t.begin(), t.end()});
        }
    }
}

/// What other axes have turned, over one layer: its skin, and its faces at the piece's ends.
void loftLayer(MeshBuilder& b, const BuiltLayer& layer, size_t index, const TurnedSurfaces& surfaces, Range tall,
               bool first, bool last, const MeshDetail& detail)
{
    const Loft loft(surfaces, tall.low, tall.high, detail.tolerance);
    std::vector<Loft::Triangle> all = loft.skin();
    auto bore = [&](const Point& end, double at) {
        return surfaces.inside.empty() || std::abs(end.x() - at) > 1e-6 ? 0.0 : end.y();
    };
    auto add = [&](const std::vector<Loft::Triangle>& some) { all.insert(all.end(), some.begin(), some.end()); };
    if (first) add(loft.headFace(surfaces.inside.empty() ? 0 : bore(surfaces.inside.front(), tall.low)));
    if (last) add(loft.tailFace(surfaces.inside.empty() ? 0 : bore(surfaces.inside.back(), tall.high)));
    if (layer.radial()) {
        // Each sector by itself: a cell that is a span of angle is cut out of the skin.
        for (const Cell& cell : layer.cells) {
            b.limit(limitsOf(surfaces, detail, cell.wedge()));
            b.begin(index, layer, cell);
            for (const Loft::Triangle& t : all) b.face({t.begin(), t.end()});
        }
        b.limit(limitsOf(surfaces, detail, {}));
    } else
        ofCells(b, layer, index, all);
}

/// One layer of what is turned, as its mesh needs it.
struct TurnedLayer {
    const BuiltLayer& layer;
    size_t index;
    double top;  ///< the last layer takes whatever stands above the stack: a caution says that it is missing
    bool first, last;
    bool gapsBelow, gapsAbove;  ///< the layer's own face shows through gaps of its own or of a neighbor
    Polyline outside, inside;
};

TurnedLayer turnedLayer(const Assembly& assembly, size_t i, const TurnedSurfaces& surfaces, double tolerance)
{
    const BuiltLayer& layer = assembly.layers[i];
    const double height = surfaces.outside.back().x();
    const double top = i + 1 == assembly.layers.size() ? std::max(layer.z1, height) : layer.z1;
    const bool first = i == 0, last = top >= height;
    return {.layer = layer,
            .index = i,
            .top = top,
            .first = first,
            .last = last,
            .gapsBelow = !first && (layer.gaps || assembly.layers[i - 1].gaps),
            .gapsAbove = !last && (layer.gaps || assembly.layers[i + 1].gaps),
            .outside = ownPart(surfaces.outside, layer.z0, top, first, tolerance),
            .inside = ownPart(surfaces.inside, layer.z0, top, first, tolerance)};
}

/// One cell's share of a layer's skin and faces: between two angles. Where other axes give its outside, only its
/// inside.
void turnedCell(MeshBuilder& b, const TurnedLayer& l, const Cell& cell, const Range& span,
                const TurnedSurfaces& surfaces, double tolerance)
{
    const BuiltLayer& layer = l.layer;
    b.begin(l.index, layer, cell);
    const double widest = std::max(layer.finishedOuter.high, 1.0);
    const std::vector<double> angles = arcAngles(span.low, span.high, widest, tolerance);
    // Where a cell ends is a place on the true line, not on its chord.
    const Range tall = heightOf(cell, layer.z0, l.top);
    const bool part = tall.low > layer.z0 || tall.high < l.top;
    const auto own = [&](const Polyline& side) { return ownPart(side, tall.low, tall.high, l.first, tolerance); };
    const Polyline out = part ? own(surfaces.outside) : l.outside, in = part ? own(surfaces.inside) : l.inside;
    if (in.size() > 1) b.sweep(in, angles, -1);
    if (!surfaces.axes.empty()) return;
    const auto rim = [&](double z) {
        const double r = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, z, z).low;
        return std::isnan(r) ? 0.0 : std::max(r, 0.0);
    };
    if (out.size() > 1) b.sweep(out, angles, 1);
    if (l.first || l.gapsBelow) {
        const bool floored = l.first && !surfaces.inside.empty() && surfaces.inside.front().x() > 0;
        b.sweep({{layer.z0, floored ? 0.0 : rim(layer.z0)},
                 l.first ? surfaces.outside.front() : Point(layer.z0, radiusAt(surfaces.outside, layer.z0))},
                angles, 1);
    }
    if (l.last)
        b.sweep({surfaces.outside.back(),
                 {surfaces.outside.back().x(), surfaces.inside.empty() ? 0.0 : surfaces.inside.back().y()}},
                angles, 1);
    if (l.gapsAbove) b.sweep({{l.top, radiusAt(surfaces.outside, l.top)}, {l.top, rim(l.top)}}, angles, 1);
}

}  // namespace

Mesh turnedMesh(const Assembly& assembly, const TurnedSurfaces& surfaces, const MeshDetail& detail)
{
    Mesh mesh;
    if (surfaces.outside.size() < 2 || assembly.layers.empty()) return mesh;
    const bool fallen = !surfaces.back.undercut.empty() || !surfaces.back.standing.empty();
    if (!surfaces.cuts.empty() || assembly.hasInsets() || fallen) {
        Solid solid = solidOf(surfaces, detail.tolerance);
        if (detail.cutAway)
            solid = without(std::move(solid.surface), {beyondPlane({-Eigen::Vector3d::UnitZ(), 0})}, detail.tolerance);
        return materialMesh(assembly, solid.surface);
    }
    MeshBuilder b(assembly, mesh);
    const bool lofted = !surfaces.axes.empty();
    b.limit(limitsOf(surfaces, detail, {}));
    const double height = surfaces.outside.back().x();
    std::array<Polyline, 2> open;  // the outside in the two half planes of the cut
    if (detail.cutAway)
        for (size_t k = 0; k < 2; ++k)
            open[k] = outsideAlong(surfaces, 180.0 * static_cast<double>(k), detail.tolerance);
    for (size_t i = 0; i < assembly.layers.size() && assembly.layers[i].z0 < height; ++i) {
        const TurnedLayer l = turnedLayer(assembly, i, surfaces, detail.tolerance);
        if (lofted) loftLayer(b, l.layer, i, surfaces, {l.layer.z0, std::min(l.top, height)}, l.first, l.last, detail);
        for (const Cell& cell : l.layer.cells)
            for (const Range& span : spansOf(cell, detail.cutAway))
                turnedCell(b, l, cell, span, surfaces, detail.tolerance);
        if (!lofted && !surfaces.edges.empty()) edgeFaces(b, l.layer, i, surfaces, l.outside, l.inside);
        if (l.layer.gaps && !detail.cutAway) gapFaces(b, l.layer, i, l.outside, l.inside);
        if (detail.cutAway)
            for (size_t k = 0; k < 2; ++k)
                openFace(b, l.layer, i, surfaces.round() ? l.outside : clipped(open[k], l.layer.z0, l.top), l.inside,
                         180.0 * static_cast<double>(k));
    }
    return mesh;
}

Mesh blankMesh(const Assembly& assembly)
{
    Mesh mesh;
    MeshBuilder b(assembly, mesh);
    for (size_t i = 0; i < assembly.layers.size(); ++i) {
        const BuiltLayer& l = assembly.layers[i];
        for (const Cell& cell : l.cells) {
            b.begin(i, l, cell);
            for (const Face& face : convexBody(l.body(cell), 2 * l.corner + l.z1)) {
                const Eigen::Vector3d normal = (face[1] - face[0]).cross(face[2] - face[0]).normalized();
                std::vector<std::uint32_t> corners;
                for (const Eigen::Vector3d& p : face) corners.push_back(b.vertex({p, normal}));
                for (size_t k = 1; k + 1 < corners.size(); ++k) b.triangle(corners[0], corners[k], corners[k + 1]);
            }
        }
    }
    return mesh;
}

double meshVolume(const Mesh& mesh)
{
    double sum = 0;
    for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3) {
        Eigen::Vector3d p[3];
        for (size_t k = 0; k < 3; ++k) {
            const auto& v = mesh.vertices[mesh.indices[i + k]].position;
            p[k] = Eigen::Vector3d(v[0], v[1], v[2]);
        }
        const Eigen::Vector3d cross(p[1].y() * p[2].z() - p[1].z() * p[2].y(),
                                    p[1].z() * p[2].x() - p[1].x() * p[2].z(),
                                    p[1].x() * p[2].y() - p[1].y() * p[2].x());
        sum += p[0].dot(cross) / 6;
    }
    return sum;
}

}  // namespace vl
