#include "core/picture/rolling.h"

#include "core/geometry/hull.h"
#include "core/geometry/profile.h"
#include "core/picture/rejoined.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <optional>
#include <utility>

namespace vl {
namespace {

using Eigen::Vector3d;

constexpr double flat = 1e-4;       // rad: faces that meet at less are one
constexpr double pace = 4;          // degrees that a body turns from one place to the next
constexpr size_t mostEdges = 4000;  // after so many it goes round
const Vector3d up = Vector3d::UnitX();

/// Two corners of a face, and the face beyond.
struct Hinge {
    std::uint32_t a, b;
    size_t beyond;
};

/// A flat face of the hull: its edges in order.
struct Facet {
    Vector3d normal{0, 0, 0};
    std::vector<Hinge> edges;
};

Vector3d cornerOf(const Surface& s, std::uint32_t i) { return {s.corners[i][0], s.corners[i][1], s.corners[i][2]}; }

/// The hull's triangles, those in one plane joined.
std::vector<Facet> facetsOf(const Surface& hull)
{
    std::map<std::pair<std::uint32_t, std::uint32_t>, size_t> faceAt;
    std::vector<Vector3d> normals, areas;
    for (size_t f = 0; f < hull.faces.size(); ++f) {
        const auto& t = hull.faces[f];
        for (size_t k = 0; k < 3; ++k) faceAt[{t[k], t[(k + 1) % 3]}] = f;
        const Vector3d a = cornerOf(hull, t[0]);
        areas.push_back((cornerOf(hull, t[1]) - a).cross(cornerOf(hull, t[2]) - a));
        normals.push_back(areas.back().normalized());
    }
    std::vector<size_t> group(hull.faces.size());
    std::iota(group.begin(), group.end(), size_t{0});
    const auto root = [&](size_t f) {
        while (group[f] != f) f = group[f] = group[group[f]];
        return f;
    };
    for (const auto& [edge, f] : faceAt) {
        const size_t g = faceAt.at({edge.second, edge.first});
        if (normals[f].cross(normals[g]).norm() < flat) group[root(f)] = root(g);
    }
    std::map<size_t, size_t> number;
    for (size_t f = 0; f < group.size(); ++f) number.try_emplace(root(f), number.size());
    std::vector<Facet> facets(number.size());
    for (size_t f = 0; f < group.size(); ++f) facets[number.at(root(f))].normal += areas[f];
    for (Facet& s : facets) s.normal.normalize();
    for (const auto& [edge, f] : faceAt) {
        const size_t own = number.at(root(f)), other = number.at(root(faceAt.at({edge.second, edge.first})));
        if (own != other) facets[own].edges.push_back({edge.first, edge.second, other});
    }
    for (Facet& s : facets)
        for (size_t k = 1; k < s.edges.size(); ++k)
            for (size_t m = k; m < s.edges.size(); ++m)
                if (s.edges[m].a == s.edges[k - 1].b) std::swap(s.edges[k], s.edges[m]);
    return facets;
}

/// One way on: over an edge, by an angle about a line on the ground.
struct Tip {
    const Hinge* edge;
    Vector3d at, about;  ///< a point of the edge, and the way that the body turns about it
    double angle;
    double lift;   ///< the greatest height of the middle on the way
    Vector3d way;  ///< over the edge
};

Tip tipOver(const Surface& hull, const std::vector<Facet>& facets, const Facet& from, const Hinge& edge,
            const Vector3d& middle, const Eigen::Isometry3d& place)
{
    const Vector3d a = place * cornerOf(hull, edge.a), b = place * cornerOf(hull, edge.b);
    // The face on the ground is seen from below: counterclockwise there, its edges have it at their right from above.
    const Vector3d along = (b - a).normalized(), way = up.cross(along);
    const double angle = std::acos(std::clamp(from.normal.dot(facets[edge.beyond].normal), -1.0, 1.0));
    const Vector3d c = place * middle - a;
    const double forward = c.dot(way), high = c.dot(up), reach = std::hypot(forward, high);
    const double begin = std::atan2(high, -forward), end = begin + angle;
    const double lift = begin <= pi / 2 && end >= pi / 2 ? reach : reach * std::max(std::sin(begin), std::sin(end));
    return {&edge, a, up.cross(way), angle, lift, way};
}

}  // namespace

Surface rollingHull(const Piece& piece)
{
    constexpr int round = 72;  // of half a turn
    const Eigen::Isometry3d on = turningOn(piece);
    std::vector<Vector3d> points;
    // Corners where both halves meet are one.
    const auto add = [&](const Vector3d& p) {
        constexpr double grid = 1e6;  // to the mm
        points.push_back((p * grid).array().round() / grid);
    };
    for (const Point& p : flatten(piece.outside, 0.2))
        for (int k = 0; k <= round; ++k) {
            const double angle = pi * k / round;
            const Vector3d still(p.x(), p.y() * std::cos(angle), p.y() * std::sin(angle));
            add(still);
            add(on * Vector3d(still.x(), still.y(), -still.z()));
        }
    return points.empty() ? Surface{} : hullOf(points);
}

Vector3d middleOfMass(const Piece& piece)
{
    const Polyline line = outsideRadii(piece);
    double volume = 0;
    Vector3d moment(0, 0, 0);
    constexpr int parts = 16;  // of a piece of the outline: its radius is straight there, its powers are not
    for (size_t i = 1; i < line.size(); ++i)
        for (int k = 0; k < parts; ++k) {
            const Point p = line[i - 1] + (line[i] - line[i - 1]) * ((k + 0.5) / parts);
            const double dx = (line[i].x() - line[i - 1].x()) / parts, r = p.y();
            volume += pi / 2 * r * r * dx;
            moment += Vector3d(pi / 2 * r * r * p.x(), 0, 2.0 / 3 * r * r * r) * dx;
        }
    if (!(volume > 0)) return Vector3d::Zero();
    const Vector3d still = moment / volume, other(still.x(), 0, -still.z());
    return (still + turningOn(piece) * other) / 2;
}

Rolling rollOn(const Surface& hull, const Vector3d& middle, double length)
{
    Rolling out;
    if (hull.faces.size() < 4) return out;
    const std::vector<Facet> facets = facetsOf(hull);
    size_t now = 0;
    // It begins on the face on which it lies lowest.
    const auto above = [&](size_t s) {
        return facets[s].normal.dot(cornerOf(hull, facets[s].edges.front().a) - middle);
    };
    for (size_t s = 0; s < facets.size(); ++s)
        if (above(s) < above(now)) now = s;
    Eigen::Isometry3d place = Eigen::Isometry3d::Identity();
    place.linear() = Eigen::Quaterniond::FromTwoVectors(facets[now].normal, -up).toRotationMatrix();
    place.pretranslate(-up * (place * cornerOf(hull, facets[now].edges.front().a)).dot(up));
    const Vector3d first = place * middle;
    const double size = (cornerOf(hull, 0) - middle).norm();
    size_t before = facets.size();
    Vector3d heading(0, 0, 0);
    out.places.push_back(place);
    for (size_t k = 0; k < mostEdges; ++k) {
        const Facet& facet = facets[now];
        std::vector<Vector3d> print;
        for (const Hinge& e : facet.edges) print.push_back(place * cornerOf(hull, e.a));
        out.prints.push_back({out.places.size() - 1, std::move(print)});
        const Vector3d got = place * middle - first;
        if ((got - up * got.dot(up)).norm() >= length) break;
        std::optional<Tip> best;
        // Where two ways lift it alike it keeps on as it came.
        constexpr double keeps = 0.03;
        const auto cost = [&](const Tip& t) { return t.lift - keeps * size * t.way.dot(heading); };
        for (const Hinge& e : facet.edges) {
            if (e.beyond == before) continue;
            const Tip t = tipOver(hull, facets, facet, e, middle, place);
            if (!best || cost(t) < cost(*best)) best = t;
        }
        if (!best) break;
        const int shown = std::max(1, static_cast<int>(std::lround(best->angle / (pace * degrees))));
        const Eigen::Isometry3d from = place;
        for (int s = 1; s <= shown; ++s) {
            place = Eigen::Translation3d(best->at) * Eigen::AngleAxisd(best->angle * s / shown, best->about) *
                    Eigen::Translation3d(-best->at) * from;
            out.places.push_back(place);
        }
        before = std::exchange(now, best->edge->beyond);
        heading = best->way;
    }
    // The way that it got on by is down the slope.
    Vector3d net = place * middle - first;
    net -= up * net.dot(up);
    out.along = net.norm();
    Eigen::Isometry3d turned = Eigen::Isometry3d::Identity();
    if (out.along > 1e-6) {
        const Vector3d to = -Vector3d::UnitY(), way = net / out.along;
        turned.rotate(Eigen::AngleAxisd(std::atan2(way.cross(to).dot(up), way.dot(to)), up));
    }
    turned.translate(-(first - up * first.dot(up)));
    for (Eigen::Isometry3d& p : out.places) p = turned * p;
    for (Rolling::Print& p : out.prints)
        for (Vector3d& c : p.corners) c = turned * c;
    return out;
}

Slope slopeUnder(const Piece& piece)
{
    Slope slope;
    if (!piece.split.on) return slope;
    const double high = outlineHeight(piece);
    const Surface hull = rollingHull(piece);
    double size = 0;
    for (const auto& c : hull.corners) size = std::max(size, 2 * std::hypot(c[0] - high / 2, c[1], c[2]));
    constexpr double sizes = 2.5, falls = 8;  // how long a run is, in sizes of the piece; degrees
    slope.way = rollOn(hull, middleOfMass(piece), sizes * size);
    const double run = slope.way.along;
    Eigen::Isometry3d tilt = Eigen::Isometry3d::Identity();
    tilt.translate(Vector3d(high / 2 - size / 4, 0, 0));
    tilt.rotate(Eigen::AngleAxisd(-falls * degrees, Vector3d::UnitZ()));
    tilt.translate(Vector3d(0, run / 2, 0));
    for (Eigen::Isometry3d& p : slope.way.places) p = tilt * p;
    for (Rolling::Print& p : slope.way.prints)
        for (Vector3d& c : p.corners) c = tilt * c;
    for (const auto& [y, z] : {std::pair(0.7, -0.9), {0.7, 0.9}, {-0.7, 0.9}, {-0.7, -0.9}})
        slope.ground.push_back(tilt * Vector3d(0, y * size - (y < 0 ? run : 0), z * size));
    slope.height = size / 2;
    slope.width = run + size / 4;
    return slope;
}

}  // namespace vl
