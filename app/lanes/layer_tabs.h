#pragma once

#include "app/access/readable.h"
#include "app/lanes/columns.h"
#include "app/lanes/lane.h"

namespace vl::app {

/// The layers' numbers over their columns: pressed to choose, dragged to another place in the stack.
class LayerTabs : public Lane, public Readable {
    Q_OBJECT
public:
    LayerTabs(Document& document, Columns& columns, QWidget* parent = nullptr);
    QPointF tabPosition(int layer) const;
    std::vector<ReadableItem> things() const override;
    void chooseThing(int layer) override { doc_.selectLayer(layer); }
    QSize sizeHint() const override { return {420, 28}; }
    QSize minimumSizeHint() const override { return sizeHint(); }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    void moveLayer(int from, int to);
    Columns& columns_;
    int dragged_ = -1, over_ = -1;
};

}  // namespace vl::app
