#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

/// Beyond `left` mm from what a line encloses, between its ends and as far as the waste goes beyond them, which centers
/// stand on.
Region outOf(const Polyline& outside, double left, const Range& waste)
{
    if (outside.size() < 2) return {};
    Polyline longer = outside;
    const auto wide = [](const Point& end) { return std::max(end.y(), centerStandsOn); };
    if (waste.low > 0) {
        const Point end = outside.front();
        longer.insert(longer.begin(), {Point(end.x() - waste.low, wide(end)), Point(end.x(), wide(end))});
    }
    if (waste.high > 0) {
        const Point end = outside.back();
        longer.emplace_back(end.x(), wide(end));
        longer.emplace_back(end.x() + waste.high, wide(end));
    }
    return Region::box({longer.front().x(), longer.back().x()}, {0, farOut}) - Region::under(longer).inset(-left);
}

/// The hollow, `left` mm short of it, but open at the end that it opens at.
Region inOf(const TurnedSurfaces& surfaces, double left)
{
    const Polyline& inside = surfaces.inside;
    if (inside.size() < 2) return {};
    if (left <= 0) return surfaces.hollow();
    Polyline open = inside;
    open.emplace_back(inside.back().x() + 2 * left, inside.back().y());
    const Region all = Region::under(open);
    return (surfaces.back.standing.empty() ? all : all - surfaces.back.standing).inset(left);
}

}  // namespace

double leftByRoughing(const Piece& piece)
{
    double left = roughLeft;
    for (const Layer& l : piece.layers) left = std::min({left, l.outerAllowance / 2, l.innerAllowance / 2});
    return std::max(0.0, left);
}

effect::Turn outsideTurned(const TurnedSurfaces& surfaces, double left, const Range& waste)
{
    return {effect::Turn::Outside, outOf(surfaces.outside, left, waste)};
}

effect::Turn insideTurned(const TurnedSurfaces& surfaces, double left)
{
    return {effect::Turn::Inside, inOf(surfaces, left)};
}

effect::Turn bothTurned(const TurnedSurfaces& surfaces)
{
    return {effect::Turn::Outside, outOf(surfaces.outside, 0, {}) | inOf(surfaces, 0)};
}

effect::Turn tenonTurned(Range z, double radius) { return {effect::Turn::Foot, Region::box(z, {radius, farOut})}; }

}  // namespace vl
