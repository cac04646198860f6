#include "report/sheet.h"

#include "core/measure/input_error.h"
#include "report/type.h"

namespace vl::report {

Sheet::Sheet(QPagedPaintDevice& device, Paper paper, const QString& title)
    : device_(device), dpi_(device.logicalDpiX()), title_(title)
{
    const QPageSize size(paper == Paper::A4 ? QPageSize::A4 : QPageSize::Letter);
    device_.setPageSize(size);
    device_.setPageMargins(QMarginsF(0, 0, 0, 0));
    size_ = size.size(QPageSize::Millimeter);
    if (!painter_.begin(&device_)) throw InputError("out", "the paper", "a printer, or a file that can be written, is");
}

void Sheet::page(const QString& heading)
{
    if (pages_++) device_.newPage();
    text({margin, 10, inner() * 0.7, 8}, heading, 14, Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
    text({margin + inner() * 0.5, 10, inner() * 0.5, 8}, title_, 9, Qt::AlignRight | Qt::AlignVCenter, QFont::Normal,
         QColor(90, 90, 90));
    rule(margin, 19.5, width() - margin, 19.5, 0.3, Qt::black);
    text({margin, height() - 12, inner(), 6}, QString::number(pages_), 8, Qt::AlignRight | Qt::AlignVCenter,
         QFont::Normal, QColor(90, 90, 90));
    text({margin, height() - 12, inner() * 0.9, 6}, foot_, 8, Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
    y_ = top();
}

void Sheet::part(const QString& heading, double room)
{
    if (y_ + room + 12 > bottom()) return page(heading);
    y_ += 5;
    text({margin, y_, inner(), 7}, heading, 12, Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
    rule(margin, y_ + 7.5, width() - margin, y_ + 7.5, 0.3, Qt::black);
    y_ += 10;
}

void Sheet::need(double tall, const QString& heading)
{
    if (y_ + tall > bottom()) page(heading + QStringLiteral(", continued"));
}

void Sheet::box(double x, double y, double wide, double tall)
{
    painter_.setPen(QPen(QColor(90, 90, 90), px(0.2)));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawRect(px(QRectF(x, y, wide, tall)));
}

void Sheet::text(const QRectF& box, const QString& words, double points, int flags, QFont::Weight weight,
                 const QColor& ink)
{
    painter_.setFont(type(points, weight));
    painter_.setPen(ink);
    painter_.drawText(px(box), flags, words);
}

double Sheet::textHeight(double width, const QString& words, double points, QFont::Weight weight) const
{
    const QFontMetricsF metrics(type(points, weight), painter_.device());
    return metrics.boundingRect(QRectF(0, 0, px(width), 1e9), Qt::TextWordWrap, words).height() * 25.4 / dpi_;
}

void Sheet::rule(double x0, double y0, double x1, double y1, double thickness, const QColor& ink)
{
    painter_.setPen(QPen(ink, px(thickness), Qt::SolidLine, Qt::FlatCap));
    painter_.drawLine(px(QPointF(x0, y0)), px(QPointF(x1, y1)));
}

void Sheet::table(const QString& heading, const QString& lead, const std::vector<Column>& columns,
                  const std::vector<std::vector<QString>>& rows, double points)
{
    constexpr double gap = 2, pad = 0.9;
    auto head = [&] {
        double x = margin;
        for (const Column& c : columns) {
            text({x, y_, c.share * inner() - gap, 5}, c.name, 8, static_cast<int>(c.align) | Qt::AlignVCenter,
                 QFont::DemiBold);
            x += c.share * inner();
        }
        y_ += 6;
        rule(margin, y_, width() - margin, y_, 0.25, Qt::black);
    };
    part(heading, 40);
    if (!lead.isEmpty()) {
        const double h = textHeight(inner(), lead);
        text({margin, y_, inner(), h + 1}, lead, 9, Qt::AlignLeft | Qt::TextWordWrap, QFont::Normal,
             QColor(60, 60, 60));
        y_ += h + 3;
    }
    head();
    for (const auto& row : rows) {
        double tall = 3.6;
        for (size_t k = 0; k < columns.size(); ++k)
            tall = std::max(tall, textHeight(columns[k].share * inner() - gap, row[k], points));
        if (y_ + tall + 2 * pad > bottom()) {
            page(heading + QStringLiteral(", continued"));
            head();
        }
        double x = margin;
        for (size_t k = 0; k < columns.size(); ++k) {
            const QRectF cell(x, y_ + pad, columns[k].share * inner() - gap, tall + 0.6);
            if (row[k] == QStringLiteral("\u25a1"))  // an empty square: a box to write in
                box(cell.left(), cell.top(), cell.width(), std::min(cell.height(), 4.2));
            else
                text(cell, row[k], points, static_cast<int>(columns[k].align) | Qt::AlignTop | Qt::TextWordWrap);
            x += columns[k].share * inner();
        }
        y_ += tall + 2 * pad;
        rule(margin, y_, width() - margin, y_);
    }
    y_ += 4;
}

void Sheet::finish()
{
    if (!painter_.end()) throw InputError("out", "the paper", "a place with room for the packet is");
}

}  // namespace vl::report
