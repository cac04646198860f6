#pragma once

#include "core/piece/document/piece.h"
#include "core/piece/shop/shop.h"

namespace vl::test {

/// A piece that a turner could mean: of any construction, held and ordered in any way, a little wider or narrower than
/// a sample or a plain shape, with sides on another axis, holes, flutes, a lid or wet wood on some. Most can be made.
Piece makeablePiece();

/// A shop with jaws, a lathe and steps of grits of its own.
Shop anyShop();

}  // namespace vl::test
