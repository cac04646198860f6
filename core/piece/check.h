#pragma once

#include "core/piece/limits.h"

#include <string>

namespace vl {

/// Throws InputError naming `field` unless `value` is a finite number within the limit.
void checkWithin(const std::string& field, double value, const Limit& limit);

/// The limit as a sentence's end: "0.5 to 500 mm is".
std::string limitText(const Limit& limit);

}  // namespace vl
