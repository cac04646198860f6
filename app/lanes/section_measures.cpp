// What was measured, marked on the section where a tool's jaws lay; and what can be measured at a place of it.
#include "app/fields/field_form.h"
#include "app/lanes/section_lane.h"
#include "app/theme/theme.h"
#include "core/plan/as_built.h"
#include "core/plan/measured_place.h"

#include <QMenu>
#include <QPainter>

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
    for (const Measured& m : measures()) {
        const Polyline seat = seatOf(doc_.piece(), doc_.plan(), m);
        painter.setPen(QPen(theme().accent, 3, Qt::SolidLine, Qt::FlatCap));
        for (size_t i = 0; i + 1 < seat.size(); ++i) painter.drawLine(at(seat[i]), at(seat[i + 1]));
        const QPointF place = measurePosition(m);
        const QString words = length(m.value);
        constexpr double edge = 4, beside = 8;  // pixels
        const QRectF box(place.x() + beside, place.y() - type.height() / 2 - 1,
                         type.horizontalAdvance(words) + 2 * edge, type.height() + 2);
        painter.setBrush(theme().panel);
        painter.setPen(QPen(theme().accent, 1));
        painter.drawRoundedRect(box, 3, 3);
        painter.drawText(box, Qt::AlignCenter, words);
        painter.setBrush(theme().accent);
        painter.drawEllipse(place, edge, edge);
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
