#include "core/measure/length.h"

#include "core/measure/expression.h"
#include "core/measure/format.h"

#include <cmath>
#include <cstdlib>
#include <numeric>

namespace vl {

double parseLength(std::string_view text, LengthStyle::Unit bare, const std::string& field)
{
    const double scale = bare == LengthStyle::Unit::Millimeter ? 1.0 : mmPerInch;
    const double mm = evaluateLength(text, scale, field);
    if (std::abs(mm) > 1e6) throw InputError(field, std::string(text), "a length up to 1,000,000 mm is");
    return mm;
}

std::string formatLength(double mm, LengthStyle style, int decimals)
{
    if (!std::isfinite(mm)) return "–";
    switch (style.unit) {
    case LengthStyle::Unit::Millimeter:
        return fixed(mm, decimals < 0 ? 1 : decimals);
    case LengthStyle::Unit::Inch:
        return fixed(mm / mmPerInch, decimals < 0 ? 3 : decimals + 2);
    case LengthStyle::Unit::Fraction:
        break;
    }
    const double inches = std::abs(mm) / mmPerInch;
    const auto parts = static_cast<long>(std::lround(inches * style.denominator));
    const double remainder = inches - static_cast<double>(parts) / style.denominator;
    const long whole = parts / style.denominator, rest = parts % style.denominator;
    const bool shown = style.rest && std::abs(remainder) >= 5e-4;
    std::string out = mm < 0 && parts ? "-" : "";
    if (rest == 0)
        out += std::to_string(whole);
    else {
        const long g = std::gcd(rest, static_cast<long>(style.denominator));
        if (whole) out += std::to_string(whole) + " ";
        out += std::to_string(rest / g) + "/" + std::to_string(style.denominator / g);
    }
    // Of a length below nothing too the two are added as they stand.
    if (shown) out += ((remainder > 0) == (mm > 0) ? " +" : " −") + fixed(std::abs(remainder), 3);
    return out;
}

std::string formatLengthUnit(double mm, LengthStyle style, int decimals)
{
    return formatLength(mm, style, decimals) + " " + unitName(style);
}

std::string fieldLength(double mm, LengthStyle style)
{
    style.rest = true;  // what is typed over keeps its value
    if (style.unit == LengthStyle::Unit::Fraction) return formatLengthUnit(mm, style);
    const bool metric = style.unit == LengthStyle::Unit::Millimeter;
    const double value = metric ? mm : mm / mmPerInch;
    std::string text = fixed(value, metric ? 3 : 4);
    const size_t least = text.find('.') + (metric ? 1 : 3);
    while (text.size() - 1 > least && text.back() == '0') text.pop_back();
    return text + " " + unitName(style);
}

const char* unitName(LengthStyle style) { return style.unit == LengthStyle::Unit::Millimeter ? "mm" : "in"; }

std::vector<double> parseLengths(std::string_view text, LengthStyle::Unit bare, const std::string& field)
{
    std::vector<double> out;
    if (text.find_first_not_of(" \t") == std::string_view::npos) return out;
    for (size_t at = 0; at <= text.size();) {
        const size_t end = std::min(text.find(';', at), text.size());
        out.push_back(parseLength(text.substr(at, end - at), bare, field));
        at = end + 1;
    }
    return out;
}

std::string fieldLengths(const std::vector<double>& mm, LengthStyle style)
{
    std::string out;
    for (const double one : mm) out += (out.empty() ? "" : "; ") + fieldLength(one, style);
    return out;
}

}  // namespace vl
