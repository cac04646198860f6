#pragma once

#include "app/lanes/lane.h"

#include <cmath>
#include <functional>

namespace vl::app {

/// A quantity along the axis as a line: wall thickness, curvature. Values far beyond the usual run out of the top.
class PlotLane : public Lane {
    Q_OBJECT
public:
    struct Curve {
        Polyline points;              ///< x: station, y: value
        double limit = std::nan("");  ///< drawn as a line to stay above
        QString unit;
        int decimals = 1;
        bool isLength = false;  ///< value shown in the chosen units
        QString empty;          ///< said where there is nothing to draw
    };
    PlotLane(Document& document, const QString& title, std::function<Curve(const Document&)> curve,
             QWidget* parent = nullptr);

    QSize minimumSizeHint() const override { return {420, 92}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    /// Over the lane's whole width, whatever the drawing's scale is.
    double x(double z) const;
    double z(double px) const;

    std::function<Curve(const Document&)> curve_;
    double hoverX_ = -1;
};

}  // namespace vl::app
