#include "app/stages/glue/timetable.h"

#include "app/canvas/arrow_key.h"
#include "app/theme/theme.h"
#include "core/plan/recipe_graph.h"
#include "core/plan/schedule/barrier.h"
#include "core/plan/schedule/session.h"
#include "report/drawing.h"

#include <QDate>
#include <QHelpEvent>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <cmath>

namespace vl::app {
namespace {
constexpr double left = 92, right = 16, top = 48, bottom = 34;
constexpr double mostZoom = 60, step = 15;  // minutes that a key moves a bar by
}  // namespace

Timetable::Timetable(Document& document, QWidget* parent)
    : QWidget(parent), doc_(document), axis_(document.plan().schedule, document.shop()), held_(document)
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
    return step.onStack ? static_cast<int>(doc_.piece().layers.size()) : step.layer;
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

/// The bars in the order of their work.
std::vector<ReadableItem> Timetable::things() const
{
    std::vector<ReadableItem> all;
    for (const size_t i : schedule().order) {
        const Step& step = recipe()[i];
        const DayTime at = dayTimeOf(schedule().begins + schedule().start[i]);
        QString words = QString::fromStdString(print(step.title, doc_.style())) +
                        tr(", day %1 at %2:%3")
                            .arg(at.day - dayTimeOf(schedule().begins).day + 1)
                            .arg(at.minute / 60)
                            .arg(at.minute % 60, 2, 10, QChar('0'));
        if (step.workMinutes > 0) words += tr(", %1 min of work").arg(std::lround(step.workMinutes));
        if (step.waitMinutes > 0) words += tr(", %1 min of waiting").arg(std::lround(step.waitMinutes));
        if (schedule().done[i]) words += tr(", done");
        all.push_back({words, whole(i).toRect(), doc_.selection().step == step.id});
    }
    return all;
}

void Timetable::chooseThing(int index) { choose(schedule().order[static_cast<size_t>(index)]); }

void Timetable::choose(size_t i)
{
    const Step& step = recipe()[i];
    if (step.layer >= 0) doc_.selectLayer(step.layer);
    Selection s = doc_.selection();
    s.step = step.id;
    doc_.select(s);
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
    painter.setFont(textFont(8, QFont::DemiBold));
    const bool dated = doc_.piece().progress.start.has_value();
    painter.drawText(QRectF(12, 4, 700, 18), Qt::AlignLeft | Qt::AlignVCenter,
                     dated ? tr("TIMETABLE · DRAG A BAR TO MOVE IT")
                           : tr("TIMETABLE, AS IF BEGUN ON A MONDAY · SET A DATE AT THE RIGHT"));
    painter.setFont(textFont(8));
    drawDays(painter, dated);
    drawRows(painter);
    painter.setClipRect(QRectF(left, top - 4, width() - left - right, height() - top));
    drawBars(painter);
    if (dated) {
        const double now = x(doc_.now() - schedule().begins);
        painter.setPen(QPen(theme().warn, 1.6));
        painter.drawLine(QPointF(now, top - 4), QPointF(now, height() - bottom));
    }
    drawLinks(painter);
    painter.setClipping(false);
    drawLegend(painter);
    if (hasFocus()) {
        painter.setPen(QPen(theme().accent, 2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 5, 5);
    }
}

/// The stretches in which the shop is open, and what is done next.
void Timetable::drawDays(QPainter& painter, bool dated) const
{
    const QDate first(1970, 1, 1);
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
    if (const Session session = nextSession(recipe(), schedule()); !session.steps.empty()) {
        const QRectF day(QPointF(x(session.time.from) - 2, top - 4),
                         QPointF(x(session.time.to) + 2, height() - bottom));
        QColor ground = theme().accent;
        ground.setAlphaF(0.12f);
        painter.fillRect(day.intersected(QRectF(left, 0, width() - left - right, height())), ground);
    }
}

void Timetable::drawRows(QPainter& painter) const
{
    const int rows = static_cast<int>(doc_.piece().layers.size()) + 1;
    // Of many layers every second, third … is named, and the last row.
    const double letters = QFontMetricsF(painter.font()).height();
    const int named = static_cast<int>(std::ceil(letters / rowHeight()));
    for (int row = 0; row < rows; ++row) {
        const double y = top + row * rowHeight();
        const bool on = row < rows - 1 && doc_.selection().layers.contains(row);
        if (on) painter.fillRect(QRectF(left, y, width() - left - right, rowHeight()), theme().accentSoft);
        painter.setPen(on ? theme().accent : theme().quiet);
        if (row == rows - 1 || (row % named == 0 && row + named <= rows - 1))
            painter.drawText(QRectF(0, y + (rowHeight() - letters) / 2, left - 10, letters),
                             Qt::AlignRight | Qt::AlignVCenter,
                             row == rows - 1 ? tr("stack, lathe") : tr("layer %1").arg(row + 1));
    }
}

void Timetable::drawBars(QPainter& painter) const
{
    for (size_t i = 0; i < recipe().size(); ++i) {
        const Step& s = recipe()[i];
        QColor ink = theme().accent;
        if (s.layer >= 0 && s.layer < static_cast<int>(doc_.plan().assembly.layers.size()))
            ink = report::woodColor(*doc_.plan().assembly.layers[static_cast<size_t>(s.layer)].woods[0]);
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
}

/// What the chosen step waits for, and what waits for it.
void Timetable::drawLinks(QPainter& painter) const
{
    const int selected = chosen();
    if (selected < 0) return;
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

/// What the marks mean, under the rows.
void Timetable::drawLegend(QPainter& painter) const
{
    painter.setFont(textFont(8));
    const QFontMetricsF letters(painter.font());
    double at = left;
    const double y = height() - bottom / 2, half = 5;
    auto entry = [&](const QString& words, auto&& draw) {
        const double wide = letters.horizontalAdvance(words);
        if (at + 28 + wide > width() - right) return;
        draw(QRectF(at, y - half, 22, 2 * half));
        painter.setPen(theme().quiet);
        painter.drawText(QRectF(at + 28, y - 10, wide + 2, 20), Qt::AlignLeft | Qt::AlignVCenter, words);
        at += 28 + wide + 18;
    };
    auto bar = [&](const QRectF& box, const QColor& ink, const QPen& edge) {
        painter.setPen(edge);
        painter.setBrush(ink);
        painter.drawRect(box);
    };
    const QColor wood = theme().accentSoft;
    entry(tr("work"), [&](const QRectF& box) { bar(box, wood, QPen(theme().quiet, 0.6)); });
    entry(tr("glue sets"), [&](const QRectF& box) {
        painter.fillRect(box, wood);
        painter.fillRect(box, QBrush(theme().quiet, Qt::BDiagPattern));
    });
    entry(tr("done"), [&](const QRectF& box) { bar(box, theme().quiet, QPen(theme().quiet, 0.6)); });
    entry(tr("nothing may slip: the longest chain"),
          [&](const QRectF& box) { bar(box, wood, QPen(theme().text, 1.4)); });
    entry(tr("next session"), [&](const QRectF& box) {
        QColor ground = theme().accent;
        ground.setAlphaF(0.22f);
        painter.fillRect(box, ground);
    });
    if (doc_.piece().progress.start)
        entry(tr("now"), [&](const QRectF& box) {
            painter.setPen(QPen(theme().warn, 1.6));
            painter.drawLine(QPointF(box.center().x(), box.top()), QPointF(box.center().x(), box.bottom()));
        });
}

void Timetable::mousePressEvent(QMouseEvent* event)
{
    const int i = stepAt(event->position());
    if (i < 0) return;
    const Step& step = recipe()[static_cast<size_t>(i)];
    choose(static_cast<size_t>(i));
    if (event->button() != Qt::LeftButton || step.workMinutes <= 0) return;
    held_.take({step.id, time(event->position().x()) - schedule().start[static_cast<size_t>(i)]}, event->position());
}

void Timetable::mouseMoveEvent(QMouseEvent* event)
{
    if (!held_ || !(event->buttons() & Qt::LeftButton)) return;
    const double px = event->position().x(), pressed = held_.from().x();
    constexpr double slack = 5;  // pixels that a press may slip
    if (!held_.changing() && std::abs(px - pressed) < slack) return;
    // Dragged back to its beginning it is free again.
    const double to = time(px) - held_->into;
    moveStep(held_->step, px > pressed ? std::optional(to) : std::nullopt);
    tell(held_->step, to, event->globalPosition().toPoint());
}

void Timetable::mouseReleaseEvent(QMouseEvent*) { held_.release(); }

void Timetable::wheelEvent(QWheelEvent* event)
{
    if (event->modifiers() & Qt::ShiftModifier) {
        from_ -= (event->angleDelta().y() + event->angleDelta().x()) / 2.0 / span();
        settle();
    } else
        zoomAbout(event->position().x(), std::pow(1.0015, event->angleDelta().y()));
    event->accept();
}

void Timetable::zoomAbout(double px, double factor)
{
    const double place = from_ + (px - left) / span();
    zoom_ = std::clamp(zoom_ * factor, 1.0, mostZoom);
    from_ = place - (px - left) / span();
    settle();
}

void Timetable::zoom(double factor)
{
    if (factor > 0) return zoomAbout((left + width() - right) / 2, factor);
    zoom_ = 1;
    settle();
}

void Timetable::showSession()
{
    const Session session = nextSession(recipe(), schedule());
    if (session.steps.empty()) return;
    const double from = axis_.shown(session.time.from), to = axis_.shown(session.time.to);
    zoom_ = std::clamp(axis_.length() / std::max(1.0, (to - from) * 1.1), 1.0, mostZoom);
    from_ = from - (to - from) * 0.05;
    settle();
}

void Timetable::moveStep(const std::string& step, std::optional<double> to)
{
    const double begins = schedule().begins;
    held_.apply(tr("move in time"), [step, to, begins](Piece& p) {
        std::erase_if(p.progress.moved, [&](const StepMoved& m) { return m.step == step; });
        if (to) p.progress.moved.push_back({step, std::round(begins + std::max(0.0, *to)), {}});
    });
}

/// Says what keeps a step from beginning at a time, where anything does.
void Timetable::tell(const std::string& id, double minutes, const QPoint& at)
{
    const auto step = std::ranges::find(recipe(), id, &Step::id);
    if (step == recipe().end()) return;
    const auto barrier = barrierTo(recipe(), schedule(), static_cast<size_t>(step - recipe().begin()), minutes);
    QToolTip::showText(
        at, barrier ? QString::fromStdString(print(sayBarrier(recipe(), *barrier), doc_.style())) : QString(), this);
}

/// The chosen step later, or earlier again, by so many minutes: as a drag of its bar does.
void Timetable::moveChosen(double minutes)
{
    const int i = chosen();
    if (i < 0 || recipe()[static_cast<size_t>(i)].workMinutes <= 0) return;
    const std::string id = recipe()[static_cast<size_t>(i)].id;
    const double to = schedule().start[static_cast<size_t>(i)] + minutes;
    moveStep(id, to);
    tell(id, to, mapToGlobal(stepPosition(id).toPoint()));
}

void Timetable::settle()
{
    from_ = std::clamp(from_, 0.0, axis_.length() * (1 - 1 / zoom_));
    update();
}

void Timetable::keyPressEvent(QKeyEvent* event)
{
    const auto arrow = arrowOf(*event);
    if (!arrow || arrow->right == 0) return QWidget::keyPressEvent(event);
    if (event->modifiers() & Qt::AltModifier) return moveChosen(arrow->right * step);
    const auto& order = schedule().order;
    const auto it = std::ranges::find(order, static_cast<size_t>(std::max(0, chosen())));
    auto place = it - order.begin();
    if (chosen() >= 0) place += arrow->right;
    place = std::clamp<long>(place, 0, static_cast<long>(order.size()) - 1);
    choose(order[static_cast<size_t>(place)]);
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
