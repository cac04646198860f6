#pragma once

#include "core/piece/shop/shop.h"

#include <string>
#include <string_view>
#include <vector>

namespace vl::io {

/// The whole shop as comma-separated values (RFC 4180), a line for each value: its path in the shop's file
/// ("/log/3/name", RFC 6901), what kind it is (text, number, flag) and the value.
std::string writeShopCsv(const Shop& shop);

/// Reads it back; what is left out keeps its default, with a note. Throws InputError naming line or field.
Shop readShopCsv(std::string_view text, std::vector<std::string>& notes);

}  // namespace vl::io
