#include "app/lanes/lane.h"

#include "app/theme/theme.h"
#include "report/type.h"

#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include <cmath>

namespace vl::app {

Lane::Lane(Document& document, AxisMap& axis, const QString& title, QWidget* parent)
    : QWidget(parent), doc_(document), axis_(axis), title_(title)
{
    setAccessibleName(title);
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    const auto redraw = [this] { update(); };
    connect(&doc_, &Document::changed, this, redraw);
    connect(&doc_, &Document::selectionChanged, this, redraw);
    connect(&axis_, &AxisMap::changed, this, redraw);
}

int Lane::layerAtX(double px) const
{
    const double at = z(px);
    const auto& layers = doc_.plan().assembly.layers;
    if (at < 0 || at > layers.back().z1) return -1;
    return static_cast<int>(doc_.plan().assembly.layerAt(at));
}

void Lane::drawGround(QPainter& painter) const
{
    painter.fillRect(rect(), theme().panel);
    painter.setFont(report::type(8, QFont::DemiBold));
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

void Lane::wheelEvent(QWheelEvent* event)
{
    const QPoint turn = event->angleDelta();
    if (event->modifiers() & Qt::ShiftModifier || std::abs(turn.x()) > std::abs(turn.y()))
        axis_.pan((turn.x() ? turn.x() : turn.y()) / 2.0);
    else
        axis_.zoom(std::pow(1.0015, turn.y()), event->position().x());
    event->accept();
}

void Lane::mousePressEvent(QMouseEvent* event)
{
    panning_ = event->button() == Qt::MiddleButton;
    panFrom_ = event->position();
}

void Lane::mouseMoveEvent(QMouseEvent* event)
{
    if (!panning_) return;
    axis_.pan(event->position().x() - panFrom_.x());
    panFrom_ = event->position();
}

void Lane::mouseReleaseEvent(QMouseEvent*) { panning_ = false; }

}  // namespace vl::app
