#pragma once

#include "core/piece/document/piece.h"

#include <string>
#include <string_view>
#include <vector>

namespace vl::io {

/// A piece read from a file, and what had to be put right in it (one sentence each).
struct LoadedPiece {
    Piece piece;
    std::vector<std::string> notes;
};

/// The piece as the text of a `.vlathe` file of version 2; docs/piece.schema.json describes it.
std::string writePiece(const Piece& piece);

/// Reads such a text, of version 1 too. Missing keys take their defaults, with a note; anything else that is wrong
/// throws InputError naming the place, the value and the limit.
LoadedPiece readPiece(std::string_view text);

/// The schema of such a file, written from the declarations of its fields: the text of docs/piece.schema.json.
std::string pieceSchema();

}  // namespace vl::io
