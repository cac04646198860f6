#pragma once

#include "app/canvas/held.h"
#include "app/lanes/baked.h"
#include "core/workpiece/openings.h"

#include <QWidget>

#include <functional>

namespace vl::app {

/// The chosen row of openings on the skin, unrolled, in its wood: ends, width, slant and swing are dragged, and the
/// corners of one that is drawn by hand. Page up and page down go from handle to handle, arrows move it, Insert puts a
/// corner in after it, Delete takes it out.
class OpeningView : public QWidget {
    Q_OBJECT
public:
    /// `chosen` gives the place of what is worked by index; −1: none.
    OpeningView(Document& document, std::function<int()> chosen, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {420, 190}; }
    int handles() const;
    /// Where a handle stands, pixels: ends first, then the side, the swing, the corners.
    QPointF handlePosition(int handle) const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    /// The skin as it lies in the picture; along it to the right, round it upwards.
    struct Skin;
    std::optional<Skin> skin() const;
    const Worked* worked() const;
    void drawWood(QPainter& painter, const Skin& skin);
    void drawOutlines(QPainter& painter, const Skin& skin) const;
    void drawFigures(QPainter& painter, const Skin& skin) const;
    int handleAt(const QPointF& at) const;
    void moveTo(int handle, const QPointF& at, bool free);

    Document& doc_;
    std::function<int()> chosen_;
    Baked baked_;
    int handle_ = -1;
    Held<int> held_;  ///< a handle
};

}  // namespace vl::app
