#pragma once

#include <array>
#include <cmath>
#include <concepts>
#include <optional>
#include <span>
#include <string>
#include <type_traits>
#include <utility>
#include <variant>
#include <vector>

namespace vl {

/// What a number may be, ends included, and its unit; of a text its bytes, of a list its items.
struct Limit {
    double low = 0, high = 0;
    const char* unit = "mm";

    /// Whether a value is within, its own rounding aside: a file may say a limit with fewer places than it has.
    bool holds(double value) const
    {
        constexpr double rounding = 1e-6;  // of the limit
        return value >= low - rounding * std::abs(low) && value <= high + rounding * std::abs(high);
    }
    /// The value `step` of `steps` equal steps on from the low end, and the step nearest to a value.
    double share(int step, int steps) const { return low + (high - low) * step / steps; }
    int step(double value, int steps) const
    {
        return static_cast<int>(std::lround((value - low) / (high - low) * steps));
    }
};

/// One value of a choice: as files write it, and as screens show it.
struct Choice {
    const char* name;
    const char* words;
};

/// What every reader, writer, check, schema, form and help knows of one field of a record.
///
///     record ──fields(visitor, record)──> visitor.value(field, member), once for each member, in order
///
/// A record declares its fields beside its struct, once, in the function `fields`.
struct Field {
    enum class Kind { Number, Count, Flag, Text, Wood, Filling, Woods, Lengths, Choice, Record, List, Alternatives };
    Kind kind = Kind::Number;
    const char* key = "";    ///< in files: snake_case, ends in its unit
    const char* words = "";  ///< what screens call it
    const char* help = "";   ///< what it means, where its words do not say it
    Limit limit{};
    bool applies = true;        ///< whether the record, as it is, asks for it
    bool required = false;      ///< a file without it is refused
    bool quiet = false;         ///< left out of files while it is as it comes
    double most = 0;            ///< of lengths, how many; `limit` is what each may be
    const char* form = "form";  ///< of alternatives: the key that the chosen one's own fields stand under
};

/// A function's parameter that is this record, constant or not.
template <class T, class Plain>
concept As = std::same_as<std::remove_const_t<T>, Plain>;

template <class T>
concept Choosable = std::is_enum_v<T>;

/// The values of a choice, in the order of its enumeration: `choices` is declared beside each.
template <Choosable E> std::span<const Choice> choicesOf() { return choices(E{}); }

/// How fields are declared. A visitor inherits this and has `value(field, member)` for what it wants to see.
template <class Self> class FieldVisitor {
public:
    /// The next field applies only where this holds; it is read and written all the same.
    Self& when(bool applies)
    {
        applies_ = applies;
        return self();
    }
    /// The next field must be in a file.
    Self& required()
    {
        required_ = true;
        return self();
    }

    /// The next record is left out of files while it is as it comes; the next value came later than files that are out
    /// there, which lack it without a word.
    Self& quiet()
    {
        quiet_ = true;
        return self();
    }

    /// A length in mm; an optional one may be left to the program.
    template <class T> void length(const char* key, T& v, Limit limit, const char* words, const char* help = "")
    {
        number(key, v, {limit.low, limit.high, "mm"}, words, help);
    }
    template <class T> void angle(const char* key, T& v, Limit limit, const char* words, const char* help = "")
    {
        number(key, v, {limit.low, limit.high, "°"}, words, help);
    }
    template <class T> void minutes(const char* key, T& v, Limit limit, const char* words, const char* help = "")
    {
        number(key, v, {limit.low, limit.high, "min"}, words, help);
    }
    template <class T> void number(const char* key, T& v, Limit limit, const char* words, const char* help = "")
    {
        tell(Field::Kind::Number, key, v, limit, words, help);
    }
    template <class T> void count(const char* key, T& v, Limit limit, const char* words, const char* help = "")
    {
        tell(Field::Kind::Count, key, v, {limit.low, limit.high, ""}, words, help);
    }
    template <class T> void flag(const char* key, T& v, const char* words, const char* help = "")
    {
        tell(Field::Kind::Flag, key, v, {0, 1, ""}, words, help);
    }
    template <class T> void text(const char* key, T& v, double mostBytes, const char* words, const char* help = "")
    {
        tell(Field::Kind::Text, key, v, {0, mostBytes, "bytes"}, words, help);
    }
    template <class T> void wood(const char* key, T& v, const char* words, const char* help = "")
    {
        tell(Field::Kind::Wood, key, v, {0, 100, "bytes"}, words, help);
    }
    /// A wood, or what a hole or a groove is filled with that is none.
    template <class T> void filling(const char* key, T& v, const char* words, const char* help = "")
    {
        tell(Field::Kind::Filling, key, v, {0, 100, "bytes"}, words, help);
    }
    template <class T> void woods(const char* key, T& v, Limit limit, const char* words, const char* help = "")
    {
        tell(Field::Kind::Woods, key, v, {limit.low, limit.high, "woods"}, words, help);
    }
    /// Lengths in mm, up to `most` of them.
    template <class T>
    void lengths(const char* key, T& v, double most, Limit limit, const char* words, const char* help = "")
    {
        most_ = most;
        tell(Field::Kind::Lengths, key, v, {limit.low, limit.high, "mm"}, words, help);
    }
    template <class T> void choice(const char* key, T& v, const char* words, const char* help = "")
    {
        tell(Field::Kind::Choice, key, v, {}, words, help);
    }
    template <class T> void record(const char* key, T& v, const char* words, const char* help = "")
    {
        tell(Field::Kind::Record, key, v, {}, words, help);
    }
    template <class T> void list(const char* key, T& v, double most, const char* words, const char* help = "")
    {
        tell(Field::Kind::List, key, v, {0, most, "items"}, words, help);
    }
    /// A variant of records, each with a `Choice` of its own called `kind`: the name stands under `key`, its fields
    /// under `form`.
    template <class T>
    void alternatives(const char* key, const char* form, T& v, const char* words, const char* help = "")
    {
        form_ = form;
        tell(Field::Kind::Alternatives, key, v, {}, words, help);
    }

private:
    Self& self() { return static_cast<Self&>(*this); }
    /// Not inlined: a record has dozens of fields, and what is done with one need not stand there dozens of times.
    template <class T>
    [[gnu::noinline]] void tell(Field::Kind kind, const char* key, T& v, Limit limit, const char* words,
                                const char* help)
    {
        const Field field{.kind = kind,
                          .key = key,
                          .words = words,
                          .help = help,
                          .limit = limit,
                          .applies = std::exchange(applies_, true),
                          .required = std::exchange(required_, false),
                          .quiet = std::exchange(quiet_, false),
                          .most = std::exchange(most_, 0),
                          .form = form_};
        self().value(field, v);
    }

    bool applies_ = true, required_ = false, quiet_ = false;
    double most_ = 0;
    const char* form_ = "form";
};

struct AnyVisitor;

/// A struct that declares its fields.
template <class T>
concept Record = std::is_class_v<T> && requires(AnyVisitor& v, T& t)
{
    fields(v, t);
};

}  // namespace vl
