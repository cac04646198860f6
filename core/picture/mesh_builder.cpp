#include "core/picture/mesh_builder.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// What of a line lies between two radii, in as many pieces as it takes.
std::vector<Polyline> betweenRadii(const Polyline& line, double low, double high)
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

/// Neighboring faces within 30° share their normal; a sharper corner stays sharp.
Point smoothNormal(const Polyline& line, size_t i, const Point& flat, double sign, bool atStart)
{
    const bool has = atStart ? i > 0 : i + 2 < line.size();
    if (!has) return flat;
    const Point d = atStart ? Point(line[i] - line[i - 1]) : Point(line[i + 2] - line[i + 1]);
    if (d.norm() < 1e-9) return flat;
    const Point other = Point(-d.y(), d.x()) / d.norm() * sign;
    return other.dot(flat) > 0.866 ? Point((other + flat).normalized()) : flat;
}

}  // namespace

MeshBuilder::MeshBuilder(const Assembly& assembly, Mesh& mesh) : mesh_(mesh)
{
    const auto know = [&](const Cell& c) {
        if (mesh.woods.empty() ||
            (c.wood != mesh.woods.back() && std::ranges::find(mesh.woods, c.wood) == mesh.woods.end()))
            mesh.woods.push_back(c.wood);
    };
    for (const BuiltLayer& l : assembly.layers) {
        for (const Cell& c : l.cells) know(c);
        for (const Inset& i : l.insets) know(i.cell);
    }
}

void MeshBuilder::begin(size_t layer, const BuiltLayer& built, const Cell& cell)
{
    extent_ = built.extentOf(cell);
    take(layer, cell);
}

void MeshBuilder::beginInset(size_t layer, const Cell& cell)
{
    constexpr double far = 1e6;  // mm
    extent_ = {{-far, far}, {0, far}};
    take(layer, cell);
}

void MeshBuilder::take(size_t layer, const Cell& cell)
{
    cell_ = &cell;
    species_ = static_cast<float>(std::ranges::find(mesh_.woods, cell.wood) - mesh_.woods.begin());
    // A part that is not painted by itself is picked with the layer's first segment.
    part_ = static_cast<float>(layer * 1000 + static_cast<size_t>(std::max(cell.segment, 0)));
    clip_ = !cell.bounds.empty() || !limits_.empty();
}

MeshBuilder::Corner MeshBuilder::corner(double z, double r, double angleDeg, double nz, double nr, double nt)
{
    if (angleDeg != angle_) {
        angle_ = angleDeg;
        cos_ = std::cos(angleDeg * degrees);
        sin_ = std::sin(angleDeg * degrees);
    }
    return {{z, r * cos_, r * sin_}, {nz, nr * cos_ - nt * sin_, nr * sin_ + nt * cos_}};
}

std::uint32_t MeshBuilder::vertex(const Corner& c)
{
    auto floats = [](const Eigen::Vector3d& v) {
        return std::array{static_cast<float>(v.x()), static_cast<float>(v.y()), static_cast<float>(v.z())};
    };
    mesh_.vertices.push_back(
        {floats(c.place), floats(c.normal), floats(cell_->board.place(c.place)), species_, cell_->seed, part_});
    return static_cast<std::uint32_t>(mesh_.vertices.size() - 1);
}

bool MeshBuilder::cut(std::vector<Corner>& corners, const HalfSpace& h)
{
    std::vector<Corner> kept;
    for (size_t i = 0; i < corners.size(); ++i) {
        const Corner &p = corners[i], &q = corners[(i + 1) % corners.size()];
        const double u = h.beyond(p.place), v = h.beyond(q.place);
        if (u <= 1e-7) kept.push_back(p);
        if ((u > 1e-7 && v < -1e-7) || (u < -1e-7 && v > 1e-7)) {
            const double share = u / (u - v);
            kept.push_back(
                {p.place + (q.place - p.place) * share, (p.normal + (q.normal - p.normal) * share).normalized()});
        }
    }
    corners = std::move(kept);
    return corners.size() >= 3;
}

void MeshBuilder::face(std::vector<Corner> corners)
{
    for (const HalfSpace& h : cell_->bounds)
        if (!cut(corners, h)) return;
    for (const HalfSpace& h : limits_)
        if (!cut(corners, h)) return;
    const std::uint32_t first = vertex(corners[0]);
    std::uint32_t before = vertex(corners[1]);
    for (size_t i = 2; i < corners.size(); ++i) {
        const std::uint32_t here = vertex(corners[i]);
        triangle(first, before, here);
        before = here;
    }
}

void MeshBuilder::sweep(const Polyline& whole, const std::vector<double>& angles, double sign)
{
    const std::vector<std::vector<double>> within = reached(angles);
    for (const Polyline& line : betweenRadii(whole, cell_->low, cell_->high))
        for (const std::vector<double>& some : within) band(line, some, sign);
}

/// Runs of these angles between which the cell can lie.
std::vector<std::vector<double>> MeshBuilder::reached(const std::vector<double>& angles) const
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
bool MeshBuilder::beyond(const Point& p, const Point& q) const
{
    const auto [z0, z1] = std::minmax(p.x(), q.x());
    const auto [r0, r1] = std::minmax(p.y(), q.y());
    return z1 < extent_.z.low || z0 > extent_.z.high || r1 < extent_.r.low || r0 > extent_.r.high;
}

void MeshBuilder::band(const Polyline& line, const std::vector<double>& angles, double sign)
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

}  // namespace vl
