#include "core/measure/format.h"

#include "core/measure/length.h"

#include <algorithm>
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
    char buffer[400];
    // As people write it, unless that is longer than can be read at a glance.
    const bool plain = value == 0 || (std::abs(value) >= 1e-5 && std::abs(value) < 1e15);
    const auto end = plain ? std::to_chars(buffer, buffer + sizeof buffer, value, std::chars_format::fixed)
                           : std::to_chars(buffer, buffer + sizeof buffer, value);
    return std::string(buffer, end.ptr);
}

size_t decimalComma(std::string_view text, size_t from, bool& unclear)
{
    constexpr std::string_view digits = "0123456789";
    const size_t comma = std::min(text.find_first_not_of(digits, from), text.size());
    if (comma == text.size() || text[comma] != ',') return std::string::npos;
    const size_t end = std::min(text.find_first_not_of(digits, comma + 1), text.size());
    if (end == comma + 1) return std::string::npos;
    unclear = end - comma - 1 == 3 && comma - from >= 1 && comma - from <= 3 && text[from] != '0';
    return comma;
}

std::optional<double> parseNumber(std::string_view text)
{
    std::string plain(text);
    bool unclear = false;
    const size_t sign = plain.find_first_not_of("+-");
    if (const size_t comma = decimalComma(plain, sign == std::string::npos ? 0 : sign, unclear); comma != plain.npos)
        plain[comma] = '.';
    if (unclear) return std::nullopt;
    const char *begin = plain.data() + (plain.starts_with('+') ? 1 : 0), *end = plain.data() + plain.size();
    double v = 0;
    const auto [rest, error] = std::from_chars(begin, end, v);
    if (error != std::errc{} || rest != end || begin == end || !std::isfinite(v)) return std::nullopt;
    return v;
}

double boardFeet(double mm3) { return mm3 / (144.0 * mmPerInch * mmPerInch * mmPerInch); }

size_t characters(std::string_view text)
{
    const auto continues = [](char c) { return (static_cast<unsigned char>(c) & 0xC0) == 0x80; };
    return text.size() - static_cast<size_t>(std::ranges::count_if(text, continues));
}

}  // namespace vl
