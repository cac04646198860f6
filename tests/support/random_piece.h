#pragma once

#include "core/piece/document/piece.h"

namespace vl::test {

/// A piece that a turner could have drawn on a bad day: any start, any division, every construction, walls, floors,
/// stock set by hand.
Piece randomPiece();
/// One more of everything that saw, drill and other axes do to it, some of it nonsense.
Piece randomWorkpiece();

}  // namespace vl::test
