#pragma once

#include <QFont>
#include <QString>

#include <string>

namespace vl::report {

/// The shipped type: every figure has the same width. `points` is the size; loads the files on first use.
QFont type(double points, QFont::Weight weight = QFont::Normal);

/// The core's words as Qt's.
inline QString q(const std::string& words) { return QString::fromStdString(words); }

}  // namespace vl::report
