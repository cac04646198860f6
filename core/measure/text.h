#pragma once

#include "core/measure/length.h"

#include <cmath>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace vl {

enum class Unit { Length, Angle, Count, Minutes, Speed, Mass };

/// A number and what it counts: mm, degrees, pieces, minutes, rpm, grams. Printed with `decimals` places.
struct Quantity {
    double value = 0;
    Unit unit = Unit::Length;
    int decimals = 1;
};

/// Words with places for what stands in them: "%1" is the first. All of them stand in core/words, a file for each
/// stage, and last as long as the program.
struct Pattern {
    /// What a line of it asks for: to do something, to see that it is right, to keep whole.
    enum Line { Do, Check, Safety };

    const char* words = "";
    Line line = Do;
};

/// One sentence as the shop reads it.
struct PrintedLine {
    std::string text;
    Pattern::Line line = Pattern::Do;
};

/// A pattern and what fills its places; sentences may follow one another.
///
///     says(words::fence, length(25.4, 2))      "fence 25.40 mm", or "fence 1.00 in" in a shop of inches
class Text {
public:
    struct Place;

    Text() = default;
    explicit Text(const Pattern& pattern, std::vector<Place> places);
    /// Words that stand as they are.
    Text(std::string words);
    Text(const char* words) : Text(std::string(words)) {}

    bool empty() const { return !*pattern_ && also_.empty(); }
    /// This, and then more: "This. More", or "this; more" of what is no whole sentence.
    Text& also(Text more);
    /// Every number in it, those of the texts in its places too.
    std::vector<Quantity> quantities() const;

    friend std::string print(const Text& text, LengthStyle style);
    friend std::vector<PrintedLine> linesOf(const Text& text, LengthStyle style);

private:
    void collect(std::vector<Quantity>& into) const;
    std::string printAlone(LengthStyle style) const;  // without what follows

    const char* pattern_ = "";  // of core/words: it outlives every text
    Pattern::Line line_ = Pattern::Do;
    std::vector<Place> places_;
    std::vector<Text> also_;
};

/// What stands in one place of a text.
struct Text::Place {
    std::variant<std::string, Quantity> plain;
    std::vector<Text> text;  ///< one, where the place holds words of their own

    Place(const Quantity& q) : plain(q) {}
    Place(std::string words) : plain(std::move(words)) {}
    Place(const char* words) : plain(std::string(words)) {}
    Place(int number) : plain(std::to_string(number)) {}
    Place(Text words) : text{std::move(words)} {}
};

/// The pattern with its places filled.
template <class... Places> Text says(const Pattern& pattern, Places&&... places)
{
    std::vector<Text::Place> all;
    all.reserve(sizeof...(places));
    (all.emplace_back(std::forward<Places>(places)), ...);
    return Text(pattern, std::move(all));
}

/// Gives a pattern's words in the reader's language, places and all. One is asked for all texts that are printed from
/// then on, from any thread; none: the words stay as they stand in core/words.
using Translation = std::string (*)(const char* words);
void setTranslation(Translation translation);

/// As the shop reads it, lengths in `style`.
std::string print(const Quantity& quantity, LengthStyle style = {});
std::string print(const Text& text, LengthStyle style = {});
/// The same, sentence by sentence.
std::vector<PrintedLine> linesOf(const Text& text, LengthStyle style = {});

}  // namespace vl
