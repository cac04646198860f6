#pragma once

#include "app/lanes/drawing_place.h"

#include <QObject>

namespace vl::app {

/// The lathe's axis on the screen: stations and radii in mm to pixels, zoomed and panned together. The scale is the
/// same along and across the axis, so that sections keep their true shape.
class AxisMap : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    /// Where the names of rows end, in every lane below the drawing.
    static constexpr double leftMargin = 92;

    double x(double z) const { return place_.left + (z - z0_) * scale(); }
    double z(double x) const { return z0_ + (x - place_.left) / scale(); }
    double y(double r) const { return place_.axis + sunk_ - r * scale(); }
    double r(double y) const { return (place_.axis + sunk_ - y) / scale(); }
    double scale() const { return place_.scale * factor_; }
    bool zoomed() const { return factor_ > 1; }

    const DrawingPlace& place() const { return place_; }
    void setRoom(const DrawingRoom& room);
    void zoom(double factor, const QPointF& about);
    void pan(const QPointF& pixels);
    void fit();

signals:
    void changed();

private:
    void settle();

    DrawingRoom room_;
    DrawingPlace place_;
    double factor_ = 1, z0_ = 0, sunk_ = 0;
};

}  // namespace vl::app
