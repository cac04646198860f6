#include "app/stages/turn/index_view.h"

#include "app/theme/theme.h"
#include "core/workpiece/axis_set_ups.h"
#include "core/workpiece/index_rings.h"
#include "report/axes.h"

#include <QPainter>

#include <cmath>

namespace vl::app {

IndexView::IndexView(Document& document, std::function<int()> chosen, QWidget* parent)
    : QWidget(parent), doc_(document), chosen_(std::move(chosen))
{
    setAccessibleName(tr("Index"));
    connect(&doc_, &Document::changed, this, [this] { update(); });
}

void IndexView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(9));
    const std::vector<IndexRing> rings = indexRings(doc_.piece());
    if (rings.empty()) {
        painter.setPen(theme().quiet);
        painter.drawText(rect(), Qt::AlignCenter, tr("Nothing stands round the piece: nothing to divide."));
        return;
    }
    // The chosen axis comes first where it is divided, else the first ring.
    size_t which = 0;
    const int at = chosen_();
    if (at >= 0 && at < static_cast<int>(doc_.piece().axes.size()))
        for (size_t i = 0; i < rings.size(); ++i)
            if (rings[i].name == nameOf(doc_.piece(), static_cast<size_t>(at))) which = i;
    const IndexRing& ring = rings[which];
    const report::Inks inks{theme().text, theme().text, theme().quiet, theme().panel};
    const double radius = std::max(20.0, height() / 2.0 - 30);
    const QPointF center(radius + 70, height() / 2.0);
    report::drawPlate(painter, center, radius, ring.plate, ring.marks, inks, theme().accent);
    // Every other ring of marks inside it.
    double inner = radius * 0.76;
    for (size_t i = 0; i < rings.size(); ++i) {
        if (i == which) continue;
        report::drawMarkRing(painter, center, inner, anglesOn(ring, rings[i]), inks);
        inner = std::max(12.0, inner - radius * 0.14);
    }
    double x = center.x() + radius + 70, y = 12;
    auto line = [&](const QString& words, const QColor& ink, QFont::Weight weight = QFont::Normal) {
        constexpr double high = 18, column = 420;
        if (y + high > height()) x += column / 2, y = 12;
        painter.setFont(textFont(9, weight));
        painter.setPen(ink);
        painter.drawText(QRectF(x, y, column, high), Qt::AlignLeft | Qt::AlignVCenter, words);
        y += high;
    };
    const bool plate = ring.plate > 0;
    const QString name = QString::fromStdString(ring.name);
    line(plate ? tr("%1: %n marks on %2 holes", "", static_cast<int>(ring.marks.size())).arg(name).arg(ring.plate)
               : tr("%1: %n marks, laid out by angle", "", static_cast<int>(ring.marks.size())).arg(name),
         theme().text, QFont::DemiBold);
    constexpr size_t most = 24;  // told one by one
    for (size_t k = 0; k < std::min(most, ring.marks.size()); ++k) {
        const IndexMark& m = ring.marks[k];
        const QString place = plate ? tr("hole %1").arg(m.hole) : tr("%1°").arg(m.wanted + m.errorDeg, 0, 'f', 2);
        const bool off = std::abs(m.errorDeg) > 1e-9;
        line(off ? tr("%1: %2, %3° off equal").arg(k + 1).arg(place).arg(m.errorDeg, 0, 'f', 1)
                 : tr("%1: %2").arg(k + 1).arg(place),
             off && !ring.steps ? theme().warn : theme().text);
    }
    if (ring.marks.size() > most) line(tr("and so on"), theme().quiet);
    QStringList exact;
    for (const int holes : platesFor(static_cast<int>(ring.marks.size()))) exact << QString::number(holes);
    line(tr("plates that divide by %1:").arg(ring.marks.size()), theme().quiet);
    line(exact.isEmpty() ? tr("none that is usual: print a wheel") : exact.join(QStringLiteral(", ")), theme().quiet);
    if (const int own = doc_.shop().lathe.plate; own > 0)
        line(tr("the lathe\u2019s own plate has %1 holes").arg(own), theme().quiet);
    if (rings.size() < 2) return;
    line(tr("Other rings of marks, their first mark on from the first ring\u2019s:"), theme().text, QFont::DemiBold);
    for (size_t i = 0; i < rings.size(); ++i)
        if (i != which)
            line(tr("%1: %n marks, %2°", "", static_cast<int>(rings[i].marks.size()))
                     .arg(QString::fromStdString(rings[i].name))
                     .arg(rings[i].offset, 0, 'f', 1),
                 theme().text);
}

}  // namespace vl::app
