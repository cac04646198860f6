#include "app/stages/glue/timetable.h"

#include "app/theme/theme.h"
#include "core/plan/recipe_graph.h"
#include "report/drawing.h"
#include "report/type.h"

#include <QDate>
#include <QHelpEvent>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <cmath>

namespace vl::app {
namespace {
constexpr double left = 84, right = 16, top = 48, bottom = 10;
}

Timetable::Timetable(Document& document, QWidget* parent)
    : QWidget(parent), doc_(document), axis_(document.plan().schedule, document.shop())
{
    setAccessibleName(tr("Timetable of the recipe"));
    setFocusPolicy(Qt::StrongFocus);
    connect(&doc_, &Document::changed, this, [this] {
        axis_ = TimeAxis(schedule(), doc_.shop());
        update();
    });
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
}

/// Pixels per shown minute.
double Timetable::span() const { return (width() - left - right) * zoom_ / std::max(1.0, axis_.length()); }

double Timetable::x(double minutes) const { return left + (axis_.shown(minutes) - from_) * span(); }

double Timetable::time(double px) const { return axis_.minutes(from_ + (px - left) / span()); }

double Timetable::rowHeight() const
{
    return (height() - top - bottom) / (static_cast<double>(doc_.piece().layers.size()) + 1);
}

/// Work on the stack and on the whole piece is done on the lathe; everything else belongs to its layer.
int Timetable::rowOf(const Step& step) const
{
    return onTheStack(step) ? static_cast<int>(doc_.piece().layers.size()) : step.layer;
}

QRectF Timetable::whole(size_t i) const
{
    const double y = top + rowOf(recipe()[i]) * rowHeight();
    return {QPointF(x(schedule().start[i]), y + 1.5), QPointF(x(schedule().end[i]), y + rowHeight() - 1.5)};
}

QRectF Timetable::work(size_t i) const
{
    QRectF box = whole(i);
    box.setRight(schedule().work[i].empty() ? box.left() : x(schedule().work[i].back().to));
    return box;
}

int Timetable::chosen() const
{
    const auto it = std::ranges::find(recipe(), doc_.selection().step, &Step::id);
    return it == recipe().end() ? -1 : static_cast<int>(it - recipe().begin());
}

QPointF Timetable::stepPosition(const std::string& id) const
{
    const auto it = std::ranges::find(recipe(), id, &Step::id);
    return it == recipe().end() ? QPointF() : whole(static_cast<size_t>(it - recipe().begin())).center();
}

int Timetable::stepAt(const QPointF& at) const
{
    int best = -1;
    double nearest = 5;
    for (size_t i = 0; i < recipe().size(); ++i) {
        const QRectF box = whole(i);
        if (at.y() < box.top() - 2 || at.y() > box.bottom() + 2) continue;
        const double d = std::max({0.0, box.left() - at.x(), at.x() - box.right()});
        if (d < nearest || (d == nearest && best < 0)) {
            nearest = d;
            best = static_cast<int>(i);
        }
    }
    return best;
}

void Timetable::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(theme().quiet);
    painter.setFont(report::type(8, QFont::DemiBold));
    const QDate first = QDate(1970, 1, 1);
    const bool dated = doc_.piece().progress.start.has_value();
    painter.drawText(QRectF(12, 4, 700, 18), Qt::AlignLeft | Qt::AlignVCenter,
                     dated ? tr("TIMETABLE · DRAG A BAR TO MOVE IT")
                           : tr("TIMETABLE, AS IF BEGUN ON A MONDAY · SET A DATE AT THE RIGHT"));
    painter.setFont(report::type(8));
    double free = -1e9;
    for (const TimeAxis::Stretch& stretch : axis_.stretches()) {
        const QRectF box(QPointF(x(stretch.from), top - 4), QPointF(x(stretch.to), height() - bottom));
        if (box.right() < left || box.left() > width() - right) continue;
        const QRectF seen = box.intersected(QRectF(left, 0, width() - left - right, height()));
        if (!stretch.open) {
            painter.fillRect(seen, theme().ground);
            continue;
        }
        const DayTime begins = dayTimeOf(schedule().begins + stretch.from);
        const QDate day = first.addDays(begins.day);
        painter.setPen(theme().edge);
        painter.drawLine(QPointF(seen.left(), top - 4), QPointF(seen.left(), height() - bottom));
        painter.setPen(theme().quiet);
        const QString words =
            (dated ? QLocale::c().toString(day, "ddd d MMM")
                   : tr("day %1").arg(begins.day - dayTimeOf(schedule().begins).day + 1)) +
            QStringLiteral(" %1:%2").arg(begins.minute / 60).arg(begins.minute % 60, 2, 10, QChar('0'));
        if (seen.left() < free || seen.left() > width() - right - 60) continue;
        painter.drawText(QRectF(seen.left() + 3, top - 22, 130, 16), Qt::AlignLeft | Qt::AlignVCenter, words);
        free = seen.left() + QFontMetricsF(painter.font()).horizontalAdvance(words) + 12;
    }
    const int rows = static_cast<int>(doc_.piece().layers.size()) + 1;
    for (int row = 0; row < rows; ++row) {
        const double y = top + row * rowHeight();
        const bool on = row < rows - 1 && doc_.selection().layers.contains(row);
        if (on) painter.fillRect(QRectF(left, y, width() - left - right, rowHeight()), theme().accentSoft);
        painter.setPen(on ? theme().accent : theme().quiet);
        if (rowHeight() >= 10 || row % 2 == 0 || row == rows - 1)
            painter.drawText(QRectF(0, y, left - 10, rowHeight()), Qt::AlignRight | Qt::AlignVCenter,
                             row == rows - 1 ? tr("stack, lathe") : tr("layer %1").arg(row + 1));
    }
    painter.setClipRect(QRectF(left, top - 4, width() - left - right, height() - top));
    const int selected = chosen();
    for (size_t i = 0; i < recipe().size(); ++i) {
        const Step& s = recipe()[i];
        QColor ink = theme().accent;
        if (s.layer >= 0 && s.layer < static_cast<int>(doc_.plan().assembly.layers.size()))
            ink = report::woodColour(*doc_.plan().assembly.layers[static_cast<size_t>(s.layer)].woods[0]);
        if (s.waitMinutes > 0) {
            QRectF wait = whole(i);
            wait.setLeft(work(i).right());
            QColor pale = ink;
            pale.setAlphaF(0.35f);
            painter.fillRect(wait, pale);
            painter.fillRect(wait, QBrush(theme().quiet, Qt::BDiagPattern));
        }
        for (const TimeSpan& w : schedule().work[i]) {
            QRectF bar = whole(i);
            bar.setLeft(x(w.from));
            bar.setWidth(std::max(x(w.to) - x(w.from), 1.5));
            painter.setPen(schedule().critical[i] ? QPen(theme().text, 1.4) : QPen(theme().quiet, 0.6));
            painter.setBrush(schedule().done[i] ? QBrush(theme().quiet) : QBrush(ink));
            painter.drawRect(bar);
        }
    }
    if (dated) {
        const double now = x(doc_.now() - schedule().begins);
        painter.setPen(QPen(theme().warn, 1.6));
        painter.drawLine(QPointF(now, top - 4), QPointF(now, height() - bottom));
    }
    if (selected >= 0) {
        const auto me = static_cast<size_t>(selected);
        auto join = [&](size_t a, size_t b, const QColor& ink) {
            const QPointF p(whole(a).right(), whole(a).center().y()), q(whole(b).left(), whole(b).center().y());
            painter.setPen(QPen(ink, 1.8));
            painter.drawLine(p, q);
            painter.setBrush(ink);
            painter.drawEllipse(q, 3, 3);
        };
        for (size_t i = 0; i < recipe().size(); ++i) {
            if (std::ranges::find(recipe()[me].after, recipe()[i].id) != recipe()[me].after.end())
                join(i, me, theme().text);
            if (std::ranges::find(recipe()[i].after, recipe()[me].id) != recipe()[i].after.end())
                join(me, i, theme().accent);
        }
        painter.setPen(QPen(theme().accent, 2.4));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(whole(me).adjusted(-2, -1, 2, 1));
    }
    painter.setClipping(false);
    if (hasFocus()) {
        painter.setPen(QPen(theme().accent, 2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 5, 5);
    }
}

void Timetable::mousePressEvent(QMouseEvent* event)
{
    const int i = stepAt(event->position());
    dragged_ = -1;
    if (i < 0) return;
    const Step& step = recipe()[static_cast<size_t>(i)];
    if (step.layer >= 0) doc_.selectLayer(step.layer);
    Selection s = doc_.selection();
    s.step = step.id;
    doc_.select(s);
    if (event->button() != Qt::LeftButton || step.workMinutes <= 0) return;
    dragged_ = i;
    moving_ = false;
    pressX_ = event->position().x();
    grabbed_ = time(pressX_) - schedule().start[static_cast<size_t>(i)];
    dragFrom_ = doc_.piece();
    mergeKey_ = Document::newMergeKey();
}

void Timetable::mouseMoveEvent(QMouseEvent* event)
{
    if (dragged_ < 0 || !(event->buttons() & Qt::LeftButton)) return;
    if (!moving_ && std::abs(event->position().x() - pressX_) < 5) return;
    if (!moving_) doc_.beginDrag();
    moving_ = true;
    // The step begins no sooner than here; dragged back to its beginning it is free again.
    Piece next = dragFrom_;
    const std::string& id = doc_.selection().step;
    std::erase_if(next.progress.moved, [&](const StepMoved& m) { return m.step == id; });
    const double to = schedule().begins + std::max(0.0, time(event->position().x()) - grabbed_);
    if (event->position().x() > pressX_) next.progress.moved.push_back({id, std::round(to), {}});
    doc_.apply(tr("move in time"), next, mergeKey_);
}

void Timetable::mouseReleaseEvent(QMouseEvent*)
{
    if (moving_) doc_.endDrag();
    dragged_ = -1;
    moving_ = false;
}

void Timetable::wheelEvent(QWheelEvent* event)
{
    const double at = event->position().x();
    if (event->modifiers() & Qt::ShiftModifier)
        from_ -= (event->angleDelta().y() + event->angleDelta().x()) / 2.0 / span();
    else {
        const double place = from_ + (at - left) / span();
        zoom_ = std::clamp(zoom_ * std::pow(1.0015, event->angleDelta().y()), 1.0, 60.0);
        from_ = place - (at - left) / span();
    }
    settle();
    event->accept();
}

void Timetable::settle()
{
    from_ = std::clamp(from_, 0.0, axis_.length() * (1 - 1 / zoom_));
    update();
}

void Timetable::keyPressEvent(QKeyEvent* event)
{
    if (event->key() != Qt::Key_Left && event->key() != Qt::Key_Right) return QWidget::keyPressEvent(event);
    const auto& order = schedule().order;
    const auto it = std::ranges::find(order, static_cast<size_t>(std::max(0, chosen())));
    auto place = it - order.begin();
    if (chosen() >= 0) place += event->key() == Qt::Key_Left ? -1 : 1;
    place = std::clamp<long>(place, 0, static_cast<long>(order.size()) - 1);
    Selection s = doc_.selection();
    s.step = recipe()[order[static_cast<size_t>(place)]].id;
    doc_.select(s);
}

bool Timetable::event(QEvent* event)
{
    if (event->type() == QEvent::ToolTip) {
        auto* help = static_cast<QHelpEvent*>(event);
        const int i = stepAt(help->pos());
        QToolTip::showText(help->globalPos(),
                           i < 0 ? QString()
                                 : QString::fromStdString(print(recipe()[static_cast<size_t>(i)].title, doc_.style())),
                           this);
        return true;
    }
    return QWidget::event(event);
}

}  // namespace vl::app
