#pragma once

namespace vl {

/// The chance, 0 … 1, that the last joint of a ring closes within ±`gap` mm at the rim: 2·sides mitres, each with an
/// independent normal error of `angleSd` degrees, add up; the gap is their sum (radians) · outer/2. Throws InputError
/// outside 3 … 360 sides, and where a length or an error is not what it can be.
double ringOdds(int sides, double angleSd, double outer, double gap);

}  // namespace vl
