#pragma once

#include "app/access/readable.h"
#include "app/canvas/held.h"
#include "app/lanes/axis_map.h"
#include "app/lanes/baked.h"
#include "core/piece/edits/pattern.h"

#include <QWidget>

class QButtonGroup;

namespace vl::app {

/// What is seen along the axis, beside the section: the face of the chosen layer as it is glued, its joints, its gaps
/// and the finished circles; or the finished piece from its rim or its foot. A click chooses a segment; a drag turns
/// the layer, or paints its segments where a brush is in hand.
class FaceView : public QWidget, public Readable {
    Q_OBJECT
public:
    enum class Shows { Layer, Rim, Foot };

    /// Stands where the drawing's place says. `layer`: begins with the chosen layer's face.
    FaceView(Document& document, AxisMap& axis, bool layer, QWidget* parent);

    void setBrush(const Brush& brush);
    void show(Shows what);
    Shows shows() const { return shows_; }
    /// Where things stand in it, pixels.
    QPointF segmentPosition(int segment) const;
    QPointF turnPosition() const;
    /// The middle of a log that is the layer.
    QPointF pithPosition() const;
    /// Where the line of a hole into the side enters the wood, or leaves it, seen from the rim.
    QPointF holeEnd(size_t hole, bool leaves) const;
    QRectF drawn() const;
    std::vector<ReadableItem> things() const override;
    void chooseThing(int segment) override { doc_.selectLayer(doc_.selection().layer, {}, segment); }

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    const BuiltLayer& layer() const { return doc_.plan().assembly.layers[static_cast<size_t>(doc_.selection().layer)]; }
    /// The section's, or as large as it fits where it stands small.
    double scale() const;
    void drawCircle(QPainter& painter, double radius, Qt::PenStyle line) const;
    QPointF center() const;
    double angleAt(const QPointF& at) const;
    /// The segment at a place; −1 where none is.
    int segmentAt(const QPointF& at) const;
    bool turns() const;
    void turnBy(double segments);
    /// The chosen layer where it is a log whose face is shown; else nothing.
    const BlockForm* log() const;
    void moveLog(double off, double towards);
    void drawPith(QPainter& painter) const;
    /// The holes into the side that are drawn, by their places in the piece: from the rim.
    std::vector<size_t> sideHoles() const;
    double radiusOf(const Hole& hole) const;
    void drawHoles(QPainter& painter) const;
    void moveHole(double angle);
    void drawLayer(QPainter& painter);
    void drawNumbers(QPainter& painter) const;
    void drawEnd(QPainter& painter);
    void drawWords(QPainter& painter) const;
    void paintSegment(int segment);

    Document& doc_;
    AxisMap& axis_;
    QButtonGroup* choice_;
    QWidget* row_;
    Shows shows_;
    Brush brush_;
    Baked face_;
    struct Grabbed {
        enum class What { Turn, Paint, Log, Hole } what;
        double turn = 0;      ///< of the layer then, segments
        double scale = 1;     ///< then, pixels a mm
        size_t hole = 0;      ///< and by which end
        bool leaves = false;  ///< …
    };
    Held<Grabbed> held_;
};

}  // namespace vl::app
