#include "core/inlay/inside_out.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <cmath>
#include <numbers>

namespace vl {

double InsideOut::diagonal() const { return outside - (square * std::numbers::sqrt2 - turned); }

double InsideOut::windowWidth() const
{
    // A reversed part is what lies within `turned` of the far corner of its square; its neighbour is the mirror image
    // across the joint. The wood nearest to the joint is the first disc's own nearest point, where the second turning
    // leaves it, else where both circles cross.
    const double s = square, far = s * std::numbers::sqrt2;
    if (turned >= s && s - std::sqrt(turned * turned - s * s) < outside) return 0;
    if (turned < s && std::hypot(s - turned, s) <= outside) return 2 * (s - turned);
    const double along = (outside * outside - turned * turned + far * far) / (2 * far),
                 beside = std::sqrt(std::fmax(0, outside * outside - along * along));
    return std::fmax(0, 2 * (along - beside) / std::numbers::sqrt2);
}

void checkInsideOut(const InsideOut& p)
{
    const double far = p.square * std::numbers::sqrt2;
    const auto above = [](const char* field, double value) {
        if (!(value > 0)) throw InputError(field, exact(value), "above 0 mm is");
    };
    const auto within = [&](const char* field, double value) {
        above(field, value);
        if (value > far)
            throw InputError(field, exact(value), "at most the square's diagonal, " + exact(far) + " mm, is");
    };
    above("square", p.square);
    within("turned", p.turned);
    within("outside", p.outside);
    if (!(p.diagonal() > 0))
        throw InputError("outside", exact(p.outside),
                         "more than " + exact(far - p.turned) + " mm, where the first turning has left wood, is");
}

}  // namespace vl
