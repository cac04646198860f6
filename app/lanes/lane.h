#pragma once

#include "app/document.h"
#include "app/lanes/axis_map.h"

#include <QWidget>

namespace vl::app {

/// One lane hung on the lathe's axis. Wheel zooms about the pointer, the middle button or Shift and wheel pans, for all
/// lanes of the stage together. Drawing and handling are the derived lane's.
class Lane : public QWidget {
    Q_OBJECT
public:
    Lane(Document& document, AxisMap& axis, const QString& title, QWidget* parent = nullptr);

protected:
    Document& doc_;
    AxisMap& axis_;

    double x(double z) const { return axis_.x(z); }
    double z(double px) const { return axis_.z(px); }
    /// The layer at a pixel, −1 beyond the stack.
    int layerAtX(double px) const;
    /// Fills the ground and writes the lane's name.
    void drawGround(QPainter& painter) const;
    QString length(double mm, int decimals = -1) const;
    QString lengthUnit(double mm, int decimals = -1) const;

    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    bool panning() const { return panning_; }

private:
    QString title_;
    bool panning_ = false;
    QPointF panFrom_;
};

}  // namespace vl::app
