#include "core/picture/work_state.h"

#include "core/blank/stock.h"
#include "core/picture/finished.h"
#include "core/picture/material_mesh.h"
#include "core/picture/parted.h"
#include "core/picture/rejoined.h"
#include "core/workpiece/inlay_sides.h"
#include "core/workpiece/lid_sides.h"
#include "core/workpiece/reversed_parts.h"
#include "core/workpiece/run.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace vl {
namespace {

/// Whether its segments are cut and not glued yet.
bool isApart(const Body& b, const Assembly& assembly)
{
    return b.layers.size() == 1 && !b.joined && assembly.layers[b.layers[0]].radial();
}

void append(Mesh& all, Mesh one, const Body& body, const Assembly& assembly)
{
    const bool apart = isApart(body, assembly);
    const double out = apart ? 0.14 * assembly.layers[body.layers[0]].cornerRadius() : 0;
    for (Vertex& v : one.vertices) {
        const auto part = static_cast<size_t>(v.part);
        v.part = static_cast<float>(body.layers[part / 1000] * 1000 + part % 1000);
        v.position[0] += static_cast<float>(body.shift);
        if (apart) {
            const BuiltLayer& l = assembly.layers[body.layers[0]];
            const Eigen::Vector3d way =
                out * outwards(l.phaseDeg + 360.0 * static_cast<double>(part % 1000) / l.sectors);
            v.position[1] += static_cast<float>(way.y());
            v.position[2] += static_cast<float>(way.z());
        }
    }
    join(all, one);
}

/// A side between the lowest and the highest face of a body's layers.
Range spanOf(const Assembly& assembly, const Body& b)
{
    return {assembly.layers[b.layers.front()].z0, assembly.layers[b.layers.back()].z1};
}

bool isDone(const Body& b, const Cut& c) { return c.step.empty() || b.isDone(c.step); }

/// The layers of a body by themselves, with what is let into them by then.
Assembly layersOf(const Assembly& assembly, const Body& b)
{
    Assembly own;
    for (const size_t i : b.layers) {
        own.layers.push_back(assembly.layers[i]);
        std::erase_if(own.layers.back().insets, [&](const Inset& inset) { return !b.isDone(inset.step); });
    }
    return own;
}

/// Holes that are drilled and not filled yet.
std::vector<Cut> openHoles(const Piece& piece, const TurnedSurfaces& surfaces, const Body& b)
{
    std::vector<Cut> open;
    for (const Cut& c : surfaces.filled) {
        const auto hole = std::ranges::find_if(piece.holes, [&](const Hole& h) { return c.step == "drill-" + h.id; });
        if (isDone(b, c) && hole != piece.holes.end() && !b.isDone(fillStep(*hole))) open.push_back(c);
    }
    return open;
}

/// What is turned inside out, before its second turning: as the first one left it, or reversed.
std::optional<TurnedSurfaces> reversedSides(const Piece& piece, const Assembly& assembly,
                                            const TurnedSurfaces& surfaces, const Body& b)
{
    const auto blank = insideOutOf(piece, surfaces.outside);
    if (!blank || b.reversed == Body::None || b.round) return std::nullopt;
    const BuiltLayer& l = assembly.layers[0];
    TurnedSurfaces now{.outside = {}, .inside = {}, .axes = {}, .edges = {}};
    // A star of six has no round blank and no convex one: what it holds.
    const bool convex = blank->parts < 6;
    // Round it a little wider than its corners: what only touches is not cut cleanly.
    const double corner = convex ? 1.02 * l.cornerRadius() : l.stockOuterRadius();
    if (convex)
        for (const Cell& c : l.cells)
            for (const HalfSpace& h : c.faces) {
                // Neighbors share a plane: it is cut once.
                const auto same = [&](const HalfSpace& o) { return (o.normal - h.normal).norm() < 1e-9; };
                if (std::ranges::none_of(now.edges, same)) now.edges.push_back(h);
            }
    now.outside = {{l.z0, corner}};
    if (b.reversed == Body::First) {
        const auto within = [&](const Point& p) { return Point(p.x(), std::min(corner, p.y())); };
        if (!blank->first.empty()) {
            now.outside.emplace_back(blank->first.front().x(), corner);
            for (const Point& p : blank->first) now.outside.push_back(within(p));
            now.outside.emplace_back(blank->first.back().x(), corner);
        }
    } else
        now.cuts = insideOutCuts(piece, surfaces.outside);
    now.outside.emplace_back(l.z1, corner);
    return now;
}

/// What the tools have left of a body that is turned or hollowed.
TurnedSurfaces turnedSides(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces, const Body& b)
{
    TurnedSurfaces turned = surfaces;
    std::erase_if(turned.cuts, [&](const Cut& c) { return !isDone(b, c); });
    std::ranges::move(openHoles(piece, surfaces, b), std::back_inserter(turned.cuts));
    turned.axes.resize(std::min(b.axes, turned.axes.size()));
    if (b.part != Body::All && !surfaces.inside.empty()) {
        // What room a fit leaves cannot be seen: the usual ones do. The spigot comes with the hollow.
        const double at = piece.lid.at;
        if (b.hollow) {
            BoxAndLid both = apart(piece, Fits{}, surfaces);
            TurnedSurfaces& own = b.part == Body::Box ? both.box : both.lid;
            turned.outside = std::move(own.outside);
            turned.inside = std::move(own.inside);
            turned.back = std::move(own.back);
        } else {
            turned.outside = b.part == Body::Box ? clipped(surfaces.outside, 0, at)
                                                 : clipped(surfaces.outside, at, surfaces.outside.back().x());
            turned.inside.clear();
            turned.back = {};
        }
        return turned;
    }
    if (!b.hollow) turned.inside.clear();
    turned.back.outside.clear();
    turned.back.inside.clear();
    if (!b.round) turned.back.undercut = {};
    if (turned.inside.empty()) turned.back.standing = {};
    const bool whole = b.layers.size() == assembly.layers.size();
    const Range span = spanOf(assembly, b);
    if (!b.round) {
        turned.outside.clear();
        turned.axes.clear();
        turned.edges.clear();
        for (const size_t i : b.layers)
            for (const Point& p : assembly.layers[i].outerHold) turned.outside.push_back(p);
    } else if (!whole)
        turned.outside = clipped(turned.outside, span.low, span.high);
    if (!whole) {
        turned.inside = clipped(turned.inside, span.low, span.high);
        turned.back.undercut = turned.back.undercut.between(span.low, span.high);
        turned.back.standing = turned.back.standing.between(span.low, span.high);
    }
    return turned;
}

/// What saw and drill have taken of a blank that no lathe has touched: of one piece of wood, as what is glued together
/// is no single closed solid.
std::vector<Cutter> cutBlank(const Piece& piece, const Assembly& own, const TurnedSurfaces& surfaces, const Body& b)
{
    std::vector<Cutter> done;
    if (own.layers.size() != 1 || own.layers[0].cells.size() != 1) return done;
    for (const Cut& c : surfaces.cuts)
        if (isDone(b, c)) done.push_back(c.solid);
    for (const Cut& c : openHoles(piece, surfaces, b)) done.push_back(c.solid);
    return done;
}

Mesh meshOf(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces, const Body& b,
            const MeshDetail& detail)
{
    if (b.rings) return partedMesh(assembly, piece.nest, outlineHeight(piece), detail);
    const Assembly own = layersOf(assembly, b);
    if (const auto reversed = reversedSides(piece, assembly, surfaces, b))
        return materialMesh(own, solidOf(*reversed, detail.tolerance).surface);
    if (!b.round && !b.hollow) {
        Mesh blank = blankMesh(own);
        const std::vector<Cutter> done = cutBlank(piece, own, surfaces, b);
        if (done.empty() && !own.hasInsets()) return blank;
        return materialMesh(own, without(drawnSurface(blank), done, detail.tolerance).surface);
    }
    const TurnedSurfaces turned = turnedSides(piece, assembly, surfaces, b);
    if (b.split != Body::Whole) {
        const Surface whole = solidOf(turned, detail.tolerance).surface;
        if (b.split == Body::TurnedOn) return turnedOnMesh(piece, own, whole);
        // Opened: one half beside the other.
        const auto [near, far] = halvesOf(whole);
        Mesh both = materialMesh(own, near);
        join(both,
             moved(materialMesh(own, far), Eigen::Isometry3d(Eigen::Translation3d(0, 0, -0.4 * surfaces.widest()))));
        return both;
    }
    // Where it does not begin at its first layer's face, its own surface says where it does.
    Mesh mesh = b.part != Body::All ? materialMesh(own, solidOf(turned, detail.tolerance).surface)
                                    : turnedMesh(own, turned, detail);
    if (b.fitted) addBought(piece, surfaces, mesh);
    return mesh;
}

Surface surfaceOf(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces, const Body& b,
                  double tolerance)
{
    const Assembly own = layersOf(assembly, b);
    if (b.rings || hasGaps(own)) return drawnSurface(meshOf(piece, assembly, surfaces, b, {tolerance, false}));
    if (const auto reversed = reversedSides(piece, assembly, surfaces, b)) return solidOf(*reversed, tolerance).surface;
    if (!b.round && !b.hollow)
        return without(drawnSurface(blankMesh(own)), cutBlank(piece, own, surfaces, b), tolerance).surface;
    if (b.split == Body::TurnedOn)
        return finishedSolid(piece, turnedSides(piece, assembly, surfaces, b), tolerance).surface;
    return solidOf(turnedSides(piece, assembly, surfaces, b), tolerance).surface;
}

}  // namespace

std::vector<Body> bodiesAfter(const Assembly& assembly, const std::vector<size_t>& order, size_t count)
{
    const Stock stock = stockOf(assembly);
    Workpiece workpiece(stock);
    for (size_t k = 0; k < std::min(count, order.size()); ++k) workpiece.carryOut(assembly.recipe[order[k]]);
    std::vector<Body> bodies;
    for (const auto& [id, b] : workpiece.bodies())
        if (!b.layers.empty()) bodies.push_back(b);
    // Of parts of one layer that are cut by themselves, one stands for all.
    std::ranges::stable_sort(
        bodies, {}, [](const Body& b) { return std::pair(b.layers.front(), -static_cast<long>(b.layers.size())); });
    std::vector<Body> apart;
    std::set<std::pair<Body::Part, size_t>> seen;
    double height = 0;
    for (const BuiltLayer& l : assembly.layers) height = std::max(height, l.z1);
    for (Body& b : bodies) {
        if (std::ranges::any_of(b.layers, [&](size_t i) { return seen.contains({b.part, i}); })) continue;
        for (const size_t i : b.layers) seen.emplace(b.part, i);
        b.shift = static_cast<double>(apart.size()) * std::max(10.0, 0.06 * height);
        apart.push_back(std::move(b));
    }
    return apart;
}

Mesh bodiesMesh(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                const std::vector<Body>& bodies, const MeshDetail& detail)
{
    Mesh all;
    for (const Body& b : bodies) append(all, meshOf(piece, assembly, surfaces, b, detail), b, assembly);
    return all;
}

Surface bodiesSurface(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                      const std::vector<Body>& bodies, double tolerance)
{
    Surface all;
    for (const Body& b : bodies) {
        const Surface one = surfaceOf(piece, assembly, surfaces, b, tolerance);
        const auto first = static_cast<std::uint32_t>(all.corners.size());
        for (std::array<double, 3> c : one.corners) {
            c[0] += b.shift;
            all.corners.push_back(c);
        }
        for (std::array<std::uint32_t, 3> f : one.faces) {
            for (std::uint32_t& c : f) c += first;
            all.faces.push_back(f);
        }
    }
    return all;
}

Reach reachOf(const Assembly& assembly, const TurnedSurfaces& surfaces, const std::vector<Body>& bodies)
{
    Reach r;
    for (const Body& b : bodies) {
        r.height = std::max(r.height, spanOf(assembly, b).high + b.shift);
        for (const size_t i : b.layers) {
            const BuiltLayer& l = assembly.layers[i];
            const double turned = radiusRange(surfaces.outside, l.z0, l.z1).high;
            const double out =
                b.round ? (std::isnan(turned) ? 0 : turned) : l.cornerRadius() * (isApart(b, assembly) ? 1.14 : 1);
            r.diameter = std::max(r.diameter, 2 * out);
        }
    }
    return r;
}

}  // namespace vl
