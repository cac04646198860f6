#include "app/stages/turn/axes_view.h"

#include "app/canvas/arrow_key.h"
#include "app/canvas/hit.h"
#include "app/theme/theme.h"
#include "core/piece/records/field_items.h"

#include <QMouseEvent>
#include <QPainter>

#include <array>
#include <cmath>

namespace vl::app {
namespace {

using report::AxisSight;

constexpr std::array sights{AxisSight::Head, AxisSight::Section, AxisSight::Tail};

}  // namespace

AxesView::AxesView(Document& document, QWidget* parent) : QWidget(parent), doc_(document), held_(document)
{
    setAccessibleName(tr("Axes across the piece"));
    setToolTip(tr("Drag a center at either end; drag below the section, or turn the wheel, to move the section along"));
    setFocusPolicy(Qt::StrongFocus);
    connect(&doc_, &Document::changed, this, [this] {
        if (chosen_ >= static_cast<int>(doc_.piece().axes.size()))
            choose(static_cast<int>(doc_.piece().axes.size()) - 1);
        update();
    });
}

void AxesView::choose(int axis)
{
    if (axis < 0 && !doc_.piece().axes.empty()) axis = 0;
    if (axis == chosen_) return;
    chosen_ = axis;
    emit axisChosen(axis);
    update();
}

void AxesView::setStation(double z)
{
    share_ = std::clamp(z / std::max(1.0, outlineHeight(doc_.piece())), 0.0, 1.0);
    update();
}

QRectF AxesView::sightBox(AxisSight sight) const
{
    const double third = width() / 3.0;
    return {third * static_cast<int>(sight) + 8, words, third - 16, height() - words - strip};
}

double AxesView::scale() const
{
    double most = doc_.plan().lathe.roughRadius;
    for (const AxisSetUp& s : doc_.plan().setUps) most = std::max({most, s.head.norm() + 6, s.tail.norm() + 6});
    const QRectF box = sightBox(AxisSight::Section);
    constexpr double tick = 18;  // pixels round it
    return std::max(0.01, (std::min(box.width(), box.height()) / 2 - tick) / std::max(1.0, most));
}

QRectF AxesView::stripBox() const
{
    const QRectF box = sightBox(AxisSight::Section);
    return {box.left() + 10, box.bottom() + 8, box.width() - 20, strip - 14};
}

QPointF AxesView::centerPosition(size_t setUp, AxisSight sight) const
{
    const AxisSetUp& s = doc_.plan().setUps[setUp];
    const Point at = sight == AxisSight::Head   ? s.head
                     : sight == AxisSight::Tail ? s.tail
                                                : s.solid.centerAt(station());
    return report::seenAt(at, sight, centerOf(sight), scale());
}

void AxesView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    const report::Inks inks{theme().text, theme().text, theme().quiet, theme().panel};
    const std::array names{
        tr("HEAD END, from the headstock"),
        tr("SECTION AT %1, from the tailstock").arg(QString::fromStdString(formatLengthUnit(station(), doc_.style()))),
        tr("TAIL END, from the tailstock")};
    for (const AxisSight sight : sights) {
        const QRectF box = sightBox(sight);
        painter.setFont(textFont(8, QFont::DemiBold));
        painter.setPen(hasFocus() && sight == AxisSight::Section ? theme().accent : theme().quiet);
        painter.drawText(QRectF(box.left(), 2, box.width(), words - 4), Qt::AlignCenter,
                         painter.fontMetrics().elidedText(names[static_cast<size_t>(sight)], Qt::ElideRight,
                                                          static_cast<int>(box.width())));
        painter.setFont(textFont(9, QFont::DemiBold));
        painter.save();
        painter.setClipRect(box);
        report::drawAxes(painter, centerOf(sight), scale(), doc_.plan(),
                         {.sight = sight, .z = station(), .chosen = chosen_, .accent = theme().accent, .filled = true},
                         inks);
        painter.restore();
    }
    drawStrip(painter);
    if (!held_) return;
    // The number of what is dragged.
    const AxisSetUp& s = doc_.plan().setUps[held_->setUp];
    const Point& c = held_->end == AxisSight::Head ? s.head : s.tail;
    double deg = std::atan2(c.y(), c.x()) / degrees;
    if (deg < 0) deg += 360;
    const QString number =
        tr("%1 off, %2°").arg(QString::fromStdString(formatLengthUnit(c.norm(), doc_.style()))).arg(deg, 0, 'f', 1);
    painter.setFont(textFont(10, QFont::DemiBold));
    const QRectF tag(centerPosition(held_->setUp, held_->end) + QPointF(12, 10),
                     QSizeF(painter.fontMetrics().horizontalAdvance(number) + 12, 22));
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme().accent);
    painter.drawRoundedRect(tag, 4, 4);
    painter.setPen(theme().onAccent);
    painter.drawText(tag, Qt::AlignCenter, number);
}

void AxesView::drawStrip(QPainter& painter) const
{
    const QRectF box = stripBox();
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme().edge);
    painter.drawRoundedRect(QRectF(box.left(), box.center().y() - 2, box.width(), 4), 2, 2);
    painter.setBrush(theme().accent);
    painter.drawEllipse(QPointF(box.left() + box.width() * share_, box.center().y()), 6, 6);
}

void AxesView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    const auto& setUps = doc_.plan().setUps;
    for (const AxisSight sight : {AxisSight::Head, AxisSight::Tail}) {
        const int i = nearestHit(
            static_cast<int>(setUps.size()), [&](int k) { return centerPosition(static_cast<size_t>(k), sight); },
            event->position());
        if (i < 0) continue;
        const auto setUp = static_cast<size_t>(i);
        choose(static_cast<int>(setUps[setUp].axis));
        held_.take({setUp, sight});
        return update();
    }
    sliding_ = stripBox().adjusted(-8, -8, 8, 8).contains(event->position());
    if (sliding_) mouseMoveEvent(event);
}

void AxesView::mouseMoveEvent(QMouseEvent* event)
{
    if (sliding_)
        setStation((event->position().x() - stripBox().left()) / stripBox().width() * outlineHeight(doc_.piece()));
    if (held_) moveCenter(report::placeOf(event->position(), held_->end, centerOf(held_->end), scale()));
}

void AxesView::mouseReleaseEvent(QMouseEvent*)
{
    held_.release();
    sliding_ = false;
    update();
}

void AxesView::moveCenter(const Point& to)
{
    const AxisSetUp& s = doc_.plan().setUps[held_->setUp];
    const AxisSight sight = held_->end;
    OffAxis axis = doc_.piece().axes[s.axis];
    const double off = doc_.snapped(to.norm());
    const double deg = std::round(std::remainder(std::atan2(to.y(), to.x()) / degrees - s.indexDeg, 360));
    switch (axis.by) {
    case AxisBy::Centers:
        (sight == AxisSight::Head ? axis.headOffset : axis.tailOffset) = off;
        (sight == AxisSight::Head ? axis.headDirection : axis.tailDirection) = deg;
        break;
    case AxisBy::Eccentric:
        axis.headOffset = off;
        axis.headDirection = deg;
        break;
    case AxisBy::Tilt: {
        const double reach = (sight == AxisSight::Head ? 0 : outlineHeight(doc_.piece())) - axis.pivot;
        if (std::abs(reach) < 1) return;
        axis.tilt = std::atan(off / std::abs(reach)) / degrees;
        axis.headDirection = reach < 0 ? std::remainder(deg + 180, 360) : deg;
        break;
    }
    }
    clampToLimits(axis);
    held_.apply(tr("move center"), [&](Piece& p) { p.axes.at(s.axis) = axis; });
}

void AxesView::keyPressEvent(QKeyEvent* event)
{
    const auto arrow = arrowOf(*event);
    if (!arrow || arrow->right == 0) return QWidget::keyPressEvent(event);
    setStation(station() + arrow->right * (event->modifiers() & Qt::ControlModifier ? 1 : 5));
}

void AxesView::wheelEvent(QWheelEvent* event)
{
    setStation(station() + (event->angleDelta().y() > 0 ? 1 : -1) * outlineHeight(doc_.piece()) / 50);
}

std::vector<ReadableItem> AxesView::things() const
{
    std::vector<ReadableItem> out;
    for (size_t i = 0; i < doc_.plan().setUps.size(); ++i) {
        const AxisSetUp& s = doc_.plan().setUps[i];
        const auto mm = [&](double v) { return QString::fromStdString(formatLengthUnit(v, doc_.style())); };
        out.push_back({tr("%1, side %2: %3 off at the head, %4 at the tail")
                           .arg(QString::fromStdString(nameOf(doc_.piece(), s.axis)))
                           .arg(s.side + 1)
                           .arg(mm(s.head.norm()), mm(s.tail.norm())),
                       QRectF(centerPosition(i, AxisSight::Head) - QPointF(8, 8), QSizeF(16, 16)).toRect(),
                       static_cast<int>(s.axis) == chosen_});
    }
    return out;
}

void AxesView::chooseThing(int setUp) { choose(static_cast<int>(doc_.plan().setUps[static_cast<size_t>(setUp)].axis)); }

}  // namespace vl::app
