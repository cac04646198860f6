#include "core/measure/text.h"

#include "core/measure/format.h"

#include <algorithm>
#include <atomic>
#include <cctype>
#include <iterator>

namespace vl {
namespace {

std::atomic<Translation> chosenTranslation = nullptr;

}  // namespace

void setTranslation(Translation translation) { chosenTranslation = translation; }

Text::Text(const Pattern& pattern, std::vector<Place> places)
    : pattern_(pattern.words), line_(pattern.line), places_(std::move(places))
{
}

Text::Text(std::string words)
{
    if (words.empty()) return;
    pattern_ = "%1";
    places_.emplace_back(std::move(words));
}

Text& Text::also(Text more)
{
    if (!more.empty()) also_.push_back(std::move(more));
    return *this;
}

std::vector<Quantity> Text::quantities() const
{
    std::vector<Quantity> all;
    collect(all);
    return all;
}

void Text::collect(std::vector<Quantity>& into) const
{
    for (const Place& p : places_) {
        if (!p.text.empty())
            p.text[0].collect(into);
        else if (const Quantity* q = std::get_if<Quantity>(&p.plain))
            into.push_back(*q);
    }
    for (const Text& more : also_) more.collect(into);
}

std::string print(const Quantity& q, LengthStyle style)
{
    switch (q.unit) {
    case Unit::Length:
        return formatLengthUnit(q.value, style, q.decimals);
    case Unit::Angle:
        return fixed(q.value, q.decimals) + "°";
    case Unit::Minutes:
        // Long waits are whole hours as a rule: nobody divides 1,440 at the bench.
        if (constexpr double hour = 60; q.value >= 2 * hour && std::fmod(q.value, hour) == 0)
            return fixed(q.value / hour, 0) + " h";
        return fixed(q.value, q.decimals) + " min";
    case Unit::Speed:
        return fixed(q.value, q.decimals) + " rpm";
    case Unit::Mass:
        return fixed(q.value, q.decimals) + " g";
    case Unit::Count:
        break;
    }
    return fixed(q.value, q.decimals);
}

std::string Text::printAlone(LengthStyle style) const
{
    std::string out;
    const Translation translation = chosenTranslation;
    const std::string kept = translation && *pattern_ ? translation(pattern_) : std::string();
    const std::string_view words = kept.empty() ? std::string_view(pattern_) : kept;
    for (size_t i = 0; i < words.size(); ++i) {
        const size_t place = i + 1 < words.size() && words[i] == '%' ? static_cast<size_t>(words[i + 1] - '1') : 9;
        if (place >= places_.size()) {
            out += words[i];
            continue;
        }
        const Text::Place& p = places_[place];
        if (!p.text.empty())
            out += print(p.text[0], style);
        else if (const Quantity* q = std::get_if<Quantity>(&p.plain))
            out += print(*q, style);
        else
            out += std::get<std::string>(p.plain);
        ++i;
    }
    return out;
}

std::string print(const Text& text, LengthStyle style)
{
    std::string out = text.printAlone(style);
    for (const Text& more : text.also_) {
        if (!out.empty()) out += out.ends_with('.') ? " " : "; ";
        out += print(more, style);
    }
    return out;
}

std::vector<PrintedLine> linesOf(const Text& text, LengthStyle style)
{
    std::vector<PrintedLine> lines;
    const std::string all = text.printAlone(style);
    // A sentence ends where a full stop stands before a space and what begins one.
    for (size_t from = 0, at = 0; from < all.size(); from = at) {
        for (at = all.find(". ", from); at != std::string::npos; at = all.find(". ", at + 1)) {
            const auto next = static_cast<unsigned char>(all[std::min(at + 2, all.size() - 1)]);
            if (!std::islower(next)) break;
        }
        at = at == std::string::npos ? all.size() : at + 2;
        std::string one = all.substr(from, at - from);
        while (one.ends_with(' ')) one.pop_back();
        lines.push_back({std::move(one), text.line_});
    }
    for (const Text& more : text.also_) std::ranges::move(linesOf(more, style), std::back_inserter(lines));
    return lines;
}

}  // namespace vl
