#pragma once

#include "core/piece/shop/finish.h"

#include <vector>

namespace vl::io {

/// Finishes of an earlier version were mixed of two parts, `parts_a` and `parts_b`: as the text that says it now.
void settleOldFinishes(std::vector<Finish>& finishes);

}  // namespace vl::io
