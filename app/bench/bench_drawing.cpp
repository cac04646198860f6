// What a card looks like; bench_window.cpp has what it does.
#include "app/bench/bench_window.h"

#include "app/document/beside.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/picture/render.h"
#include "core/picture/work_state.h"
#include "core/plan/film.h"
#include "report/drawing.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl::app {
namespace {

/// The largest type in which words fit a box, between two sizes in pixels.
QFont fitted(const QString& words, const QSizeF& box, int least, int most, QFont::Weight weight)
{
    QFont font = textFont(12, weight);
    for (int size = most; size > least; size = size * 9 / 10) {
        font.setPixelSize(size);
        const QRectF needed =
            QFontMetricsF(font).boundingRect(QRectF(0, 0, box.width(), 1e5), Qt::AlignLeft | Qt::TextWordWrap, words);
        if (needed.width() <= box.width() && needed.height() <= box.height()) return font;
    }
    font.setPixelSize(least);
    return font;
}

}  // namespace

namespace {

/// The work as it is after so many steps, held as it is then.
QImage pictureOf(const Piece& piece, const Shop& shop, const Plan& plan, size_t done)
{
    const std::vector<Body> bodies = bodiesAfter(plan.assembly, plan.schedule.order, done);
    if (bodies.empty()) return {};
    constexpr double coarse = 0.5;  // mm
    constexpr int side = 520;       // pixels
    Mesh mesh = bodiesMesh(piece, plan.assembly, plan.surfaces, bodies, {coarse, false});
    showHolding(piece, shop, plan, done, mesh);
    const Reach reach = reachOf(plan.assembly, plan.surfaces, bodies);
    return report::imageOf(renderMesh(mesh, Camera{}, reach.height, reach.diameter, side, side, 0));
}

}  // namespace

void BenchWindow::wishPicture()
{
    if (pictured_ == at_ || !isSteps() || maker_.isRunning()) return;
    making_ = at_;
    maker_.setFuture(beside([piece = doc_.piece(), shop = doc_.shop(), plan = doc_.plan(),
                             done = static_cast<size_t>(at_) + 1] { return pictureOf(piece, shop, plan, done); }));
}

/// The clock that runs out next, and how many run beside it.
QString BenchWindow::clockWords() const
{
    const auto next = std::ranges::min_element(timers_, {}, &Running::until);
    if (next == timers_.end()) return {};
    constexpr qint64 minute = 60, hour = 3600;
    const qint64 left = std::max<qint64>(0, QDateTime::currentDateTime().secsTo(next->until));
    const auto two = [](qint64 v) { return QStringLiteral("%1").arg(v, 2, 10, QLatin1Char('0')); };
    const QString time = left == 0      ? tr("over")
                         : left >= hour ? tr("%1 h %2").arg(left / hour).arg(two(left % hour / minute))
                                        : tr("%1:%2").arg(left / minute).arg(two(left % minute));
    QString words = tr("%1: %2").arg(time, next->what);
    if (timers_.size() > 1)
        words += QLatin1Char(' ') + tr("(%n more run)", nullptr, static_cast<int>(timers_.size()) - 1);
    return words;
}

void BenchWindow::paintPicture(QPainter& p, const QRectF& box)
{
    const report::Inks inks{theme().text, theme().text, theme().quiet, theme().panel};
    // What is cut is shown as it is cut; what is turned, held and glued as it stands then.
    const bool cuts = step() && step()->action == Action::Cut;
    const int layer = cuts ? step()->layer : place() ? place()->layer : -1;
    if (layer >= 0 && layer < static_cast<int>(doc_.plan().assembly.layers.size())) {
        const BuiltLayer& built = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
        p.setFont(textFont(box.height() / 40));
        if (built.segmented) return report::drawSegment(p, box, built, doc_.style(), inks);
        if (doc_.piece().layers[static_cast<size_t>(layer)].is<StavesForm>())
            return report::drawStave(p, box, built, doc_.piece().layers[static_cast<size_t>(layer)].sandingLoss,
                                     doc_.style(), inks);
    }
    if (place() && (checklist_ == QLatin1String("setups") || place()->strip))
        return paintSetUp(p, box, place()->number);
    if (place()) return paintMark(p, box, *place());
    if (!picture_.isNull() && pictured_ == at_) p.drawImage(box, picture_);
}

/// A board as a set-up cuts it, from above: an angle at its end, from square; or a length, a width or a thickness with
/// its measure. It stands for every board: only the angle is to scale.
void BenchWindow::paintSetUp(QPainter& p, const QRectF& box, const Setting& set) const
{
    const QRectF board(box.left() + box.width() * 0.08, box.center().y() - box.height() * 0.14, box.width() * 0.84,
                       box.height() * 0.28);
    const QPen edge(theme().text, 1.6), cut(theme().accent, box.height() / 110);
    p.setFont(textFont(box.height() / 34, QFont::DemiBold));
    const QString words =
        QString::fromStdString(set.name + " " + print(Quantity{set.value, set.unit, set.decimals}, doc_.style()));
    p.setPen(edge);
    p.setBrush(theme().panel);
    if (set.unit == Unit::Angle) {
        constexpr double steepest = 75;  // degrees that still find room
        const double lean = std::tan(std::clamp(set.value, -steepest, steepest) * degrees) * board.height();
        const QPointF foot(board.center().x(), board.bottom()), head = foot + QPointF(lean, -board.height());
        p.drawPolygon(QPolygonF{board.bottomLeft(), foot, head, board.topLeft()});
        p.setPen(QPen(theme().quiet, 1.2, Qt::DashLine));
        p.drawLine(foot, QPointF(foot.x(), board.top() - box.height() * 0.1));
        p.setPen(cut);
        p.drawLine(foot, foot + (head - foot) * 1.35);
        p.drawText(QRectF(board.left(), board.bottom() + 8, board.width(), box.height() * 0.1),
                   Qt::AlignHCenter | Qt::AlignTop, words);
        return;
    }
    p.drawRect(board);
    p.setPen(cut);
    const double y = board.bottom() + box.height() * 0.06, tick = box.height() * 0.02;
    p.drawLine(QPointF(board.left(), y), QPointF(board.right(), y));
    for (const double x : {board.left(), board.right()}) p.drawLine(QPointF(x, y - tick), QPointF(x, y + tick));
    p.drawText(QRectF(board.left(), y + tick, board.width(), box.height() * 0.1), Qt::AlignHCenter | Qt::AlignTop,
               words);
}

/// Where a place is: its station on the section, its angle on the circle as seen from the tailstock.
void BenchWindow::paintMark(QPainter& p, const QRectF& box, const Checklist::Place& place) const
{
    const report::Inks inks{theme().quiet, theme().text, theme().edge, theme().panel};
    const TurnedSurfaces& surfaces = doc_.plan().surfaces;
    if (!std::isnan(place.z)) {
        const QSizeF size = report::sectionSize(doc_.piece(), surfaces);
        const double scale = std::min(box.width() / (2 * size.width()), box.height() / size.height());
        const QPointF foot(box.center().x(), box.center().y() + size.height() * scale / 2);
        report::drawSection(p, foot, scale, doc_.piece(), surfaces, inks);
        const double y = foot.y() - place.z * scale;
        p.setPen(QPen(theme().accent, box.height() / 90));
        p.drawLine(QPointF(box.left(), y), QPointF(box.right(), y));
    } else if (place.angleDeg) {
        const double r = box.width() / 2 * 0.86;
        const auto at = [&](double deg, double share) {
            const double a = deg * degrees;
            return box.center() - QPointF(std::sin(a), std::cos(a)) * r * share;
        };
        p.setPen(QPen(theme().quiet, 1.5));
        p.setBrush(theme().panel);
        p.drawEllipse(box.center(), r, r);
        for (const Checklist::Place& other : list_.places)
            if (other.angleDeg) p.drawLine(at(*other.angleDeg, 0.92), at(*other.angleDeg, 1));
        p.setPen(QPen(theme().accent, box.height() / 70, Qt::SolidLine, Qt::RoundCap));
        p.drawLine(box.center(), at(*place.angleDeg, 1));
        if (angle_) {
            p.setPen(QPen(theme().warn, box.height() / 140, Qt::DashLine));
            p.drawLine(box.center(), at(*angle_, 1));
        }
    }
}

void BenchWindow::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.fillRect(rect(), theme().ground);
    const double w = width(), h = height(), m = h * 0.035;
    const auto write = [&](const QRectF& box, const QString& words, int least, int most, const QColor& ink,
                           QFont::Weight weight = QFont::Normal, int align = Qt::AlignLeft | Qt::AlignTop) {
        p.setFont(fitted(words, box.size(), least, most, weight));
        p.setPen(ink);
        p.drawText(box, align | Qt::TextWordWrap, words);
    };
    const int small = std::max(14, static_cast<int>(h * 0.026));
    // The line of what is left, and the clocks that run.
    const QString where =
        count() == 0 ? QString()
        : isSteps()  ? tr("step %1 of %2, %3 left").arg(at_ + 1).arg(count()).arg(left())
                     : tr("%1: %2 of %3, %4 left").arg(localized(list_.name)).arg(at_ + 1).arg(count()).arg(left());
    write({m, m, w * 0.55, h * 0.05}, where, small, small, theme().quiet);
    write({w * 0.55, m, w * 0.45 - m, h * 0.07}, clockWords(), small * 2 / 3, small, theme().accent, QFont::DemiBold,
          Qt::AlignRight | Qt::AlignTop);
    if (const auto caution = unseen()) {
        write({m, h * 0.16, w - 2 * m, h * 0.14}, tr("Today, before the first start"), small,
              static_cast<int>(h * 0.08), theme().warn, QFont::DemiBold);
        write({m, h * 0.32, w - 2 * m, h * 0.48}, said(*caution), small, static_cast<int>(h * 0.06), theme().text);
        write({m, h * 0.84, w - 2 * m, h * 0.1},
              tr("The machine's manual, local rules and hands-on instruction come first. "
                 "Press to go on."),
              small * 2 / 3, small, theme().quiet);
        return;
    }
    if (const QString heard = heardWords(); !heard.isEmpty())
        write({w * 0.3, m, w * 0.3, h * 0.06}, heard, small * 2 / 3, small, theme().warn, QFont::DemiBold);
    write({m, h * 0.1, w - 2 * m, h * 0.16}, sentence(), small, static_cast<int>(h * 0.085),
          count() > 0 && isDone(at_) ? theme().quiet : theme().text, QFont::DemiBold);
    const Setting* main = nullptr;
    std::vector<Setting> others;
    QString how;
    if (const Step* s = step()) {
        const Card& card = cards_[static_cast<size_t>(at_)];
        if (card.number) main = &*card.number;
        others = card.others;
        how = said(s->how);
        if (card.rounds.usual > 0)
            how = tr("Round %1 of usually %2, until %3.")
                      .arg(card.rounds.done + 1)
                      .arg(card.rounds.usual)
                      .arg(said(card.rounds.until)) +
                  QLatin1Char(' ') + how;
        if (card.clock.minutes > 0 && begun_ != s->id && !card.done)
            how = tr("Press as it begins: %1 runs, %2 min.")
                      .arg(said(card.clock.what))
                      .arg(card.clock.minutes, 0, 'f', 0) +
                  QLatin1Char(' ') + how;
    } else if (const Checklist::Place* at = place()) {
        main = &at->number;
        others = at->others;
    }
    wishPicture();
    const double middle = w * 0.62;
    if (main) {
        write({m, h * 0.27, middle - m, h * 0.05}, QString::fromStdString(main->name), small, small * 3 / 2,
              theme().quiet);
        write({m, h * 0.31, middle - m, h * 0.27},
              QString::fromStdString(print(Quantity{main->value, main->unit, main->decimals}, doc_.style())), small * 2,
              static_cast<int>(h * 0.27), theme().accent, QFont::DemiBold);
    }
    QStringList rest;
    for (const Setting& o : others)
        rest << QString::fromStdString(o.name + " " + print(Quantity{o.value, o.unit, o.decimals}, doc_.style()));
    write({m, h * 0.59, middle - m, h * 0.08}, rest.join(QStringLiteral("  ·  ")), small * 2 / 3,
          static_cast<int>(h * 0.04), theme().text);
    if (asks_)
        write({m, h * 0.68, middle - m, h * 0.17}, question(), small, static_cast<int>(h * 0.045), theme().accent,
              QFont::DemiBold);
    else
        write({m, h * 0.68, middle - m, h * 0.17}, how, small * 2 / 3, static_cast<int>(h * 0.032), theme().text);
    const double side = std::min(w - middle - 2 * m, h * 0.55);
    paintPicture(p, QRectF(w - m - side, h * 0.28, side, side));
    const QStringList care = hazards();
    if (!care.isEmpty())
        write({m, h * 0.86, w * 0.68 - m, h * 0.11}, care.join(QLatin1Char(' ')), small * 2 / 3, small, theme().warn,
              QFont::DemiBold);
    if (isSteps() && at_ + 1 < count())
        write({w * 0.7, h * 0.87, w * 0.3 - m, h * 0.1},
              tr("then: %1").arg(said(doc_.plan().assembly.recipe[cards_[static_cast<size_t>(at_ + 1)].step].title)),
              small * 2 / 3, small, theme().quiet, QFont::Normal, Qt::AlignRight | Qt::AlignTop);
}

}  // namespace vl::app
