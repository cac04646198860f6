#pragma once

#include "core/blank/assembly.h"
#include "core/process/finish_book.h"

namespace vl {

/// How thirsty the piece's surface is: sampled all round, inside and outside, where the wood shows.
Absorbency absorbencyOf(const Assembly& assembly, const TurnedSurfaces& surfaces);

}  // namespace vl
