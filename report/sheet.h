#pragma once

#include <QPagedPaintDevice>
#include <QPainter>
#include <QString>

#include <vector>

namespace vl::report {

enum class Paper { A4, Letter };

/// Writes a document page by page; everything in mm from the page's upper left corner.
class Sheet {
public:
    /// On a PDF file or a printer; the device must be at its full page. Throws InputError where it cannot be begun.
    Sheet(QPagedPaintDevice& device, Paper paper, const QString& title);

    static constexpr double margin = 15;
    double width() const { return size_.width(); }
    double height() const { return size_.height(); }
    double top() const { return 24; }
    double bottom() const { return height() - 16; }
    double inner() const { return width() - 2 * margin; }

    /// What stands at the foot of every page from here on.
    void setFoot(const QString& words) { foot_ = words; }

    /// A fresh page with its heading; the first call starts the first page.
    void page(const QString& heading);
    /// Begins a part of the document: under what stands on this page where `room` mm are left, else on a fresh page.
    void part(const QString& heading, double room);
    /// Where the next thing goes, mm from the page's top; moved on by whoever draws there.
    double y() const { return y_; }
    void moveTo(double y) { y_ = y; }
    /// Room for `tall` mm, on a fresh page where this one has it not.
    void need(double tall, const QString& heading);
    int pages() const { return pages_; }

    QPainter& painter() { return painter_; }
    double px(double mm) const { return mm * dpi_ / 25.4; }
    QRectF px(const QRectF& mm) const { return {px(mm.x()), px(mm.y()), px(mm.width()), px(mm.height())}; }
    QPointF px(const QPointF& mm) const { return {px(mm.x()), px(mm.y())}; }
    void text(const QRectF& box, const QString& words, double points = 9,
              int flags = Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, QFont::Weight weight = QFont::Normal,
              const QColor& ink = Qt::black);
    /// The height, mm, that these words take in that width.
    double textHeight(double width, const QString& words, double points = 9,
                      QFont::Weight weight = QFont::Normal) const;
    void rule(double x0, double y0, double x1, double y1, double thickness = 0.15,
              const QColor& ink = QColor(150, 150, 150));

    struct Column {
        QString name;
        double share;  ///< of the inner width
        Qt::Alignment align = Qt::AlignLeft;
    };
    /// A part that is a table over as many pages as it takes; rows wrap within their columns.
    void table(const QString& heading, const QString& lead, const std::vector<Column>& columns,
               const std::vector<std::vector<QString>>& rows, double points = 8.5);
    /// An empty box to tick, or to write a number in.
    void box(double x, double y, double wide, double tall);

    /// Ends the document; throws InputError where it could not be written.
    void finish();

private:
    QPagedPaintDevice& device_;
    double dpi_;
    QPainter painter_;
    QSizeF size_;
    QString title_, foot_;
    int pages_ = 0;
    double y_ = 1e9;
};

}  // namespace vl::report
