#pragma once

#include "core/blank/assembly.h"

#include <atomic>
#include <cstdint>

namespace vl {

/// A picture: rows of 0xAARRGGBB pixels, top row first.
struct Raster {
    int width = 0, height = 0;
    std::vector<std::uint32_t> pixels;
};

/// An opaque pixel of a color whose parts are 0 … 1.
std::uint32_t packColor(const std::array<float, 3>& color);

/// The part of the unrolled skin to draw: stations left to right, angles (degrees) bottom to top.
struct SkinWindow {
    double z0 = 0, z1 = 0, angle0 = 0, angle1 = 360;
    int width = 0, height = 0;
};

/// The outside, unrolled: every pixel asks the material map, so joints are sharp at any window. Stations without wood
/// are transparent. `canceled` is asked once a row; a canceled bake returns what it has.
Raster bakeSkin(const Assembly& assembly, const TurnedSurfaces& surfaces, const SkinWindow& window,
                const std::atomic<bool>* canceled = nullptr);

/// The half section in its woods at the angle of 12 o'clock: stations left to right, radii bottom to top, only the
/// finished wood.
Raster bakeSection(const Assembly& assembly, const TurnedSurfaces& surfaces, double z0, double z1, double r0, double r1,
                   int width, int height);

/// One ring's face as glued, in plan: `half` mm from the center to each edge of a square of `size` pixels; middle of
/// its thickness.
Raster bakeRing(const BuiltLayer& layer, double half, int size);

}  // namespace vl
