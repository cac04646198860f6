#include "core/measure/input_error.h"

namespace vl {

std::string oneLine(std::string_view text, size_t most)
{
    std::string out(text.substr(0, most));
    auto inside = [](char c) { return (static_cast<unsigned char>(c) & 0xC0) == 0x80; };
    if (text.size() > most) {
        // The first byte left out tells whether a letter was cut in two.
        if (inside(text[most])) {
            while (!out.empty() && inside(out.back())) out.pop_back();
            if (!out.empty()) out.pop_back();
        }
        out += "…";
    }
    for (char& c : out)
        if (static_cast<unsigned char>(c) < 32 || c == 127) c = ' ';
    return out;
}

}  // namespace vl
