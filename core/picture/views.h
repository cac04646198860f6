#pragma once

#include "core/picture/skin.h"

namespace vl {

/// The finished outside as it is seen from the turner's side of the lathe, in its woods and with its roundness:
/// stations left to right, heights over the axis bottom to top, mm. What is not wood is transparent. `canceled` is
/// asked once a column; a canceled picture is what there is of it.
Raster bakeSide(const Assembly& assembly, const TurnedSurfaces& surfaces, double z0, double z1, double low, double high,
                int width, int height, const std::atomic<bool>* canceled = nullptr);

/// The finished piece from one end, `half` mm from the axis to each edge of a square of `size` pixels: into its mouth
/// and down to the floor, or onto its foot. 12 o'clock is up; 9 o'clock is at the left from the tailstock, at the right
/// from the headstock.
Raster bakeEnd(const Assembly& assembly, const TurnedSurfaces& surfaces, End from, double half, int size,
               const std::atomic<bool>* canceled = nullptr);

}  // namespace vl
