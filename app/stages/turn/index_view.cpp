#include "app/stages/turn/index_view.h"

#include "app/theme/theme.h"
#include "report/axes.h"

#include <QPainter>

#include <cmath>

namespace vl::app {

IndexView::IndexView(Document& document, std::function<int()> chosen, QWidget* parent)
    : QWidget(parent), doc_(document), chosen_(std::move(chosen))
{
    setAccessibleName(tr("Index of the chosen axis"));
    connect(&doc_, &Document::changed, this, [this] { update(); });
}

void IndexView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(9));
    const int at = chosen_();
    if (at < 0 || at >= static_cast<int>(doc_.piece().axes.size())) {
        painter.setPen(theme().quiet);
        painter.drawText(rect(), Qt::AlignCenter, tr("The piece is turned on its true axis alone: nothing to divide."));
        return;
    }
    const OffAxis& axis = doc_.piece().axes[static_cast<size_t>(at)];
    const std::vector<IndexMark> marks = marksOf(axis);
    const report::Inks inks{theme().text, theme().text, theme().quiet, theme().panel};
    const double radius = std::max(20.0, height() / 2.0 - 30);
    const QPointF centre(radius + 70, height() / 2.0);
    report::drawPlate(painter, centre, radius, axis.plate, marks, inks, theme().accent);
    double x = centre.x() + radius + 70, y = 12;
    auto line = [&](const QString& words, const QColor& ink, QFont::Weight weight = QFont::Normal) {
        constexpr double high = 18, column = 420;
        if (y + high > height()) x += column / 2, y = 12;
        painter.setFont(textFont(9, weight));
        painter.setPen(ink);
        painter.drawText(QRectF(x, y, column, high), Qt::AlignLeft | Qt::AlignVCenter, words);
        y += high;
    };
    const bool plate = axis.plate > 0;
    line(plate ? tr("%n sides on %1 holes", "", static_cast<int>(marks.size())).arg(axis.plate)
               : tr("%n sides, laid out by angle", "", static_cast<int>(marks.size())),
         theme().text, QFont::DemiBold);
    for (size_t k = 0; k < marks.size(); ++k) {
        const IndexMark& m = marks[k];
        const QString place = plate ? tr("hole %1").arg(m.hole) : tr("%1°").arg(m.wanted + m.errorDeg, 0, 'f', 2);
        const bool off = std::abs(m.errorDeg) > 1e-9;
        line(off ? tr("%1: %2, %3° off equal").arg(k + 1).arg(place).arg(m.errorDeg, 0, 'f', 1)
                 : tr("%1: %2").arg(k + 1).arg(place),
             off && axis.steps.empty() ? theme().warn : theme().text);
    }
    QStringList exact;
    for (const int holes : platesFor(static_cast<int>(marks.size()))) exact << QString::number(holes);
    line(tr("plates that divide by %1:").arg(marks.size()), theme().quiet);
    line(exact.isEmpty() ? tr("none that is usual: print a wheel") : exact.join(QStringLiteral(", ")), theme().quiet);
}

}  // namespace vl::app
