// What the face view draws; face_view.cpp is how it is handled.
#include "app/lanes/face_view.h"
#include "app/theme/theme.h"
#include "core/constructions/construction.h"
#include "core/geometry/profile.h"
#include "core/picture/views.h"
#include "core/piece/document/hole_ends.h"
#include "core/piece/edits/log_middle.h"
#include "core/wood/filler.h"
#include "report/drawing.h"
#include "report/grid_drawing.h"

#include <QPainter>

#include <cmath>

namespace vl::app {

void FaceView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    if (scale() <= 0) return;
    if (shows_ == Shows::Layer)
        drawLayer(painter);
    else
        drawEnd(painter);
    drawWords(painter);
}

void FaceView::drawEnd(QPainter& painter)
{
    const double half = doc_.plan().shape.greatestDiameter / 2 * 1.01, across = 2 * half * scale();
    const int pixels = std::max(1, static_cast<int>(across * devicePixelRatioF()));
    const End from = shows_ == Shows::Rim ? End::Tailstock : End::Headstock;
    const QRectF box(center() - QPointF(across, across) / 2, QSizeF(across, across));
    // While a drag goes on the last picture stays.
    const Baked::Images* made =
        doc_.live() ? nullptr
                    : face_.get(qHashMulti(1u, doc_.version(), static_cast<int>(shows_), pixels),
                                [assembly = doc_.plan().assembly, sides = doc_.plan().surfaces, from, half,
                                 pixels](const std::atomic<bool>& canceled) {
                                    return Baked::Images{
                                        report::imageOf(bakeEnd(assembly, sides, from, half, pixels, &canceled))};
                                });
    if (made && !made->empty())
        painter.drawImage(box, made->front());
    else if (doc_.live() && !face_.last().empty())
        painter.drawImage(box, face_.last().front());
    painter.setPen(QPen(theme().text, 1.2));
    painter.setBrush(Qt::NoBrush);
    const double r = doc_.plan().shape.greatestDiameter / 2 * scale();
    painter.drawEllipse(center(), r, r);
    drawHoles(painter);
    if (shows_ != Shows::Rim) return;
    const QColor line(0, 0, 0, 130);
    for (const GridOf& g : gridsOf(doc_.piece(), doc_.plan().surfaces))
        if (const Decor& d = doc_.piece().decors[g.decor]; d.on == Decor::Face)
            report::GridDrawing(d, g, center(), scale()).drawCells(painter, {line, line, line, theme().panel});
}

void FaceView::drawLayer(QPainter& painter)
{
    const BuiltLayer& l = layer();
    const double s = scale(), half = l.cornerRadius() * 1.03;
    const int pixels = std::max(1, static_cast<int>(2 * half * s * devicePixelRatioF()));
    const Baked::Images* made = doc_.live()
                                    ? nullptr
                                    : face_.get(qHashMulti(2u, doc_.version(), doc_.selection().layer, pixels),
                                                [l, half, pixels](const std::atomic<bool>&) {
                                                    return Baked::Images{report::imageOf(bakeRing(l, half, pixels))};
                                                });
    if (made && !made->empty())
        painter.drawImage(QRectF(center() - QPointF(half, half) * s, QSizeF(2 * half * s, 2 * half * s)),
                          made->front());
    if (l.cells.size() > 1)
        for (const bool chosen : {false, true})  // what is chosen is drawn over its neighbors
            for (const Cell& cell : l.cells) {
                if (chosen != (doc_.selection().segment >= 0 && doc_.selection().segment == cell.segment)) continue;
                QPolygonF corners;
                for (const Point& p : l.planOf(cell, (l.z0 + l.z1) / 2))
                    corners << center() + QPointF(p.x(), -p.y()) * s;
                painter.setBrush(made ? QBrush(Qt::NoBrush) : QBrush(report::woodColor(*cell.wood)));
                painter.setPen(QPen(chosen ? theme().accent : QColor(0, 0, 0, 150), chosen ? 3 : 0.9));
                painter.drawPolygon(corners);
            }
    drawNumbers(painter);
    for (const Scribed& c : l.scribed) {
        drawCircle(painter, c.upper, Qt::SolidLine);
        drawCircle(painter, c.lower, Qt::DotLine);
    }
    if (l.scribed.empty()) {
        // Of rings the circles that the wood must hold; of staves, which taper, those of the middle that is drawn.
        const bool tapers = l.radial() && !l.segmented;
        const double z = (l.z0 + l.z1) / 2;
        const auto at = [&](const Polyline& side) { return side.empty() ? 0.0 : radiusAt(side, z); };
        drawCircle(painter, tapers ? at(doc_.plan().surfaces.outside) : l.finishedOuter.high, Qt::DashLine);
        drawCircle(painter, tapers ? at(doc_.plan().surfaces.inside) : l.finishedInner.low, Qt::DashLine);
    }
    drawPith(painter);
    if (!turns()) return;
    painter.setPen(QPen(theme().accent, 1.8));
    painter.setBrush(theme().panel);
    painter.drawEllipse(turnPosition(), 5.5, 5.5);
}

/// Each as wide as it is, from where it enters to where its line leaves; the first of those alike has its ends to be
/// taken hold of.
void FaceView::drawHoles(QPainter& painter) const
{
    constexpr double grip = 5;  // pixels
    for (const size_t i : sideHoles()) {
        const Hole& h = doc_.piece().holes[i];
        QColor ink = h.filled ? report::woodColor(fillingOf(h.fill)) : theme().text;
        ink.setAlphaF(0.55f);
        painter.setPen(QPen(ink, std::max(1.5, h.diameter * scale()), Qt::SolidLine, Qt::FlatCap));
        painter.drawLine(holeEnd(i, false), holeEnd(i, true));
        painter.setPen(QPen(theme().accent, 1.8));
        for (const bool leaves : {false, true}) {
            painter.setBrush(leaves ? theme().accent : theme().panel);
            painter.drawEllipse(holeEnd(i, leaves), grip, grip);
        }
    }
}

/// The log's middle, to be taken hold of, and the axis that it lies about.
void FaceView::drawPith(QPainter& painter) const
{
    if (!log()) return;
    constexpr double arm = 7, grip = 5.5;  // pixels
    for (const QPen& pen : {QPen(theme().panel, 3.5), QPen(theme().text, 1.4)}) {
        painter.setPen(pen);
        painter.drawLine(center() - QPointF(arm, 0), center() + QPointF(arm, 0));
        painter.drawLine(center() - QPointF(0, arm), center() + QPointF(0, arm));
    }
    painter.setPen(QPen(theme().accent, 1.8));
    painter.setBrush(theme().panel);
    painter.drawEllipse(pithPosition(), grip, grip);
}

/// Pieces round a post, by the order in which they are glued on.
void FaceView::drawNumbers(QPainter& painter) const
{
    const Layer& own = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)];
    if (!own.is<WrapForm>()) return;
    painter.setFont(textFont(9, QFont::DemiBold));
    const BuiltLayer& l = layer();
    for (const Cell& cell : l.cells) {
        const int number = report::partNumber(own, cell.segment);
        if (number < 1) continue;
        QPolygonF corners;
        for (const Point& p : l.planOf(cell, (l.z0 + l.z1) / 2)) corners << center() + QPointF(p.x(), -p.y()) * scale();
        constexpr double radius = 9;  // pixels
        const QPointF middle = corners.boundingRect().center();
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme().panel);
        painter.drawEllipse(middle, radius, radius);
        painter.setPen(theme().text);
        painter.drawText(QRectF(middle - QPointF(radius, radius), QSizeF(2 * radius, 2 * radius)), Qt::AlignCenter,
                         QString::number(number));
    }
}

/// A white thread under the line keeps it readable on dark and light wood.
void FaceView::drawCircle(QPainter& painter, double radius, Qt::PenStyle line) const
{
    if (!(radius > 0)) return;
    painter.setBrush(Qt::NoBrush);
    for (const QPen& pen :
         {QPen(QColor(255, 255, 255, 200), 2.2), QPen(theme().dark ? QColor("#0b6e7a") : theme().accent, 1.6, line)}) {
        painter.setPen(pen);
        painter.drawEllipse(center(), radius * scale(), radius * scale());
    }
}

void FaceView::drawWords(QPainter& painter) const
{
    auto mm = [&](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    const int at = doc_.selection().layer;
    const Layer& own = doc_.piece().layers[static_cast<size_t>(at)];
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(hasFocus() ? theme().accent : theme().quiet);
    const QString noun = tr(constructionOf(own).noun);
    const QString title = shows_ == Shows::Rim    ? tr("FROM THE RIM")
                          : shows_ == Shows::Foot ? tr("FROM THE FOOT")
                                                  : tr("FACE OF %1 %2").arg(noun.toUpper()).arg(at + 1);
    // Beside the buttons where it finds room, else below them.
    const bool beside = painter.fontMetrics().horizontalAdvance(title) + 16 < row_->x();
    painter.drawText(QRectF(8, beside ? 4 : 26, width() - 12, 18),
                     (beside ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter, title);
    if (shows_ != Shows::Layer) return;
    const BuiltLayer& l = layer();
    const double opening = l.stockInnerRadius() * scale();
    QStringList lines;
    // What is dragged comes first: there may be room for one line only.
    if (log())
        lines << tr("axis %1 off the middle: it holds Ø %2 of %3")
                     .arg(mm(logOffset(*log())), mm(logHolds(*log())), mm(log()->log));
    if (!l.scribed.empty())
        lines << tr("circles on both faces: full above, dotted below");
    else if (l.finishedInner.low > 0)
        lines << tr("Ø %1 / %2").arg(mm(2 * l.finishedOuter.high), mm(2 * l.finishedInner.low));
    else
        lines << tr("Ø %1").arg(mm(2 * l.finishedOuter.high));
    if (turns() && own.sectors()->turn != 0) {
        const double on = own.sectors()->turn * 360 / own.sectors()->segments;
        lines << tr("%1° on from the layer before").arg(on, 0, 'f', 2);
    }
    const QFont strong = textFont(9, QFont::DemiBold), quiet = textFont(8);
    double wide = QFontMetricsF(strong).horizontalAdvance(lines[0]) / 2 + 6;
    if (lines.size() > 1) wide = std::max(wide, QFontMetricsF(quiet).horizontalAdvance(lines[1]) / 2 + 6);
    // In the opening where they find room, else below the ring, as many as fit there.
    const bool inside = l.segmented && opening > std::hypot(wide, 20);
    const auto room = static_cast<qsizetype>((height() - drawn().bottom() - 3) / 17);
    if (!inside && lines.size() > room) lines.resize(std::max<qsizetype>(0, room));
    double y = inside ? center().y() - 8.5 * static_cast<double>(lines.size())
                      : height() - 17.0 * static_cast<double>(lines.size()) - 1;
    for (const QString& words : lines) {
        painter.setFont(&words == &lines[0] ? strong : quiet);
        painter.setPen(&words == &lines[0] ? theme().text : theme().quiet);
        painter.drawText(QRectF(0, y, 2 * center().x(), 17), Qt::AlignCenter, words);
        y += 17;
    }
}

}  // namespace vl::app
