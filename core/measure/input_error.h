#pragma once

#include <stdexcept>
#include <string>

namespace vl {

/// Bad input, said so that it can be put right: which field, what it held, what would be accepted.
class InputError : public std::runtime_error {
public:
    InputError(std::string field, std::string value, std::string limit)
        : std::runtime_error(field + ": " + value + " is not accepted; " + limit), field_(std::move(field)),
          value_(std::move(value)), limit_(std::move(limit))
    {
    }

    const std::string& field() const { return field_; }
    const std::string& value() const { return value_; }
    const std::string& limit() const { return limit_; }

private:
    std::string field_, value_, limit_;
};

}  // namespace vl
