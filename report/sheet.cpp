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
                  const std::vector<std::vector<QString>>& rows)
{
    constexpr double gap = 2, pad = 1.2;
    double y = 0;
    auto head = [&](bool first) {
        page(first ? heading : heading + QStringLiteral(", continued"));
        y = top();
        if (first && !lead.isEmpty()) {
            const double h = textHeight(inner(), lead);
            text({margin, y, inner(), h + 1}, lead, 9, Qt::AlignLeft | Qt::TextWordWrap, QFont::Normal,
                 QColor(60, 60, 60));
            y += h + 4;
        }
        double x = margin;
        for (const Column& c : columns) {
            text({x, y, c.share * inner() - gap, 5}, c.name, 8, static_cast<int>(c.align) | Qt::AlignVCenter,
                 QFont::DemiBold);
            x += c.share * inner();
        }
        y += 6;
        rule(margin, y, width() - margin, y, 0.25, Qt::black);
    };
    head(true);
    for (const auto& row : rows) {
        double tall = 4;
        for (size_t k = 0; k < columns.size(); ++k)
            tall = std::max(tall, textHeight(columns[k].share * inner() - gap, row[k], 8.5));
        if (y + tall + 2 * pad > bottom()) head(false);
        double x = margin;
        for (size_t k = 0; k < columns.size(); ++k) {
            text({x, y + pad, columns[k].share * inner() - gap, tall + 1}, row[k], 8.5,
                 static_cast<int>(columns[k].align) | Qt::AlignTop | Qt::TextWordWrap);
            x += columns[k].share * inner();
        }
        y += tall + 2 * pad;
        rule(margin, y, width() - margin, y);
    }
}

void Sheet::finish()
{
    if (!painter_.end()) throw InputError("out", "the paper", "a place with room for the packet is");
}

}  // namespace vl::report
