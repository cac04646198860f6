#pragma once

#include <array>
#include <cstdint>
#include <vector>

namespace vl {

/// Triangles that share their corners, one corner for each place, mm; anticlockwise as seen from outside.
struct Surface {
    std::vector<std::array<double, 3>> corners;
    std::vector<std::array<std::uint32_t, 3>> faces;
};

/// Volume that a closed surface encloses, mm³ (divergence theorem).
double volumeOf(const Surface& surface);

}  // namespace vl
