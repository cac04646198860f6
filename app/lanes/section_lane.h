#pragma once

#include "app/lanes/lane.h"
#include "core/blank/construction.h"

#include <QImage>

namespace vl::app {

/// The half section on the axis: the stock behind the turned shape, in its woods. What can be handled depends on the
/// stage.
class SectionLane : public Lane {
    Q_OBJECT
public:
    enum class Handles {
        None,      ///< selecting only
        Outline,   ///< nodes, bulges and the floor
        Layers,    ///< boundaries, order, splitting
        Stations,  ///< calliper stations marked
    };
    SectionLane(Document& document, AxisMap& axis, Handles handles, QWidget* parent = nullptr);

    /// Where things stand on the lane, for tests and for the views beside it: pixels.
    QPointF nodePosition(Side side, int node) const;
    QPointF bulgePosition(int node) const;
    QPointF boundaryPosition(int below) const;
    QPointF tabPosition(int layer) const;
    QPointF floorPosition() const;
    /// A handle of the chosen layer's construction, by its name.
    QPointF handlePosition(const std::string& name) const;

    QSize minimumSizeHint() const override { return {420, 190}; }

signals:
    void cautionClicked(const QString& id);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    static constexpr double rulerHeight = 30, tabHeight = 24;
    enum class Grip { None, Node, Bulge, Floor, Boundary, Tab, Caution, Layer };
    struct Hit {
        Grip grip = Grip::None;
        Side side = Side::Outside;
        int index = -1;
    };
    Hit hitAt(const QPointF& at) const;
    double y(double r) const { return axisY() - r * acrossScale(); }
    double r(double py) const { return (axisY() - py) / acrossScale(); }
    /// Pixels per mm across the axis: true shape, but squeezed where the lane only shows what is chosen.
    double acrossScale() const;
    double greatestRadius() const;
    double axisY() const { return height() - below(); }
    double below() const;
    void settleRoom();
    QPointF at(const Point& p) const { return {x(p.x()), y(p.y())}; }
    const Outline& outline(Side side) const
    {
        return side == Side::Outside ? doc_.piece().outside : doc_.piece().hollow.inside;
    }

    void dragTo(const QPointF& at);
    std::vector<LayerHandle> handles() const;
    void drawLayerHandles(QPainter& painter) const;
    void drawNest(QPainter& painter) const;
    QString valueOf(const LayerHandle& handle) const;
    /// The stock of a layer in the half section.
    QPolygonF stockShape(const BuiltLayer& layer) const;
    void drawStock(QPainter& painter) const;
    void drawWood(QPainter& painter);
    void drawRuler(QPainter& painter) const;
    void drawTabs(QPainter& painter) const;
    void drawOutlineHandles(QPainter& painter) const;
    void drawStations(QPainter& painter) const;
    void drawSelection(QPainter& painter) const;
    void drawCautions(QPainter& painter) const;
    void drawReadout(QPainter& painter) const;
    void drawTag(QPainter& painter, const QPointF& anchor, const QString& words, const QColor& ink,
                 const QColor& ground, double dy) const;
    void layerMenu(const QPoint& global, int layer, double z);
    void nodeMenu(const QPoint& global, Side side, int node, double z);
    void nudge(int dz, int dr);

    Handles handles_;
    Hit drag_, hover_;
    LayerHandle grabbed_;
    QPointF grabOffset_, hoverAt_;
    int mergeKey_ = 0;
    Piece dragFrom_;
    double dropX_ = -1;

    QImage wood_;
    unsigned woodVersion_ = ~0u;
    QRectF woodRect_;
    double woodScale_ = 0;
};

}  // namespace vl::app
