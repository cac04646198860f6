#pragma once

#include <QBuffer>
#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainterPath>
#include <QPdfWriter>
#include <QString>
#include <QWidget>

#include <memory>
#include <vector>

namespace vl::test {

/// What a view draws, kept instead of painted: every text with its box, every line, every ground laid over them.
class PaintRecord : public QPaintDevice {
public:
    /// `dpi` says how large its dots are: 96 on a screen.
    explicit PaintRecord(const QSize& size, int dpi = 96);
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
    int dpi_;
    std::unique_ptr<QPaintEngine> engine_;
};

/// Paper, kept instead of printed: a record of every page.
class PagesRecord : public QPdfWriter {
public:
    explicit PagesRecord(int dpi = 192);
    ~PagesRecord() override;

    std::vector<std::unique_ptr<PaintRecord>> pages;

    bool newPage() override;
    QPaintEngine* paintEngine() const override;

private:
    QBuffer nowhere_;
    std::unique_ptr<QPaintEngine> engine_;
};

/// Draws a widget and its children into a record.
std::unique_ptr<PaintRecord> recordOf(QWidget& widget);

}  // namespace vl::test
