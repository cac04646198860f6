#include "core/plan/overlap.h"

#include <algorithm>
#include <cmath>

namespace vl {

std::vector<Overlap> overlapsOf(const Assembly& assembly, const Sides& sides)
{
    std::vector<Overlap> out;
    for (size_t i = 0; i + 1 < assembly.layers.size(); ++i) {
        const BuiltLayer &a = assembly.layers[i], &b = assembly.layers[i + 1];
        Overlap o;
        o.below = static_cast<int>(i);
        o.z = a.z1;
        auto end = [](const Polyline& hold, bool top) {
            return hold.empty() ? 0 : (top ? hold.back() : hold.front()).y();
        };
        const double outer = std::min(end(a.outerHold, true), end(b.outerHold, false));
        const double inner = std::max(end(a.innerHold, true), end(b.innerHold, false));
        o.stock = outer - inner;
        const double turned = radiusAt(sides.outside, o.z);
        const double bore =
            sides.inside.empty() || o.z < sides.inside.front().x() ? 0 : radiusRange(sides.inside, o.z, o.z).low;
        o.finished =
            std::isnan(turned) ? o.stock : std::min(outer, turned) - std::max(inner, std::isnan(bore) ? 0.0 : bore);
        out.push_back(o);
    }
    return out;
}

}  // namespace vl
