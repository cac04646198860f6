#include "core/geometry/profile.h"
#include "core/piece/edits/edit.h"

#include <algorithm>
#include <cmath>

namespace vl::edit {
namespace {

bool hasTwoEnds(const Piece& piece) { return piece.layers.size() == 1 && piece.layers[0].standsAlongAxis(); }

double middle(const OffAxis& axis) { return (axis.outside.front().z + axis.outside.back().z) / 2; }

}  // namespace

Piece addAxis(Piece piece)
{
    const double length = outlineHeight(piece), from = 0.2 * length, to = 0.8 * length;
    const double round = std::max(2.0, radiusAt(outsideRadii(piece), length / 2));
    OffAxis axis;
    axis.by = hasTwoEnds(piece) ? AxisBy::Centers : AxisBy::Eccentric;
    axis.headOffset = axis.tailOffset = std::max(0.5, std::round(round / 2) / 2);
    axis.band = std::min(3.0, round / 6);
    // Neighbors 120° apart leave the band between them: the circles' crossing by the law of cosines.
    const double e = axis.headOffset, half = 60 * degrees - std::asin(axis.band / 2 / round);
    const double radius = std::sqrt(round * round + e * e + 2 * round * e * std::cos(half));
    auto node = [](double z, double r) {
        Node n;
        n.z = z;
        n.r = r;
        return n;
    };
    // It runs out of the round at both its ends.
    axis.outside = {node(from, round + e), node(length / 2, radius), node(to, round + e)};
    piece.axes.push_back(std::move(axis));
    identifyAxes(piece);
    return piece;
}

void stretchAxis(OffAxis& axis, double from, double to)
{
    const double a = axis.outside.front().z, b = axis.outside.back().z;
    if (!(to > from) || !(b > a)) return;
    for (Node& n : axis.outside) n.z = std::clamp(from + (n.z - a) / (b - a) * (to - from), 0.0, 3000.0);
}

double axisRadius(const OffAxis& axis) { return radiusAt(flatten(axis.outside), middle(axis)); }

void setAxisRadius(OffAxis& axis, double radius)
{
    const double by = radius - axisRadius(axis);
    for (Node& n : axis.outside) n.r = std::clamp(n.r + by, 0.5, 1000.0);
}

}  // namespace vl::edit
