#include "core/plan/figures/overlap.h"

#include <algorithm>
#include <cmath>

namespace vl {

std::vector<Overlap> overlapsOf(const Assembly& assembly, const TurnedSurfaces& surfaces)
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
        // A step in the joint narrows it from one side.
        auto smaller = [](double p, double q) { return p < q || std::isnan(q) ? p : q; };
        auto larger = [](double p, double q) { return p > q || std::isnan(q) ? p : q; };
        const double turned = smaller(radiusBefore(surfaces.outside, o.z), radiusAfter(surfaces.outside, o.z));
        const double bore = larger(larger(radiusBefore(surfaces.inside, o.z), radiusAfter(surfaces.inside, o.z)), 0);
        o.wall = std::isnan(turned) ? 0 : turned - bore;
        o.finished = std::isnan(turned) ? o.stock : std::min(outer, turned) - std::max(inner, bore);
        const double low = std::max(inner, bore), high = std::isnan(turned) ? outer : std::min(outer, turned);
        o.contact = contactOf(a, b, low, high);
        o.joints = jointsBeside(a, b);
        out.push_back(o);
    }
    return out;
}

}  // namespace vl
