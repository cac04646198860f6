// How the boards on the rack are drawn.
#include "app/stages/cut/boards_view.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/wood/figure.h"
#include "report/board_pages.h"

#include <QPaintEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl::app {

void BoardsView::drawBoard(QPainter& painter, const Row& row)
{
    const Board* b = boardOf(row.id);
    if (!b) return;
    const PlannedBoard* plan = planOf(row.id);
    auto length = [&](double v) {
        return QString::fromStdString(
            formatLength(v, doc_.style(), doc_.style().unit == LengthStyle::Unit::Millimeter ? 0 : -1));
    };
    const bool chosen = doc_.selection().board == row.id;
    painter.setFont(textFont(9, QFont::DemiBold));
    painter.setPen(chosen ? theme().accent : theme().text);
    QString words = QStringLiteral("%1 · %2").arg(QString::fromStdString(b->id), localized(speciesOf(b->wood).name));
    painter.drawText(QRectF(margin, row.box.top(), 260, headHeight), Qt::AlignLeft | Qt::AlignVCenter, words);
    painter.setFont(textFont(8.5));
    painter.setPen(theme().quiet);
    QString measures =
        tr("%1 × %2 × %3 %4").arg(length(b->length), length(b->width), length(b->thickness), unitName(doc_.style()));
    if (plan)
        measures += tr(" · %n cuts · %1 % used", nullptr, static_cast<int>(plan->cuts.size()))
                        .arg(std::lround(100 * plan->consumed / (b->length * b->width)));
    painter.drawText(QRectF(width() - margin - 420, row.box.top(), 420, headHeight), Qt::AlignRight | Qt::AlignVCenter,
                     measures);

    const QSize size(std::max(1, static_cast<int>(row.face.width())), std::max(1, static_cast<int>(row.face.height())));
    QPixmap& wood = wood_[row.id + b->wood];
    if (wood.size() != size) {
        // Drawn once a size: a board's figure is its own.
        QImage image(size, QImage::Format_RGB32);
        const Figure& figure = speciesOf(b->wood).figure;
        const float seed = static_cast<float>(std::hash<std::string>{}(b->id) % 1000) / 1000.0f;
        for (int py = 0; py < size.height(); ++py)
            for (int px = 0; px < size.width(); ++px) {
                const auto c =
                    vl::woodColor(figure, static_cast<float>(px / scale_), static_cast<float>(py / scale_), 4, seed, 0);
                image.setPixel(px, py, QColor::fromRgbF(c[0], c[1], c[2]).rgb());
            }
        wood = QPixmap::fromImage(image);
    }
    painter.setOpacity(plan || doc_.boardsBusy() ? 1 : 0.75);
    painter.drawPixmap(row.face.topLeft(), wood);
    painter.setOpacity(1);
    for (size_t i = 0; i < b->defects.size(); ++i) {
        const Defect& d = b->defects[i];
        const QRectF box(row.face.left() + d.along * scale_, row.face.top() + d.across * scale_,
                         std::max(2.0, d.length * scale_), std::max(2.0, d.width * scale_));
        painter.setBrush(QColor(30, 18, 10, 120));
        const bool mine = chosen && defect_ == static_cast<int>(i);
        painter.setPen(mine ? QPen(theme().accent, 2) : QPen(QColor(255, 255, 255, 160), 0.8, Qt::DashLine));
        painter.drawRect(box);
        painter.fillRect(box, QBrush(QColor(255, 255, 255, 90), Qt::DiagCrossPattern));
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(chosen ? theme().accent : QColor(0, 0, 0, 150), chosen ? 2 : 1));
    painter.drawRect(row.face);
    if (plan) drawPlan(painter, row, *plan);
    if (held_ && held_->grip == Grip::Mark && held_->board.id == row.id) {
        painter.setPen(QPen(theme().accent, 1.6, Qt::DashLine));
        painter.drawRect(
            QRectF(row.face.topLeft() + held_->from * scale_, row.face.topLeft() + markedTo_ * scale_).normalized());
    }
}

void BoardsView::drawPlan(QPainter& painter, const Row& row, const PlannedBoard& plan) const
{
    auto rect = [&](double x, double y, double l, double w) {
        return QRectF(row.face.left() + x * scale_, row.face.top() + y * scale_, l * scale_, w * scale_);
    };
    const Selection& s = doc_.selection();
    std::vector<QRectF> tags;
    // What is used up stands clear; everything else of the board is dimmed.
    for (size_t i = 0; i < plan.strips.size(); ++i) {
        const PlannedStrip& strip = plan.strips[i];
        const BoardRect& r = strip.place;
        painter.fillRect(rect(r.x + strip.used, r.y, r.length - strip.used, r.width), QColor(255, 255, 255, 70));
        for (const PlannedRun& run : strip.runs) {
            const QRectF box = rect(r.x + run.from, r.y, run.length, r.width);
            const Part* part = report::partOf(doc_.plan(), run.part);
            const bool mine = part && s.layers.contains(part->layer);
            if (mine)
                painter.fillRect(box, QColor(theme().accent.red(), theme().accent.green(), theme().accent.blue(), 95));
            painter.setPen(QPen(QColor(255, 255, 255, 150), 0.7));
            const double each = run.count > 0 ? box.width() / run.count : 0;
            if (each > 2.5)
                for (int k = 1; k < run.count; ++k)
                    painter.drawLine(QPointF(box.left() + each * k, box.top()),
                                     QPointF(box.left() + each * k, box.bottom()));
            painter.setPen(QPen(mine ? theme().accent : QColor(20, 10, 5, 220), mine ? 1.8 : 1.1));
            painter.setBrush(Qt::NoBrush);
            painter.drawRect(box);
            const QString words =
                part ? tr("%1 × layer %2").arg(run.count).arg(part->layer + 1) : QStringLiteral("%1 ×").arg(run.count);
            painter.setFont(textFont(7.5, QFont::DemiBold));
            const double w = QFontMetricsF(painter.font()).horizontalAdvance(words) + 8;
            const double tall = QFontMetricsF(painter.font()).height();
            if (box.width() > w && box.height() > tall) {
                const QRectF tag(box.center().x() - w / 2, box.center().y() - tall / 2, w, tall);
                tags.push_back(tag);
                painter.setPen(Qt::NoPen);
                painter.setBrush(QColor(255, 255, 255, 205));
                painter.drawRoundedRect(tag, 3, 3);
                painter.setPen(QColor(25, 18, 12));
                painter.drawText(tag, Qt::AlignCenter, words);
            }
        }
        if (strip.kept) {
            painter.setPen(QPen(QColor(255, 255, 255), 2));
            const QRectF box = rect(r.x, r.y, r.length, r.width);
            painter.drawLine(box.bottomLeft() + QPointF(4, -box.height() / 2), box.bottomLeft() + QPointF(8, -3));
            painter.drawLine(box.bottomLeft() + QPointF(8, -3), box.bottomLeft() + QPointF(16, 3 - box.height()));
        }
        if (s.board == plan.board.id && s.strip == static_cast<int>(i)) {
            painter.setBrush(Qt::NoBrush);
            painter.setPen(QPen(theme().accent, 2.4));
            painter.drawRect(rect(r.x, r.y, r.length, r.width));
        }
    }
    for (const BoardRect& r : plan.offcuts) {
        const QRectF box = rect(r.x, r.y, r.length, r.width);
        painter.setPen(QPen(QColor(255, 255, 255, 210), 1, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(box.adjusted(1, 1, -1, -1));
    }
    painter.setFont(textFont(7.5, QFont::Bold));
    std::vector<QPointF> places;
    for (const BoardCut& c : plan.cuts) {
        const QPointF a(row.face.left() + c.x0 * scale_, row.face.top() + c.y0 * scale_),
            b(row.face.left() + c.x1 * scale_, row.face.top() + c.y1 * scale_);
        const bool across = c.kind == BoardCut::Clear || c.kind == BoardCut::Length;
        painter.setPen(
            QPen(QColor(255, 250, 240), across ? 1.8 : 1.2, c.kind == BoardCut::Clear ? Qt::DashLine : Qt::SolidLine));
        painter.drawLine(a, b);
    }
    // The numbers over all lines.
    for (const BoardCut& c : plan.cuts) {
        const QPointF a(row.face.left() + c.x0 * scale_, row.face.top() + c.y0 * scale_),
            b(row.face.left() + c.x1 * scale_, row.face.top() + c.y1 * scale_);
        const QPointF at = c.kind == BoardCut::Rip ? QPointF(b.x() - 9 - 17 * (c.number % 2), b.y())
                                                   : QPointF(a.x(), (a.y() + b.y()) / 2);
        // Numbers that would hide one another, or a run's words, are left to the list beside.
        const QRectF mark(at - QPointF(8, 8), QSizeF(16, 16));
        if (std::ranges::any_of(tags, [&](const QRectF& tag) { return tag.intersects(mark); }) ||
            std::ranges::any_of(places,
                                [&](const QPointF& p) { return std::hypot(p.x() - at.x(), p.y() - at.y()) < 14; }))
            continue;
        places.push_back(at);
        painter.setPen(Qt::NoPen);
        painter.setBrush(QColor(20, 20, 22, 215));
        painter.drawEllipse(at, 7, 7);
        painter.setPen(Qt::white);
        painter.drawText(QRectF(at.x() - 9, at.y() - 7, 18, 14), Qt::AlignCenter, QString::number(c.number));
    }
}

void BoardsView::paintEvent(QPaintEvent* event)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(theme().quiet);
    painter.drawText(QRectF(margin, 4, width() - 2 * margin, 18), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("BOARDS ON THE RACK, CUTS NUMBERED IN THEIR ORDER"));
    if (rows_.empty()) {
        painter.setFont(textFont(10));
        painter.drawText(rect().adjusted(margin, 30, -margin, 0), Qt::AlignHCenter | Qt::AlignTop | Qt::TextWordWrap,
                         tr("The rack is empty. Add a board at the right, or bring a list of boards in: the plan then "
                            "says which part comes from where, and what runs short."));
        return;
    }
    for (const Row& row : rows_)
        if (row.box.toRect().intersects(event->rect())) drawBoard(painter, row);
    if (hasFocus()) {
        painter.setPen(QPen(theme().accent, 2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 5, 5);
    }
}

}  // namespace vl::app
