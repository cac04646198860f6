#include "core/geometry/inside_out.h"

#include "core/geometry/point.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Half the angle of a part at the axis.
double half(const InsideOut& p) { return pi / p.parts; }
/// From the first axis square to the joint, and how far along the joint that is.
double across(const InsideOut& p) { return p.far() * std::sin(half(p)); }
double along(const InsideOut& p) { return p.far() * std::cos(half(p)); }

/// Where the first turning's circle meets the joint, nearer to the axis; it does.
double inner(const InsideOut& p)
{
    const double m = across(p);
    return along(p) - std::sqrt(std::max(0.0, p.turned * p.turned - m * m));
}

/// Where the two circles cross: from the axis along the diagonal, and to its side.
struct Crossing {
    double along, beside;
};
Crossing crossing(const InsideOut& p)
{
    const double far = p.far(), a = (p.outside * p.outside - p.turned * p.turned + far * far) / (2 * far);
    return {a, std::sqrt(std::max(0.0, p.outside * p.outside - a * a))};
}

}  // namespace

double InsideOut::far() const { return parts == 2 ? square : 2 * square * std::cos(pi / parts); }

double InsideOut::diagonal() const { return outside - (far() - turned); }

double InsideOut::room() const { return std::max(0.0, far() - turned); }

double InsideOut::windowWidth() const
{
    // A reversed part is what lies within `turned` of its far corner; its neighbor is the mirror image across the
    // joint. The wood nearest to the joint is the first circle's own nearest point, where the second turning leaves
    // it, else where both circles cross.
    const double m = across(*this);
    if (turned >= m) {
        if (inner(*this) < outside) return 0;
    } else if (std::hypot(m - turned, along(*this)) <= outside)
        return 2 * (m - turned);
    const Crossing c = crossing(*this);
    return std::max(0.0, 2 * (c.along * std::sin(half(*this)) - c.beside * std::cos(half(*this))));
}

double InsideOut::joint() const
{
    if (turned < across(*this)) return 0;
    return std::max(0.0, outside - std::max(0.0, inner(*this)));
}

double InsideOut::edgeDeg() const
{
    const double c = (turned * turned + outside * outside - far() * far()) / (2 * turned * outside);
    return std::abs(c) >= 1 || !windowOpen() ? 180 : 180 - std::acos(c) / degrees;
}

void checkInsideOut(const InsideOut& p)
{
    const auto above = [](const char* field, double value) {
        if (!(value > 0)) throw InputError(field, exact(value), "above 0 mm is");
    };
    const auto within = [&](const char* field, double value) {
        above(field, value);
        if (value > p.far())
            throw InputError(field, exact(value), "at most the square's diagonal, " + exact(p.far()) + " mm, is");
    };
    above("square", p.square);
    within("turned", p.turned);
    within("outside", p.outside);
    if (!(p.diagonal() > 0))
        throw InputError("outside", exact(p.outside),
                         "more than " + exact(p.far() - p.turned) + " mm, where the first turning has left wood, is");
}

}  // namespace vl
