#pragma once

#include "app/document.h"

#include <QWidget>

namespace vl::app {

/// The strips to make, each drawn with its segments as they will be cut: turned over after each cut, so that neighbours share it.
class StripView : public QWidget {
    Q_OBJECT
public:
    explicit StripView(Document& document, QWidget* parent = nullptr);
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return {420, rowHeight * 2}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    static constexpr int rowHeight = 58, headHeight = 26;
    double scale() const;
    void drawPart(QPainter& painter, const Part& part, const QRectF& row) const;
    const std::vector<Part>& parts() const { return doc_.plan().assembly.parts; }

    Document& doc_;
};

}  // namespace vl::app
