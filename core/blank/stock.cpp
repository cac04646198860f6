#include "core/blank/stock.h"

#include <algorithm>

namespace vl {

Stock stockOf(const Assembly& assembly)
{
    Stock stock;
    for (const Part& p : assembly.parts) stock.parts[p.id].insert(static_cast<size_t>(p.layer));
    for (const BuiltLayer& l : assembly.layers) {
        // Where its bore is smallest its corners are nearest to the axis; all round it is as wide as its joints'
        // middle.
        const double bore = l.innerHold.empty() ? 0 : l.stockInnerRadius();
        const Region bored = Region::under(l.innerHold);
        stock.layers.push_back({.swept = Region::box({l.z0, l.z1}, {bore, l.cornerRadius()}),
                                .solid = Region::under(l.outerHold) - bored});
    }
    return stock;
}

}  // namespace vl
