#pragma once

#include "core/measure/input_error.h"

#include <string>
#include <string_view>

namespace vl {

/// Evaluates a sum, difference, product or quotient of lengths and numbers; `bareScale` is what a number without a unit
/// is worth in mm. The result is mm. Throws InputError naming `field`.
double evaluateLength(std::string_view text, double bareScale, const std::string& field);

}  // namespace vl
