#include "core/constructions/flipped_board.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {

std::vector<double> FlippedBoard::edges() const
{
    std::vector<double> out{0};
    for (int i = 0; i < strips; ++i) out.push_back(out.back() + wide(i));
    const double middle = out.back() / 2;
    for (double& e : out) e -= middle;
    return out;
}

double FlippedBoard::stockLength(int i) const
{
    if (rows > 1 || round <= 0) return stockLength();
    const std::vector<double> at = edges();
    const auto k = static_cast<size_t>(i);
    const double nearest = at[k] > 0 ? at[k] : at[k + 1] < 0 ? -at[k + 1] : 0;
    return std::min(stockLength(), 2 * std::sqrt(std::max(0.0, round * round / 4 - nearest * nearest)) + 2 * trim);
}

FlippedBoard flippedFrom(int strips, double sawnWidth, double length, double thickness, double row, double jointing,
                         double flattening, double kerf, double trim)
{
    FlippedBoard b;
    if (strips < 2) throw InputError("strips", std::to_string(strips), "2 or more are");
    b.strips = strips;
    b.row = row;
    b.jointing = jointing;
    b.flattening = flattening;
    b.kerf = kerf;
    b.trim = trim;
    b.strip = sawnWidth - 2 * jointing;
    if (!(b.strip > 0))
        throw InputError("strip", exact(sawnWidth),
                         "more than what jointing takes, " + exact(2 * jointing) + " mm, is");
    if (!(row > 0)) throw InputError("row", exact(row), "more than 0 mm is");
    b.rows = static_cast<int>(std::floor((length - 2 * trim + kerf) / (b.rowSawn() + kerf) + 1e-9));
    if (b.rows < 1)
        throw InputError("length", exact(length),
                         "at least one row and both trims, " + exact(b.rowSawn() + 2 * trim) + " mm, is");
    b.thickness = thickness - 2 * flattening * b.glueUps();
    if (!(b.thickness > 0))
        throw InputError("thickness", exact(thickness),
                         "more than what flattening takes, " + exact(2 * flattening * b.glueUps()) + " mm, is");
    return b;
}

}  // namespace vl
