#pragma once

#include "app/access/readable.h"
#include "app/canvas/held.h"
#include "report/axes.h"

#include <QWidget>

namespace vl::app {

/// The piece across its axes: head end, a section, tail end, each as it is looked at, with every center. A center is
/// dragged at either end; the wheel, or a drag across the section's own strip, moves the section along.
class AxesView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit AxesView(Document& document, QWidget* parent = nullptr);

    int chosen() const { return chosen_; }
    void choose(int axis);
    /// Of the section, mm.
    double station() const { return share_ * outlineHeight(doc_.piece()); }
    void setStation(double z);
    /// Where a set-up's center stands at an end, pixels.
    QPointF centerPosition(size_t setUp, report::AxisSight sight) const;
    std::vector<ReadableItem> things() const override;
    void chooseThing(int setUp) override;
    QSize minimumSizeHint() const override { return {420, 190}; }

signals:
    void axisChosen(int axis);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    static constexpr double words = 24, strip = 26;  // pixels above each sight, and below the section
    QRectF sightBox(report::AxisSight sight) const;
    QPointF centerOf(report::AxisSight sight) const { return sightBox(sight).center(); }
    double scale() const;
    QRectF stripBox() const;
    void drawStrip(QPainter& painter) const;
    void moveCenter(const Point& to);

    Document& doc_;
    int chosen_ = -1;
    double share_ = 0.5;  ///< of the piece's length
    struct Center {
        size_t setUp;
        report::AxisSight end;
    };
    Held<Center> held_;
    bool sliding_ = false;  ///< the section moves along
};

}  // namespace vl::app
