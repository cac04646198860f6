#pragma once

#include <QFont>

namespace vl::report {

/// The shipped type: every figure has the same width. `points` is the size; loads the files on first use.
QFont type(double points, QFont::Weight weight = QFont::Normal);

}  // namespace vl::report
