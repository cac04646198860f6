#include "core/geometry/regular_ring.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {

double RegularRing::apothem() const { return outer / 2 + allowance; }
double RegularRing::innerCorner() const { return std::max(0.0, inner / 2 - allowance); }
double RegularRing::outerCorner() const { return apothem() / std::cos(miterDeg() * degrees); }
double RegularRing::outerEdge() const
{
    return std::max(0.0, 2 * apothem() * std::tan(miterDeg() * degrees) - gap / std::cos(miterDeg() * degrees));
}
double RegularRing::innerEdge() const
{
    return std::max(0.0, 2 * innerCorner() * std::sin(miterDeg() * degrees) - gap / std::cos(miterDeg() * degrees));
}
double RegularRing::boardWidth() const { return apothem() - innerCorner() * std::cos(miterDeg() * degrees); }

double RegularRing::stripPitch(double kerf) const
{
    return (outerEdge() + innerEdge()) / 2 + kerf / std::cos(miterDeg() * degrees);
}
double RegularRing::stripLead(double kerf) const
{
    return boardWidth() * std::tan(miterDeg() * degrees) + kerf / std::cos(miterDeg() * degrees);
}

std::array<Point, 4> RegularRing::segment(int i, double phaseDeg) const
{
    const double angle = (phaseDeg + 360.0 * i / sides) * degrees;
    const Point out(-std::sin(angle), std::cos(angle)), across(-out.y(), out.x());
    const double low = innerCorner() * std::cos(miterDeg() * degrees), high = apothem();
    const double a = innerEdge() / 2, b = outerEdge() / 2;
    return {out * low - across * a, out * high - across * b, out * high + across * b, out * low + across * a};
}

void checkRing(const RegularRing& ring)
{
    if (ring.sides < 3 || ring.sides > 360) throw InputError("sides", std::to_string(ring.sides), "3 to 360 are");
    if (!(ring.outer > 0)) throw InputError("outer", exact(ring.outer), "a diameter above 0 mm is");
    if (!(ring.inner >= 0) || !(ring.inner < ring.outer))
        throw InputError("inner", exact(ring.inner), "0 mm up to the outside diameter " + exact(ring.outer) + " mm is");
    if (!(ring.allowance >= 0)) throw InputError("allowance", exact(ring.allowance), "0 mm or more is");
    if (!(ring.gap >= 0)) throw InputError("gap", exact(ring.gap), "0 mm or more is");
    if (!(ring.openDeg >= 0 && ring.openDeg < 360.0 / ring.sides))
        throw InputError("open", exact(ring.openDeg),
                         "0° up to a segment's share of the circle, " + exact(360.0 / ring.sides) + "°, is");
    if (ring.gap > 0 && ring.gap >= 2 * ring.innerCorner() * std::sin(pi / ring.sides) * std::cos(pi / ring.sides))
        throw InputError("gap", exact(ring.gap), "less than the inner edge between segments is");
}

double closingGapDeg(int sides, double miterErrorDeg) { return 2 * sides * miterErrorDeg; }

double fenceCorrectionDeg(int sides, double gap, double outer, double wall)
{
    const double across = gap < 0 ? 2 * wall : outer;
    return 2 * std::asin(std::clamp(gap / across, -1.0, 1.0)) / degrees / (2 * sides);
}

}  // namespace vl
