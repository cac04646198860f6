#include "core/measure/format.h"

#include "core/measure/length.h"

#include <charconv>
#include <cmath>

namespace vl {

std::string fixed(double value, int decimals)
{
    if (!std::isfinite(value)) return "–";
    char buffer[400];
    auto [end, error] = std::to_chars(buffer, buffer + sizeof buffer, value, std::chars_format::fixed, decimals);
    std::string text(buffer, end);
    if (text.starts_with('-') && text.find_first_not_of("-0.") == std::string::npos) text.erase(0, 1);
    return text;
}

std::string exact(double value)
{
    char buffer[64];
    return std::string(buffer, std::to_chars(buffer, buffer + sizeof buffer, value).ptr);
}

double boardFeet(double mm3) { return mm3 / (144.0 * mmPerInch * mmPerInch * mmPerInch); }

}  // namespace vl
