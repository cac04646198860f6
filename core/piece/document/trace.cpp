#include "core/piece/document/trace.h"

#include "core/piece/records/field_items.h"

#include <cmath>

namespace vl {

Trace straightened(Trace trace, const Point& foot, const Point& rim, double length)
{
    const Point line = rim - foot;
    if (!(line.norm() > 1e-6) || !(length > 0)) return trace;
    const double scale = length / line.norm(), angle = -std::atan2(line.y(), line.x());
    const Point off = Point(trace.along, trace.up) - foot;
    Trace next = trace;
    next.along = scale * (std::cos(angle) * off.x() - std::sin(angle) * off.y());
    next.up = scale * (std::sin(angle) * off.x() + std::cos(angle) * off.y());
    next.width *= scale;
    next.turned = std::remainder(trace.turned + angle / degrees, 360.0);
    const Trace wanted = next;
    clampToLimits(next);
    return next == wanted ? next : trace;
}

}  // namespace vl
