#include "app/bench/bench_window.h"

#include "app/bench/notice.h"
#include "core/plan/progress.h"

#include <QApplication>
#include <QDate>
#include <QKeyEvent>
#include <QSettings>

#include <algorithm>
#include <cmath>
#include <utility>

namespace vl::app {
namespace {

/// Where the settings remember on which day a machine's cautions were read.
QString seenKey(Resource machine)
{
    const std::string_view name = resourceName(machine);
    return QStringLiteral("bench/seen-") + QString::fromUtf8(name.data(), static_cast<qsizetype>(name.size()));
}

}  // namespace

BenchWindow::BenchWindow(Document& document, const QString& list, QWidget* parent)
    : QWidget(parent, Qt::Window), doc_(document), checklist_(list)
{
    setAttribute(Qt::WA_DeleteOnClose);
    setObjectName("bench-window");
    setWindowTitle(tr("At the bench: %1").arg(QString::fromStdString(doc_.piece().name)));
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(640, 400);
    const auto follow = [this] {
        take();
        update();
    };
    connect(&doc_, &Document::changed, this, follow);
    connect(&doc_, &Document::boardsChanged, this, [this, follow] {
        follow();
        // Strips may lie otherwise now: on with the first that is left.
        if (checklist_ == QLatin1String("strips"))
            for (at_ = 0; at_ + 1 < count() && isDone(at_);) ++at_;
        update();
    });
    clock_.setInterval(1000);
    connect(&clock_, &QTimer::timeout, this, &BenchWindow::tick);
    connect(&maker_, &QFutureWatcher<QImage>::finished, this, [this] {
        picture_ = maker_.result();
        pictured_ = making_;
        update();  // where the card is another by now, it wishes anew
    });
    take();
    // Where the work stands.
    at_ = 0;
    while (at_ + 1 < count() && isDone(at_)) ++at_;
}

BenchWindow::~BenchWindow() { maker_.waitForFinished(); }

int BenchWindow::count() const { return static_cast<int>(isSteps() ? cards_.size() : list_.places.size()); }

void BenchWindow::take()
{
    cards_ = cardsOf(doc_.plan());
    list_ = {};
    for (Checklist& w : checklistsOf(doc_.piece(), doc_.plan(), doc_.boards()))
        if (checklist_ == QLatin1String(w.id)) list_ = std::move(w);
    at_ = std::clamp(at_, 0, std::max(0, count() - 1));
    if (!step() || asked_ != step()->id) asks_ = false;
    asked_ = step() ? step()->id : std::string();
    pictured_ = making_ = -1;
    setAccessibleName(sentence() + QStringLiteral(". ") + number());
}

const Step* BenchWindow::step() const
{
    return isSteps() && at_ < count() ? &doc_.plan().assembly.recipe[cards_[static_cast<size_t>(at_)].step] : nullptr;
}

const Checklist::Place* BenchWindow::place() const
{
    return !isSteps() && at_ < count() ? &list_.places[static_cast<size_t>(at_)] : nullptr;
}

const Card* BenchWindow::card() const { return step() ? &cards_[static_cast<size_t>(at_)] : nullptr; }

bool BenchWindow::isDone(int i) const
{
    const auto k = static_cast<size_t>(i);
    return isSteps() ? cards_[k].done : vl::isDone(doc_.piece(), list_.places[k]);
}

QString BenchWindow::said(const Text& text) const { return QString::fromStdString(print(text, doc_.style())); }

QString BenchWindow::sentence() const
{
    if (const Step* s = step()) return said(s->title);
    if (const Checklist::Place* p = place()) return said(p->what);
    return tr("Nothing to do here.");
}

QString BenchWindow::number() const
{
    const Setting* n = nullptr;
    if (step() && cards_[static_cast<size_t>(at_)].number) n = &*cards_[static_cast<size_t>(at_)].number;
    if (const Checklist::Place* p = place()) n = &p->number;
    if (!n) return {};
    return QString::fromStdString(n->name + " " + print(Quantity{n->value, n->unit, n->decimals}, doc_.style()));
}

QStringList BenchWindow::hazards() const
{
    QStringList all;
    if (step())
        for (const Text& t : cards_[static_cast<size_t>(at_)].hazards) all << said(t);
    return all;
}

int BenchWindow::left() const
{
    int n = 0;
    for (int i = 0; i < count(); ++i) n += !isDone(i);
    return n;
}

/// A machine's general cautions, once a day.
std::optional<Text> BenchWindow::unseen() const
{
    if (!step()) return std::nullopt;
    const Resource machine = cards_[static_cast<size_t>(at_)].machine;
    const QString key = seenKey(machine);
    if (QSettings().value(key).toString() == QDate::currentDate().toString(Qt::ISODate)) return std::nullopt;
    return dayCautionOf(machine);
}

void BenchWindow::markSeen()
{
    QSettings().setValue(seenKey(cards_[static_cast<size_t>(at_)].machine), QDate::currentDate().toString(Qt::ISODate));
}

/// A timer for what waits from now on; none where it does not.
void BenchWindow::run(const QString& what, double minutes, const std::string& of)
{
    if (!(minutes > 0)) return;
    constexpr int second = 60;
    timers_.push_back(
        {.what = what, .until = QDateTime::currentDateTime().addSecs(static_cast<qint64>(minutes * second)), .of = of});
    clock_.start();
}

QString BenchWindow::question() const
{
    return asks_ && card() ? tr("Done once %1. Not yet? Back counts another round.").arg(said(card()->rounds.until))
                           : QString();
}

void BenchWindow::finishStep()
{
    const std::string id = step()->id;
    const QString what = said(step()->title);
    const double minutes = card()->roundMinutes();
    asks_ = false;
    const auto tick = [&](Piece p) { return withStepTicked(std::move(p), doc_.plan(), id, doc_.now()); };
    if (!doc_.apply(tr("step done"), tick)) return;
    std::erase_if(timers_, [&](const Running& r) { return r.of == id; });  // its own clock has done its work
    run(what, minutes);
    // The plan is another: on from where the work stands.
    doc_.whenShown(this, [this] {
        at_ = static_cast<int>(std::min(nextCard(cards_), cards_.size() - 1));
        update();
    });
}

void BenchWindow::onceMore()
{
    const QString what = tr("%1, round %2").arg(said(step()->title)).arg(card()->rounds.done + 1);
    const double minutes = card()->roundMinutes();
    asks_ = false;
    if (doc_.apply(tr("another round"), [&](Piece p) { return withRoundDone(std::move(p), step()->id); }))
        run(what, minutes);
}

void BenchWindow::forward()
{
    doc_.settle();  // pressed again at once, it is the next card that is meant
    if (count() == 0) return;
    if (unseen()) {
        markSeen();
        return update();
    }
    if (card() && !card()->done) {
        if (card()->clock.minutes > 0 && begun_ != step()->id) {
            begun_ = step()->id;
            run(said(card()->clock.what), card()->clock.minutes, begun_);
        } else if (card()->rounds.usual > 0 && !asks_)
            asks_ = true;
        else
            finishStep();
        return update();
    }
    if (const Checklist::Place* p = place(); p && !isDone(at_)) {
        // The change makes the list anew: what is run is known before.
        const QString what = said(p->what);
        const double minutes = p->number.unit == Unit::Minutes ? p->number.value : 0;
        const auto k = static_cast<size_t>(at_);
        const auto tick = [&](Piece piece) {
            return withPlaceDone(std::move(piece), doc_.plan(), list_, k, doc_.now());
        };
        if (!doc_.apply(tr("ticked"), tick)) return;
        run(what, minutes);  // a coat dries, a sealer sets
    }
    if (at_ + 1 < count()) ++at_;
    take();
    update();
}

void BenchWindow::back()
{
    doc_.settle();
    if (asks_ && card()) {
        onceMore();
        return update();
    }
    if (at_ > 0) --at_;
    take();
    update();
}

void BenchWindow::heard(const DeviceReading& r)
{
    if (r.what == DeviceReading::Pedal) return r.value == 1 ? forward() : back();
    if (r.what == DeviceReading::Speed) rpm_ = r.value;
    if (r.what == DeviceReading::Angle) angle_ = r.value;
    if (r.what == DeviceReading::Moisture) {
        percent_ = r.value;
        doc_.settle();
        // A wait that a reading ends, once everything before it is done.
        if (card() && !card()->done && card()->untilPercent > 0 && r.value <= card()->untilPercent &&
            static_cast<size_t>(at_) == nextCard(cards_))
            finishStep();
    }
    update();
}

QString BenchWindow::heardWords() const
{
    QStringList words;
    if (rpm_) {
        const double most = isSteps() ? speedBorne(doc_.plan(), cards_, static_cast<size_t>(at_)) : 0;
        words << (most > 0 && *rpm_ > most
                      ? tr("TOO FAST: %1 rpm, this mount bears %2").arg(*rpm_, 0, 'f', 0).arg(most, 0, 'f', 0)
                      : tr("%1 rpm").arg(*rpm_, 0, 'f', 0));
    }
    if (percent_)
        words << (card() && card()->untilPercent > 0
                      ? tr("the meter says %1 %, %2 is asked").arg(*percent_, 0, 'f', 1).arg(card()->untilPercent)
                      : tr("the meter says %1 %").arg(*percent_, 0, 'f', 1));
    if (angle_) {
        const auto left = place() ? toMark(*place(), *angle_) : std::nullopt;
        words << (left ? tr("%1° to the mark").arg(*left, 0, 'f', 1) : tr("spindle at %1°").arg(*angle_, 0, 'f', 1));
    }
    return words.join(QStringLiteral("  ·  "));
}

void BenchWindow::tick()
{
    const QDateTime now = QDateTime::currentDateTime();
    const auto over = [&](const Running& r) { return r.until <= now; };
    if (std::ranges::any_of(timers_, over)) {
        QApplication::beep();
        QApplication::alert(this);
    }
    for (Running& r : timers_)
        if (over(r) && !std::exchange(r.told, true)) noticeOnDesktop(tr("Time is up"), r.what);
    // What is over stays to be seen for a minute.
    constexpr int seen = 60;
    std::erase_if(timers_, [&](const Running& r) { return r.until.addSecs(seen) <= now; });
    if (timers_.empty()) clock_.stop();
    update();
}

void BenchWindow::keyPressEvent(QKeyEvent* event)
{
    switch (event->key()) {
    case Qt::Key_Space:
    case Qt::Key_Right:
    case Qt::Key_Down:
    case Qt::Key_PageDown:
    case Qt::Key_Return:
    case Qt::Key_Enter:
        return forward();
    case Qt::Key_Left:
    case Qt::Key_Up:
    case Qt::Key_PageUp:
    case Qt::Key_Backspace:
        return back();
    case Qt::Key_Escape:
        close();
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

void BenchWindow::mousePressEvent(QMouseEvent* event) { event->button() == Qt::RightButton ? back() : forward(); }

}  // namespace vl::app
