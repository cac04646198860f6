#pragma once

#include "app/access/readable.h"
#include "app/canvas/held.h"

#include <QPixmap>
#include <QWidget>

#include <map>

namespace vl::app {

/// The rack, every board to one scale: the strips and cuts planned in it, numbered in the order they are made, its
/// defects hatched. A click chooses a board or a strip; the right and lower edges are dragged to another size, defects
/// to another place, and, while defects are marked, a drag over the wood marks one. Arrows walk boards and strips, M
/// marks a defect in the middle, Page up and down choose one, Alt and an arrow move it; Delete takes the chosen defect
/// or board away.
class BoardsView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit BoardsView(Document& document, QWidget* parent = nullptr);
    QSize sizeHint() const override
    {
        return {600, static_cast<int>(rows_.empty() ? 120 : rows_.back().box.bottom() + 12)};
    }
    QSize minimumSizeHint() const override { return {420, 120}; }

    /// Boards, each followed by its strips.
    std::vector<ReadableItem> things() const override;
    void chooseThing(int index) override;

    void setMarking(bool on);
    /// Larger or smaller by this, from the whole rack's width up to eight times; 0: its width again.
    void zoom(double factor);
    /// Where a place on a board's face is, pixels; tests and menus use it.
    QPointF positionOn(const std::string& board, double along, double across) const;

protected:
    void leaveEvent(QEvent*) override { doc_.pointAt(-1); }
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    static constexpr double margin = 14, headHeight = 20, gap = 12;  // pixels
    struct Row {
        std::string id;
        QRectF box;   ///< the whole row
        QRectF face;  ///< the board
    };
    enum class Grip { None, Face, Length, Width, Defect, Mark };
    struct Hit {
        Grip grip = Grip::None;
        const Row* row = nullptr;
        int index = -1;  ///< of the defect
    };
    void arrange();
    Hit hitAt(const QPointF& at) const;
    const Board* boardOf(const std::string& id) const;
    const PlannedBoard* planOf(const std::string& id) const;
    void drawBoard(QPainter& painter, const Row& row);
    void drawPlan(QPainter& painter, const Row& row, const PlannedBoard& plan) const;
    QPointF onFace(const Row& row, const QPointF& at) const;
    /// A board and one of its strips by their places in what things() lists; −1 for a board alone.
    std::vector<std::pair<std::string, int>> places() const;
    void choose(const std::string& board, int strip);
    bool moveDefect(const std::string& board, const QKeyEvent& event);
    /// Changes the board in the shop.
    void change(const std::string& id, const std::function<void(Board&)>& edit);

    Document& doc_;
    std::vector<Row> rows_;
    /// The part of a planned strip at a place; null where none is.
    const Part* partAt(const QPointF& at) const;

    double scale_ = 0.2;  ///< pixels per mm
    double zoom_ = 1;
    std::map<std::string, QPixmap> wood_;
    bool marking_ = false;
    struct Grabbed {
        Grip grip;
        int index;     ///< of the defect
        Board board;   ///< as it was then
        QPointF from;  ///< pressed, on its face, mm
    };
    Held<Grabbed> held_;
    QPointF markedTo_;  ///< where a defect that is marked ends, on the face, mm
    int defect_ = -1;  ///< chosen, of the chosen board
};

}  // namespace vl::app
