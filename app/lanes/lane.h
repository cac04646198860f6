#pragma once

#include "app/document/document.h"

#include <QWidget>

namespace vl::app {

/// One lane of a stage: a drawing, or what hangs below it. Drawing and handling are the derived lane's.
class Lane : public QWidget {
    Q_OBJECT
public:
    Lane(Document& document, const QString& title, QWidget* parent = nullptr);

protected:
    Document& doc_;

    /// Fills the ground and writes the lane's name.
    void drawGround(QPainter& painter) const;
    QString length(double mm, int decimals = -1) const;
    QString lengthUnit(double mm, int decimals = -1) const;

    void leaveEvent(QEvent*) override { doc_.pointAt(-1); }

private:
    QString title_;
};

}  // namespace vl::app
