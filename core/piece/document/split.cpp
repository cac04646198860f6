#include "core/piece/document/split.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr int leastFold = 3;  // of which straight sides give a body

/// Where a flat of a tip begins or ends: the tip towards `turn` from the headstock's end, its `side` −1 or 1.
Point flatEnd(const Split& s, double turn, double side)
{
    const double out = s.size / 2, c = std::cos(turn), u = std::sin(turn);
    return {-out * c + side * s.band / 2 * u, out * u + side * s.band / 2 * c};
}

}  // namespace

void checkSplit(const Split& split)
{
    if (split.fold == 5) throw InputError("split.fold", "5", "2, 3, 4 or 6 is");
    if (split.fold < leastFold && split.bulge <= 0)
        throw InputError("split.bulge", exact(split.bulge), "above 0, with two tips, is");
    // Its last side stands across the axis.
    if (split.fold % 2 && split.bulge != 0)
        throw InputError("split.bulge", exact(split.bulge), "0, with three tips, is");
    // Hollower or fuller, a side would overhang: its arc ends square to the axis or along it.
    if (const double bend = std::tan(pi / (2 * split.fold)) / 2; std::abs(split.bulge) > bend + 1e-9)
        throw InputError("split.bulge", exact(split.bulge), exact(-bend) + " to " + exact(bend) + " is");
    const double most = split.fold < leastFold ? split.size : split.size * std::tan(pi / split.fold);
    if (split.band >= 0.9 * most)
        throw InputError("split.band_mm", exact(split.band), "less than " + exact(0.9 * most) + " mm is");
}

Outline splitOutline(const Split& split)
{
    Outline line;
    const double share = 2 * pi / split.fold;
    const auto add = [&](Point p, bool side) {
        Node n;
        n.z = p.x();
        n.r = std::max(0.0, p.y());
        n.span = side && split.bulge != 0 ? Span::Arc : Span::Line;
        n.bulge = side ? 2 * split.bulge : 0;
        const bool same = !line.empty() && std::hypot(line.back().z - n.z, line.back().r - n.r) < 1e-9;
        if (same) line.pop_back();
        line.push_back(n);
    };
    // From tip to tip over the upper half; each flat runs from its −1 to its 1 as the turn goes on.
    for (int k = 0; k * share < pi + 1e-9; ++k) {
        const double turn = k * share;
        const bool last = std::abs(turn - pi) < 1e-9;
        if (k > 0) add(flatEnd(split, turn, -1), false);
        if (!last) add(flatEnd(split, turn, 1), true);
    }
    // The side opposite a first tip of three is the piece's other end.
    line.back().span = Span::Line;
    line.back().bulge = 0;
    const double begin = line.front().z;
    for (Node& n : line) n.z -= begin;
    return line;
}

double splitMiddle(const Split& split, double height) { return split.fold % 2 ? split.size / 2 : height / 2; }

double sideRadius(const Split& split)
{
    if (split.bulge == 0) return 0;
    const double chord = (flatEnd(split, 0, 1) - flatEnd(split, 2 * pi / split.fold, -1)).norm(),
                 b = std::abs(split.bulge);
    return chord * (0.25 + b * b) / (2 * b);
}

}  // namespace vl
