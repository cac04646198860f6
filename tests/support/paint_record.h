#pragma once

#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainterPath>
#include <QString>
#include <QWidget>

#include <memory>
#include <vector>

namespace vl::test {

/// What a view draws, kept instead of painted: every text with its box, every line, every ground laid over them.
class PaintRecord : public QPaintDevice {
public:
    explicit PaintRecord(const QSize& size, qreal ratio = 1);
    ~PaintRecord() override;

    struct Text {
        QString words;
        QRectF box;   ///< of the letters, device pixels
        QRectF clip;  ///< what of the device could be drawn on
        size_t order = 0;
    };
    struct Line {
        QPointF a, b;
        size_t order = 0;
    };
    struct Ground {
        QRectF box;
        size_t order = 0;
    };
    std::vector<Text> texts;
    std::vector<Line> lines;
    std::vector<Ground> grounds;
    size_t drawn = 0;

    /// Texts that are cut off at an edge or shortened with dots; `whole` have dots of their own.
    QStringList cut(const QStringList& whole = {}) const;
    /// Pairs of texts that lie over one another.
    QStringList over() const;
    /// Texts that a line of the drawing crosses.
    QStringList crossed() const;

    QPaintEngine* paintEngine() const override;

protected:
    int metric(PaintDeviceMetric metric) const override;

private:
    /// Whether something was laid over it later.
    bool hidden(const Text& text) const;

    QSize size_;
    qreal ratio_;
    std::unique_ptr<QPaintEngine> engine_;
};

/// Draws a widget and its children into a record.
std::unique_ptr<PaintRecord> recordOf(QWidget& widget);

}  // namespace vl::test
