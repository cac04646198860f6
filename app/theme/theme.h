#pragma once

#include <QColor>
#include <QFont>
#include <QIcon>
#include <QString>

namespace vl::app {

/// The quiet bench: neutral chrome, one accent for what is selected, one color for warnings. Text on its ground is 4.5
/// to 1 or better in both themes (tests/ui checks it).
struct Theme {
    bool dark = false;
    QColor ground, panel, edge, text, quiet, accent, accentSoft, onAccent, warn, warnSoft, stop;
    QColor strong, onStrong;  ///< the current stage
    QColor field, rim;        ///< what can be typed into, and its edge: 3 to 1 on the panel

    static Theme light();
    static Theme darkBench();
    QString styleSheet() const;
};

/// The theme in force; setTheme() changes the application's palette, type and style.
const Theme& theme();
void setTheme(bool dark);

/// The shipped type at `points`, never below 9 (12 pixels).
QFont textFont(double points, QFont::Weight weight = QFont::Normal);

/// Words of the core or of the paper in the reader's language.
QString localized(const char* words);

/// Rich text whose <b> is the semibold that is shipped: it asks for a bold that is not.
QString semibold(QString html);

/// A shipped icon in a color.
QIcon icon(const char* name, const QColor& color);

}  // namespace vl::app
