#include "core/geometry/rods.h"
#include "core/workpiece/turned_surfaces.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double twist = 59;       // degrees between a twist drill's axis and its lips: a point of 118°
constexpr double spur = 3;         // mm that a flat bit's center point stands out; common practice
constexpr double spurRadius = 1;   // mm
constexpr double before = 2;       // mm that a cutter begins before the wood, beyond what a slanting mouth needs
constexpr double pastFarSide = 1;  // mm that a through hole's full diameter goes past the far side

double tipOf(const Hole& h) { return h.bit == Hole::Twist ? h.diameter / 2 / std::tan(twist * degrees) : spur; }

/// Its way into the wood, and a place on its middle line.
struct Line {
    Eigen::Vector3d at, way;
};

Line lineOf(const Hole& h, double angle, double height)
{
    const double c = std::cos(h.lean * degrees), s = std::sin(h.lean * degrees);
    const Eigen::Vector3d axis = Eigen::Vector3d::UnitX();
    switch (h.into) {
    case Hole::Side:
        return {axis * h.at + onwards(angle) * h.beside, -outwards(angle) * c - axis * s};
    case Hole::Rim:
        return {axis * height + outwards(angle) * h.at, -axis * c + outwards(angle) * s};
    case Hole::Foot:
        break;
    }
    return {outwards(angle) * h.at, axis * c + outwards(angle) * s};
}

/// Degrees between its way and square to the surface: the way the wood begins a millimeter to each side.
double slopeAt(const TurnedSurfaces& surfaces, const Eigen::Vector3d& mouth, const Eigen::Vector3d& way)
{
    constexpr double aside = 1, reach = 6;  // mm
    const Eigen::Vector3d u = way.unitOrthogonal(), v = way.cross(u);
    auto depth = [&](const Eigen::Vector3d& off) {
        const std::vector<Range> wood = woodAlong(surfaces, mouth + off - way * reach, way, 2 * reach);
        return wood.empty() ? std::nan("") : wood.front().low;
    };
    const double a = depth(u * aside) - depth(-u * aside), b = depth(v * aside) - depth(-v * aside);
    return std::isnan(a) || std::isnan(b) ? 90 : std::atan(std::hypot(a, b) / (2 * aside)) / degrees;
}

Polyline profileOf(const Hole& h, double lead, double full, double tip)
{
    const double r = h.diameter / 2;
    Polyline line;
    // A reamer's wall leans evenly from the full diameter's end up to the mouth.
    const double lean = h.wide > 0 ? 0 : std::tan(h.taper * degrees), e = std::min(h.ease, full / 2);
    const auto wall = [&](double in) { return std::max(h.wide, h.diameter) / 2 + (full - in) * lean; };
    line = {{-lead, wall(e) + e}};
    constexpr int steps = 12;
    for (int k = e > 0 ? 0 : steps; k <= steps && (e > 0 || lean > 0); ++k) {
        const double a = pi / 2 * k / steps;
        line.emplace_back(e * (1 - std::cos(a)), wall(e) + e * (1 - std::sin(a)));
    }
    if (h.wide > h.diameter) {
        const double deep = std::clamp(h.wideDepth, line.back().x(), full), mouth = wall(e);
        if (deep > line.back().x()) line.emplace_back(deep, mouth);
        line.emplace_back(deep, r);
    }
    if (full > line.back().x()) line.emplace_back(full, r);
    if (h.bit == Hole::Flat && r > spurRadius) line.emplace_back(full, spurRadius);
    line.emplace_back(full + tip, 0);
    return line;
}

}  // namespace

bool inMiddle(const Hole& h) { return h.into != Hole::Side && h.at == 0 && h.lean == 0 && h.count == 1; }

bool inRimsMiddle(const Hole& h) { return h.into == Hole::Rim && !h.early && inMiddle(h); }

std::vector<IndexMark> marksOf(const Hole& hole) { return laidOut(hole.count, hole.plate, hole.start); }

std::vector<DrilledHole> drilledHoles(const Piece& piece, const TurnedSurfaces& surfaces)
{
    std::vector<DrilledHole> all;
    const double height = outlineHeight(piece), far = 2 * (surfaces.widest() + height) + 10;
    for (size_t i = 0; i < piece.holes.size(); ++i) {
        const Hole& h = piece.holes[i];
        const std::vector<IndexMark> marks = marksOf(h);
        for (size_t k = 0; k < marks.size(); ++k) {
            DrilledHole d{.hole = i,
                          .which = static_cast<int>(k),
                          .mark = marks[k],
                          .angleDeg = h.direction + marks[k].wanted + marks[k].errorDeg,
                          .solid = {},
                          .tip = tipOf(h)};
            // Round it is the same all round.
            if (k > 0 && surfaces.round()) {
                const DrilledHole& first = all[all.size() - k];
                const Eigen::AngleAxisd on((d.angleDeg - first.angleDeg) * degrees, Eigen::Vector3d::UnitX());
                const double angle = d.angleDeg;
                const IndexMark mark = d.mark;
                d = first;
                d.which = static_cast<int>(k);
                d.angleDeg = angle;
                d.mark = mark;
                d.solid.from = on * first.solid.from;
                d.solid.way = on * first.solid.way;
                all.push_back(std::move(d));
                continue;
            }
            const Line line = lineOf(h, d.angleDeg, height);
            const Eigen::Vector3d start = line.at - line.way * far / 2;
            const std::vector<Range> wood = woodAlong(surfaces, start, line.way, far);
            if (!wood.empty()) {
                const double in = wood.front().low, out = wood.front().high;
                d.solid.from = start + line.way * in;
                d.solid.way = line.way;
                d.slopeDeg = slopeAt(surfaces, d.solid.from, line.way);
                // What is drilled in the blank finds no hollow there yet.
                const Hole::Ends ends = h.early && h.ends == Hole::Wall ? Hole::Through : h.ends;
                d.through = ends != Hole::Depth;
                // A slanting mouth lies higher on one side, and lower on the other where it comes out.
                const double slant = std::max(h.diameter, h.wide) / 2 * std::tan(std::min(d.slopeDeg, 75.0) * degrees);
                d.full = ends == Hole::Depth  ? h.depth
                         : ends == Hole::Wall ? out - in + slant + pastFarSide
                                              : wood.back().high - in + slant + pastFarSide;
                d.under = d.through ? 0 : out - in - d.full - d.tip;
                d.mouth = std::max(h.wide, h.diameter) + (h.wide > 0 ? 0 : 2 * d.full * std::tan(h.taper * degrees));
                d.solid.profile = profileOf(h, slant + before, d.full, d.tip);
            }
            all.push_back(std::move(d));
        }
    }
    return all;
}

double runsInto(const Piece& piece, const DrilledHole& a, const DrilledHole& b)
{
    if (a.solid.profile.empty() || b.solid.profile.empty()) return 0;
    const auto along = [](const DrilledHole& h, double share) -> Eigen::Vector3d {
        return h.solid.from + h.solid.way * h.full * share;
    };
    const double both = (piece.holes[a.hole].diameter + piece.holes[b.hole].diameter) / 2;
    if ((along(a, 0.5) - along(b, 0.5)).norm() - (a.full + b.full) / 2 > both) return 0;
    return both - distanceBetween(a.solid.from, along(a, 1), b.solid.from, along(b, 1));
}

std::string nameOf(const Piece& piece, const Hole& hole)
{
    if (!hole.name.empty()) return hole.name;
    for (size_t i = 0; i < piece.holes.size(); ++i)
        if (piece.holes[i].id == hole.id) return "hole " + std::to_string(i + 1);
    return "hole";
}

std::string drillStep(const Piece& piece, const DrilledHole& hole) { return "drill-" + piece.holes[hole.hole].id; }

}  // namespace vl
