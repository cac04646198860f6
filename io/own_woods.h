#pragma once

#include "core/piece/document/piece.h"
#include "core/wood/own_wood.h"
#include "io/json_reader.h"

namespace vl::io {

/// Makes a wood of a file known; throws InputError with its place where it cannot be.
const Species& knownAt(const std::string& place, const OwnWood& wood);

/// What a piece's own woods are, so that its file can be read where nobody knows them: the list under "own_woods".
Json ownWoodsOf(const Piece& piece);

/// Makes the woods of such a list known, and takes it out of the piece's JSON. A wood whose description was changed by
/// hand has another id: what names the old one names the new one then. Throws InputError with the place.
void takeOwnWoods(Json& piece, std::vector<std::string>& notes);

}  // namespace vl::io
