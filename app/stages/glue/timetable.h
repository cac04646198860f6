#pragma once

#include "app/access/readable.h"
#include "app/document/document.h"
#include "core/plan/schedule/time_axis.h"

#include <QWidget>

namespace vl::app {

/// The recipe along time: a row for each layer and one for the lathe, work solid, waiting hatched, what the chosen step
/// needs and what needs it joined to it by lines; closing times drawn together; the next session of work stands on a
/// ground of its own. A bar is dragged to a later time, or moved by Alt and an arrow. The wheel zooms, Shift and wheel
/// pans.
class Timetable : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit Timetable(Document& document, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {420, 200}; }
    std::vector<ReadableItem> things() const override;
    void chooseThing(int index) override;
    /// The middle of a step's bar, pixels.
    QPointF stepPosition(const std::string& id) const;
    /// Larger about its middle; 0: the whole of it.
    void zoom(double factor);
    /// The next session of work over the whole width.
    void showSession();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    const Recipe& recipe() const { return doc_.plan().assembly.recipe; }
    const Schedule& schedule() const { return doc_.plan().schedule; }
    double x(double minutes) const;
    /// Minutes from the start at a pixel.
    double time(double px) const;
    double span() const;
    double rowHeight() const;
    int rowOf(const Step& step) const;
    QRectF work(size_t i) const;
    void choose(size_t i);
    QRectF whole(size_t i) const;
    int stepAt(const QPointF& at) const;
    int chosen() const;
    void settle();
    void zoomAbout(double px, double factor);
    void moveChosen(double minutes);
    /// A step begins no sooner than a time; none: it is free again.
    void moveStep(const std::string& step, std::optional<double> to);
    void tell(const std::string& id, double minutes, const QPoint& at);
    void drawDays(QPainter& painter, bool dated) const;
    void drawRows(QPainter& painter) const;
    void drawBars(QPainter& painter) const;
    void drawLinks(QPainter& painter) const;
    void drawLegend(QPainter& painter) const;

    Document& doc_;
    TimeAxis axis_;
    double zoom_ = 1, from_ = 0;  ///< from_ in shown minutes
    struct Bar {
        std::string step;
        double into;  ///< minutes from its beginning to where it was pressed
    };
    Held<Bar> held_;
};

}  // namespace vl::app
