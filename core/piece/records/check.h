#pragma once

#include "core/measure/field.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

namespace vl {

/// Throws InputError naming `field` unless `value` is a finite number within the limit.
void checkWithin(const std::string& field, double value, const Limit& limit);

/// Throws InputError naming `field` unless there are no more than its declaration allows, each within its limit.
void checkLengths(const std::string& field, const std::vector<double>& values, const Field& declared);

/// Throws InputError naming a field under `path` unless so many marks fall on a plate of that many holes, the first in
/// hole `start`; a plate of none is laid out by angle.
void checkIndex(int count, int plate, int start, const std::string& path);

/// The limit as a sentence's end: "0.5 to 500 mm is".
std::string limitText(const Limit& limit);

/// Throws InputError naming `field` unless it is the id of a wood that is known.
void checkWood(const std::string& field, const std::string& wood);

/// Checks every field of a record, of the records in it and of their lists against its declaration.
class FieldCheck : public FieldVisitor<FieldCheck> {
public:
    template <class T> void value(const Field& field, const T& v)
    {
        at_.push_back({field.key});
        if constexpr (Record<T>)
            fields(*this, v);
        else if constexpr (requires { std::variant_size<T>::value; }) {
            at_.back().key = field.form;
            std::visit([&](const auto& form) { fields(*this, form); }, v);
        } else if constexpr (std::same_as<T, std::optional<double>>) {
            if (v) within(*v, field.limit);
        } else if constexpr (std::same_as<T, double> || std::same_as<T, int>)
            within(v, field.limit);
        else if constexpr (std::same_as<T, std::string>) {
            if (field.kind == Field::Kind::Wood)
                known(v);
            else if (field.kind == Field::Kind::Filling)
                knownFilling(v);
            else
                howMany(characters(v), field.limit);
        } else if constexpr (std::same_as<T, std::vector<std::string>>) {
            howMany(v.size(), field.limit);
            for (const std::string& one : v) known(one);
        } else if constexpr (std::same_as<T, std::vector<double>>) {
            howMany(v.size(), {0, field.most, "lengths"});
            for (const double one : v) within(one, field.limit);
        } else if constexpr (requires { v.size(); }) {
            howMany(v.size(), field.limit);
            for (size_t i = 0; i < v.size(); ++i) {
                at_.back().place = static_cast<long>(i);
                fields(*this, v[i]);
            }
        }
        at_.pop_back();
    }
    /// Begins at a place: "boards", 3.
    void enter(const char* key, size_t place) { at_.push_back({key, static_cast<long>(place)}); }
    void leave() { at_.pop_back(); }

private:
    struct Step {
        const char* key;
        long place = -1;
    };
    std::string path() const;
    void within(double v, const Limit& limit) const
    {
        if (!limit.holds(v)) checkWithin(path(), v, limit);
    }
    void howMany(size_t n, const Limit& limit) const;
    void known(const std::string& id) const;
    void knownFilling(const std::string& id) const;

    std::vector<Step> at_;
};

}  // namespace vl
