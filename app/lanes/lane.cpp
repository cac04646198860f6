#include "app/lanes/lane.h"

#include "app/theme/theme.h"

#include <QPainter>

namespace vl::app {

Lane::Lane(Document& document, const QString& title, QWidget* parent) : QWidget(parent), doc_(document), title_(title)
{
    setAccessibleName(title);
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    const auto redraw = [this] { update(); };
    connect(&doc_, &Document::changed, this, redraw);
    connect(&doc_, &Document::selectionChanged, this, redraw);
}

void Lane::drawGround(QPainter& painter) const
{
    painter.fillRect(rect(), theme().panel);
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(hasFocus() ? theme().accent : theme().quiet);
    painter.drawText(QRectF(12, 4, 400, 18), Qt::AlignLeft | Qt::AlignVCenter, title_);
    if (hasFocus()) painter.fillRect(QRectF(3, 5, 4, 16), theme().accent);
}

QString Lane::length(double mm, int decimals) const
{
    return QString::fromStdString(formatLength(mm, doc_.style(), decimals));
}
QString Lane::lengthUnit(double mm, int decimals) const
{
    return QString::fromStdString(formatLengthUnit(mm, doc_.style(), decimals));
}

}  // namespace vl::app
