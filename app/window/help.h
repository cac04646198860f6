#pragma once

#include <QString>

class QWidget;

namespace vl::app {

/// The help that ships with the program, at one of its headings. `solid` says what draws the solid here.
void showHelp(QWidget* parent, const QString& heading, const QString& solid);

}  // namespace vl::app
