#include "core/blank/stock.h"

#include <cmath>

namespace vl {

namespace {

/// Where a layer has wood all round, on into its waste.
Region withWaste(const BuiltLayer& l)
{
    if (l.outerHold.empty()) return {};
    const double below = l.outerHold.front().y(), above = l.outerHold.back().y();
    return Region::under(l.outerHold) | Region::box({l.z0 - l.wasteBelow, l.z0}, {0, below}) |
           Region::box({l.z1, l.z1 + l.wasteAbove}, {0, above});
}

}  // namespace

Stock stockOf(const Assembly& assembly)
{
    Stock stock;
    for (const Part& p : assembly.parts) stock.parts[p.id].insert(static_cast<size_t>(p.layer));
    for (const BuiltLayer& l : assembly.layers) {
        // All round it is bored as wide as its inner corners lie; its flats come nearer to the axis.
        Polyline flats = l.innerHold;
        for (Point& p : flats) p.y() *= l.sectored() ? std::cos(pi / l.stock.sides) : 1;
        const Range z{l.z0 - l.wasteBelow, l.z1 + l.wasteAbove};
        stock.layers.push_back({.swept = Region::box(z, {0, l.cornerRadius()}) - Region::under(flats),
                                .solid = withWaste(l) - Region::under(l.innerHold)});
    }
    return stock;
}

}  // namespace vl
