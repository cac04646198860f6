#pragma once

#include "cli/reckon.h"
#include "core/measure/expression.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/measure/length.h"

#include <nlohmann/json.hpp>

#include <cmath>
#include <map>
#include <optional>
#include <span>

namespace vl::cli {

using Json = nlohmann::ordered_json;

/// The key=value words of one call.
class Values {
public:
    Values(const std::string& kind, std::span<const char* const> keys, const std::vector<std::string>& arguments)
    {
        for (const std::string& word : arguments) {
            const size_t sign = word.find('=');
            const std::string key = word.substr(0, sign);
            if (sign == std::string::npos) throw UsageError("'" + word + "' is not key=value");
            if (std::ranges::find(keys, key) == keys.end())
                throw UsageError("reckon " + kind + " does not take '" + key + "'");
            // Only what a kind asks for by all() may come more than once.
            if (values_.contains(key) && key != "axis" && key != "rod")
                throw UsageError("'" + key + "' is given twice");
            values_.emplace(key, word.substr(sign + 1));
        }
    }
    bool has(const char* key) const { return values_.contains(key); }
    /// Every value of a key that may be repeated, in order.
    std::vector<std::string> all(const char* key) const
    {
        std::vector<std::string> out;
        const auto [from, to] = values_.equal_range(key);
        for (auto it = from; it != to; ++it) out.push_back(it->second);
        return out;
    }
    std::string text(const char* key) const
    {
        if (!has(key)) orMissing(key, std::nan(""));
        return values_.find(key)->second;
    }
    double length(const char* key, double otherwise = std::nan("")) const
    {
        return has(key) ? parseLength(text(key), LengthStyle::Unit::Millimeter, key) : orMissing(key, otherwise);
    }
    double number(const char* key, double otherwise = std::nan("")) const
    {
        if (!has(key)) return orMissing(key, otherwise);
        const std::string word = text(key);
        const std::optional<double> v = parseNumber(word);
        if (!v) throw InputError(key, "'" + word + "'", "a number is");
        return *v;
    }
    int whole(const char* key, int low, int high, double otherwise = std::nan("")) const
    {
        const double v = number(key, otherwise);
        if (v != std::floor(v) || v < low || v > high)
            throw InputError(key, exact(v),
                             "a whole number from " + std::to_string(low) + " to " + std::to_string(high) + " is");
        return static_cast<int>(v);
    }
    bool yes(const char* key) const
    {
        if (!has(key)) return false;
        const std::string v = text(key);
        if (v == "yes" || v == "no") return v == "yes";
        throw InputError(key, "'" + v + "'", "yes or no is");
    }

private:
    static double orMissing(const char* key, double otherwise)
    {
        if (std::isnan(otherwise))
            throw InputError(key, "nothing", "a value, " + std::string(key) + "=..., is needed and");
        return otherwise;
    }
    std::multimap<std::string, std::string> values_;
};

/// The parts of "a,b,c".
inline std::vector<std::string> partsOf(const std::string& word)
{
    std::vector<std::string> parts{""};
    for (const char c : word) c == ',' ? parts.push_back("") : parts.back().push_back(c);
    return parts;
}

/// One kind of calculation.
struct Kind {
    const char* name;
    std::vector<const char*> keys;
    const char* usage;
    const char* conventions;
    const char* source;
    Json (*run)(const Values&);
};

// Every kind, by what it is about.
std::span<const Kind> blankKinds();
std::span<const Kind> inlayKinds();

}  // namespace vl::cli
