#pragma once

#include "core/constructions/construction.h"

namespace vl {

/// Builds the ring of a layer's RingForm with its bore at `bore` mm from the axis, whatever the outline says: the ring
/// of a let-in disc too.
void buildRing(const Site& site, double bore, Building& out);

}  // namespace vl
