#include "core/measure/input_error.h"

#include <cstdint>

namespace vl {
namespace {

/// Bytes of the letter that begins here (RFC 3629); 0 where none does.
size_t letterAt(std::string_view text, size_t at)
{
    const auto byte = [&](size_t i) { return static_cast<unsigned char>(text[i]); };
    const unsigned lead = byte(at);
    if (lead < 0x80) return 1;
    const size_t length = lead >= 0xf0 && lead <= 0xf4 ? 4 : lead >= 0xe0 ? 3 : lead >= 0xc2 ? 2 : 0;
    if (!length || lead > 0xf4 || at + length > text.size()) return 0;
    std::uint32_t code = lead & (0xff >> (length + 1));
    for (size_t i = at + 1; i < at + length; ++i) {
        if ((byte(i) & 0xc0) != 0x80) return 0;
        code = code << 6 | (byte(i) & 0x3f);
    }
    const bool shortest = code >= (length == 2 ? 0x80u : length == 3 ? 0x800u : 0x10000u);
    return shortest && code <= 0x10ffff && (code < 0xd800 || code > 0xdfff) ? length : 0;
}

}  // namespace

std::string oneLine(std::string_view text, size_t most)
{
    std::string out;
    for (size_t at = 0; at < text.size();) {
        const size_t length = letterAt(text, at);
        const auto first = static_cast<unsigned char>(text[at]);
        const bool control = first < 32 || first == 127 ||
                             (length == 2 && first == 0xc2 && static_cast<unsigned char>(text[at + 1]) < 0xa0);
        const std::string_view letter = !length ? "\uFFFD" : control ? " " : text.substr(at, length);
        if (out.size() + letter.size() > most) return out + "…";
        out += letter;
        at += length ? length : 1;
    }
    return out;
}

}  // namespace vl
