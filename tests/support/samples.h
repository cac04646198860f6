#pragma once

#include "core/plan/plan.h"

#include <string>

namespace vl::test {

/// The whole of a file of the source tree.
std::string sourceFile(const std::string& path);

/// The regatta cup of demo/.
Piece regattaCup();

/// A vase of `rings` rings of `segments` segments, for sizes that no sample has.
Piece tallVase(int rings, int segments);

}  // namespace vl::test
