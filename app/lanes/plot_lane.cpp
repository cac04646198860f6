#include "app/lanes/plot_lane.h"

#include "app/lanes/axis_map.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"

#include <QMouseEvent>
#include <QPainter>

namespace vl::app {

PlotLane::PlotLane(Document& document, const QString& title, std::function<Curve(const Document&)> curve,
                   QWidget* parent)
    : Lane(document, title, parent), curve_(std::move(curve))
{
}

double PlotLane::x(double z) const
{
    return AxisMap::leftMargin + z / std::max(1.0, outlineHeight(doc_.piece())) * (width() - AxisMap::leftMargin - 22);
}

double PlotLane::z(double px) const
{
    return (px - AxisMap::leftMargin) / (width() - AxisMap::leftMargin - 22) * outlineHeight(doc_.piece());
}

void PlotLane::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    drawGround(painter);
    // Smooth lines cost most of a frame: they are back with the release.
    painter.setRenderHint(QPainter::Antialiasing, !doc_.live());
    const Curve curve = curve_(doc_);
    painter.setFont(textFont(8));
    if (curve.points.size() < 2) {
        painter.setPen(theme().quiet);
        painter.drawText(rect(), Qt::AlignCenter, curve.empty);
        return;
    }
    double low = 0, high = std::isnan(curve.limit) ? 0 : curve.limit;
    for (const Point& p : curve.points) low = std::min(low, p.y()), high = std::max(high, p.y());
    if (curve.isLength) {
        // A floor met on the slant is deeper than any wall: it would flatten all that matters.
        std::vector<double> values;
        for (const Point& p : curve.points) values.push_back(p.y());
        std::ranges::nth_element(values, values.begin() + static_cast<long>(values.size() / 2));
        high = std::min(high, 3 * values[values.size() / 2]);
    }
    if (high - low < 1e-9) high = low + 1;
    const double top = 30, bottom = height() - 14;
    auto y = [&](double v) { return bottom - (v - low) / (high - low) * (bottom - top); };
    auto words = [&](double v) {
        return curve.isLength ? lengthUnit(v) : QString::fromStdString(fixed(v, curve.decimals)) + curve.unit;
    };
    painter.setPen(theme().edge);
    painter.drawLine(QPointF(AxisMap::leftMargin - 6, y(0)), QPointF(width() - 10, y(0)));
    painter.setPen(theme().quiet);
    painter.drawText(QRectF(0, y(high) - 8, AxisMap::leftMargin - 12, 16), Qt::AlignRight | Qt::AlignVCenter,
                     curve.isLength ? length(high) : words(high));
    painter.drawText(QRectF(0, y(low) - 8, AxisMap::leftMargin - 12, 16), Qt::AlignRight | Qt::AlignVCenter,
                     curve.isLength ? length(low) : words(low));
    QPolygonF line;
    for (const Point& p : curve.points) {
        const QPointF here(x(p.x()), y(p.y()));
        if (line.isEmpty() || (here - line.last()).manhattanLength() > 0.7 || &p == &curve.points.back()) line << here;
    }
    QPolygonF area = line;
    area.prepend(QPointF(line.first().x(), y(0)));
    area << QPointF(line.last().x(), y(0));
    painter.save();
    painter.setClipRect(QRectF(0, top - 4, width(), height()));
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme().accentSoft);
    painter.drawPolygon(area);
    painter.setPen(QPen(theme().accent, 1.8));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(line);
    painter.restore();
    if (!std::isnan(curve.limit)) {
        painter.setPen(QPen(theme().warn, 1.2, Qt::DashLine));
        painter.drawLine(QPointF(x(curve.points.front().x()), y(curve.limit)),
                         QPointF(x(curve.points.back().x()), y(curve.limit)));
        // Under its line where it finds room over the ground line, else above the curve.
        const bool room = y(0) - y(curve.limit) > 18;
        painter.drawText(QRectF(x(curve.points.back().x()) - 200, room ? y(curve.limit) + 1 : 4, 196, 16),
                         Qt::AlignRight | Qt::AlignVCenter, tr("least %1").arg(words(curve.limit)));
    }
    const double v = hoverX_ < 0 ? std::nan("") : radiusAt(curve.points, z(hoverX_));
    if (!std::isnan(v)) {
        painter.setPen(QPen(theme().accent, 1, Qt::DotLine));
        painter.drawLine(QPointF(hoverX_, top), QPointF(hoverX_, bottom));
        painter.setPen(theme().text);
        painter.setFont(textFont(8.5, QFont::DemiBold));
        painter.drawText(QRectF(width() - 260, 4, 248, 18), Qt::AlignRight | Qt::AlignVCenter,
                         tr("at %1: %2").arg(length(z(hoverX_)), words(v)));
    }
}

void PlotLane::mouseMoveEvent(QMouseEvent* event)
{
    hoverX_ = event->position().x();
    update();
}

void PlotLane::leaveEvent(QEvent*)
{
    hoverX_ = -1;
    update();
}

}  // namespace vl::app
