#pragma once

#include "app/document.h"

#include <QWidget>

namespace vl::app {

/// The recipe along time: a row for each layer and one for the lathe, work solid, waiting hatched, what the chosen step needs and
/// what needs it joined to it by lines. The wheel zooms, Shift and wheel pans.
class Timetable : public QWidget {
    Q_OBJECT
public:
    explicit Timetable(Document& document, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {420, 200}; }
    /// The middle of a step's bar, pixels.
    QPointF stepPosition(const std::string& id) const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    const Recipe& recipe() const { return doc_.plan().assembly.recipe; }
    const Schedule& schedule() const { return doc_.plan().schedule; }
    double x(double minutes) const;
    double rowHeight() const;
    int rowOf(const Step& step) const;
    QRectF work(size_t i) const;
    QRectF whole(size_t i) const;
    int stepAt(const QPointF& at) const;
    int chosen() const;
    void settle();

    Document& doc_;
    double zoom_ = 1, from_ = 0;
};

}  // namespace vl::app
