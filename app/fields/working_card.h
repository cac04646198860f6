#pragma once

#include "app/document/document.h"
#include "core/plan/working.h"

#include <QFrame>

namespace vl::app {

/// A small card that shows how a number came about. One is open at a time; a click elsewhere or Escape closes it.
class WorkingCard : public QFrame {
    Q_OBJECT
public:
    static void show(QWidget* near, const QPoint& global, const Document& document, FigureId figure, int layer);
    static void show(QWidget* near, const QPoint& global, const Working& working);

private:
    WorkingCard(QWidget* parent, const Working& working);
};

}  // namespace vl::app
