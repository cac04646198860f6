#include "core/constructions/made_up.h"

#include <algorithm>
#include <cmath>

namespace vl {

SegmentPanel segmentPanel(const MadeUp& m, int sides, double edge, double planeTo, double turned, double least,
                          double kerf, double trued)
{
    constexpr double steepest = 85 * degrees;  // beyond it a blank is as long as a board; a concern says so before
    SegmentPanel p;
    const double half = std::sin(pi / sides), run = 2 * turned * half;
    const double slant = m.kind == MadeUp::Band || run <= 0 ? 0 : std::min(std::atan(m.rise / run), steepest);
    p.slant = slant / degrees;
    p.blankHeight = m.kind == MadeUp::Diamond ? planeTo / 2 + trued : planeTo;
    p.bandStrip = m.band * std::cos(slant);
    p.width = p.blankHeight * std::cos(slant) + edge * std::sin(slant);
    p.outerStrip = std::max(0.0, (p.width - p.bandStrip) / 2);
    p.step = (edge + kerf) / std::cos(slant);
    p.riseAsTurned = 2 * least * half * std::tan(slant);
    return p;
}

}  // namespace vl
