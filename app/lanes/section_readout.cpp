// What the section lane says of the place under the pointer.
#include "app/lanes/section_lane.h"
#include "app/theme/theme.h"
#include "core/geometry/profile.h"

#include <QPainter>

#include <cmath>

namespace vl::app {

void SectionLane::drawTag(QPainter& painter, const QPointF& anchor, const QString& words, const QColor& ink,
                          const QColor& ground, double dy) const
{
    painter.setFont(textFont(8.5, QFont::DemiBold));
    const double w = QFontMetricsF(painter.font()).horizontalAdvance(words) + 20, h = 24;
    const double left = std::clamp(anchor.x() - w / 2, 4.0, std::max(4.0, width() - w - 4.0));
    const double head = std::clamp(anchor.y() + dy - (dy < 0 ? h : 0), 26.0, std::max(26.0, height() - h - 2));
    const QRectF box(left, head, w, h);
    painter.setPen(QPen(ink, 1));
    painter.drawLine(anchor, QPointF(anchor.x(), dy < 0 ? box.bottom() : box.top()));
    painter.setBrush(ground);
    painter.drawRoundedRect(box, 5, 5);
    painter.drawText(box, Qt::AlignCenter, words);
}

void SectionLane::drawReadout(QPainter& painter) const
{
    const Hit& h = held_ ? held_->hit : hover_;
    if (h.grip == Grip::Caution && h.index < static_cast<int>(doc_.plan().cautions.size())) {
        const Caution& c = doc_.plan().cautions[static_cast<size_t>(h.index)];
        const auto fixes = c.fixes.size();
        drawTag(painter, {x(c.z), cautionY + 10},
                QString::fromStdString(c.at) + QStringLiteral(" · ") + tr("%n fixes", nullptr, static_cast<int>(fixes)),
                theme().warn, theme().warnSoft, 10);
        return;
    }
    if (h.grip == Grip::Node && h.index < static_cast<int>(outline(h.side).size())) {
        const Node& n = outline(h.side)[static_cast<size_t>(h.index)];
        drawTag(painter, nodePosition(h.side, h.index), tr("station %1 · Ø %2").arg(length(n.z), length(2 * n.r)),
                theme().accent, theme().panel, -16);
        return;
    }
    if (h.grip == Grip::Layer) {
        const auto own = handles();
        if (h.index < static_cast<int>(own.size()))
            drawTag(painter, at(own[static_cast<size_t>(h.index)].at), valueOf(own[static_cast<size_t>(h.index)]),
                    theme().accent, theme().panel, -16);
        return;
    }
    if (h.grip == Grip::Floor) {
        drawTag(painter, floorPosition(), tr("floor at %1").arg(lengthUnit(doc_.piece().hollow.floor)), theme().accent,
                theme().panel, -30);
        return;
    }
    if (h.grip == Grip::Bulge) {
        drawTag(painter, bulgePosition(h.index),
                tr("bulge %1").arg(doc_.piece().outside[static_cast<size_t>(h.index)].bulge, 0, 'f', 2), theme().accent,
                theme().panel, -16);
        return;
    }
    if (h.grip == Grip::Boundary && h.index < static_cast<int>(doc_.piece().layers.size())) {
        const Layer& l = doc_.piece().layers[static_cast<size_t>(h.index)];
        drawTag(painter, {boundaryPosition(h.index).x(), axisY()},
                tr("layer %1: %2 thick").arg(h.index + 1).arg(lengthUnit(l.thickness)), theme().accent, theme().panel,
                8);
        return;
    }
    if (!underMouse() || held_) return;
    if (const Measured* m = measureAt(hoverAt_)) {
        drawTag(painter, measurePosition(*m), measureWords(*m), theme().accent, theme().panel, -16);
        return;
    }
    const double at = z(hoverAt_.x()), radius = radiusAt(doc_.plan().surfaces.outside, at);
    if (std::isnan(radius) || layerAt(hoverAt_) < 0) return;
    QString words = tr("at %1 · Ø %2 outside").arg(length(at), length(2 * radius));
    const TurnedSurfaces& surfaces = doc_.plan().surfaces;
    if (const double wall = wallAcross(surfaces, wallLine(surfaces), at).wall; !std::isnan(wall))
        words += tr(" · wall %1").arg(length(wall));
    drawTag(painter, {x(at), y(radius)}, words, theme().accent, theme().panel, -34);
}

}  // namespace vl::app
