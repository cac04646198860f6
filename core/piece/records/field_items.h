#pragma once

#include "core/measure/field.h"

#include <algorithm>
#include <cmath>

namespace vl {

/// The value of one field: of a choice its place, of a number left to the program nothing.
using FieldValue =
    std::variant<std::monostate, bool, int, double, std::string, std::vector<std::string>, std::vector<double>>;

/// One field of a record as forms, help and tests see it.
struct FieldItem {
    std::string path;  ///< keys with points between, from the record on: "form.joint.width_mm"
    Field field;
    FieldValue value;
    std::span<const Choice> choices{};  ///< of a choice or of alternatives
    bool optional = false;              ///< a number that may be left to the program
};

namespace detail {

/// Goes through a record and the records in it, keeping the path; lists are left to `value` of `Self`.
template <class Self> class PathVisitor : public FieldVisitor<Self> {
protected:
    std::string pathOf(const char* key) const { return prefix_ + key; }
    template <class T> void within(const char* key, T& record)
    {
        const size_t length = prefix_.size();
        prefix_ += key;
        prefix_ += '.';
        fields(static_cast<Self&>(*this), record);
        prefix_.resize(length);
    }

    std::string prefix_;
};

template <class... Form> std::span<const Choice> kindsOf(const std::variant<Form...>*)
{
    static constexpr std::array all{Form::kind...};
    return all;
}

class ItemLister : public PathVisitor<ItemLister> {
public:
    std::vector<FieldItem> items;
    bool applies = true;  ///< of the record that is being listed

    template <class T> void value(const Field& field, T& v)
    {
        using F = std::remove_const_t<T>;
        if constexpr (Record<F>) {
            inner(field, [&] { within(field.key, v); });
        } else if constexpr (requires { std::variant_size<F>::value; }) {
            add(field, static_cast<int>(v.index()), kindsOf(&v));
            inner(field, [&] { std::visit([&](auto& form) { within(field.form, form); }, v); });
        } else if constexpr (Choosable<F>) {
            add(field, static_cast<int>(v), choicesOf<F>());
        } else if constexpr (std::same_as<F, std::optional<double>>) {
            add(field, v ? FieldValue(*v) : FieldValue());
            items.back().optional = true;
        } else if constexpr (std::constructible_from<FieldValue, F>) {
            add(field, v);
        }
    }

private:
    void add(const Field& field, FieldValue value, std::span<const Choice> choices = {})
    {
        items.push_back({pathOf(field.key), field, std::move(value), choices});
        items.back().field.applies = applies && field.applies;
    }
    template <class Inside> void inner(const Field& field, Inside inside)
    {
        const bool outside = std::exchange(applies, applies && field.applies);
        inside();
        applies = outside;
    }
};

class ItemSetter : public PathVisitor<ItemSetter> {
public:
    ItemSetter(const std::string& path, const FieldValue& to) : path_(path), to_(to) {}
    bool done = false;

    template <class T> void value(const Field& field, T& v)
    {
        const bool here = path_ == pathOf(field.key);
        if constexpr (Record<T>) {
            within(field.key, v);
        } else if constexpr (requires { std::variant_size<T>::value; }) {
            std::visit([&](auto& form) { within(field.form, form); }, v);
        } else if constexpr (Choosable<T>) {
            if (here) take<int>([&](int k) { v = static_cast<T>(k); });
        } else if constexpr (std::same_as<T, std::optional<double>>) {
            if (here && std::holds_alternative<std::monostate>(to_)) v.reset(), done = true;
            if (here) take<double>([&](double x) { v = x; });
        } else if constexpr (std::constructible_from<FieldValue, T>) {
            if (here) take<T>([&](const T& x) { v = x; });
        }
    }

private:
    template <class T, class Take> void take(Take set)
    {
        if (const T* x = std::get_if<T>(&to_)) set(*x), done = true;
    }
    const std::string& path_;
    const FieldValue& to_;
};

class Clamper : public FieldVisitor<Clamper> {
public:
    template <class T> void value(const Field& field, T& v)
    {
        if constexpr (Record<T>)
            fields(*this, v);
        else if constexpr (requires { std::variant_size<T>::value; })
            std::visit([&](auto& form) { fields(*this, form); }, v);
        else if constexpr (std::same_as<T, std::optional<double>>) {
            if (v) v = std::clamp(*v, field.limit.low, field.limit.high);
        } else if constexpr (std::same_as<T, double>)
            v = std::clamp(v, field.limit.low, field.limit.high);
        else if constexpr (std::same_as<T, int>)
            v = std::clamp(v, static_cast<int>(field.limit.low), static_cast<int>(field.limit.high));
        else if constexpr (std::same_as<T, std::vector<double>>) {
            v.resize(std::min(v.size(), static_cast<size_t>(field.most)));
            for (double& one : v) one = std::clamp(one, field.limit.low, field.limit.high);
        }
    }
};

class FieldFinder : public FieldVisitor<FieldFinder> {
public:
    explicit FieldFinder(const void* member) : member_(member) {}
    Field found;
    template <class T> void value(const Field& field, T& v)
    {
        if (&v == member_) found = field;
    }

private:
    const void* member_;
};

}  // namespace detail

/// The fields of a record and of the records in it, in order; lists are left out.
template <class T> std::vector<FieldItem> itemsOf(const T& record)
{
    detail::ItemLister lister;
    fields(lister, record);
    return std::move(lister.items);
}

/// Sets the field at a path of itemsOf(); false where there is none, or it takes another kind of value.
template <class T> bool setField(T& record, const std::string& path, const FieldValue& value)
{
    detail::ItemSetter setter(path, value);
    fields(setter, record);
    return setter.done;
}

/// Brings every number of a record into its limit: what a drag or a fix may not exceed.
template <class T> void clampToLimits(T& record)
{
    detail::Clamper clamper;
    fields(clamper, record);
}

/// The declaration of one member: fieldOf(&Hollow::floor).limit.
template <class T, class M> Field fieldOf(M T::*member)
{
    T record{};
    detail::FieldFinder finder(&(record.*member));
    fields(finder, record);
    return finder.found;
}

}  // namespace vl
