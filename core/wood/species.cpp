#include "core/wood/species.h"

#include "core/wood/own_wood.h"

#include "core/measure/input_error.h"

#include <algorithm>

namespace vl {
namespace {

constexpr const char* handbook = "USDA FPL Wood Handbook, tables of density and shrinkage; from memory";
constexpr const char* trade = "trade tables of imported woods; from memory";

constexpr Species woods[] = {
    {"ash",
     "white ash",
     670,
     4.9,
     7.8,
     false,
     {{0.87f, 0.78f, 0.62f}, {0.70f, 0.57f, 0.40f}, 3.2f, 0.9f, 0.35f},
     handbook},
    {"basswood",
     "basswood",
     415,
     6.6,
     9.3,
     false,
     {{0.91f, 0.84f, 0.70f}, {0.85f, 0.76f, 0.60f}, 2.6f, 0.0f, 0.20f},
     handbook},
    {"beech",
     "beech",
     720,
     5.5,
     11.9,
     false,
     {{0.85f, 0.69f, 0.53f}, {0.74f, 0.55f, 0.39f}, 2.4f, 0.1f, 0.25f},
     handbook},
    {"birch",
     "yellow birch",
     690,
     7.3,
     9.5,
     false,
     {{0.90f, 0.78f, 0.60f}, {0.80f, 0.64f, 0.45f}, 2.6f, 0.1f, 0.45f},
     handbook},
    {"cherry",
     "black cherry",
     560,
     3.7,
     7.1,
     false,
     {{0.76f, 0.47f, 0.30f}, {0.61f, 0.33f, 0.20f}, 2.4f, 0.1f, 0.40f},
     handbook},
    {"holly",
     "holly",
     640,
     4.8,
     9.9,
     false,
     {{0.94f, 0.92f, 0.85f}, {0.89f, 0.86f, 0.77f}, 2.0f, 0.0f, 0.15f},
     handbook},
    {"mahogany",
     "mahogany",
     590,
     3.0,
     4.1,
     false,
     {{0.66f, 0.35f, 0.22f}, {0.52f, 0.25f, 0.15f}, 4.0f, 0.5f, 0.30f},
     handbook},
    {"maple",
     "hard maple",
     705,
     4.8,
     9.9,
     false,
     {{0.93f, 0.84f, 0.68f}, {0.84f, 0.71f, 0.52f}, 2.8f, 0.0f, 0.45f},
     handbook},
    {"oak-red",
     "red oak",
     700,
     4.0,
     8.6,
     false,
     {{0.82f, 0.64f, 0.47f}, {0.65f, 0.44f, 0.30f}, 2.8f, 1.0f, 0.30f},
     handbook},
    {"oak-white",
     "white oak",
     755,
     5.6,
     10.5,
     false,
     {{0.80f, 0.68f, 0.49f}, {0.63f, 0.49f, 0.33f}, 2.6f, 1.0f, 0.30f},
     handbook},
    {"padauk", "padauk", 745, 3.3, 5.2, true, {{0.76f, 0.27f, 0.13f}, {0.58f, 0.16f, 0.08f}, 3.6f, 0.7f, 0.30f}, trade},
    {"pear", "pear", 690, 3.9, 11.3, false, {{0.82f, 0.60f, 0.47f}, {0.73f, 0.49f, 0.37f}, 2.2f, 0.0f, 0.20f}, trade},
    {"purpleheart",
     "purpleheart",
     900,
     3.2,
     6.1,
     false,
     {{0.47f, 0.22f, 0.38f}, {0.35f, 0.14f, 0.29f}, 3.4f, 0.2f, 0.25f},
     handbook},
    {"teak", "teak", 655, 2.5, 5.8, true, {{0.69f, 0.51f, 0.29f}, {0.51f, 0.35f, 0.18f}, 3.0f, 0.7f, 0.30f}, handbook},
    // Heavy, moving much and oily: whatever it turns out to be, no step of the plan asks too much of it.
    {"unknown",
     "a wood not known",
     850,
     6.0,
     12.0,
     true,
     {{0.66f, 0.56f, 0.44f}, {0.50f, 0.41f, 0.31f}, 3.0f, 0.4f, 0.40f},
     "cautious values, our own"},
    {"walnut",
     "black walnut",
     610,
     5.5,
     7.8,
     false,
     {{0.43f, 0.28f, 0.19f}, {0.29f, 0.18f, 0.12f}, 3.0f, 0.5f, 0.50f},
     handbook},
    {"wenge", "wenge", 870, 4.8, 8.1, false, {{0.30f, 0.22f, 0.17f}, {0.14f, 0.10f, 0.08f}, 1.8f, 0.6f, 0.10f}, trade},
};

}  // namespace

std::span<const Species> allSpecies() { return woods; }

const Species* findSpecies(std::string_view id)
{
    const auto it = std::ranges::find(woods, id, &Species::id);
    return it == std::end(woods) ? findOwnSpecies(id) : it;
}

const Species& speciesOf(std::string_view id)
{
    if (const Species* s = findSpecies(id)) return *s;
    std::string ids;
    for (const Species& s : woods) ids += (ids.empty() ? "" : ", ") + std::string(s.id);
    throw InputError("wood", "'" + std::string(id) + "'", "one of " + ids + " is");
}

}  // namespace vl
