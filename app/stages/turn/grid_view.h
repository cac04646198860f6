#pragma once

#include "app/document/document.h"
#include "core/workpiece/decor_grid.h"

#include <QWidget>

#include <functional>

class QComboBox;
class QPushButton;

namespace vl::app {

/// The chosen decorated grid: a face as it is looked at, a wall unrolled. A press on a cell works it in the chosen way,
/// or leaves it plain again; its rings' measures stand beside it.
class GridView : public QWidget {
    Q_OBJECT
public:
    /// `chosen` gives the place of the grid; −1: none.
    GridView(Document& document, std::function<int()> chosen, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {420, 190}; }
    /// Where a cell's middle stands, pixels.
    QPointF cellPosition(int ring, int spoke) const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    QRectF box() const;
    /// The chosen grid as it lies on the piece; none where there is none, or it has no rings.
    std::optional<GridOf> grid() const;

    Document& doc_;
    std::function<int()> chosen_;
    QComboBox* work_;
    QPushButton* color_;
    QColor ink_{0x2f, 0x5d, 0x8a};
};

}  // namespace vl::app
