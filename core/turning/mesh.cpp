#include "core/turning/mesh.h"

#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace vl {

namespace {

class Builder {
public:
    Builder(const Assembly& assembly, Mesh& mesh) : mesh_(mesh)
    {
        for (const BuiltLayer& l : assembly.layers)
            for (const Cell& c : l.cells)
                if (mesh.woods.empty() ||
                    (c.wood != mesh.woods.back() && std::ranges::find(mesh.woods, c.wood) == mesh.woods.end()))
                    mesh.woods.push_back(c.wood);
    }

    /// From now on vertices belong to this cell.
    void begin(size_t layer, const BuiltLayer& built, const Cell& cell)
    {
        cell_ = &cell;
        extent_ = built.extentOf(cell);
        species_ = static_cast<float>(std::ranges::find(mesh_.woods, cell.wood) - mesh_.woods.begin());
        // A part that is not painted by itself is picked with the layer's first segment.
        part_ = static_cast<float>(layer * 1000 + static_cast<size_t>(std::max(cell.segment, 0)));
        clip_ = !cell.bounds.empty();
    }

    /// A corner at station z, radius r, angle (degrees from 12 o'clock), with a normal given along (axis, radius,
    /// turn).
    struct Corner {
        Eigen::Vector3d place, normal;
    };
    Corner corner(double z, double r, double angleDeg, double nz, double nr, double nt)
    {
        if (angleDeg != angle_) {
            angle_ = angleDeg;
            cos_ = std::cos(angleDeg * degrees);
            sin_ = std::sin(angleDeg * degrees);
        }
        return {{z, r * cos_, r * sin_}, {nz, nr * cos_ - nt * sin_, nr * sin_ + nt * cos_}};
    }
    std::uint32_t vertex(const Corner& c)
    {
        auto floats = [](const Eigen::Vector3d& v) {
            return std::array{static_cast<float>(v.x()), static_cast<float>(v.y()), static_cast<float>(v.z())};
        };
        mesh_.vertices.push_back(
            {floats(c.place), floats(c.normal), floats(cell_->board.place(c.place)), species_, cell_->seed, part_});
        return static_cast<std::uint32_t>(mesh_.vertices.size() - 1);
    }
    void triangle(std::uint32_t a, std::uint32_t b, std::uint32_t c)
    {
        mesh_.indices.insert(mesh_.indices.end(), {a, b, c});
    }

    /// A flat face, cut at the cell's joints.
    void face(std::vector<Corner> corners)
    {
        for (const HalfSpace& h : cell_->bounds) {
            std::vector<Corner> kept;
            for (size_t i = 0; i < corners.size(); ++i) {
                const Corner &p = corners[i], &q = corners[(i + 1) % corners.size()];
                const double u = h.beyond(p.place), v = h.beyond(q.place);
                if (u <= 1e-7) kept.push_back(p);
                if ((u > 1e-7 && v < -1e-7) || (u < -1e-7 && v > 1e-7)) {
                    const double share = u / (u - v);
                    kept.push_back({p.place + (q.place - p.place) * share,
                                    (p.normal + (q.normal - p.normal) * share).normalized()});
                }
            }
            if (kept.size() < 3) return;
            corners = std::move(kept);
        }
        const std::uint32_t first = vertex(corners[0]);
        std::uint32_t before = vertex(corners[1]);
        for (size_t i = 2; i < corners.size(); ++i) {
            const std::uint32_t here = vertex(corners[i]);
            triangle(first, before, here);
            before = here;
        }
    }

    /// A band of surface over the angles: `line` turned, its solid side to the left of its way along z where `sign` is
    /// +1.
    void sweep(const Polyline& whole, const std::vector<double>& angles, double sign)
    {
        const std::vector<std::vector<double>> within = reached(angles);
        for (const Polyline& line : betweenRadii(whole, cell_->low, cell_->high))
            for (const std::vector<double>& some : within) band(line, some, sign);
    }

    const BuiltLayer::Extent& extent() const { return extent_; }

private:
    /// Runs of these angles between which the cell can lie.
    std::vector<std::vector<double>> reached(const std::vector<double>& angles) const
    {
        const double from = extent_.from, to = extent_.to;
        if (to - from >= 360 || angles.size() < 2) return {angles};
        std::vector<std::vector<double>> runs;
        bool on = false;
        for (size_t k = 1; k < angles.size(); ++k) {
            const double turns = 360 * std::ceil((from - angles[k]) / 360);  // brings angles[k] to from … from + 360
            const bool meets = angles[k - 1] + turns <= to;
            if (meets && !on) runs.push_back({angles[k - 1]});
            if (meets) runs.back().push_back(angles[k]);
            on = meets;
        }
        return runs;
    }

    /// Whether a stretch of a line lies wholly beyond the cell, along the axis or across it.
    bool beyond(const Point& p, const Point& q) const
    {
        const auto [z0, z1] = std::minmax(p.x(), q.x());
        const auto [r0, r1] = std::minmax(p.y(), q.y());
        return z1 < extent_.z.low || z0 > extent_.z.high || r1 < extent_.r.low || r0 > extent_.r.high;
    }

    void band(const Polyline& line, const std::vector<double>& angles, double sign)
    {
        for (size_t i = 0; i + 1 < line.size(); ++i) {
            const Point d = line[i + 1] - line[i];
            const double length = d.norm();
            if (length < 1e-9 || (line[i].y() <= 0 && line[i + 1].y() <= 0) || beyond(line[i], line[i + 1])) continue;
            const Point flat = Point(-d.y(), d.x()) / length * sign;
            const Point n0 = smoothNormal(line, i, flat, sign, true), n1 = smoothNormal(line, i, flat, sign, false);
            auto at = [&](size_t end, double angle) {
                const Point &p = line[i + end], &n = end ? n1 : n0;
                return corner(p.x(), p.y(), angle, n.x(), n.y(), 0);
            };
            if (clip_) {
                for (size_t k = 1; k < angles.size(); ++k) {
                    // A ring's quad is not flat: its two triangles are.
                    auto three = [&](const Corner& p, const Corner& q, const Corner& r) {
                        sign > 0 ? face({p, q, r}) : face({p, r, q});
                    };
                    const Corner b0 = at(0, angles[k - 1]), b1 = at(1, angles[k - 1]), v0 = at(0, angles[k]),
                                 v1 = at(1, angles[k]);
                    if (line[i].y() > 0) three(b0, v0, b1);
                    if (line[i + 1].y() > 0) three(v0, v1, b1);
                }
                continue;
            }
            std::uint32_t before0 = 0, before1 = 0;
            for (size_t k = 0; k < angles.size(); ++k) {
                const std::uint32_t v0 = vertex(at(0, angles[k])), v1 = vertex(at(1, angles[k]));
                if (k) {
                    auto three = [&](std::uint32_t p, std::uint32_t q, std::uint32_t r) {
                        sign > 0 ? triangle(p, q, r) : triangle(p, r, q);
                    };
                    if (line[i].y() > 0) three(before0, v0, before1);
                    if (line[i + 1].y() > 0) three(v0, v1, before1);
                }
                before0 = v0;
                before1 = v1;
            }
        }
    }

    /// What of a line lies between two radii, in as many pieces as it takes.
    static std::vector<Polyline> betweenRadii(const Polyline& line, double low, double high)
    {
        const double most = std::ranges::max_element(line, {}, [](const Point& p) { return p.y(); })->y();
        const double least = std::ranges::min_element(line, {}, [](const Point& p) { return p.y(); })->y();
        if (least >= low && most <= high) return {line};
        std::vector<Polyline> out;
        Polyline now;
        auto cut = [&](const Point& p, const Point& q, double r) {
            return Point(p + (q - p) * ((r - p.y()) / (q.y() - p.y())));
        };
        for (size_t i = 0; i + 1 < line.size(); ++i) {
            const Point &p = line[i], &q = line[i + 1];
            std::vector<Point> stops{p};
            std::vector<double> shares;
            for (const double r : {low, high})
                if (std::isfinite(r) && (p.y() - r) * (q.y() - r) < 0) shares.push_back((r - p.y()) / (q.y() - p.y()));
            std::ranges::sort(shares);
            for (const double s : shares) stops.push_back(cut(p, q, p.y() + s * (q.y() - p.y())));
            stops.push_back(q);
            for (size_t k = 0; k + 1 < stops.size(); ++k) {
                const double mid = (stops[k].y() + stops[k + 1].y()) / 2;
                if (mid >= low && mid <= high) {
                    if (now.empty()) now.push_back(stops[k]);
                    now.push_back(stops[k + 1]);
                } else if (!now.empty())
                    out.push_back(std::exchange(now, {}));
            }
        }
        if (!now.empty()) out.push_back(now);
        return out;
    }

    /// Neighbouring faces within 30° share their normal; a sharper corner stays sharp.
    static Point smoothNormal(const Polyline& line, size_t i, const Point& flat, double sign, bool atStart)
    {
        const bool has = atStart ? i > 0 : i + 2 < line.size();
        if (!has) return flat;
        const Point d = atStart ? Point(line[i] - line[i - 1]) : Point(line[i + 2] - line[i + 1]);
        if (d.norm() < 1e-9) return flat;
        const Point other = Point(-d.y(), d.x()) / d.norm() * sign;
        return other.dot(flat) > 0.866 ? Point((other + flat).normalized()) : flat;
    }

    Mesh& mesh_;
    const Cell* cell_ = nullptr;
    BuiltLayer::Extent extent_{};
    bool clip_ = false;
    float species_ = 0, part_ = 0;
    double angle_ = 0, cos_ = 1, sin_ = 0;  // the last angle's, which comes twice running
};

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
void openFace(Builder& b, const BuiltLayer& layer, size_t index, const Polyline& outside, const Polyline& inside,
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
            std::vector<Builder::Corner> corners;
            for (const Point& p : q) corners.push_back(b.corner(p.x(), p.y(), angle, 0, 0, turn));
            b.face(corners);
        });
    }
}

/// The sides of open segments, where one looks into the gaps.
void gapFaces(Builder& b, const BuiltLayer& layer, size_t index, const Polyline& outside, const Polyline& inside)
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
                          std::vector<Builder::Corner> corners;
                          for (const Point& p : q)
                              corners.push_back(
                                  {h.normal * h.offset + along * p.y() + Eigen::Vector3d::UnitX() * p.x(), h.normal});
                          b.face(corners);
                      });
        }
    }
}

}  // namespace

Mesh turnedMesh(const Assembly& assembly, const Sides& sides, const MeshDetail& detail)
{
    Mesh mesh;
    Builder b(assembly, mesh);
    if (sides.outside.size() < 2 || assembly.layers.empty()) return mesh;
    const double height = sides.outside.back().x();
    for (size_t i = 0; i < assembly.layers.size(); ++i) {
        const BuiltLayer& layer = assembly.layers[i];
        // The last layer takes whatever stands above the stack: a caution says that it is missing.
        const double top = i + 1 == assembly.layers.size() ? std::max(layer.z1, height) : layer.z1;
        if (layer.z0 >= height) break;
        const bool first = i == 0, last = top >= height;
        const Polyline outside = ownPart(sides.outside, layer.z0, top, first, detail.tolerance),
                       inside = ownPart(sides.inside, layer.z0, top, first, detail.tolerance);
        const double widest = std::max(layer.finishedOuter.high, 1.0);
        auto boreAt = [&](double z) {
            const double r = sides.inside.empty() ? std::nan("") : radiusRange(sides.inside, z, z).low;
            return std::isnan(r) ? 0.0 : r;
        };
        auto rim = [&](double z) { return std::max(boreAt(z), 0.0); };
        // Where a neighbour has gaps, the layer's own face shows through them.
        const bool gapsBelow = !first && (layer.gaps || assembly.layers[i - 1].gaps),
                   gapsAbove = !last && (layer.gaps || assembly.layers[i + 1].gaps);
        for (const Cell& cell : layer.cells)
            for (const Range& span : spansOf(cell, detail.cutAway)) {
                b.begin(i, layer, cell);
                const std::vector<double> angles = arcAngles(span.low, span.high, widest, detail.tolerance);
                // Where a cell ends is a place on the true line, not on its chord.
                const Range tall = heightOf(cell, layer.z0, top);
                const bool part = tall.low > layer.z0 || tall.high < top;
                auto own = [&](const Polyline& side) {
                    return ownPart(side, tall.low, tall.high, first, detail.tolerance);
                };
                const Polyline& out = part ? own(sides.outside) : outside;
                const Polyline& in = part ? own(sides.inside) : inside;
                if (out.size() > 1) b.sweep(out, angles, 1);
                if (in.size() > 1) b.sweep(in, angles, -1);
                if (first || gapsBelow)
                    b.sweep({{layer.z0,
                              first && !sides.inside.empty() && sides.inside.front().x() > 0 ? 0.0 : rim(layer.z0)},
                             first ? sides.outside.front() : Point(layer.z0, radiusAt(sides.outside, layer.z0))},
                            angles, 1);
                if (last)
                    b.sweep({sides.outside.back(), {height, sides.inside.empty() ? 0.0 : sides.inside.back().y()}},
                            angles, 1);
                if (gapsAbove) b.sweep({{top, radiusAt(sides.outside, top)}, {top, rim(top)}}, angles, 1);
            }
        if (layer.gaps && !detail.cutAway) gapFaces(b, layer, i, outside, inside);
        if (detail.cutAway)
            for (const double angle : {0.0, 180.0}) openFace(b, layer, i, outside, inside, angle);
    }
    return mesh;
}

Mesh blankMesh(const Assembly& assembly)
{
    Mesh mesh;
    Builder b(assembly, mesh);
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
