#include "core/geometry/plug.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

namespace vl {

PlugFit plugFit(double hole, double length, double clearance)
{
    if (!(hole > 0)) throw InputError("hole", exact(hole), "above 0 mm is");
    if (!(length > 0)) throw InputError("length", exact(length), "above 0 mm is");
    if (!(clearance >= 0 && clearance < hole))
        throw InputError("clearance", exact(clearance),
                         "0 or more, and less than the hole, " + exact(hole) + " mm, is");
    constexpr double room = 1;  // mm
    return {hole - clearance, length + room};
}

}  // namespace vl
