#include "io/json_reader.h"

#include "core/measure/format.h"
#include "core/piece/records/check.h"

#include <algorithm>
#include <cmath>

namespace vl::io {
namespace {

std::string shownJson(const Json& j) { return oneLine(j.dump(-1, ' ', false, Json::error_handler_t::replace), 60); }

/// Deeper nesting than any piece file has, and more keys in one object: the parser recurses, and looks for each key
/// among all before it.
constexpr int deepestNesting = 64;
constexpr long mostKeys = 2000;

[[noreturn]] void refuseAt(std::string_view text, size_t at, const std::string& what, const std::string& limit)
{
    const auto line = 1 + std::count(text.begin(), text.begin() + static_cast<long>(at), '\n');
    const size_t begin = at ? text.rfind('\n', at - 1) : std::string_view::npos;
    throw InputError("line " + std::to_string(line) + ", column " +
                         std::to_string(begin == std::string_view::npos ? at + 1 : at - begin),
                     what, limit);
}

void checkShape(std::string_view text)
{
    struct Level {
        bool object;
        long items;
    };
    std::vector<Level> open;
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
            open.push_back({c == '{', 1});
            if (open.size() > deepestNesting)
                refuseAt(text, i, "nesting deeper than " + std::to_string(deepestNesting), "a file that nests less is");
        } else if ((c == '}' || c == ']') && !open.empty())
            open.pop_back();
        else if (c == ',' && !open.empty() && ++open.back().items > mostKeys && open.back().object)
            refuseAt(text, i, "more than " + std::to_string(mostKeys) + " keys in one object", "fewer are");
    }
}

}  // namespace

JsonReader::JsonReader(const Json& object, std::string path) : object_(object), path_(std::move(path))
{
    if (!object.is_object()) throw InputError(path_.empty() ? "file" : path_, shownJson(object), "an object { } is");
}

const Json* JsonReader::find(const char* key)
{
    asked_.push_back(key);
    const auto it = object_.find(key);
    return it == object_.end() ? nullptr : &*it;
}

void JsonReader::refuse(const char* key, const Json& got, const std::string& limit) const
{
    throw InputError(pathOf(key), shownJson(got), limit);
}

void JsonReader::number(const char* key, double& value, const Limit& limit)
{
    const Json* j = find(key);
    if (!j) return;
    if (!j->is_number()) refuse(key, *j, "a number, " + limitText(limit));
    value = j->get<double>();
    checkWithin(pathOf(key), value, limit);
    value = std::clamp(value, limit.low, limit.high);
}

void JsonReader::integer(const char* key, int& value, const Limit& limit)
{
    double v = value;
    number(key, v, limit);
    // A count has no rounding that could be set aside.
    if (const auto j = object_.find(key); j != object_.end() && j->get<double>() != v)
        throw InputError(pathOf(key), exact(j->get<double>()), limitText(limit));
    if (v != std::floor(v)) throw InputError(pathOf(key), exact(v), "a whole number, " + limitText(limit));
    value = static_cast<int>(v);
}

void JsonReader::boolean(const char* key, bool& value)
{
    const Json* j = find(key);
    if (!j) return;
    if (!j->is_boolean()) refuse(key, *j, "true or false is");
    value = j->get<bool>();
}

void JsonReader::text(const char* key, std::string& value, size_t most)
{
    const Json* j = find(key);
    if (!j) return;
    if (!j->is_string()) refuse(key, *j, "a text in quotes is");
    value = j->get<std::string>();
    if (const size_t length = characters(value); length > most)
        throw InputError(pathOf(key), std::to_string(length) + " characters", "up to " + std::to_string(most) + " are");
}

void JsonReader::choice(const char* key, int& value, std::span<const Choice> choices)
{
    const Json* j = find(key);
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
    const Json* j = required && !object_.contains(key) ? nullptr : find(key);
    if (!j && required) throw InputError(pathOf(key), "nothing", "an object { } is needed and");
    if (j && !j->is_object()) refuse(key, *j, "an object { } is");
    return j;
}

const Json* JsonReader::array(const char* key, size_t most, bool required)
{
    if (required && !object_.contains(key)) throw InputError(pathOf(key), "nothing", "a list [ ] is needed and");
    const Json* j = find(key);
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
    checkShape(text);
    try {
        return Json::parse(text);
    } catch (const Json::parse_error& e) {
        refuseAt(text, std::min(e.byte ? e.byte - 1 : 0, text.size()), "what stands there", "well-formed JSON is");
    } catch (const Json::out_of_range& e) {
        // It names the number, not its place.
        const std::string said = e.what();
        const size_t from = said.find('\''), to = said.rfind('\'');
        const std::string number = from < to && to != std::string::npos ? said.substr(from + 1, to - from - 1) : "";
        const size_t at = number.empty() ? std::string_view::npos : text.find(number);
        refuseAt(text, at == std::string_view::npos ? 0 : at, number.empty() ? "a number" : number,
                 "a number that a computer can hold is");
    } catch (const Json::exception&) {
        throw InputError("file", "what it holds", "well-formed JSON is");
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
