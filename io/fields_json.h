#pragma once

#include "core/piece/records/field_items.h"
#include "io/json_reader.h"

namespace vl::io {

/// Writes a record's fields as the keys of one JSON object. Numbers left to the program, empty lists, and quiet
/// records that are as they come, are left out.
class FieldWriter : public FieldVisitor<FieldWriter> {
public:
    Json json = Json::object();

    template <class T> void value(const Field& field, const T& v)
    {
        if constexpr (Record<T>) {
            if (!field.quiet || v != T{}) json[field.key] = written(v);
        } else if constexpr (requires { std::variant_size<T>::value; }) {
            json[field.key] = detail::kindsOf(&v)[v.index()].name;
            json[field.form] = std::visit([](const auto& form) { return written(form); }, v);
        } else if constexpr (Choosable<T>)
            json[field.key] = choicesOf<T>()[static_cast<size_t>(v)].name;
        else if constexpr (std::same_as<T, std::optional<double>>) {
            if (v) json[field.key] = *v;
        } else if constexpr (std::same_as<T, std::vector<double>>) {
            if (!v.empty()) json[field.key] = v;
        } else if constexpr (std::constructible_from<FieldValue, T>)
            json[field.key] = v;
        else {
            if (v.empty() && !field.required) return;
            Json list = Json::array();
            for (const auto& one : v) list.push_back(written(one));
            json[field.key] = std::move(list);
        }
    }

    template <class T> static Json written(const T& record)
    {
        FieldWriter w;
        fields(w, record);
        if constexpr (requires { record.extra; }) addRest(w.json, record.extra);
        return std::move(w.json);
    }
};

/// Reads them. A missing key keeps its default and leaves a note, unless it is quiet, a list or a number that
/// may be left to the program; a key of the wrong type or beyond its limit throws InputError with its path; keys nobody
/// declared are kept in the record's `extra`.
class FieldReader : public FieldVisitor<FieldReader> {
public:
    FieldReader(const Json& object, std::string path, std::vector<std::string>& notes)
        : in_(object, std::move(path), notes), notes_(notes)
    {
    }

    template <class T> void value(const Field& field, T& v)
    {
        if (!Record<T> && field.quiet && !in_.has(field.key)) return;
        if constexpr (Record<T>) {
            if (const Json* object = field.quiet && !in_.has(field.key) ? nullptr : in_.object(field.key))
                read(v, *object, in_.pathOf(field.key), notes_);
        } else if constexpr (requires { std::variant_size<T>::value; })
            eachAlternative(field, v);
        else if constexpr (Choosable<T>) {
            int i = static_cast<int>(v);
            in_.choice(field.key, i, choicesOf<T>());
            v = static_cast<T>(i);
        } else if constexpr (std::same_as<T, std::optional<double>>)
            in_.optionalNumber(field.key, v, field.limit);
        else if constexpr (std::same_as<T, double>)
            in_.number(field.key, v, field.limit);
        else if constexpr (std::same_as<T, int>)
            in_.integer(field.key, v, field.limit);
        else if constexpr (std::same_as<T, bool>)
            in_.boolean(field.key, v);
        else if constexpr (std::same_as<T, std::string>)
            readText(field, v);
        else if constexpr (std::same_as<T, std::vector<std::string>>)
            readWoods(field, v);
        else if constexpr (std::same_as<T, std::vector<double>>)
            readLengths(field, v);
        else
            readList(field, v);
    }

    /// Reads a whole object into a record.
    template <class T>
    static void read(T& record, const Json& object, const std::string& path, std::vector<std::string>& notes)
    {
        FieldReader reader(object, path, notes);
        fields(reader, record);
        if constexpr (requires { record.extra; }) record.extra = reader.in_.rest();
    }

    JsonReader& json() { return in_; }

private:
    void readText(const Field& field, std::string& v);
    void readWoods(const Field& field, std::vector<std::string>& v);
    void readLengths(const Field& field, std::vector<double>& v);
    std::string knownWood(const std::string& path, const std::string& id);

    template <class... Form> void eachAlternative(const Field& field, std::variant<Form...>& v)
    {
        int kind = static_cast<int>(v.index());
        in_.choice(field.key, kind, detail::kindsOf(&v));
        int place = 0;
        ((place++ == kind && v.index() != static_cast<size_t>(kind) ? void(v.template emplace<Form>()) : void()), ...);
        if (const Json* object = in_.object(field.form))
            std::visit([&](auto& form) { read(form, *object, in_.pathOf(field.form), notes_); }, v);
    }

    template <class Item> void readList(const Field& field, std::vector<Item>& v)
    {
        if (!field.required && !in_.has(field.key)) return;
        const Json& all = *in_.array(field.key, static_cast<size_t>(field.limit.high), true);
        v.clear();
        for (const Json& object : all) {
            Item item;
            read(item, object, in_.pathOf(field.key) + "[" + std::to_string(v.size()) + "]", notes_);
            v.push_back(std::move(item));
        }
    }

    JsonReader in_;
    std::vector<std::string>& notes_;
};

/// Describes a record as a JSON Schema (draft 7): every key's type, limits, choices and meaning.
class SchemaWriter : public FieldVisitor<SchemaWriter> {
public:
    template <class T> void value(const Field& field, const T& v)
    {
        if (field.required) required_.push_back(field.key);
        if constexpr (requires { std::variant_size<T>::value; })
            eachAlternative(field, v);
        else {
            Json& j = properties_[field.key];
            j = schemaOf(field, v);
            describe(j, field);
        }
    }

    template <class T> static Json described(const T& record)
    {
        SchemaWriter w;
        fields(w, record);
        Json j{{"type", "object"}, {"properties", w.properties_}};
        if (!w.required_.empty()) j["required"] = w.required_;
        if (!w.anyOf_.empty()) j["anyOf"] = w.anyOf_;
        return j;
    }

private:
    static void describe(Json& j, const Field& field);
    static Json namesOf(std::span<const Choice> choices);

    template <class T> static Json schemaOf(const Field& field, const T& v)
    {
        const Limit& l = field.limit;
        if constexpr (Record<T>)
            return described(v);
        else if constexpr (Choosable<T>)
            return {{"enum", namesOf(choicesOf<T>())}};
        else if constexpr (std::same_as<T, std::optional<double>>)
            return {{"type", Json::array({"number", "null"})}, {"minimum", l.low}, {"maximum", l.high}};
        else if constexpr (std::same_as<T, double>)
            return {{"type", "number"}, {"minimum", l.low}, {"maximum", l.high}};
        else if constexpr (std::same_as<T, int>)
            return {{"type", "integer"}, {"minimum", l.low}, {"maximum", l.high}};
        else if constexpr (std::same_as<T, bool>)
            return {{"type", "boolean"}};
        else if constexpr (std::same_as<T, std::string>)
            return {{"type", "string"}, {"maxLength", static_cast<int>(l.high)}};
        else if constexpr (std::same_as<T, std::vector<std::string>>)
            return {{"type", "array"},
                    {"items", {{"type", "string"}}},
                    {"minItems", static_cast<int>(l.low)},
                    {"maxItems", static_cast<int>(l.high)}};
        else if constexpr (std::same_as<T, std::vector<double>>)
            return {{"type", "array"},
                    {"items", {{"type", "number"}, {"minimum", l.low}, {"maximum", l.high}}},
                    {"maxItems", static_cast<int>(field.most)}};
        else
            return {{"type", "array"},
                    {"items", described(typename T::value_type{})},
                    {"maxItems", static_cast<int>(l.high)}};
    }

    template <class... Form> void eachAlternative(const Field& field, const std::variant<Form...>& v)
    {
        Json& kind = properties_[field.key];
        kind = {{"enum", namesOf(detail::kindsOf(&v))}};
        describe(kind, field);
        properties_[field.form] = {{"type", "object"}};
        (anyOf_.push_back(
             {{"properties", {{field.key, {{"const", Form::kind.name}}}, {field.form, described(Form{})}}}}),
         ...);
    }

    Json properties_ = Json::object(), required_ = Json::array(), anyOf_ = Json::array();
};

}  // namespace vl::io
