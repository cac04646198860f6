#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace vl {

/// A number with exactly `decimals` places, a point as the decimal mark whatever the locale, and no "-0.0".
std::string fixed(double value, int decimals);

/// The shortest decimal that reads back as the same double.
std::string exact(double value);

/// A plain number, with a point or a comma for its decimals, the same in every locale; nothing where the text is none
/// or it is not finite, or where a comma could part thousands: "1,250".
std::optional<double> parseNumber(std::string_view text);

/// The place of a comma that stands for a decimal point in the number that begins at `from`; npos where there is none.
/// `unclear` is set where it could part thousands: one to three digits not 0, a comma, and three digits.
size_t decimalComma(std::string_view text, size_t from, bool& unclear);

/// The volume of timber in board feet (1 ft × 1 ft × 1 in = 2,359,737.216 mm³).
double boardFeet(double mm3);

/// How many characters a text in UTF-8 has.
size_t characters(std::string_view text);

}  // namespace vl
