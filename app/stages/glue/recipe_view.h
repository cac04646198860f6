#pragma once

#include "app/document/document.h"
#include "core/plan/recipe_graph.h"

#include <QWidget>

namespace vl::app {

/// The recipe as a picture: parts flow from the left into rings, rings into sections, sections into the piece; the
/// critical path is drawn strong. A click chooses a step, arrow keys go along the edges.
class RecipeView : public QWidget {
    Q_OBJECT
public:
    explicit RecipeView(Document& document, QWidget* parent = nullptr);
    QSize sizeHint() const override;
    /// The middle of a step's mark, pixels.
    QPointF stepPosition(const std::string& id) const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    QRectF box(size_t step) const;
    long stepAt(const QPointF& at) const;
    void choose(size_t step);
    double cell() const;

    Document& doc_;
    RecipeGraph graph_;
};

}  // namespace vl::app
