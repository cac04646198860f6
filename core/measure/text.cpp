#include "core/measure/text.h"

#include "core/measure/format.h"

#include <atomic>

namespace vl {
namespace {

std::atomic<Translation> chosenTranslation = nullptr;

}  // namespace

void setTranslation(Translation translation) { chosenTranslation = translation; }

Text::Text(const Pattern& pattern, std::vector<Place> places) : pattern_(pattern.words), places_(std::move(places)) {}

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

std::string print(const Text& text, LengthStyle style)
{
    std::string out;
    const Translation translation = chosenTranslation;
    const std::string kept = translation && *text.pattern_ ? translation(text.pattern_) : std::string();
    const std::string_view words = kept.empty() ? std::string_view(text.pattern_) : kept;
    for (size_t i = 0; i < words.size(); ++i) {
        const size_t place = i + 1 < words.size() && words[i] == '%' ? static_cast<size_t>(words[i + 1] - '1') : 9;
        if (place >= text.places_.size()) {
            out += words[i];
            continue;
        }
        const Text::Place& p = text.places_[place];
        if (!p.text.empty())
            out += print(p.text[0], style);
        else if (const Quantity* q = std::get_if<Quantity>(&p.plain))
            out += print(*q, style);
        else
            out += std::get<std::string>(p.plain);
        ++i;
    }
    for (const Text& more : text.also_) {
        if (!out.empty()) out += "; ";
        out += print(more, style);
    }
    return out;
}

}  // namespace vl
