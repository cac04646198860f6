#include "core/geometry/forms.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {

Ellipse Ellipse::within(double length, double diameter, double ratio)
{
    if (!(ratio > 0 && ratio <= 1000)) throw InputError("ratio", exact(ratio), "above 0 up to 1000 is");
    if (!(length >= 0)) throw InputError("length", exact(length), "0 mm or more is");
    if (!(diameter >= 0)) throw InputError("diameter", exact(diameter), "0 mm or more is");
    if (length == 0 && diameter == 0) throw InputError("length", "0", "a length or a diameter above 0 mm is");
    const double across = length == 0 ? diameter : diameter == 0 ? length / ratio : std::min(diameter, length / ratio);
    return {across * ratio, across};
}

double Ellipse::diameterAt(double z) const
{
    const double x = 2 * z / length;
    return diameter * std::sqrt(std::max(0.0, 1 - x * x));
}

std::vector<Facet> sphereFacets(double diameter, int facets)
{
    if (facets != 8 && facets != 16 && facets != 32)
        throw InputError("facets", std::to_string(facets), "8, 16 or 32 is");
    if (!(diameter > 0 && diameter <= 3000)) throw InputError("diameter", exact(diameter), "above 0 up to 3000 mm is");
    std::vector<Facet> corners;
    const double corner = diameter / 2 / std::cos(pi / facets);
    for (int k = 0; k < facets / 4; ++k) {
        const double a = (2 * k + 1) * pi / facets;
        corners.push_back({k == 0 ? 0 : diameter / 2 - corner * std::cos(a),
                           k + 1 == facets / 4 ? diameter : 2 * corner * std::sin(a)});
    }
    return corners;
}

std::vector<double> guideShares(Guide guide)
{
    switch (guide) {
    case Guide::None:
        return {};
    case Guide::Thirds:
        return {1.0 / 3, 2.0 / 3};
    case Guide::Golden:
        break;
    }
    return {1 - 1 / golden, 1 / golden};
}

}  // namespace vl
