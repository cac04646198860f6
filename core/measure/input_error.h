#pragma once

#include <stdexcept>
#include <string>
#include <string_view>

namespace vl {

/// A text on one line that can be shown anywhere: control characters are spaces, letters stay whole, and what is longer
/// than `most` bytes ends in "…".
std::string oneLine(std::string_view text, size_t most = 300);

/// Bad input, said so that it can be put right: which field, what it held, what would be accepted.
class InputError : public std::runtime_error {
public:
    InputError(const std::string& field, const std::string& value, const std::string& limit)
        : InputError(Parts{oneLine(field), oneLine(value), oneLine(limit, 1000)})
    {
    }

    const std::string& field() const { return field_; }
    const std::string& value() const { return value_; }
    const std::string& limit() const { return limit_; }

private:
    struct Parts {
        std::string field, value, limit;
    };
    explicit InputError(Parts p)
        : std::runtime_error(p.field + ": " + p.value + " is not accepted; " + p.limit), field_(std::move(p.field)),
          value_(std::move(p.value)), limit_(std::move(p.limit))
    {
    }

    std::string field_, value_, limit_;
};

}  // namespace vl
