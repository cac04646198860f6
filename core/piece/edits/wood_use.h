#pragma once

#include "core/piece/shop/shop.h"

namespace vl {

struct Piece;

/// The id of every wood that a piece names, each once.
std::vector<std::string> woodsOf(const Piece& piece);

/// The piece, and the shop, with one wood in another's place wherever it is named.
Piece withWood(Piece piece, const std::string& from, const std::string& to);
Shop withWood(Shop shop, const std::string& from, const std::string& to);

}  // namespace vl
