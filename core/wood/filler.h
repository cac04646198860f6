#pragma once

#include "core/wood/species.h"

namespace vl {

/// What holes, grooves and cracks are filled with that is no wood: metal, crushed stone in thin glue, resin.
std::span<const Species> allFillers();

/// The wood or the filler with this id, or null.
const Species* findFilling(std::string_view id);

/// The same; throws InputError naming the fillers where there is none.
const Species& fillingOf(std::string_view id);

/// Whether it is metal: it decides the last grit, and is cut with tools that bear it.
bool isMetal(const Species& filling);
/// Whether it is poured or packed, not set as a part.
bool isPacked(const Species& filling);

}  // namespace vl
