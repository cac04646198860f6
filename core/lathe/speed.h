#pragma once

namespace vl {

struct SpeedRange {
    double low = 0, high = 0;  ///< rpm
    double rim = 0;            ///< m/s at the rim at `high`
};

/// Speeds to start and to run at for a diameter (mm, above 0). Diameter in inches × rpm between 6,000 and 9,000 for
/// balanced work; out of balance no more than 300 to 400 rpm, and no more than the balanced range (both common
/// practice). The machine's own manual comes first.
SpeedRange speedRange(double diameter, bool outOfBalance = false);

}  // namespace vl
