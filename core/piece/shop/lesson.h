#pragma once

#include "core/measure/field.h"

#include <string>

namespace vl {

inline constexpr size_t mostLessons = 500;

/// Something learned at the bench, which comes back the next time it matters.
struct Lesson {
    enum About { Step, Wood, Construction, Machine } about = Step;
    std::string of{};    ///< a step's kind ("true-face"), a wood's id, a construction's name, a machine ("lathe")
    std::string note{};  ///< "sand the edges first"
    double at = 0;       ///< minutes since 1970-01-01 00:00 of the shop's own clock
    std::string extra{};

    bool operator==(const Lesson&) const = default;
};
inline std::span<const Choice> choices(Lesson::About)
{
    static constexpr std::array all{Choice{"step", "this kind of step"}, Choice{"wood", "a wood"},
                                    Choice{"construction", "a construction"}, Choice{"machine", "a machine"}};
    return all;
}
template <class V, As<Lesson> F> void fields(V& v, F& f)
{
    v.choice("about", f.about, "It is about");
    v.text("of", f.of, 100, "Of which", "its kind, as files name it");
    v.text("note", f.note, 1000, "Learned");
    v.quiet().minutes("learned_min", f.at, {0, 100000000, "min"}, "When", "minutes since 1970-01-01 00:00");
}

}  // namespace vl
