#pragma once

#include "app/document/document.h"

#include <QtCharts/QChartView>

class QLineSeries;
class QValueAxis;

namespace vl::app {

/// Moisture over the days: readings as points, what is to be expected as a line, the target across; and what a kiln was
/// set to, on an axis of its own.
class MoistureChart : public QChartView {
    Q_OBJECT
public:
    explicit MoistureChart(QWidget* parent = nullptr);

    struct Line {
        QString name;
        QVector<QPointF> read;      ///< day, %
        QVector<QPointF> expected;  ///< day, %
    };
    /// Days are counted from the first reading, or from when a load went in.
    void plot(const std::vector<Line>& lines, double target, const QVector<QPointF>& celsius = {});
    /// What it shows, in words: for a screen reader, and where there is nothing to draw.
    QString said() const { return said_; }

private:
    QString said_;
};

}  // namespace vl::app
