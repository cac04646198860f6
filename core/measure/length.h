#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace vl {

constexpr double mmPerInch = 25.4;  ///< exact: international inch, 1959 agreement

/// How lengths are shown. The stored value is always millimeters and never changes with this.
struct LengthStyle {
    enum class Unit { Millimeter, Inch, Fraction };
    Unit unit = Unit::Millimeter;
    int denominator = 64;  ///< of fractions of an inch: 2, 4, 8, 16, 32, 64 or 128
    bool rest = true;      ///< what a fraction is rounded by is shown behind it

    bool operator==(const LengthStyle&) const = default;
};

/// Reads a length in any form the shop writes it: `35`, `35mm`, `3.5 cm`, `1 3/8`, `1-3/8"`, `2'3"`, `7 7/8in`, `3/8 +
/// 1/16`, `10in/3`, `(1/2 + 3/4) * 2`, with unicode fractions and primes. A number without a unit is in `bare`'s unit.
/// Returns mm; throws InputError naming `field`.
double parseLength(std::string_view text, LengthStyle::Unit bare = LengthStyle::Unit::Millimeter,
                   const std::string& field = "length");

/// Several of them with semicolons between: `18; 22.5; 1 3/8in`. None is an empty list.
std::vector<double> parseLengths(std::string_view text, LengthStyle::Unit bare = LengthStyle::Unit::Millimeter,
                                 const std::string& field = "lengths");

/// A length as the shop reads it, without its unit: `152.4`, `6.000`, `5 63/64 +0.003`. Fractions are rounded to the
/// nearest 1/denominator and the remainder, in inches, is shown when it is 0.0005 in or more and the style shows rests.
std::string formatLength(double mm, LengthStyle style = {}, int decimals = -1);

/// The same with its unit: `152.4 mm`, `6.000 in`, `5 63/64 in`.
std::string formatLengthUnit(double mm, LengthStyle style = {}, int decimals = -1);

/// A length as a field shows it for typing over, with its unit: as many decimals as it has, at most thousandths of a mm
/// or ten-thousandths of an inch, at least what formatLength() shows.
std::string fieldLength(double mm, LengthStyle style = {});

/// Several with semicolons between.
std::string fieldLengths(const std::vector<double>& mm, LengthStyle style = {});

/// The unit's name: "mm" or "in".
const char* unitName(LengthStyle style);

}  // namespace vl
