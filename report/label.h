#pragma once

#include "core/piece/shop/log.h"
#include "report/sheet.h"

namespace vl::report {

/// A label to stick or tie to a piece, 70 by 37 mm, and the words for its foot round a disc of `foot` mm across, both
/// at full size on one page. Throws InputError where the device cannot be written to.
void writeLabel(const Logged& entry, double foot, Paper paper, QIODevice& file);

}  // namespace vl::report
