#include "core/workpiece/worked_cuts.h"

#include "core/workpiece/openings.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

const Eigen::Vector3d axis = Eigen::Vector3d::UnitX();

/// A ball-ended cutter run along a straight line is a bar with round ends.
Drilled groove(const Worked& w, const StraightCut& cut, double angle)
{
    const double r = w.cutter / 2;
    const Eigen::Vector3d from = axis * w.from + outwards(angle) * (cut.radiusAt(w.from) + r),
                          to = axis * w.to + outwards(angle) * (cut.radiusAt(w.to) + r);
    const double length = (to - from).norm();
    Drilled bar{.from = from, .way = (to - from) / length, .profile = {}};
    constexpr int steps = 12;
    for (int k = 0; k <= steps; ++k) {
        const double a = pi / 2 * k / steps;
        bar.profile.emplace_back(-r * std::cos(a), k == 0 ? 0 : r * std::sin(a));
    }
    for (int k = steps; k >= 0; --k) {
        const double a = pi / 2 * k / steps;
        bar.profile.emplace_back(length + r * std::cos(a), k == 0 ? 0 : r * std::sin(a));
    }
    return bar;
}

/// Everything outside a straight line between two stations; from the foot or to the rim it runs right out.
Sawed facet(const Worked& w, const StraightCut& cut, double height, double angle)
{
    constexpr double beyond = 5;  // mm
    const double from = w.from <= 0 ? -beyond : w.from, to = w.to >= height ? height + beyond : w.to;
    return {.right = axis,
            .up = outwards(angle),
            .outline = {{from, cut.radiusAt(from)}, {to, cut.radiusAt(to)}, {to, beyondAll}, {from, beyondAll}}};
}

/// What stands between one leg and the next, from below the foot up to the legs' height.
Sawed between(const Worked& w, double first, double next)
{
    const double half = (next - first) / 2 * degrees;
    const auto at = [](double deg) -> Point { return {std::cos(deg * degrees), std::sin(deg * degrees)}; };
    const Point middle = at((first + next) / 2), apex = middle * (w.width / 2 / std::sin(half));
    const double far = beyondAll / 2;
    // Its plane is seen from the tailstock: 12 o'clock to the right, 9 o'clock up.
    return {.right = outwards(0),
            .up = outwards(90),
            .outline = {apex, apex + far * at(first), apex + far * (at(first) + middle),
                        apex + far * (at(next) + middle), apex + far * at(next)},
            .reach = {-beyondAll, w.height}};
}

}  // namespace

double footRadiusOf(const TurnedSurfaces& surfaces)
{
    double foot = 0;
    for (const Point& p : surfaces.outside)
        if (p.x() < 0.25) foot = std::max(foot, p.y());
    return foot;
}

std::vector<WorkedPlace> workedPlaces(const Piece& piece)
{
    std::vector<WorkedPlace> all;
    for (size_t i = 0; i < piece.worked.size(); ++i) {
        const Worked& w = piece.worked[i];
        int which = 0;
        for (const IndexMark& m : laidOut(w.count, w.plate, w.start))
            all.push_back({i, which++, m, w.direction + m.wanted + m.errorDeg});
    }
    return all;
}

std::optional<StraightCut> straightCut(const Worked& w, const TurnedSurfaces& surfaces)
{
    StraightCut cut;
    const double z0 = cut.from = std::max(w.from, surfaces.outside.front().x()),
                 z1 = cut.to = std::min(w.to, surfaces.outside.back().x());
    if (w.kind == Worked::Legs || w.kind == Worked::Openings || z1 <= z0) return std::nullopt;
    constexpr double just = 1e-3;  // mm within: at a step the side that is worked
    const double a = radiusAt(surfaces.outside, z0 + just), b = radiusAt(surfaces.outside, z1 - just);
    if (!(a > w.depth && b > w.depth)) return std::nullopt;
    cut.low = a - w.depth;
    cut.high = b - w.depth;
    cut.deepest = cut.shallowest = w.depth;
    cut.at = z0;
    double reached = a;
    constexpr int looks = 200;
    for (int k = 1; k < looks; ++k) {
        const double z = z0 + (z1 - z0) * k / looks, r = radiusAt(surfaces.outside, z), deep = r - cut.radiusAt(z);
        if (deep > cut.deepest) cut.deepest = deep, cut.at = z, reached = r;
        cut.shallowest = std::min(cut.shallowest, deep);
    }
    if (w.kind == Worked::Facets) {
        const double bottom = reached - cut.deepest;
        cut.widest = 2 * std::sqrt(std::max(0.0, reached * reached - bottom * bottom));
    } else {
        // Where two circles cross: the work's, and the cutter's about its middle.
        const double r = w.cutter / 2, d = reached - cut.deepest + r,
                     along = (d * d + reached * reached - r * r) / (2 * d);
        cut.widest = cut.deepest >= r ? w.cutter : 2 * std::sqrt(std::max(0.0, reached * reached - along * along));
    }
    return cut;
}

std::vector<double> directionsOf(const Piece& piece, size_t which)
{
    std::vector<double> angles;
    for (const WorkedPlace& p : workedPlaces(piece))
        if (p.worked == which) angles.push_back(p.angleDeg);
    return angles;
}

bool isHollowedBetweenLegs(const Piece& piece, const TurnedSurfaces& surfaces)
{
    for (size_t i = 0; i < piece.worked.size(); ++i)
        if (piece.worked[i].kind == Worked::Legs && legRing(piece, i, surfaces).isHollowed()) return true;
    return false;
}

LegRing legRing(const Piece& piece, size_t which, const TurnedSurfaces& surfaces)
{
    const Worked& w = piece.worked[which];
    // Across the axis the fibers of a block run towards 9 o'clock.
    const BlockForm* block = piece.layers.size() == 1 ? piece.layers[0].as<BlockForm>() : nullptr;
    const std::optional<double> grainDeg = block && !block->alongAxis() ? std::optional(90.0) : std::nullopt;
    LegRing ring{.outer = footRadiusOf(surfaces), .across = grainDeg.has_value()};
    ring.inner = std::max(0.0, ring.outer - w.thick);
    for (const double a : directionsOf(piece, which)) {
        if (!grainDeg) {
            ring.grain.push_back(w.height);
            continue;
        }
        // The line of a fiber through the middle of a rectangle, thick by wide.
        const double c = std::abs(std::cos((*grainDeg - a) * degrees)),
                     s = std::abs(std::sin((*grainDeg - a) * degrees));
        const double thick = std::min(w.thick, ring.outer);
        ring.grain.push_back(std::min(c > 1e-9 ? thick / c : 1e9, s > 1e-9 ? w.width / s : 1e9));
    }
    return ring;
}

std::vector<Cut> workedCuts(const Piece& piece, const TurnedSurfaces& surfaces)
{
    std::vector<Cut> cuts;
    const double height = outlineHeight(piece);
    for (size_t i = 0; i < piece.worked.size(); ++i) {
        const Worked& w = piece.worked[i];
        const std::vector<double> angles = directionsOf(piece, i);
        if (w.kind == Worked::Legs) {
            const LegRing ring = legRing(piece, i, surfaces);
            constexpr double before = 5;  // mm below the foot
            if (ring.isHollowed())
                cuts.push_back(
                    {recessStep(w),
                     Drilled{.from = -before * axis,
                             .way = axis,
                             .profile = {{0, ring.inner}, {before + w.height, ring.inner}, {before + w.height, 0}}}});
            for (size_t k = 0; k < angles.size(); ++k)
                cuts.push_back(
                    {workedStep(w), between(w, angles[k], k + 1 < angles.size() ? angles[k + 1] : angles[0] + 360)});
            continue;
        }
        for (const Opening& o : openingsOf(w, surfaces))
            for (const double a : angles) cuts.push_back({workedStep(w), openingCut(o, a + o.on * 360 / w.count)});
        const auto cut = straightCut(w, surfaces);
        if (!cut) continue;
        for (const double a : angles) {
            if (w.kind == Worked::Flutes)
                cuts.push_back({workedStep(w), groove(w, *cut, a)});
            else
                cuts.push_back({workedStep(w), facet(w, *cut, height, a)});
        }
    }
    if (piece.lean.angle > 0) {
        const double foot = footRadiusOf(surfaces), tilt = std::tan(piece.lean.angle * degrees), far = beyondAll / 2;
        cuts.push_back({leanStep, Sawed{.right = outwards(piece.lean.direction),
                                        .up = axis,
                                        .outline = {{-far, -beyondAll},
                                                    {far, -beyondAll},
                                                    {far, (foot + far) * tilt},
                                                    {-far, (foot - far) * tilt}}}});
    }
    return cuts;
}

std::string nameOf(const Piece& piece, const Worked& worked)
{
    if (!worked.name.empty()) return worked.name;
    static constexpr std::array kinds{"flutes", "facets", "legs", "openings"};
    int number = 0;
    for (const Worked& w : piece.worked) {
        if (w.kind == worked.kind) ++number;
        if (w.id == worked.id) break;
    }
    return kinds[static_cast<size_t>(worked.kind)] + (number > 1 ? " " + std::to_string(number) : std::string());
}

std::string workedStep(const Worked& worked) { return "work-" + worked.id; }
std::string recessStep(const Worked& worked) { return "hollow-legs-" + worked.id; }

}  // namespace vl
