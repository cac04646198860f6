#pragma once

#include "devices/line.h"

#include <QWidget>

namespace vl {

/// The face of a simulated device, as it is read at the bench: a caliper's jaws and digits, a meter's needle, a
/// spindle with its mark, a thermometer. A drag along it sets what it reads; a press on the pedal treads it.
class DeviceFace : public QWidget {
    Q_OBJECT
public:
    explicit DeviceFace(QWidget* parent = nullptr);

    void set(DeviceReading::What what, double value);
    QSize sizeHint() const override { return {360, 220}; }
    /// What a face can read at the least and at the most.
    static std::pair<double, double> range(DeviceReading::What what);

signals:
    void dragged(double value);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    void drawCaliper(QPainter& painter) const;
    void drawNeedle(QPainter& painter) const;
    void drawSpindle(QPainter& painter) const;
    void drawThermometer(QPainter& painter) const;
    void drawPedal(QPainter& painter) const;
    void drawDigits(QPainter& painter, const QRectF& box, const QString& words) const;
    double share() const;

    DeviceReading::What what_ = DeviceReading::Length;
    double value_ = 0;
};

}  // namespace vl
