#include "core/measure/expression.h"

#include "core/measure/format.h"
#include "core/measure/length.h"

#include <charconv>
#include <cmath>
#include <optional>
#include <utility>

namespace vl {
namespace {

/// Typographic forms that keyboards and pasted text bring: each is replaced by its plain spelling before parsing.
std::string plain(std::string_view text)
{
    static const std::pair<const char*, const char*> forms[] = {
        {"½", " 1/2"}, {"¼", " 1/4"}, {"¾", " 3/4"}, {"⅛", " 1/8"},   {"⅜", " 3/8"}, {"⅝", " 5/8"},
        {"⅞", " 7/8"}, {"″", "\""},   {"”", "\""},   {"′", "'"},      {"’", "'"},    {"×", "*"},
        {"÷", "/"},    {"−", "-"},    {"–", "-"},    {"\u00a0", " "},
    };
    std::string out(text);
    for (auto [from, to] : forms)
        for (size_t at; (at = out.find(from)) != std::string::npos;) out.replace(at, std::string_view(from).size(), to);
    return out;
}

/// A value and the power of length it carries: 0 for a plain number, 1 for a length.
struct Operand {
    double value = 0;
    int power = 0;
};

class Parser {
public:
    Parser(std::string text, double bare, const std::string& field, std::string_view shown)
        : text_(std::move(text)), bare_(bare), field_(field), shown_(shown)
    {
    }

    double run()
    {
        const Operand q = sum();
        skip();
        if (at_ != text_.size()) fail("what follows '" + text_.substr(0, at_) + "' is not understood");
        if (!std::isfinite(q.value)) fail("the result must be a finite length");
        if (q.power > 1) fail("the result must be a length, not an area");
        if (q.power < 0) fail("the result must be a length");
        return q.power == 0 ? q.value * bare_ : q.value;
    }

private:
    [[noreturn]] void fail(const std::string& limit) const
    {
        throw InputError(field_, shown_.empty() ? "nothing" : "'" + shown_ + "'",
                         limit + "; forms such as 35mm, 1 3/8, 2'3\", 3/8 + 1/16 or 10in/3 are");
    }
    void skip()
    {
        while (at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == '\t')) ++at_;
    }
    bool take(char c)
    {
        skip();
        if (at_ < text_.size() && text_[at_] == c) return ++at_, true;
        return false;
    }
    bool digitNext() const
    {
        return at_ < text_.size() && (std::isdigit(static_cast<unsigned char>(text_[at_])) || text_[at_] == '.');
    }

    Operand sum()
    {
        Operand left = product();
        for (;;) {
            const bool plus = take('+');
            if (!plus && !take('-')) return left;
            Operand right = product();
            // "3/8 + 1in": a bare number beside a length is in the field's own unit.
            if (left.power != right.power && left.power + right.power == 1) {
                Operand& bareOne = left.power == 0 ? left : right;
                bareOne = {bareOne.value * bare_, 1};
            }
            if (left.power != right.power) fail("a length and an area cannot be added");
            left.value += plus ? right.value : -right.value;
        }
    }
    Operand product()
    {
        Operand left = signedTerm();
        for (;;) {
            if (take('*')) {
                const Operand right = signedTerm();
                left = {left.value * right.value, left.power + right.power};
            } else if (take('/')) {
                const Operand right = signedTerm();
                if (right.value == 0) fail("dividing by nothing is not possible, a divisor other than 0 is needed");
                left = {left.value / right.value, left.power - right.power};
            } else
                return left;
        }
    }
    Operand signedTerm()
    {
        if (take('-')) {
            const Operand q = signedTerm();
            return {-q.value, q.power};
        }
        if (take('+')) return signedTerm();
        if (take('(')) {
            if (++depth_ > 50) fail("at most 50 brackets one within another are read");
            const Operand q = sum();
            --depth_;
            if (!take(')')) fail("a bracket is not closed");
            return q;
        }
        return length();
    }

    /// feet, then inches, or one mixed number with a unit.
    Operand length()
    {
        Operand first = unitNumber();
        if (lastUnit_ == mmPerInch * 12) {
            const size_t feetEnd = at_;
            // 2'-3": the dash joins feet and inches when both touch it.
            if (at_ + 1 < text_.size() && text_[at_] == '-' && std::isdigit(static_cast<unsigned char>(text_[at_ + 1])))
                ++at_;
            skip();
            if (!digitNext()) at_ = feetEnd;
            if (digitNext()) {
                const size_t mark = feetEnd;
                const Operand inches = unitNumber();
                if (inches.power == 1 && lastUnit_ == mmPerInch)
                    first.value += inches.value;
                else if (inches.power == 0 && text_[feetEnd] != '-')
                    first.value += inches.value * mmPerInch;
                else
                    at_ = mark;
            }
        }
        return first;
    }
    Operand unitNumber()
    {
        const double n = mixed();
        lastUnit_ = 0;
        if (auto unit = takeUnit()) {
            lastUnit_ = *unit;
            return {n * *unit, 1};
        }
        return {n, 0};
    }
    /// `1`, `1.5`, `3/8`, `1 3/8` or `1-3/8`: a fraction is part of the number only when both halves are whole numbers.
    double mixed()
    {
        double whole = number();
        if (whole == std::floor(whole) && !pointSeen_) {
            const size_t mark = at_;
            if (auto denominator = slashInteger()) return whole / *denominator;
            at_ = mark;
            const bool spaced = at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == '\t');
            const bool dashed = at_ < text_.size() && text_[at_] == '-';
            if (dashed) ++at_;
            skip();
            if ((spaced || dashed) && digitNext()) {
                const double numerator = number();
                if (!pointSeen_)
                    if (auto denominator = slashInteger()) return whole + numerator / *denominator;
            }
            at_ = mark;
        }
        return whole;
    }
    std::optional<double> slashInteger()
    {
        if (at_ >= text_.size() || text_[at_] != '/') return {};
        ++at_;
        if (!digitNext()) return {};
        const double d = number();
        if (pointSeen_) return {};
        if (d == 0) fail("dividing by nothing is not possible, a divisor other than 0 is needed");
        return d;
    }
    double number()
    {
        skip();
        if (!digitNext())
            fail(at_ >= text_.size() ? "a number is missing" : "'" + text_.substr(at_, 1) + "' is not a number");
        double value = 0;
        bool unclear = false;
        if (const size_t comma = decimalComma(text_, at_, unclear); comma != std::string::npos) {
            if (unclear) fail("the comma may part thousands or decimals: a point for decimals is needed");
            text_[comma] = '.';
        }
        auto [end, error] =
            std::from_chars(text_.data() + at_, text_.data() + text_.size(), value, std::chars_format::fixed);
        if (error != std::errc{}) fail("the number is out of range");
        const size_t next = static_cast<size_t>(end - text_.data());
        pointSeen_ = text_.substr(at_, next - at_).find('.') != std::string::npos;
        at_ = next;
        return value;
    }
    std::optional<double> takeUnit()
    {
        static const std::pair<const char*, double> units[] = {
            {"mm", 1},
            {"cm", 10},
            {"inches", mmPerInch},
            {"inch", mmPerInch},
            {"in", mmPerInch},
            {"\"", mmPerInch},
            {"feet", 12 * mmPerInch},
            {"ft", 12 * mmPerInch},
            {"'", 12 * mmPerInch},
            {"m", 1000},
        };
        const size_t mark = at_;
        skip();
        for (auto [name, mm] : units) {
            const std::string_view n(name);
            if (std::string_view(text_).substr(at_, n.size()) == n) {
                at_ += n.size();
                return mm;
            }
        }
        at_ = mark;
        return {};
    }

    std::string text_;
    double bare_;
    std::string field_, shown_;
    size_t at_ = 0;
    int depth_ = 0;
    double lastUnit_ = 0;
    bool pointSeen_ = false;
};

}  // namespace

double evaluateLength(std::string_view text, double bareScale, const std::string& field)
{
    const auto from = text.find_first_not_of(" \t\r\n");
    const std::string_view trimmed =
        from == std::string_view::npos ? "" : text.substr(from, text.find_last_not_of(" \t\r\n") - from + 1);
    if (trimmed.size() > 200)
        throw InputError(field, "text of " + std::to_string(trimmed.size()) + " characters", "at most 200 are");
    return Parser(plain(trimmed), bareScale, field, trimmed).run();
}

}  // namespace vl
