#pragma once

#include "app/access/readable.h"
#include "app/canvas/held.h"
#include "app/lanes/axis_map.h"
#include "app/lanes/baked.h"
#include "app/lanes/columns.h"
#include "app/lanes/lane.h"
#include "core/constructions/construction.h"
#include "core/geometry/forms.h"

#include <QImage>

#include <functional>

class QMenu;

namespace vl::app {

class FaceView;

/// The turner's working drawing: above the axis the half section, the stock behind the turned shape; below it the
/// outside as it is seen, both in their woods; beside them a face. What belongs to each layer or station below is
/// joined to its place by a leader. What can be handled depends on the stage. Wheel zooms about the pointer, the middle
/// button pans.
class SectionLane : public Lane, public Readable {
    Q_OBJECT
public:
    enum class Handles {
        Outline,   ///< nodes, bulges and the floor
        Layers,    ///< boundaries, order, splitting
        Stations,  ///< caliper stations marked
    };
    /// `columns`: what hangs below, null where nothing does.
    SectionLane(Document& document, AxisMap& axis, Handles handles, Columns* columns, QWidget* parent = nullptr);

    /// Where things stand on the lane, for tests and for the views beside it: pixels.
    QPointF nodePosition(Side side, int node) const;
    QPointF bulgePosition(int node) const;
    QPointF boundaryPosition(int below) const;
    /// A place in a layer's half section, where nothing but the layer itself is gripped.
    QPointF layerPosition(int layer) const;
    QPointF floorPosition() const;
    /// Where a flaw of the wood lies, and where a hole goes into the side: both are dragged where the lathe's stations
    /// are shown.
    QPointF flawPosition(int flaw) const;
    /// Where a hole into the side comes in, above the axis, and where its line leaves, below it; nothing where it meets
    /// no wood.
    std::optional<QPointF> holePosition(int hole, bool leaves) const;
    /// A handle of the chosen layer's construction, by its name.
    QPointF handlePosition(const std::string& name) const;

    /// Where something that was measured is marked.
    QPointF measurePosition(const Measured& measured) const;

    /// The next line that is drawn with the pointer, from the middle of the foot to the middle of the rim, is the axis
    /// of the picture to trace.
    void wantTraceAxis();
    /// Lines that divide height and diameter in a proportion.
    void setGuide(Guide guide);
    FaceView* face() const { return face_; }
    /// What the drawing takes of the lane, pixels.
    QRectF drawn() const;
    std::vector<ReadableItem> things() const override;
    void chooseThing(int index) override;
    QSize minimumSizeHint() const override { return {420, 220}; }

signals:
    void cautionClicked(const QString& id);
    /// Something is to be measured, as it is planned or was measured before.
    void measureWanted(const vl::Measured& what);

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
    void wheelEvent(QWheelEvent* event) override;

private:
    static constexpr double top = 48, cautionY = 34, rulerHeight = 34, leaderHeight = 40,
                            wordsHeight = 22;  // below the face
    enum class Grip { None, Node, Bulge, Floor, Boundary, Caution, Layer, Flaw, HoleIn, HoleOut };
    struct Hit {
        Grip grip = Grip::None;
        Side side = Side::Outside;
        int index = -1;
    };
    Hit hitAt(const QPointF& at) const;
    double x(double z) const { return axis_.x(z); }
    double z(double px) const { return axis_.z(px); }
    double y(double r) const { return axis_.y(r); }
    double r(double py) const { return axis_.r(py); }
    /// The layer at a place of section or side, −1 beside them.
    int layerAt(const QPointF& at) const;
    double greatestRadius() const;
    double axisY() const { return y(0); }
    /// Where the drawing ends, above ruler or leaders.
    double drawingBottom() const { return height() - (columns_ ? leaderHeight : rulerHeight); }
    void settleRoom();
    QPointF at(const Point& p) const { return {x(p.x()), y(p.y())}; }
    const Outline& outline(Side side) const
    {
        return side == Side::Outside ? doc_.piece().outside : doc_.piece().hollow.inside;
    }

    /// What is held, its place snapped to the step that is set, or `free`.
    void dragTo(const QPointF& at, Qt::KeyboardModifiers keys);
    /// Where what is hit stands; as far as a hand cannot move it, where it was pressed.
    QPointF placeOf(const Hit& hit, const QPointF& pressed) const;
    std::vector<LayerHandle> handles() const;
    void drawLayerHandles(QPainter& painter) const;
    void drawNest(QPainter& painter) const;
    QString valueOf(const LayerHandle& handle) const;
    /// The stock of a layer in the half section.
    QPolygonF stockShape(const BuiltLayer& layer) const;
    void drawStock(QPainter& painter) const;
    void drawWood(QPainter& painter);
    void drawFlat(QPainter& painter) const;
    void drawAxis(QPainter& painter) const;
    void drawGuides(QPainter& painter) const;
    void drawTrace(QPainter& painter);
    void drawRuler(QPainter& painter) const;
    void drawLeaders(QPainter& painter) const;
    void drawOutlineHandles(QPainter& painter) const;
    void drawStations(QPainter& painter) const;
    void drawMarks(QPainter& painter) const;
    /// What was measured and has its place here: of layers where those are handled, of the piece everywhere.
    std::vector<std::reference_wrapper<const Measured>> measures() const;
    /// The one that is marked at a place of the lane; null where none is.
    const Measured* measureAt(const QPointF& at) const;
    QString measureWords(const Measured& measured) const;
    void drawMeasures(QPainter& painter) const;
    void fillMeasureMenu(QMenu& menu, const QPointF& at);
    void drawSelection(QPainter& painter) const;
    void drawCautions(QPainter& painter) const;
    void drawReadout(QPainter& painter) const;
    void drawTag(QPainter& painter, const QPointF& anchor, const QString& words, const QColor& ink,
                 const QColor& ground, double dy) const;
    void nodeMenu(const QPoint& global, Side side, int node, double z);
    void nudge(int dz, int dr);

    AxisMap& axis_;
    Columns* columns_;
    Handles handles_;
    FaceView* face_;
    struct Grabbed {
        Hit hit;
        Piece piece;         ///< as it was then
        LayerHandle handle;  ///< of a layer
        QPointF offset;      ///< of its place from the pointer, pixels
    };
    Held<Grabbed> held_;
    Hit hover_;
    QPointF hoverAt_, panFrom_;
    bool panning_ = false;
    Baked wood_;
    Guide guide_ = Guide::None;
    QImage trace_;  ///< the picture to trace, and the file that it came from
    QString traceFrom_;
    enum class Line { None, Wanted, Drawn } line_ = Line::None;
    QPointF lineFrom_;
};

}  // namespace vl::app
