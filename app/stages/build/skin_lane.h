#pragma once

#include "app/lanes/lane.h"
#include "core/piece/pattern.h"

#include <QFutureWatcher>
#include <QImage>

namespace vl::app {

/// The outside unrolled over the axis: 0° below, 360° above. A click chooses a segment;
/// with a wood taken up it paints.
class SkinLane : public Lane {
    Q_OBJECT
public:
    SkinLane(Document& document, AxisMap& axis, QWidget* parent = nullptr);
    ~SkinLane() override;

    /// What to paint with; without a wood a click chooses segments instead.
    void setBrush(const Brush& brush);
    /// The middle of a segment on the lane, pixels.
    QPointF segmentPosition(int layer, int segment) const;

    QSize minimumSizeHint() const override { return {420, 110}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;

private:
    double top() const { return 28; }
    double bottom() const { return height() - 10; }
    double angleAt(double py) const { return 360 * (bottom() - py) / (bottom() - top()); }
    double y(double angle) const { return bottom() - angle / 360 * (bottom() - top()); }
    /// What is painted at a place of the lane; −1 in a gap or where the wood is set elsewhere.
    int segmentUnder(const QPointF& at, int layer) const;
    void paintAt(const QPointF& at);
    void bake();
    quint64 key() const;

    Brush brush_;
    int mergeKey_ = 0;
    bool painting_ = false;

    QImage baked_;
    quint64 bakedKey_ = 0, bakingKey_ = 0;
    QFutureWatcher<QImage> watcher_;
    std::shared_ptr<std::atomic<bool>> cancel_;
};

}  // namespace vl::app
