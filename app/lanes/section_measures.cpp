// What was measured, marked on the section where a tool's jaws lay; and what can be measured at a place of it.
#include "app/fields/field_form.h"
#include "app/lanes/section_lane.h"
#include "app/theme/theme.h"
#include "core/plan/learning/as_built.h"
#include "core/plan/learning/measured_place.h"

#include <QMenu>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl::app {

std::vector<std::reference_wrapper<const Measured>> SectionLane::measures() const
{
    std::vector<std::reference_wrapper<const Measured>> all;
    for (const Measured& m : doc_.piece().progress.measured)
        if ((handles_ == Handles::Layers || !isOfALayer(m.what)) && handles_ != Handles::Outline &&
            !seatOf(doc_.piece(), doc_.plan(), m).empty())
            all.emplace_back(m);
    return all;
}

QPointF SectionLane::measurePosition(const Measured& measured) const
{
    const Polyline seat = seatOf(doc_.piece(), doc_.plan(), measured);
    return seat.empty() ? QPointF() : (at(seat.front()) + at(seat.back())) / 2;
}

const Measured* SectionLane::measureAt(const QPointF& p) const
{
    constexpr double near = 9;  // pixels
    for (const Measured& m : measures())
        if (const QPointF away = measurePosition(m) - p; std::hypot(away.x(), away.y()) < near) return &m;
    return nullptr;
}

QString SectionLane::measureWords(const Measured& m) const
{
    const QString what = wordsOf(choicesOf<Measured::What>()[static_cast<size_t>(m.what)]);
    const double planned = m.planned.value_or(plannedOf(doc_.piece(), doc_.plan(), m));
    return std::isnan(planned) ? tr("%1: %2").arg(what, lengthUnit(m.value))
                               : tr("%1: %2, by the plan %3").arg(what, lengthUnit(m.value), lengthUnit(planned));
}

void SectionLane::drawMeasures(QPainter& painter) const
{
    painter.setFont(textFont(8.5, QFont::DemiBold));
    const QFontMetricsF type(painter.font());
    constexpr double edge = 4, beside = 8;  // pixels
    std::vector<QRectF> taken;
    const auto takes = [&](const QPointF& place, double around) {
        taken.emplace_back(place.x() - around, place.y() - around, 2 * around, 2 * around);
    };
    constexpr double handle = 7;
    if (handles_ == Handles::Layers)
        for (const LayerHandle& h : handles()) takes(at(h.at), handle);
    for (const Measured& m : measures()) {
        const Polyline seat = seatOf(doc_.piece(), doc_.plan(), m);
        painter.setPen(QPen(theme().accent, 3, Qt::SolidLine, Qt::FlatCap));
        for (size_t i = 0; i + 1 < seat.size(); ++i) painter.drawLine(at(seat[i]), at(seat[i + 1]));
        const QPointF place = measurePosition(m);
        painter.setPen(QPen(theme().accent, 1));
        painter.setBrush(theme().accent);
        painter.drawEllipse(place, edge, edge);
        takes(place, edge);
    }
    // Of two that would lie on one another the first is read here, the other under the pointer.
    painter.setBrush(theme().panel);
    for (const Measured& m : measures()) {
        const QPointF place = measurePosition(m);
        const QString words = length(m.value);
        const double wide = type.horizontalAdvance(words) + 2 * edge, high = type.height() + 2;
        for (const double left : {place.x() + beside, place.x() - beside - wide}) {
            const QRectF box(left, place.y() - high / 2, wide, high);
            if (std::ranges::any_of(taken, [&](const QRectF& other) { return other.intersects(box); })) continue;
            taken.push_back(box);
            painter.drawRoundedRect(box, 3, 3);
            painter.drawText(box, Qt::AlignCenter, words);
            break;
        }
    }
}

void SectionLane::fillMeasureMenu(QMenu& menu, const QPointF& place)
{
    for (const Measured& m : measurableAt(doc_.piece(), doc_.plan(), {z(place.x()), r(place.y())}, doc_.snapStep()))
        menu.addAction(tr("%1 (%2 by the plan) …")
                           .arg(wordsOf(choicesOf<Measured::What>()[static_cast<size_t>(m.what)]), lengthUnit(m.value)),
                       this, [this, m] { emit measureWanted(m); });
}

}  // namespace vl::app
