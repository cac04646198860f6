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
            Json& list = json[field.key] = Json::array();
            for (const auto& one : v) list.push_back(written(one));
        }
    }

    template <class T> [[gnu::noinline]] static Json written(const T& record)
    {
        FieldWriter w;
        fields(w, record);
        if constexpr (requires { record.extra; }) addRest(w.json, record.extra);
        return std::move(w.json);
    }
};

/// Reads them. A missing key keeps its default; a key of the wrong type or beyond its limit throws InputError with its
/// path; keys nobody declared are kept in the record's `extra`. What was put right leaves a note.
class FieldReader : public FieldVisitor<FieldReader> {
public:
    FieldReader(const Json& object, std::string path, std::vector<std::string>& notes)
        : in_(object, std::move(path)), notes_(notes)
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
    [[gnu::noinline]] static void read(T& record, const Json& object, const std::string& path,
                                       std::vector<std::string>& notes)
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
    /// Of one of a list: "holes[2]".
    std::string pathOf(const Field& field, size_t place) const;

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
            v.emplace_back();
            read(v.back(), object, pathOf(field, v.size() - 1), notes_);
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
            schemaOf(j, field, v);
            describe(j, field);
        }
    }

    template <class T> [[gnu::noinline]] static Json described(const T& record)
    {
        SchemaWriter w;
        fields(w, record);
        return w.whole();
    }

private:
    static void describe(Json& j, const Field& field);
    // What each kind of value may be.
    static void mayBeChoice(Json& j, std::span<const Choice> choices);
    static void mayBeNumber(Json& j, const char* type, const Limit& limit, bool orNull = false);
    static void mayBeText(Json& j, const Limit& limit);
    static void mayBeTexts(Json& j, const Limit& limit);
    static void mayBeNumbers(Json& j, const Field& field);
    static void mayBeList(Json& j, Json item, const Limit& limit);
    void mayBeAlternative(const Field& field, const char* name, Json form, bool usual);
    Json whole() const;

    template <class T> static void schemaOf(Json& j, const Field& field, const T& v)
    {
        const Limit& l = field.limit;
        if constexpr (Record<T>)
            j = described(v);
        else if constexpr (Choosable<T>)
            mayBeChoice(j, choicesOf<T>());
        else if constexpr (std::same_as<T, std::optional<double>>)
            mayBeNumber(j, "number", l, true);
        else if constexpr (std::same_as<T, double>)
            mayBeNumber(j, "number", l);
        else if constexpr (std::same_as<T, int>)
            mayBeNumber(j, "integer", l);
        else if constexpr (std::same_as<T, bool>)
            j["type"] = "boolean";
        else if constexpr (std::same_as<T, std::string>)
            mayBeText(j, l);
        else if constexpr (std::same_as<T, std::vector<std::string>>)
            mayBeTexts(j, l);
        else if constexpr (std::same_as<T, std::vector<double>>)
            mayBeNumbers(j, field);
        else
            mayBeList(j, described(typename T::value_type{}), l);
    }

    template <class... Form> void eachAlternative(const Field& field, const std::variant<Form...>& v)
    {
        Json& kind = properties_[field.key];
        mayBeChoice(kind, detail::kindsOf(&v));
        describe(kind, field);
        properties_[field.form]["type"] = "object";
        (mayBeAlternative(field, Form::kind.name, described(Form{}), std::holds_alternative<Form>(v)), ...);
    }

    Json properties_ = Json::object(), required_ = Json::array(), anyOf_ = Json::array();
};

}  // namespace vl::io
