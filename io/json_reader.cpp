#include "io/json_reader.h"

#include "core/measure/format.h"
#include "core/piece/check.h"

#include <algorithm>
#include <cmath>

namespace vl::io {
namespace {

std::string shown(const Json& j)
{
    std::string text = j.dump(-1, ' ', false, Json::error_handler_t::replace);
    return text.size() > 60 ? text.substr(0, 57) + "..." : text;
}

/// Deeper nesting than any piece file has; the parser and its destructor recurse.
constexpr int deepest = 64;

void checkDepth(std::string_view text)
{
    int depth = 0;
    bool quoted = false;
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (quoted) {
            if (c == '\\')
                ++i;
            else if (c == '"')
                quoted = false;
        } else if (c == '"')
            quoted = true;
        else if (c == '{' || c == '[') {
            if (++depth > deepest) throw InputError("file", "nesting deeper than 64", "a piece file nests less and is");
        } else if (c == '}' || c == ']')
            --depth;
    }
}

}  // namespace

JsonReader::JsonReader(const Json& object, std::string path, std::vector<std::string>& notes)
    : object_(object), path_(std::move(path)), notes_(notes)
{
    if (!object.is_object()) throw InputError(path_.empty() ? "file" : path_, shown(object), "an object { } is");
}

const Json* JsonReader::find(const char* key, const std::string& otherwise)
{
    asked_.push_back(key);
    const auto it = object_.find(key);
    if (it == object_.end()) {
        notes_.push_back(pathOf(key) + " is missing: " + otherwise + " taken");
        return nullptr;
    }
    return &*it;
}

void JsonReader::refuse(const char* key, const Json& got, const std::string& limit) const
{
    throw InputError(pathOf(key), shown(got), limit);
}

void JsonReader::number(const char* key, double& value, const Limit& limit)
{
    const Json* j = find(key, exact(value));
    if (!j) return;
    if (!j->is_number()) refuse(key, *j, "a number, " + limitText(limit));
    value = j->get<double>();
    checkWithin(pathOf(key), value, limit);
}

void JsonReader::integer(const char* key, int& value, const Limit& limit)
{
    double v = value;
    number(key, v, limit);
    if (v != std::floor(v)) throw InputError(pathOf(key), exact(v), "a whole number, " + limitText(limit));
    value = static_cast<int>(v);
}

void JsonReader::boolean(const char* key, bool& value)
{
    const Json* j = find(key, value ? "true" : "false");
    if (!j) return;
    if (!j->is_boolean()) refuse(key, *j, "true or false is");
    value = j->get<bool>();
}

void JsonReader::text(const char* key, std::string& value, size_t most)
{
    const Json* j = find(key, "'" + value + "'");
    if (!j) return;
    if (!j->is_string()) refuse(key, *j, "a text in quotes is");
    value = j->get<std::string>();
    if (value.size() > most)
        throw InputError(pathOf(key), std::to_string(value.size()) + " bytes",
                         "up to " + std::to_string(most) + " are");
}

void JsonReader::choice(const char* key, int& value, std::span<const Choice> choices)
{
    const Json* j = find(key, std::string("'") + choices[static_cast<size_t>(value)].name + "'");
    if (!j) return;
    std::string all;
    for (size_t i = 0; i < choices.size(); ++i) {
        if (j->is_string() && j->get_ref<const std::string&>() == choices[i].name) {
            value = static_cast<int>(i);
            return;
        }
        all += (i ? ", " : "") + std::string(choices[i].name);
    }
    refuse(key, *j, "one of " + all + " is");
}

void JsonReader::optionalNumber(const char* key, std::optional<double>& value, const Limit& limit)
{
    asked_.push_back(key);
    const auto it = object_.find(key);
    if (it == object_.end() || it->is_null()) {
        value.reset();
        return;
    }
    double v = 0;
    number(key, v, limit);
    value = v;
}

const Json* JsonReader::object(const char* key, bool required)
{
    const Json* j = required && !object_.contains(key) ? nullptr : find(key, "its defaults are");
    if (!j && required) throw InputError(pathOf(key), "nothing", "an object { } is needed and");
    if (j && !j->is_object()) refuse(key, *j, "an object { } is");
    return j;
}

const Json* JsonReader::array(const char* key, size_t most, bool required)
{
    if (required && !object_.contains(key)) throw InputError(pathOf(key), "nothing", "a list [ ] is needed and");
    const Json* j = find(key, "an empty list is");
    if (!j) return nullptr;
    if (!j->is_array()) refuse(key, *j, "a list [ ] is");
    if (j->size() > most)
        throw InputError(pathOf(key), std::to_string(j->size()) + " items", "up to " + std::to_string(most) + " are");
    return j;
}

std::string JsonReader::rest() const
{
    Json kept = Json::object();
    for (const auto& [key, value] : object_.items())
        if (std::ranges::find(asked_, key) == asked_.end()) kept[key] = value;
    return kept.empty() ? std::string() : kept.dump();
}

Json parseJson(std::string_view text)
{
    if (text.size() > 64u << 20) throw InputError("file", std::to_string(text.size()) + " bytes", "up to 64 MiB are");
    checkDepth(text);
    try {
        return Json::parse(text);
    } catch (const Json::parse_error& e) {
        const size_t at = std::min(e.byte, text.size());
        const auto line = 1 + std::count(text.begin(), text.begin() + static_cast<long>(at), '\n');
        const size_t begin = text.rfind('\n', at ? at - 1 : 0);
        throw InputError("line " + std::to_string(line) + ", column " +
                             std::to_string(begin == std::string_view::npos || begin >= at ? at : at - begin),
                         "what stands there", "well-formed JSON is");
    } catch (const Json::exception& e) {
        throw InputError("file", "a number out of range", "well-formed JSON is");
    }
}

void addRest(Json& object, const std::string& rest)
{
    if (rest.empty()) return;
    const Json kept = Json::parse(rest, nullptr, false);
    if (!kept.is_object()) return;
    for (const auto& [key, value] : kept.items())
        if (!object.contains(key)) object[key] = value;
}

}  // namespace vl::io
