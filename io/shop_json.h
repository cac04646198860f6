#pragma once

#include "core/piece/shop/shop.h"

#include <string>
#include <string_view>
#include <vector>

namespace vl::io {

/// The shop as JSON text (`"format": "vivid-lathe-shop"`).
std::string writeShop(const Shop& shop);

/// Reads such a text; missing keys take their defaults, with a note each. Throws InputError as readPiece() does.
Shop readShop(std::string_view text, std::vector<std::string>& notes);

}  // namespace vl::io
