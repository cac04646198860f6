#pragma once

#include "core/piece/document/piece.h"

#include <array>

namespace vl {

/// A picture to be laid round the piece: its left edge at 12 o'clock, going round the way angles count, its lower edge
/// towards the headstock.
struct Picture {
    int width = 0, height = 0;
    std::vector<std::array<float, 3>> pixels;  ///< sRGB 0 … 1, row by row from the top

    const std::array<float, 3>& at(int x, int y) const
    {
        return pixels[static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x)];
    }
};

/// What laying a picture gave.
struct PictureFit {
    int segments = 0;                           ///< of each ring
    double error = 0;                           ///< mean difference between picture and wood, CIE76 ΔE
    std::vector<std::pair<int, double>> tried;  ///< each number of segments and its error
};

/// Lays a picture onto the rings `first` … `last` (layers), with `woods` to choose from: each segment takes the wood
/// whose color is nearest to the mean of the picture behind it (CIE76 difference in CIE L*a*b*, D65). With `segments`
/// 0 the number between 6 and 96 that shows it best is taken: the fewest within 2 % of the least error whose segments,
/// at the radius `radius` mm, are at least `leastEdge` mm long. Layers that are no rings are left alone. Throws
/// InputError for an empty picture, no woods, or no ring between first and last.
Piece layPicture(Piece piece, const Picture& picture, int first, int last, const std::vector<std::string>& woods,
                 int segments, double radius, double leastEdge, PictureFit* fit = nullptr);

/// CIE L*a*b* of an sRGB color 0 … 1 (IEC 61966-2-1, D65 white).
std::array<double, 3> labOf(const std::array<float, 3>& srgb);

}  // namespace vl
