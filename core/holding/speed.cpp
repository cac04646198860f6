#include "core/holding/speed.h"

#include "core/geometry/point.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/measure/length.h"

#include <algorithm>

namespace vl {

SpeedRange speedRange(double diameter, Balance balance)
{
    if (!(diameter > 0 && diameter <= 10000))
        throw InputError("diameter", exact(diameter), "above 0 up to 10000 mm is");
    const double inches = diameter / mmPerInch;
    SpeedRange s{6000 / inches, 9000 / inches, 0};
    if (balance == Balance::Corners) s.low = 0;
    if (balance == Balance::OutOfBalance) s = {std::min(s.low, 300.0), std::min(s.high, 400.0), 0};
    s.rim = pi * diameter / 1000 * s.high / 60;
    return s;
}

}  // namespace vl
