#pragma once

#include <QString>
#include <QStringList>

class QWidget;

namespace vl::app {

/// Asks which of several ways on is taken: its place, or −1 for none of them (Cancel, Escape).
int choose(QWidget* parent, const QString& words, const QStringList& ways);

}  // namespace vl::app
