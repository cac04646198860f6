#pragma once

#include <string>

namespace vl {

/// A number with exactly `decimals` places, a point as the decimal mark whatever the locale, and no "-0.0".
std::string fixed(double value, int decimals);

/// The shortest decimal that reads back as the same double.
std::string exact(double value);

/// The volume of timber in board feet (1 ft × 1 ft × 1 in = 2,359,737.216 mm³).
double boardFeet(double mm3);

}  // namespace vl
