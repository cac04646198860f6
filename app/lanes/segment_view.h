#pragma once

#include "app/document.h"

#include <QImage>
#include <QWidget>

namespace vl::app {

/// The plan of the chosen ring: its face in its woods, the joints, and the finished circles dashed. A click chooses a
/// segment.
class RingView : public QWidget {
    Q_OBJECT
public:
    explicit RingView(Document& document, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {150, 150}; }
    QPointF segmentPosition(int segment) const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    const BuiltLayer& layer() const { return doc_.plan().assembly.layers[static_cast<size_t>(doc_.selection().layer)]; }
    double scale() const;

    Document& doc_;
    QImage face_;
    unsigned version_ = ~0u;
    int shownLayer_ = -1, size_ = 0;
};

/// The drawing of one segment of the chosen ring with its measures.
class SegmentView : public QWidget {
    Q_OBJECT
public:
    explicit SegmentView(Document& document, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {220, 150}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    Document& doc_;
};

}  // namespace vl::app
