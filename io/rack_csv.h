#pragma once

#include "core/piece/shop/rack.h"

#include <string>
#include <string_view>

namespace vl::io {

/// The rack as CSV (RFC 4180): id, wood, length_mm, width_mm, thickness_mm, price, defects; a defect is
/// `what@along,across,length,width`, several are parted by `; `.
std::string writeRackCsv(const std::vector<Board>& boards);

/// Reads what writeRackCsv() writes; columns may stand in any order, price and defects may be missing. Lengths take
/// every form that the application takes, a bare number is mm. Throws InputError naming line and column.
std::vector<Board> readRackCsv(std::string_view text);

/// The rows of a CSV text, quotes taken off.
std::vector<std::vector<std::string>> csvRows(std::string_view text);

}  // namespace vl::io
