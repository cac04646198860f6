#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

/// Beyond `left` mm from what a line encloses, between its ends and as far as the waste goes beyond them.
Region outOf(const Polyline& outside, double left, const Range& waste)
{
    if (outside.size() < 2) return {};
    Polyline longer = outside;
    if (waste.low > 0) longer.insert(longer.begin(), {outside.front().x() - waste.low, outside.front().y()});
    if (waste.high > 0) longer.emplace_back(outside.back().x() + waste.high, outside.back().y());
    return Region::box({longer.front().x(), longer.back().x()}, {0, farOut}) - Region::under(longer).inset(-left);
}

/// Within what an inside line encloses, `left` mm short of it, but open at the end that it opens at.
Region inOf(const Polyline& inside, double left)
{
    if (inside.size() < 2) return {};
    if (left <= 0) return Region::under(inside);
    Polyline open = inside;
    open.emplace_back(inside.back().x() + 2 * left, inside.back().y());
    return Region::under(open).inset(left);
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
    return {effect::Turn::Inside, inOf(surfaces.inside, left)};
}

effect::Turn bothTurned(const TurnedSurfaces& surfaces)
{
    return {effect::Turn::Outside, outOf(surfaces.outside, 0, {}) | inOf(surfaces.inside, 0)};
}

effect::Turn tenonTurned(Range z, double radius) { return {effect::Turn::Foot, Region::box(z, {radius, farOut})}; }

}  // namespace vl
