#include "core/geometry/stave.h"

#include "core/geometry/point.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {

double Stave::bladeTiltDeg() const { return std::asin(std::cos(slopeDeg * degrees) * std::sin(pi / sides)) / degrees; }
double Stave::edgeTaperDeg() const { return std::atan(std::sin(slopeDeg * degrees) * std::tan(pi / sides)) / degrees; }
double Stave::top() const { return bottom + 2 * height * std::tan(slopeDeg * degrees); }
double Stave::slant() const { return height / std::cos(slopeDeg * degrees); }
double Stave::faceWidth(double diameter) const { return diameter * std::tan(pi / sides); }
double Stave::innerCorner(double diameter) const
{
    return std::max(0.0, diameter / 2 - thickness / std::cos(slopeDeg * degrees)) / std::cos(pi / sides);
}

double Stave::closesAt() const
{
    const double s = slopeDeg * degrees;
    return (thickness / std::cos(s) - bottom / 2) / std::tan(s);
}

void checkStave(const Stave& s)
{
    if (s.sides < 3 || s.sides > 360) throw InputError("sides", std::to_string(s.sides), "3 to 360 are");
    if (!(std::abs(s.slopeDeg) <= 89)) throw InputError("slope", exact(s.slopeDeg), "−89° to 89° is");
    if (!(s.bottom > 0)) throw InputError("bottom", exact(s.bottom), "a diameter above 0 mm is");
    if (!(s.height > 0)) throw InputError("height", exact(s.height), "a height above 0 mm is");
    if (!(s.top() > 0)) throw InputError("top", exact(s.top()), "a diameter above 0 mm is");
    if (!(s.thickness >= 0)) throw InputError("thickness", exact(s.thickness), "0 mm or more is");
}

}  // namespace vl
