#pragma once

#include "core/blank/sections.h"
#include "core/constructions/construction.h"

namespace vl {

/// Whether the first and the last layer can be parted from one ring, and why not.
enum class EndRings { Shared, OneSection, Unlike };

/// They can where the last section is built from its upper end, and both are plain closed rings with as many segments
/// of the same woods in the same order.
EndRings endRings(const Piece& piece, const std::vector<Section>& sections);

/// The piece as it is then made: both rings as wide as the wider and bored as the narrower, the first as thick as both,
/// the groove and what truing the two parted faces takes; both on glue blocks.
Piece withSharedRing(Piece piece, const std::vector<Building>& built);

/// What is left to set when the ring is parted: one thickness at each faceplate, the groove between.
struct PartedRing {
    Setting first, groove, last;
};
PartedRing partedRing(const Piece& piece);

/// Hands the last layer's parts to the first, whose ring holds both.
void shareParts(std::vector<Building>& built);

}  // namespace vl
