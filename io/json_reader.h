#pragma once

#include "core/measure/field.h"
#include "core/measure/input_error.h"

#include <nlohmann/json.hpp>

#include <string>
#include <vector>

namespace vl::io {

using Json = nlohmann::ordered_json;

/// Reads the keys of one JSON object. A missing key keeps its default; a key of the wrong type or
/// beyond its limit throws InputError with its path; keys nobody asked for are kept for saving.
class JsonReader {
public:
    JsonReader(const Json& object, std::string path);

    bool has(const char* key) const { return object_.contains(key); }
    void number(const char* key, double& value, const Limit& limit);
    void integer(const char* key, int& value, const Limit& limit);
    void boolean(const char* key, bool& value);
    void text(const char* key, std::string& value, size_t most);
    /// One of the names; `value` is set to its place.
    void choice(const char* key, int& value, std::span<const Choice> choices);
    /// A number or null.
    void optionalNumber(const char* key, std::optional<double>& value, const Limit& limit);
    /// The object or array under `key`, or null when missing; `required` throws instead.
    const Json* object(const char* key, bool required = false);
    const Json* array(const char* key, size_t most, bool required = false);

    std::string pathOf(const std::string& key) const { return path_.empty() ? key : path_ + "." + key; }
    /// Everything not asked for, as JSON text; empty when there is nothing.
    std::string rest() const;

private:
    /// The value under a key, or null.
    const Json* find(const char* key);
    [[noreturn]] void refuse(const char* key, const Json& got, const std::string& limit) const;

    const Json& object_;
    std::string path_;
    std::vector<std::string_view> asked_;  // keys as the declarations spell them: they last
};

/// Parses text; throws InputError naming line and column.
Json parseJson(std::string_view text);

/// Adds the keys kept by JsonReader::rest() to an object.
void addRest(Json& object, const std::string& rest);

}  // namespace vl::io
