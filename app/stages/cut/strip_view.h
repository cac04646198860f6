#pragma once

#include "app/access/readable.h"
#include "app/document/document.h"

#include <QWidget>

namespace vl::app {

/// The strips to make, gathered by wood, thickness and width, each part's share drawn as it will be cut: turned over
/// after each cut, so that neighbors share it.
class StripView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit StripView(Document& document, QWidget* parent = nullptr);
    std::vector<ReadableItem> things() const override;
    void chooseThing(int index) override;
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return {420, rowHeight * 2}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    static constexpr int rowHeight = 54, headHeight = 26, groupHeight = 28;
    /// A strip's heading, or one part cut from it.
    struct Line {
        const Strip* strip = nullptr;
        const Part* part = nullptr;
        QRectF box;
    };
    std::vector<Line> lines() const;
    double scale() const;
    void drawPart(QPainter& painter, const Part& part, const QRectF& row) const;
    const std::vector<Part>& parts() const { return doc_.plan().assembly.parts; }

    Document& doc_;
};

}  // namespace vl::app
