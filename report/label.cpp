#include "report/label.h"

#include "report/type.h"

#include <QDateTime>
#include <QPdfWriter>

#include <algorithm>
#include <cmath>

namespace vl::report {
namespace {

constexpr double labelWide = 70, labelTall = 37;  // mm

void label(Sheet& sheet, const Logged& e, double x, double y)
{
    sheet.box(x, y, labelWide, labelTall);
    const double in = 4, room = labelWide - 2 * in;
    double at = y + 3;
    const auto line = [&](const QString& words, double points, QFont::Weight weight, double most) {
        if (words.isEmpty()) return;
        const double high = std::min(most, sheet.textHeight(room, words, points, weight));
        if (at + high > y + labelTall - 2) return;
        sheet.text({x + in, at, room, high + 0.5}, words, points, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
                   weight);
        at += high + 1;
    };
    line(q(e.name), 12, QFont::DemiBold, 11);
    line(q(e.woods), 9, QFont::Normal, 9);
    line(q(e.finish), 8, QFont::Normal, 4.5);
    sheet.text({x + in, y + labelTall - 7, room, 5}, QStringLiteral("No. %1").arg(e.number), 9,
               Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
    sheet.text({x + in, y + labelTall - 7, room, 5},
               QDateTime::fromMSecsSinceEpoch(static_cast<qint64>(e.finished) * 60000, Qt::UTC)
                   .toString(QStringLiteral("yyyy-MM")),
               8, Qt::AlignRight | Qt::AlignVCenter);
}

/// The words round the edge of a disc, and the number in its middle.
void footDisc(Sheet& sheet, const Logged& e, const QPointF& center, double across)
{
    QPainter& p = sheet.painter();
    const QPointF middle = sheet.px(center);
    p.setPen(QPen(QColor(90, 90, 90), sheet.px(0.2)));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(middle, sheet.px(across / 2), sheet.px(across / 2));
    const QString words = q(e.foot);
    QFont font = p.font();
    // As large as goes round once, 12 points at the most.
    double points = 12;
    const double radius = sheet.px(across / 2 - 5);
    constexpr double turn = 2 * 3.14159265358979323846, used = 0.92;
    for (; points > 5; points -= 0.5) {
        font.setPointSizeF(points);
        if (QFontMetricsF(font, p.device()).horizontalAdvance(words) < turn * radius * used) break;
    }
    p.setPen(Qt::black);
    p.setFont(font);
    const QFontMetricsF metrics(font, p.device());
    const double all = metrics.horizontalAdvance(words);
    double along = 0;
    for (const QChar c : words) {
        const double step = metrics.horizontalAdvance(c), angle = (along + step / 2 - all / 2) / radius;
        p.save();
        p.translate(middle);
        p.rotate(angle * 360 / turn);
        p.drawText(QPointF(-step / 2, -radius), QString(c));
        p.restore();
        along += step;
    }
    sheet.text({center.x() - 12, center.y() - 4, 24, 8}, QStringLiteral("No. %1").arg(e.number), 10, Qt::AlignCenter,
               QFont::DemiBold);
}

}  // namespace

void writeLabel(const Logged& entry, double foot, Paper paper, QIODevice& file)
{
    QPdfWriter writer(&file);
    writer.setResolution(600);
    Sheet sheet(writer, paper, q(entry.name));
    sheet.page(QStringLiteral("Label, full size: print at 100 %"));
    label(sheet, entry, Sheet::margin, sheet.top() + 6);
    if (!entry.foot.empty()) {
        const double across = std::clamp(foot, 24.0, 140.0);
        const double y = sheet.top() + 6 + labelTall + 14;
        sheet.text({Sheet::margin, y - 7, sheet.inner(), 6}, QStringLiteral("For its foot"), 9,
                   Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
        footDisc(sheet, entry, {Sheet::margin + across / 2, y + across / 2}, across);
    }
    sheet.finish();
}

}  // namespace vl::report
