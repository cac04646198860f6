#include "core/workpiece/axis_report.h"

#include "core/workpiece/lid_sides.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace vl {
namespace {

/// The piece as it is after the first `count` set-ups.
TurnedSurfaces afterSetUps(const TurnedSurfaces& surfaces, size_t count)
{
    TurnedSurfaces s = surfaces;
    s.axes.resize(count);
    return s;
}

/// Least angle between neighboring sides, degrees.
double leastApart(const std::vector<const AxisSetUp*>& sides)
{
    double least = 360;
    for (size_t k = 0; k < sides.size(); ++k) {
        const double next = k + 1 < sides.size() ? sides[k + 1]->indexDeg : sides[0]->indexDeg + 360;
        if (sides.size() > 1) least = std::min(least, next - sides[k]->indexDeg);
    }
    return least;
}

/// The radius about their axes at which two neighbors meet `at` mm from the true axis, each `off` from it.
double meeting(double at, double off, double apartDeg)
{
    return std::sqrt(at * at + off * off + 2 * at * off * std::cos(apartDeg / 2 * degrees));
}

/// Share of a turn about an axis in which a tool at `radius` from it meets no wood of a section.
double shareOfAir(const CrossSection& before, const Point& center, double radius)
{
    constexpr int looks = 720;
    int air = 0;
    for (int k = 0; k < looks; ++k)
        if (!before.holds(center + polar(radius, 360.0 * k / looks))) ++air;
    return static_cast<double>(air) / looks;
}

AxisAt reportAt(const OffAxis& axis, const std::vector<const AxisSetUp*>& own, const TurnedSurfaces& before,
                const TurnedSurfaces& after, double z)
{
    AxisAt r{.z = z};
    const CrossSection was(before, z), is(after, z);
    const size_t first = before.axes.size();
    const std::vector<double> flats = is.flats();
    r.round = radiusAt(before.outside, z);
    r.widest = is.widest().across;
    r.narrowest = is.narrowest().across;
    r.area = is.area();
    for (size_t k = 0; k < own.size(); ++k) {
        r.flats.push_back(flats[first + k]);
        const double radius = own[k]->solid.radiusNear(z);
        const Point off = own[k]->solid.centerAt(z);
        const double towards = std::atan2(-off.y(), -off.x()) / degrees;
        const double reached = was.holds({0, 0}) ? was.reachFrom({0, 0}, towards) : r.round;
        r.depths.push_back(std::isnan(radius) ? 0 : reached - (radius - off.norm()));
    }
    // What is not a flat between two of them is the round that is left.
    const auto spans = is.spans();
    for (size_t k = 0; k < own.size(); ++k) {
        double band = 0;
        const int here = static_cast<int>(first + k) + 1, next = static_cast<int>(first + (k + 1) % own.size()) + 1;
        for (size_t i = 0; i < spans.size(); ++i) {
            if (spans[i].of != here) continue;
            const CrossSection::Side &on = spans[(i + 1) % spans.size()], &then = spans[(i + 2) % spans.size()];
            if (on.of < here && then.of == next && own.size() > 1) band = (is.at(on.to) - is.at(on.from)).norm();
        }
        r.bands.push_back(band);
    }
    const double off = own[0]->solid.centerAt(z).norm(), apart = leastApart(own);
    r.meetRadius = meeting(r.round, off, apart);
    // A band takes its own angle out of what lies between two sides.
    const double bandDeg = r.round > 0 ? 2 * std::asin(std::clamp(axis.band / 2 / r.round, 0.0, 1.0)) / degrees : 0;
    r.bandRadius = meeting(r.round, off, std::max(0.0, apart - bandDeg));
    const double radius = own[0]->solid.radiusNear(z);
    if (!std::isnan(radius)) r.air = shareOfAir(was, own[0]->solid.centerAt(z), radius);
    if (!(flats[first] > 0)) return r;
    // A center that is 1 mm off, outwards, and a side that is one hole on.
    const Point out = off > 0 ? Point(own[0]->solid.centerAt(z) / off) : Point(1, 0);
    const auto movedBy = [&](double mm) {
        TurnedSurfaces wrong = after;
        wrong.axes[first].at += mm * Eigen::Vector3d(0, out.x(), out.y());
        return std::abs(CrossSection(wrong, z).flats()[first] - flats[first]);
    };
    const double length = before.outside.back().x(), share = length > 0 ? std::clamp(z / length, 0.0, 1.0) : 0;
    r.perMillimeter = movedBy(1);
    r.perHead = movedBy(1 - share);
    r.perTail = movedBy(share);
    if (axis.plate > 0) {
        TurnedSurfaces wrong = after;
        const double hole = 360.0 / axis.plate * degrees, c = std::cos(hole), s = std::sin(hole);
        auto turn = [&](Eigen::Vector3d v) {
            return Eigen::Vector3d(v.x(), c * v.y() - s * v.z(), s * v.y() + c * v.z());
        };
        wrong.axes[first].at = turn(wrong.axes[first].at);
        wrong.axes[first].along = turn(wrong.axes[first].along);
        r.perHole = std::abs(CrossSection(wrong, z).flats()[first] - flats[first]);
    }
    return r;
}

}  // namespace

std::vector<AxisReport> axisReports(const Piece& piece, const TurnedSurfaces& surfaces,
                                    const std::vector<AxisSetUp>& setUps)
{
    std::vector<AxisReport> out;
    for (size_t a = 0; a < piece.axes.size(); ++a) {
        std::vector<const AxisSetUp*> own;
        size_t first = setUps.size();
        for (size_t i = 0; i < setUps.size(); ++i)
            if (setUps[i].axis == a) {
                first = std::min(first, i);
                own.push_back(&setUps[i]);
            }
        AxisReport r{.axis = a};
        r.leastWall = std::numeric_limits<double>::infinity();
        const TurnedSurfaces before = afterSetUps(surfaces, first), after = afterSetUps(surfaces, first + own.size());
        const double height = outlineHeight(piece);
        const double from = std::clamp(own[0]->solid.outline.front().x(), 0.0, height),
                     to = std::clamp(own[0]->solid.outline.back().x(), 0.0, height);
        constexpr double just = 1e-3;  // mm within the range
        for (const double z : {from + just, (from + to) / 2, to - just})
            if (z > 0 && z < height) r.at.push_back(reportAt(piece.axes[a], own, before, after, z));
        constexpr int looks = 60;
        for (int k = 0; k <= looks; ++k) {
            const double z = from + (to - from) * k / looks;
            const double line = own[0]->solid.radiusNear(z) - own[0]->solid.centerAt(z).norm();
            if (z > 0 && z < height && !std::isnan(line)) r.depth.emplace_back(z, radiusAt(surfaces.outside, z) - line);
            for (const AxisSetUp* s : own) {
                r.imbalance = std::max(r.imbalance, s->solid.centerAt(z).norm());
                const double bore = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, z, z).low;
                if (!(bore > 0)) continue;
                const double wall = s->solid.radiusNear(z) - s->solid.centerAt(z).norm() - bore;
                if (wall < r.leastWall) r.leastWall = wall, r.leastWallAt = z;
            }
        }
        const double middle = (from + to) / 2;
        r.middleLineLost = std::ranges::any_of(own, [&](const AxisSetUp* s) {
            return s->solid.radiusNear(middle) - s->solid.centerAt(middle).norm() < radiusAt(surfaces.outside, middle);
        });
        out.push_back(std::move(r));
    }
    return out;
}

double imbalance(const TurnedSurfaces& surfaces, size_t turned, const TurnedAbout* about)
{
    const TurnedSurfaces now = afterSetUps(surfaces, turned);
    if (now.outside.empty()) return 0;
    const double from = now.outside.front().x(), to = now.outside.back().x();
    constexpr int slices = 12;
    constexpr double within = 0.1, none = 0.1;  // mm: of the polygon, and what is in balance
    double weight = 0, moment = 0;
    for (int k = 0; k < slices; ++k) {
        const double z = from + (to - from) * (k + 0.5) / slices;
        double area = 0;
        Point first{0, 0};
        const Polyline outline = CrossSection(now, z).outline(within);
        for (size_t i = 0; i < outline.size(); ++i) {
            const Point &a = outline[i], &b = outline[(i + 1) % outline.size()];
            const double part = (a.x() * b.y() - b.x() * a.y()) / 2;
            area += part;
            first += part * (a + b) / 3;
        }
        if (!(area > 0)) continue;
        const Point middle = first / area - (about ? about->centerAt(z) : Point{0, 0});
        weight += area;
        moment += area * middle.norm();
    }
    return weight > 0 && moment > none * weight ? moment / weight : 0;
}

std::vector<LostCenter> lostCenters(const Piece& piece, const TurnedSurfaces& surfaces,
                                    const std::vector<AxisSetUp>& setUps)
{
    std::vector<LostCenter> lost;
    const double height = outlineHeight(piece);
    constexpr double point = 2;  // mm of wood that a center's point needs round it; own value
    auto look = [&](const std::string& id, const Point& head, const Point& tail, size_t before) {
        for (size_t j = 0; j < before; ++j)
            for (const bool atHead : {true, false}) {
                const double z = atHead ? 0 : height, r = setUps[j].solid.radiusNear(z);
                if (std::isnan(r)) continue;
                const double out = ((atHead ? head : tail) - setUps[j].solid.centerAt(z)).norm() - (r - point);
                if (out > 0) lost.push_back({id, setUps[j].id, atHead, out});
            }
    };
    for (size_t i = 0; i < setUps.size(); ++i) {
        const OffAxis& axis = piece.axes[setUps[i].axis];
        if (axis.by != AxisBy::Centers) continue;
        look(setUps[i].id, setUps[i].head, setUps[i].tail, i);
        // The blank itself must be there.
        for (const bool atHead : {true, false}) {
            // The waste of a box and its lid is left as wide as they are.
            const double have = hasLid(piece) ? surfaces.widest() : radiusAt(surfaces.outside, atHead ? 0 : height);
            const double out = (atHead ? setUps[i].head : setUps[i].tail).norm() - (have - point);
            if (out > 0) lost.push_back({setUps[i].id, "", atHead, out});
        }
    }
    look("", {0, 0}, {0, 0}, setUps.size());
    return lost;
}

}  // namespace vl
