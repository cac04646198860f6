#pragma once

#include "core/wood/species.h"

#include <array>
#include <cstdint>

namespace vl {

/// Color of a wood at a place in its board: `along` the grain, `across` the board's width and `through` its thickness,
/// mm; `seed` (0 … 1) says which board; `endGrain` 0 … 1. sRGB, each 0 … 1. The formula stands in
/// core/wood/figure.inl.
std::array<float, 3> woodColor(const Figure& figure, float along, float across, float through, float seed,
                               float endGrain);

/// That color as lit in a picture; `normal` in view space (x right, y up, z to the eye), `lift` brightens what is
/// chosen.
std::array<float, 3> litColor(const std::array<float, 3>& wood, const std::array<float, 3>& normal, float lift);

/// A measure on the wood as a color, 0 harmless … 1 the worst; below 0: it has none there. And that color as lit.
std::array<float, 3> measureColor(float share);
std::array<float, 3> litMeasure(const std::array<float, 3>& color, const std::array<float, 3>& normal);

/// Where the tree's middle lies in a board of that seed, mm from the board's own: across it, and through it.
std::array<float, 2> pithOf(float seed);

/// A number 0 … 1 that is always the same for the same segment of the same layer.
float segmentSeed(size_t layer, size_t segment);

}  // namespace vl
