#include "core/wood/filler.h"

#include "core/measure/input_error.h"

#include <algorithm>

namespace vl {
namespace {

constexpr const char* metals = "densities of metals, handbook values; from memory";
constexpr const char* packed = "density of the solid; our own sample";

/// Metal and resin are even; what is crushed is all grains.
constexpr Figure plain(float r, float g, float b) { return {{r, g, b}, {r, g, b}, 6.0f, 0.0f, 0.0f}; }
constexpr Figure grains(float r, float g, float b, float dark)
{
    return {{r, g, b}, {r * dark, g * dark, b * dark}, 0.7f, 0.0f, 1.0f};
}

constexpr Species fillers[] = {
    {"aluminium", "aluminum", 2700, 0, 0, false, plain(0.80f, 0.81f, 0.82f), metals},
    {"brass", "brass", 8500, 0, 0, false, plain(0.84f, 0.69f, 0.31f), metals},
    {"copper", "copper", 8960, 0, 0, false, plain(0.80f, 0.47f, 0.31f), metals},
    {"resin-black", "black resin", 1150, 0, 0, false, plain(0.10f, 0.10f, 0.11f), packed},
    {"shell-white", "crushed shell", 2700, 0, 0, false, grains(0.93f, 0.91f, 0.86f, 0.86f), packed},
    {"stone-blue", "crushed blue stone", 2600, 0, 0, false, grains(0.18f, 0.52f, 0.60f, 0.72f), packed},
    {"stone-red", "crushed red stone", 2600, 0, 0, false, grains(0.66f, 0.22f, 0.18f, 0.74f), packed},
};

}  // namespace

std::span<const Species> allFillers() { return fillers; }

const Species* findFilling(std::string_view id)
{
    const auto it = std::ranges::find(fillers, id, &Species::id);
    return it == std::end(fillers) ? findSpecies(id) : it;
}

const Species& fillingOf(std::string_view id)
{
    if (const Species* s = findFilling(id)) return *s;
    std::string ids;
    for (const Species& s : fillers) ids += std::string(s.id) + ", ";
    throw InputError("filling", "'" + std::string(id) + "'", "a wood, or one of " + ids + "is");
}

bool isMetal(const Species& filling) { return filling.source == metals; }
bool isPacked(const Species& filling) { return filling.source == packed; }

}  // namespace vl
