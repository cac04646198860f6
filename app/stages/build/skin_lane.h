#pragma once

#include "app/access/readable.h"
#include "app/canvas/held.h"
#include "app/lanes/baked.h"
#include "app/lanes/columns.h"
#include "app/lanes/lane.h"
#include "core/piece/edits/pattern.h"

namespace vl::app {

/// The outside unrolled, each layer's in its own column: 0° below, 360° above. A click chooses a segment; with a wood
/// taken up it paints.
class SkinLane : public Lane, public Readable {
    Q_OBJECT
public:
    SkinLane(Document& document, Columns& columns, QWidget* parent = nullptr);

    /// What to paint with; without a wood a click chooses segments instead.
    void setBrush(const Brush& brush);
    /// The middle of a segment on the lane, pixels.
    QPointF segmentPosition(int layer, int segment) const;

    std::vector<ReadableItem> things() const override;
    void chooseThing(int segment) override { doc_.selectLayer(doc_.selection().layer, {}, segment); }
    QSize minimumSizeHint() const override { return {420, 84}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    double top() const { return 6; }
    double bottom() const { return height() - 7; }
    double angleAt(double py) const { return 360 * (bottom() - py) / (bottom() - top()); }
    double y(double angle) const { return bottom() - angle / 360 * (bottom() - top()); }
    QRectF box(int layer) const;
    /// What is painted at a place of the lane; −1 in a gap or where the wood is set elsewhere.
    int segmentUnder(const QPointF& at, int layer) const;
    void drawFlat(QPainter& painter, int layer) const;
    void drawGrids(QPainter& painter, int layer) const;
    void drawJoints(QPainter& painter, int layer) const;
    void paintAt(const QPointF& at);
    void paint(int layer, int segment);
    const Baked::Images* skins();

    Columns& columns_;
    Brush brush_;
    Held<Brush> painting_;
    Baked baked_;
};

}  // namespace vl::app
