#include "app/lanes/ring_view.h"

#include "app/theme/theme.h"
#include "core/turning/skin.h"
#include "report/drawing.h"
#include "report/type.h"

#include <QMouseEvent>
#include <QPainter>

#include <cmath>

namespace vl::app {

RingView::RingView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    setAccessibleName(tr("Plan of the chosen ring"));
    connect(&doc_, &Document::changed, this, [this] { update(); });
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
}

double RingView::scale() const { return std::min(width(), height()) / 2.0 / (layer().cornerRadius() * 1.03); }

QPointF RingView::segmentPosition(int segment) const
{
    const BuiltLayer& l = layer();
    const Point middle = l.middleOf(segment, (l.z0 + l.z1) / 2);
    const double a = middle.y() * degrees, r = middle.x() * scale();
    return {width() / 2.0 - r * std::sin(a), height() / 2.0 - r * std::cos(a)};
}

void RingView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const BuiltLayer& l = layer();
    const double s = scale(), half = l.cornerRadius() * 1.03;
    const QPointF centre(width() / 2.0, height() / 2.0);
    const int pixels = static_cast<int>(2 * half * s * devicePixelRatioF());
    if (!doc_.live() && (version_ != doc_.version() || shownLayer_ != doc_.selection().layer || size_ != pixels)) {
        face_ = report::imageOf(bakeRing(l, half, pixels));
        version_ = doc_.version();
        shownLayer_ = doc_.selection().layer;
        size_ = pixels;
    }
    const bool baked = version_ == doc_.version() && shownLayer_ == doc_.selection().layer;
    if (baked)
        painter.drawImage(QRectF(centre.x() - half * s, centre.y() - half * s, 2 * half * s, 2 * half * s), face_);
    if (l.cells.size() > 1)
        for (const bool chosen : {false, true})  // what is chosen is drawn over its neighbours
            for (const Cell& cell : l.cells) {
                if (chosen != (doc_.selection().segment >= 0 && doc_.selection().segment == cell.segment)) continue;
                QPolygonF corners;
                for (const Point& p : l.planOf(cell, (l.z0 + l.z1) / 2))
                    corners << QPointF(centre.x() + p.x() * s, centre.y() - p.y() * s);
                painter.setBrush(baked ? QBrush(Qt::NoBrush) : QBrush(report::woodColour(*cell.wood)));
                painter.setPen(QPen(chosen ? theme().accent : QColor(0, 0, 0, 150), chosen ? 3 : 0.9));
                painter.drawPolygon(corners);
            }
    painter.setBrush(Qt::NoBrush);
    // A white thread under the dashes keeps them readable on dark and light wood.
    for (const QPen& pen : {QPen(QColor(255, 255, 255, 190), 1.6),
                            QPen(theme().dark ? QColor("#0b6e7a") : theme().accent, 1.6, Qt::DashLine)}) {
        painter.setPen(pen);
        painter.drawEllipse(centre, l.finishedOuter.high * s, l.finishedOuter.high * s);
        if (l.finishedInner.low > 0) painter.drawEllipse(centre, l.finishedInner.low * s, l.finishedInner.low * s);
    }
    const double opening = l.stockInnerRadius() * s;
    if (opening > 42) {
        auto words = [&](double mm) { return QString::fromStdString(formatLength(mm, doc_.style())); };
        painter.setPen(theme().quiet);
        painter.setFont(report::type(8));
        painter.drawText(QRectF(centre.x() - opening, centre.y() - 17, 2 * opening, 15), Qt::AlignCenter,
                         tr("finished"));
        painter.setPen(theme().text);
        painter.setFont(report::type(9, QFont::DemiBold));
        painter.drawText(
            QRectF(centre.x() - opening, centre.y() - 1, 2 * opening, 17), Qt::AlignCenter,
            QStringLiteral("Ø %1 / %2").arg(words(2 * l.finishedOuter.high), words(2 * l.finishedInner.low)));
    }
}

void RingView::mousePressEvent(QMouseEvent* event)
{
    const QPointF p = event->position() - QPointF(width() / 2.0, height() / 2.0);
    const double radius = std::hypot(p.x(), p.y()) / scale();
    if (radius > layer().cornerRadius() || radius < layer().stockInnerRadius() * 0.9) return;
    doc_.selectLayer(doc_.selection().layer, {},
                     layer().segmentAt((layer().z0 + layer().z1) / 2, radius, std::atan2(-p.x(), -p.y()) / degrees));
}

SegmentView::SegmentView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    setAccessibleName(tr("One segment with its measures"));
    connect(&doc_, &Document::changed, this, [this] { update(); });
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
}

void SegmentView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(doc_.selection().layer)];
    painter.setFont(report::type(9, QFont::Medium));
    if (!l.segmented) {
        painter.setPen(theme().quiet);
        painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                         doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].is<DiscForm>()
                             ? tr("a solid disc: cut round on the bandsaw")
                             : tr("the settings of this layer stand below"));
        return;
    }
    report::drawSegment(painter, rect(), l, doc_.style(), {theme().text, theme().text, theme().quiet, theme().panel});
}

}  // namespace vl::app
