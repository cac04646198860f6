#include "core/blank/faces.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {

JointFaces facesOf(const Cell& a, const Cell& b, const Eigen::Vector3d& normal)
{
    const double out = std::sin(25 * degrees), oneWay = std::cos(2 * degrees), apart = std::cos(40 * degrees);
    const bool endA = a.endGrain(normal) > out, endB = b.endGrain(normal) > out;
    const double along = std::abs(a.board.axes.row(0).dot(b.board.axes.row(0)));
    if (endA && endB) return along > oneWay ? JointFaces::EndGrain : JointFaces::MiteredEnds;
    if (endA != endB) return JointFaces::EndToLong;
    return along < apart ? JointFaces::CrossGrain : JointFaces::LongGrain;
}

JointFaces facesBetween(const BuiltLayer& below, const BuiltLayer& above)
{
    constexpr double veneer = 3;  // mm
    if (std::min(below.glued, above.glued) < veneer) return JointFaces::Veneer;
    const double outer = std::min(below.stockOuterRadius(), above.stockOuterRadius());
    const double inner = std::min(outer, std::max(below.stockInnerRadius(), above.stockInnerRadius()));
    const double z = above.z0, into = 0.01 * std::min(below.z1 - below.z0, above.z1 - above.z0);
    std::array<int, 7> votes{};
    for (const double share : {0.3, 0.6, 0.9}) {
        const double r = inner + (outer - inner) * share;
        // No whole share of the circle, so that no sample lies on a joint all round.
        for (int k = 0; k < 17; ++k) {
            const double angle = 360.0 * (k + 0.37) / 17;
            const Cell *low = below.cellAt(z - into, r, angle), *high = above.cellAt(z + into, r, angle);
            if (low && high) ++votes[static_cast<size_t>(facesOf(*low, *high, Eigen::Vector3d::UnitX()))];
        }
    }
    return static_cast<JointFaces>(std::ranges::max_element(votes) - votes.begin());
}

}  // namespace vl
