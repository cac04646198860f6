#pragma once

namespace vl {

struct SpeedRange {
    double low = 0, high = 0;  ///< rpm
    double rim = 0;            ///< m/s at the rim at `high`
};

/// How a piece turns: round; balanced, but with corners or wings that sweep a wider circle; or its weight to one side.
enum class Balance { Round, Corners, OutOfBalance };

/// Speeds to start and to run at for a diameter (mm, above 0), that of the corners where there are any. Diameter in
/// inches × rpm between 6,000 and 9,000 for what is round; with corners no more than that, begun at the lathe's least
/// (low is 0); out of balance no more than 300 to 400 rpm, and no more than the round range. All common practice. The
/// machine's own manual comes first.
SpeedRange speedRange(double diameter, Balance balance = Balance::Round);

}  // namespace vl
