#pragma once

#include <QString>

class QWidget;

namespace vl::app {

/// The help that ships with the program, at one of its headings.
void showHelp(QWidget* parent, const QString& heading);

}  // namespace vl::app
