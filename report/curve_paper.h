#pragma once

#include "report/sheet.h"

#include "core/picture/mesh.h"

namespace vl::report {

/// What stands beside a curve that is printed at full size.
struct CurveWords {
    QString what, how;    ///< the page's heading, and what is done with it
    QString over, under;  ///< above the curve, and at its base line
    int copies = 1;
};

/// A curve over its base line at full size: small ones as often on one page as copies are needed, else as tiles to be
/// taped.
void drawCurvePages(Sheet& sheet, const Polyline& line, const CurveWords& words);

}  // namespace vl::report
