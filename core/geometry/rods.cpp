#include "core/geometry/rods.h"

#include "core/geometry/directions.h"
#include "core/geometry/profile.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <string>

namespace vl {
namespace {

const Eigen::Vector3d axis = Eigen::Vector3d::UnitX();

struct Line {
    Eigen::Vector3d at, way;
};

Line lineOf(const Rod& r)
{
    return {axis * r.at + onwards(r.turn) * r.offset,
            axis * std::cos(r.angle * degrees) + outwards(r.turn) * std::sin(r.angle * degrees)};
}

/// Where a line runs inside the blank; high below low where it does not.
Range within(const RodBlank& b, const Line& line)
{
    Range in{-1e9, 1e9};
    const double low[] = {0, -b.width / 2, -b.width / 2}, high[] = {b.length, b.width / 2, b.width / 2};
    for (int k = 0; k < 3; ++k) {
        if (std::abs(line.way[k]) < 1e-12) {
            if (line.at[k] < low[k] || line.at[k] > high[k]) return {1, 0};
            continue;
        }
        const double a = (low[k] - line.at[k]) / line.way[k], c = (high[k] - line.at[k]) / line.way[k];
        in = {std::max(in.low, std::min(a, c)), std::min(in.high, std::max(a, c))};
    }
    return in;
}

/// What of a stretch of a line lies within a radius of the axis, mm.
double insideOf(double radius, const Line& line, const Range& stretch)
{
    const double a = line.way.tail<2>().squaredNorm(), b = line.at.tail<2>().dot(line.way.tail<2>()),
                 c = line.at.tail<2>().squaredNorm() - radius * radius;
    if (a < 1e-18) return c < 0 ? std::max(0.0, stretch.high - stretch.low) : 0;
    const double root = b * b - a * c;
    if (root <= 0) return 0;
    const double low = (-b - std::sqrt(root)) / a, high = (-b + std::sqrt(root)) / a;
    return std::max(0.0, std::min(high, stretch.high) - std::max(low, stretch.low));
}

}  // namespace

double distanceBetween(const Eigen::Vector3d& a, const Eigen::Vector3d& b, const Eigen::Vector3d& c,
                       const Eigen::Vector3d& d)
{
    // Where the lines are nearest if both lie on their stretches; else at one of the four ends.
    const Eigen::Vector3d u = b - a, v = d - c, w = a - c;
    const double uu = u.dot(u), uv = u.dot(v), vv = v.dot(v), det = uu * vv - uv * uv;
    const auto toStretch = [](const Eigen::Vector3d& p, const Eigen::Vector3d& from, const Eigen::Vector3d& way) {
        const double t = way.squaredNorm() > 0 ? std::clamp(way.dot(p - from) / way.squaredNorm(), 0.0, 1.0) : 0;
        return (p - from - t * way).norm();
    };
    double least = std::min({toStretch(a, c, v), toStretch(b, c, v), toStretch(c, a, u), toStretch(d, a, u)});
    if (det > 1e-12 * uu * vv) {
        const double s = (uv * v.dot(w) - vv * u.dot(w)) / det, t = (uu * v.dot(w) - uv * u.dot(w)) / det;
        if (s >= 0 && s <= 1 && t >= 0 && t <= 1) least = std::min(least, (w + s * u - t * v).norm());
    }
    return least;
}

void checkRods(const RodBlank& b, const std::vector<Rod>& rods)
{
    const auto above = [](const std::string& field, double value) {
        if (!(value > 0)) throw InputError(field, exact(value), "above 0 mm is");
    };
    above("length", b.length);
    above("width", b.width);
    above("final", b.finished);
    if (!(b.bore >= 0 && b.bore < b.finished))
        throw InputError("bore", exact(b.bore), "0 or more, and less than the final " + exact(b.finished) + " mm, is");
    for (size_t i = 0; i < rods.size(); ++i) {
        const Rod& r = rods[i];
        const std::string at = "rod " + std::to_string(i);
        above(at + " diameter", r.diameter);
        if (!(r.angle > 0 && r.angle < 180))
            throw InputError(at + " angle", exact(r.angle), "above 0 and below 180° is");
        if (!std::isfinite(r.at) || !std::isfinite(r.turn) || !std::isfinite(r.offset))
            throw InputError(at, "no finite numbers", "a place in the blank is");
        if (const Range in = within(b, lineOf(r)); !(in.high > in.low))
            throw InputError(at, "a line outside the blank", "one that passes through it is");
    }
}

std::vector<RodCrossing> crossings(const RodBlank& blank, const std::vector<Rod>& rods)
{
    std::vector<RodCrossing> out;
    const auto ends = [&](const Rod& r) {
        const Line line = lineOf(r);
        const Range in = within(blank, line);
        return std::pair<Eigen::Vector3d, Eigen::Vector3d>(line.at + line.way * in.low, line.at + line.way * in.high);
    };
    for (size_t k = 0; k < rods.size(); ++k)
        for (size_t i = 0; i < k; ++i) {
            const auto [a, b] = ends(rods[i]);
            const auto [c, d] = ends(rods[k]);
            const double depth = (rods[i].diameter + rods[k].diameter) / 2 - distanceBetween(a, b, c, d);
            if (depth > 0) out.push_back({i, k, depth});
        }
    return out;
}

bool breaksBore(const RodBlank& blank, const Rod& rod)
{
    if (!(blank.bore > 0)) return false;
    const Line line = lineOf(rod);
    const Range in = within(blank, line);
    return distanceBetween(line.at + line.way * in.low, line.at + line.way * in.high, {0, 0, 0}, {blank.length, 0, 0}) <
           (rod.diameter + blank.bore) / 2;
}

double survives(const RodBlank& blank, const Rod& rod)
{
    const Line middle = lineOf(rod);
    const Eigen::Vector3d right = middle.way.unitOrthogonal(), up = middle.way.cross(right);
    constexpr int rings = 60, spokes = 120;
    double all = 0, left = 0;
    for (int i = 0; i < rings; ++i)
        for (int k = 0; k < spokes; ++k) {
            // Rings of equal area, each spoke turned on a little from ring to ring.
            const double r = rod.diameter / 2 * std::sqrt((i + 0.5) / rings), a = 2 * pi * (k + 0.5 * (i % 2)) / spokes;
            const Line line{middle.at + r * (std::cos(a) * right + std::sin(a) * up), middle.way};
            const Range in = within(blank, line);
            if (!(in.high > in.low)) continue;
            all += in.high - in.low;
            left += insideOf(blank.finished / 2, line, in) - insideOf(blank.bore / 2, line, in);
        }
    return all > 0 ? left / all : 0;
}

}  // namespace vl
