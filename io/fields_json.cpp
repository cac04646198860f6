#include "io/fields_json.h"

#include "core/piece/records/check.h"
#include "core/wood/filler.h"

namespace vl::io {

void FieldReader::readText(const Field& field, std::string& v)
{
    in_.text(field.key, v, static_cast<size_t>(field.limit.high));
    if (field.kind == Field::Kind::Wood) v = knownWood(in_.pathOf(field.key), v);
    if (field.kind == Field::Kind::Filling && !findFilling(v)) v = knownWood(in_.pathOf(field.key), v);
}

void FieldReader::readWoods(const Field& field, std::vector<std::string>& v)
{
    const Json* list = in_.array(field.key, static_cast<size_t>(field.limit.high));
    if (!list) return;
    v.clear();
    const std::string path = in_.pathOf(field.key);
    for (const Json& wood : *list) {
        if (!wood.is_string())
            throw InputError(path, wood.dump(-1, ' ', false, Json::error_handler_t::replace),
                             "the id of a known wood is");
        v.push_back(knownWood(path, wood.get<std::string>()));
    }
}

void FieldReader::readLengths(const Field& field, std::vector<double>& v)
{
    if (!in_.has(field.key)) return;
    const Json* list = in_.array(field.key, static_cast<size_t>(field.most), true);
    v.clear();
    const std::string path = in_.pathOf(field.key);
    for (const Json& one : *list) {
        const std::string at = path + "[" + std::to_string(v.size()) + "]";
        if (!one.is_number())
            throw InputError(at, one.dump(-1, ' ', false, Json::error_handler_t::replace), limitText(field.limit));
        v.push_back(one.get<double>());
        checkWithin(at, v.back(), field.limit);
    }
}

std::string FieldReader::pathOf(const Field& field, size_t place) const
{
    return in_.pathOf(field.key) + "[" + std::to_string(place) + "]";
}

std::string FieldReader::knownWood(const std::string& path, const std::string& id)
{
    if (findSpecies(id)) return id;
    notes_.push_back(path + " names '" + id.substr(0, 60) + "', which is not known here: maple taken");
    return "maple";
}

void SchemaWriter::describe(Json& j, const Field& field)
{
    std::string words = field.words;
    if (*field.help) words += std::string(": ") + field.help;
    if (*field.limit.unit && field.kind == Field::Kind::Number) words += std::string(" (") + field.limit.unit + ")";
    j["description"] = words;
}

void SchemaWriter::mayBeChoice(Json& j, std::span<const Choice> choices)
{
    Json& names = j["enum"] = Json::array();
    for (const Choice& c : choices) names.push_back(c.name);
}

void SchemaWriter::mayBeNumber(Json& j, const char* type, const Limit& limit, bool orNull)
{
    j["type"] = orNull ? Json::array({type, "null"}) : Json(type);
    j["minimum"] = limit.low;
    j["maximum"] = limit.high;
}

void SchemaWriter::mayBeText(Json& j, const Limit& limit)
{
    j["type"] = "string";
    if (limit.low > 0) j["minLength"] = static_cast<int>(limit.low);
    j["maxLength"] = static_cast<int>(limit.high);
}

void SchemaWriter::mayBeTexts(Json& j, const Limit& limit)
{
    j["type"] = "array";
    j["items"]["type"] = "string";
    j["minItems"] = static_cast<int>(limit.low);
    j["maxItems"] = static_cast<int>(limit.high);
}

void SchemaWriter::mayBeNumbers(Json& j, const Field& field)
{
    j["type"] = "array";
    mayBeNumber(j["items"], "number", field.limit);
    j["maxItems"] = static_cast<int>(field.most);
}

void SchemaWriter::mayBeList(Json& j, Json item, const Limit& limit)
{
    j["type"] = "array";
    j["items"] = std::move(item);
    if (limit.low > 0) j["minItems"] = static_cast<int>(limit.low);
    j["maxItems"] = static_cast<int>(limit.high);
}

void SchemaWriter::mayBeAlternative(const Field& field, const char* name, Json form, bool usual)
{
    Json one;
    one["properties"][field.key]["const"] = name;
    one["properties"][field.form] = std::move(form);
    if (!usual) one["required"].push_back(field.key);  // what says nothing of its kind is of the usual one
    anyOf_.push_back(std::move(one));
}

Json SchemaWriter::whole() const
{
    Json j;
    j["type"] = "object";
    j["properties"] = properties_;
    if (!required_.empty()) j["required"] = required_;
    if (!anyOf_.empty()) j["anyOf"] = anyOf_;
    return j;
}

}  // namespace vl::io
