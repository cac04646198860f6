#include "core/turning/mesh.h"

#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {

std::array<float, 3> boardPlace(const BuiltLayer& layer, size_t segment, double z, double r, double angleDeg)
{
    const double mid = layer.kind == LayerKind::Disc ? 0 : layer.phaseDeg + 360.0 * static_cast<double>(segment) / layer.stock.sides;
    const double a = (angleDeg - mid) * degrees;
    return {static_cast<float>(r * std::sin(a)), static_cast<float>(r * std::cos(a)), static_cast<float>(z - layer.z0)};
}

namespace {

class Builder {
public:
    Builder(const Assembly& assembly, Mesh& mesh) : a_(assembly), mesh_(mesh)
    {
        for (const BuiltLayer& l : assembly.layers)
            for (const Species* s : l.woods)
                if (std::ranges::find(mesh.woods, s) == mesh.woods.end()) mesh.woods.push_back(s);
    }

    /// From now on vertices belong to this segment.
    void begin(size_t layer, size_t segment)
    {
        layer_ = layer;
        segment_ = segment;
        const BuiltLayer& l = a_.layers[layer];
        species_ = static_cast<float>(std::ranges::find(mesh_.woods, l.woods[segment]) - mesh_.woods.begin());
        seed_ = segmentSeed(layer, segment);
        part_ = static_cast<float>(layer * 1000 + segment);
    }

    /// A vertex at station z, radius r, angle (degrees from 12 o'clock), with a normal given along (axis, radius, turn).
    std::uint32_t vertex(double z, double r, double angleDeg, double nz, double nr, double nt)
    {
        if (angleDeg != angle_) {
            angle_ = angleDeg;
            cos_ = std::cos(angleDeg * degrees);
            sin_ = std::sin(angleDeg * degrees);
        }
        const double c = cos_, s = sin_;
        mesh_.vertices.push_back({{static_cast<float>(z), static_cast<float>(r * c), static_cast<float>(r * s)},
                                  {static_cast<float>(nz), static_cast<float>(nr * c - nt * s), static_cast<float>(nr * s + nt * c)},
                                  boardPlace(a_.layers[layer_], segment_, z, r, angleDeg),
                                  species_,
                                  seed_,
                                  part_});
        return static_cast<std::uint32_t>(mesh_.vertices.size() - 1);
    }
    void triangle(std::uint32_t a, std::uint32_t b, std::uint32_t c) { mesh_.indices.insert(mesh_.indices.end(), {a, b, c}); }

    /// A band of surface over the angles: `line` turned, its solid side to the left of its way along z where `sign` is +1.
    void sweep(const Polyline& line, const std::vector<double>& angles, double sign)
    {
        for (size_t i = 0; i + 1 < line.size(); ++i) {
            const Point d = line[i + 1] - line[i];
            const double length = d.norm();
            if (length < 1e-9 || (line[i].y() <= 0 && line[i + 1].y() <= 0)) continue;
            const Point flat = Point(-d.y(), d.x()) / length * sign;
            const Point n0 = smoothNormal(line, i, flat, sign, true), n1 = smoothNormal(line, i, flat, sign, false);
            std::uint32_t before0 = 0, before1 = 0;
            for (size_t k = 0; k < angles.size(); ++k) {
                const std::uint32_t v0 = vertex(line[i].x(), line[i].y(), angles[k], n0.x(), n0.y(), 0);
                const std::uint32_t v1 = vertex(line[i + 1].x(), line[i + 1].y(), angles[k], n1.x(), n1.y(), 0);
                if (k) {
                    auto face = [&](std::uint32_t p, std::uint32_t q, std::uint32_t r) { sign > 0 ? triangle(p, q, r) : triangle(p, r, q); };
                    if (line[i].y() > 0) face(before0, v0, before1);
                    if (line[i + 1].y() > 0) face(v0, v1, before1);
                }
                before0 = v0;
                before1 = v1;
            }
        }
    }

    const BuiltLayer& layer() const { return a_.layers[layer_]; }

private:
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

    const Assembly& a_;
    Mesh& mesh_;
    size_t layer_ = 0, segment_ = 0;
    float species_ = 0, seed_ = 0, part_ = 0;
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

/// The part of a side that is a layer's own: a face square to the axis just at its lower joint belongs to the layer below.
Polyline ownPart(const Polyline& line, double z0, double z1, bool first, double tolerance)
{
    Polyline part = clipped(line, z0, z1);
    // What a picture needs is coarser than the line that is measured.
    if (part.size() > 2 && tolerance > 0.02) part = simplified(part, tolerance / 2);
    while (!first && part.size() > 1 && part[1].x() <= z0 + 1e-9) part.erase(part.begin());
    return part;
}

struct Slice {
    size_t segment;
    double from, to;
};

/// The segments of a layer as spans of angle; cut away, only what falls within 0° … 180°.
std::vector<Slice> slicesOf(const BuiltLayer& layer, bool cutAway)
{
    std::vector<Slice> slices;
    const double pitch = 360.0 / layer.count();
    for (int k = 0; k < layer.count(); ++k) {
        const double mid = layer.phaseDeg + pitch * k;
        Slice s{static_cast<size_t>(k), mid - pitch / 2, mid + pitch / 2};
        if (!cutAway) {
            slices.push_back(s);
            continue;
        }
        const double shift = 360 * std::floor(s.from / 360);
        for (const double base : {shift, shift + 360}) {
            const double from = std::max(s.from - base, 0.0), to = std::min(s.to - base, 180.0);
            if (to - from > 1e-9) slices.push_back({s.segment, from, to});
        }
    }
    return slices;
}

/// The face laid open by the cut, between the outside and the inside, over one layer.
void openFace(Builder& b, const Assembly& a, size_t index, const Polyline& outside, const Polyline& inside, double angle)
{
    std::vector<double> stations;
    for (const Polyline* line : {&outside, &inside})
        for (const Point& p : *line) stations.push_back(p.x());
    std::ranges::sort(stations);
    stations.erase(std::unique(stations.begin(), stations.end(), [](double x, double y) { return y - x < 1e-6; }), stations.end());
    const double turn = angle == 0 ? -1 : 1;
    b.begin(index, a.layers[index].segmentAt(angle + (angle == 0 ? 1e-6 : -1e-6)));
    for (size_t i = 0; i + 1 < stations.size(); ++i) {
        const double eps = 1e-7, z0 = stations[i] + eps, z1 = stations[i + 1] - eps;
        auto inner = [&](double z) {
            const double r = inside.empty() ? 0.0 : radiusRange(inside, z, z).low;
            return std::isnan(r) ? 0.0 : r;
        };
        const double o0 = radiusAt(outside, z0), o1 = radiusAt(outside, z1), i0 = inner(z0), i1 = inner(z1);
        if (std::isnan(o0) || std::isnan(o1)) continue;
        const auto v0 = b.vertex(z0, i0, angle, 0, 0, turn), v1 = b.vertex(z1, i1, angle, 0, 0, turn);
        const auto v2 = b.vertex(z1, o1, angle, 0, 0, turn), v3 = b.vertex(z0, o0, angle, 0, 0, turn);
        b.triangle(v0, v1, v2);
        b.triangle(v0, v2, v3);
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
        const Polyline outside = ownPart(sides.outside, layer.z0, top, first, detail.tolerance), inside = ownPart(sides.inside, layer.z0, top, first, detail.tolerance);
        const double widest = std::max(layer.finishedOuter.high, 1.0);
        for (const Slice& slice : slicesOf(layer, detail.cutAway)) {
            b.begin(i, slice.segment);
            const std::vector<double> angles = arcAngles(slice.from, slice.to, widest, detail.tolerance);
            b.sweep(outside, angles, 1);
            if (!inside.empty()) b.sweep(inside, angles, -1);
            if (first) b.sweep({{0, 0}, sides.outside.front()}, angles, 1);
            if (last) b.sweep({sides.outside.back(), {height, sides.inside.empty() ? 0.0 : sides.inside.back().y()}}, angles, 1);
        }
        if (detail.cutAway)
            for (const double angle : {0.0, 180.0}) openFace(b, assembly, i, outside, inside, angle);
    }
    return mesh;
}

Mesh blankMesh(const Assembly& assembly)
{
    Mesh mesh;
    Builder b(assembly, mesh);
    for (size_t i = 0; i < assembly.layers.size(); ++i) {
        const BuiltLayer& l = assembly.layers[i];
        const int n = l.kind == LayerKind::Disc ? 64 : l.stock.sides;
        const double outer = l.stock.apothem() / (l.kind == LayerKind::Disc ? 1 : std::cos(pi / n)), inner = l.stockInnerRadius();
        for (int k = 0; k < n; ++k) {
            b.begin(i, l.kind == LayerKind::Disc ? 0 : static_cast<size_t>(k));
            const double mid = l.phaseDeg + 360.0 * k / n, a0 = mid - 180.0 / n, a1 = mid + 180.0 / n;
            auto quad = [&](double z0, double r0, double z1, double r1, double nz, double nr) {
                const double tilt = 180.0 / n;  // the face is flat: its normal is the middle's, not the corner's
                auto corner = [&](double z, double r, double a) {
                    const double off = (a < mid ? tilt : -tilt) * degrees;
                    return b.vertex(z, r, a, nz, nr * std::cos(off), nr * std::sin(off));
                };
                const auto p = corner(z0, r0, a0), q = corner(z0, r0, a1), r = corner(z1, r1, a1), s = corner(z1, r1, a0);
                b.triangle(p, q, r);
                b.triangle(p, r, s);
            };
            quad(l.z0, outer, l.z1, outer, 0, 1);
            if (inner > 0) quad(l.z1, inner, l.z0, inner, 0, -1);
            quad(l.z0, inner, l.z0, outer, -1, 0);
            quad(l.z1, outer, l.z1, inner, 1, 0);
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
        const Eigen::Vector3d cross(p[1].y() * p[2].z() - p[1].z() * p[2].y(), p[1].z() * p[2].x() - p[1].x() * p[2].z(), p[1].x() * p[2].y() - p[1].y() * p[2].x());
        sum += p[0].dot(cross) / 6;
    }
    return sum;
}

}  // namespace vl
