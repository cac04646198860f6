#include "app/document/document.h"

#include "app/document/beside.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"

#include <QDateTime>
#include <QScopedValueRollback>
#include <QUndoCommand>
#include <QUuid>

#include <stdexcept>
#include <tuple>
#include <utility>

namespace vl::app {

/// What was wanted before and after one change.
class Change : public QUndoCommand {
public:
    Change(Document& document, const QString& what, State before, State after, int merge)
        : QUndoCommand(what), document_(document), before_(std::move(before)), after_(std::move(after)), merge_(merge)
    {
    }
    int id() const override { return merge_ > 0 ? merge_ : -1; }
    bool mergeWith(const QUndoCommand* other) override
    {
        after_ = static_cast<const Change*>(other)->after_;
        return true;
    }
    void undo() override
    {
        if (document_.dropping_) setObsolete(true);
        go(after_, before_);
    }
    void redo() override
    {
        // It is pushed once it is wanted.
        if (std::exchange(done_, true)) go(before_, after_);
    }

private:
    /// A shop that came from elsewhere meanwhile stays: only the turner's own change of it is taken back.
    void go(const State& from, const State& to)
    {
        State& wanted = document_.wanted_;
        wanted.piece = to.piece;
        if (wanted.shop == from.shop) wanted.shop = to.shop;
        document_.moved_ = true;
    }

    Document& document_;
    State before_, after_;
    int merge_;
    bool done_ = false;
};

Document::Document(QObject* parent)
    : QObject(parent), wanted_{starts()[0].make(), {}}, piece_(wanted_.piece), kept_(piece_),
      plan_(makePlan(piece_, shop_, style_)), clock_([] {
          const QDateTime now = QDateTime::currentDateTime();
          return static_cast<double>(now.date().toJulianDay() - QDate(1970, 1, 1).toJulianDay()) * 1440 +
                 now.time().msecsSinceStartOfDay() / 60000;
      }),
      planner_([this](Planner::Result result) { finish(std::move(result)); })
{
    selection_.layers = {0};
    boardsTimer_.setSingleShot(true);
    boardsTimer_.setInterval(120);
    connect(&boardsTimer_, &QTimer::timeout, this, &Document::startBoards);
    connect(&watcher_, &QFutureWatcher<BoardPlan>::finished, this, [this] {
        boardsMaking_ = false;
        if (boardsWanted_) return startBoards();
        boards_ = watcher_.result();
        emit boardsChanged();
    });
    // A step of the history says where it leads; the plan is made once the history is there.
    connect(&history_, &QUndoStack::indexChanged, this, [this] {
        if (std::exchange(moved_, false) && !still_) wantPlan();
    });
    connect(this, &Document::changed, this, &Document::wantBoards);
}

Document::~Document()
{
    cancelBoards();
    watcher_.waitForFinished();
    history_.disconnect(this);
}

void Document::setClock(std::function<double()> clock)
{
    clock_ = std::move(clock);
    wantPlan();
}

void Document::wantBoards()
{
    // A drag goes first; its last word comes with the release.
    if (live_) return;
    boardsWanted_ = true;
    boardsTimer_.start();
}

void Document::startBoards()
{
    if (boardsMaking_) {
        cancelBoards();
        return;  // begun again when the one under way has ended
    }
    boardsWanted_ = false;
    boardsMaking_ = true;
    boardsTimer_.stop();
    cancel_ = std::make_shared<std::atomic<bool>>(false);
    share_ = std::make_shared<std::atomic<double>>(0);
    watcher_.setFuture(
        beside([piece = piece_, shop = shop_, assembly = plan_.assembly, cancel = cancel_, share = share_] {
            return planBoards(piece, shop, assembly, {[share](double s) { share->store(s); }, cancel.get()});
        }));
    emit boardsChanged();
}

void Document::cancelBoards()
{
    if (cancel_) *cancel_ = true;
}

/// Large pieces take longer to plan than a hand waits. Said by what there is to plan, not by a clock, so that a piece
/// is always handled in the same way.
bool Document::isLarge() const
{
    constexpr size_t steps = 300, cells = 10000, wanted = 60;
    size_t all = 0;
    for (const BuiltLayer& l : plan_.assembly.layers) all += l.cells.size();
    // Tilted cuts are measured all round, section by section.
    constexpr size_t tilted = 12;
    size_t looks = 0;
    for (const OffAxis& a : wanted_.piece.axes)
        if (a.by == AxisBy::Tilt) looks += static_cast<size_t>(a.sides) * a.outside.size();
    return plan_.assembly.recipe.size() > steps || all > cells || wanted_.piece.layers.size() > wanted ||
           looks >= tilted;
}

Planner::Job Document::job() const
{
    return {.state = wanted_, .style = style_, .now = clock_(), .version = wantedVersion_, .index = history_.index()};
}

bool Document::change(const QString& what, const std::function<void(State&)>& edit, int merge)
{
    State next = wanted_;
    try {
        edit(next);
        if (next == wanted_) return true;
        next.piece = withForms(std::move(next.piece));
        checkShop(next.shop);
        checkPiece(next.piece);
        if (next == wanted_) return true;
    } catch (const std::exception& e) {
        emit refused(QString::fromStdString(e.what()));
        return false;
    }
    if (isLarge() || planner_.isBusy()) {
        push(what, std::move(next), merge);
        wantPlan();
        return true;
    }
    // Planned before it is a step of the history: what is refused was never one.
    Planner::Job edited = job();
    edited.state = std::move(next);
    Planner::Result result = Planner::planned(std::move(edited));
    if (!result.plan) {
        emit refused(QString::fromStdString(result.refused));
        return false;
    }
    push(what, result.job.state, merge);
    result.job.version = ++wantedVersion_;
    result.job.index = history_.index();
    emit wantedChanged();
    take(std::move(result));
    return true;
}

void Document::push(const QString& what, State next, int merge)
{
    if (history_.index() < shownIndex_) shownIndex_ = -1;
    const State before = std::exchange(wanted_, std::move(next));
    history_.push(new Change(*this, what, before, wanted_, merge));
}

bool Document::applyInstead(const QString& what, const Piece& of, const Piece& next)
{
    if (wanted_.piece == of) return apply(what, [&](const Piece&) { return next; });
    emit refused(tr("The piece has changed meanwhile. Nothing was done: look again."));
    return false;
}

void Document::wantPlan()
{
    ++wantedVersion_;
    emit wantedChanged();
    if (!isLarge() && !planner_.isBusy()) return finish(Planner::planned(job()));
    planner_.want(job());
    emit planningChanged();
}

void Document::finish(Planner::Result result)
{
    // One that could not be planned and is no longer wanted is nothing to speak of.
    if (result.plan)
        take(std::move(result));
    else if (result.job.version == wantedVersion_)
        takeBack(result.refused);
}

void Document::take(Planner::Result result)
{
    piece_ = std::move(result.job.state.piece);
    shop_ = std::move(result.job.state.shop);
    shownVersion_ = result.job.version;
    shownIndex_ = result.job.index;
    // What a large piece's plan held is given back beside: that alone takes longer than a millisecond.
    std::swap(plan_, *result.plan);
    if (isLarge()) std::ignore = beside([gone = std::move(result.plan)]() mutable { gone.reset(); });
    ++version_;
    trimSelection();
    emit changed();
    std::vector<Later> due;
    for (size_t k = 0; k < later_.size();)
        if (later_[k].version <= shownVersion_) {
            due.push_back(std::move(later_[k]));
            later_.erase(later_.begin() + static_cast<long>(k));
        } else
            ++k;
    for (const Later& l : due)
        if (l.of) l.what();
    if (planning()) return;
    emit planningChanged();
    if (ending_) endDrag();
}

/// What is wanted and cannot be planned makes way for what was wanted before it.
void Document::takeBack(const std::string& why)
{
    later_.clear();
    const int index = history_.index();
    if (index > shownIndex_ && index > 0) {
        const QScopedValueRollback dropping(dropping_, true);
        history_.undo();
    } else if (index < shownIndex_)
        history_.setIndex(shownIndex_);
    else
        showsWanted();
    emit refused(QString::fromStdString(why));
}

/// What is shown is what is wanted.
void Document::showsWanted()
{
    const int merge = history_.index() > 0 ? history_.command(history_.index() - 1)->id() : -1;
    if (shownIndex_ < 0)
        push(tr("as it was"), {piece_, shop_}, 0);  // the step that it was at is gone
    else if (merge > 0)
        push(history_.undoText(), {piece_, shop_}, merge);  // a drag that went on beyond what can be ends here
    else
        wanted_ = {piece_, shop_};
    shownIndex_ = history_.index();
    shownVersion_ = wantedVersion_;
    emit wantedChanged();
    emit planningChanged();
    if (ending_) endDrag();
}

void Document::whenShown(const QObject* of, std::function<void()> what)
{
    if (!planning()) return what();
    later_.push_back({wantedVersion_, of, std::move(what)});
}

void Document::settle()
{
    while (planner_.isBusy()) planner_.wait();
}

void Document::giveUp()
{
    planner_.forget();
    if (!planning()) return;
    later_.clear();
    {
        const QScopedValueRollback dropping(dropping_, true);
        const QScopedValueRollback still(still_, true);
        if (shownIndex_ >= 0) history_.setIndex(shownIndex_);
    }
    showsWanted();
}

int Document::newMergeKey()
{
    static int key = 0;
    return ++key;
}

void Document::beginDrag()
{
    live_ = true;
    ending_ = false;
}

void Document::endDrag()
{
    if (!live_) return;
    ending_ = planning();
    if (ending_) return;  // take() comes back here
    live_ = ending_ = false;
    emit changed();
}

Selection Document::trimmed(Selection s, const Piece& piece)
{
    const int layers = static_cast<int>(piece.layers.size());
    std::erase_if(s.layers, [&](int i) { return i >= layers; });
    s.layer = std::clamp(s.layer, 0, layers - 1);
    if (s.layers.empty()) s.layers = {s.layer};
    const Outline& line = s.side == Side::Outside ? piece.outside : piece.hollow.inside;
    if (s.node >= static_cast<int>(line.size())) s.node = -1;
    return s;
}

void Document::trimSelection()
{
    Selection s = trimmed(selection_, piece_);
    if (s.segment >= plan_.assembly.layers[static_cast<size_t>(s.layer)].count()) s.segment = -1;
    select(s);
}

void Document::setShop(const Shop& shop)
{
    try {
        checkShop(shop);
    } catch (const InputError& e) {
        emit refused(QString::fromStdString(e.what()));
        return;
    }
    // What is being planned in the other shop is wanted in this one.
    planner_.forget();
    wanted_.shop = shop;
    wantPlan();
}

double Document::snapped(double mm) const
{
    const double step = snapStep();
    return step > 0 ? std::round(mm / step) * step : mm;
}

void Document::setSnap(double metric, double imperial)
{
    snapMetric_ = metric;
    snapImperial_ = imperial;
}

QString Document::price(double value) const
{
    return QString::number(value, 'f', 2) + (currency_.isEmpty() ? QString() : QChar(0xa0) + currency_);
}

void Document::setCurrency(const QString& currency)
{
    if (currency == currency_) return;
    currency_ = currency;
    emit changed();
}

void Document::setStyle(LengthStyle style)
{
    style_ = style;
    wantPlan();
}

void Document::select(Selection selection)
{
    if (selection == selection_) return;
    selection_ = std::move(selection);
    emit selectionChanged();
}

void Document::selectLayer(int layer, Qt::KeyboardModifiers modifiers, int segment)
{
    if (layer < 0 || layer >= static_cast<int>(piece_.layers.size())) return;
    Selection s = selection_;
    if (modifiers & Qt::ShiftModifier) {
        for (int i = std::min(layer, s.layer); i <= std::max(layer, s.layer); ++i) s.layers.insert(i);
    } else if (modifiers & Qt::ControlModifier) {
        if (!s.layers.erase(layer)) s.layers.insert(layer);
        if (s.layers.empty()) s.layers.insert(layer);
    } else
        s.layers = {layer};
    s.layer = s.layers.contains(layer) ? layer : *s.layers.begin();
    s.segment = segment;
    select(s);
}

void Document::pointAt(int layer)
{
    if (layer == pointed_) return;
    pointed_ = layer;
    emit pointedChanged();
}

Planner::Job Document::opening(Piece piece, Shop shop) const
{
    if (piece.id.empty()) piece.id = QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString();
    Planner::Job opened = job();
    opened.state = {std::move(piece), std::move(shop)};
    return opened;
}

void Document::replace(Piece piece, const QString& path)
{
    replace(Planner::planned(opening(std::move(piece), wanted_.shop)), path);
}

void Document::replace(Planner::Result opened, const QString& path)
{
    if (!opened.plan) throw std::runtime_error(opened.refused);
    // What was being planned of the piece that is closed will not be shown.
    planner_.forget();
    later_.clear();
    history_.clear();
    moved_ = false;
    path_ = path;
    wanted_ = opened.job.state;
    kept_ = wanted_.piece;
    unsaved_ = false;
    selection_ = {};
    // A ring has figures for every stage; the disc below it has not.
    if (wanted_.piece.layers.size() > 1) selection_.layer = 1;
    selection_.layers = {selection_.layer};
    opened.job.version = ++wantedVersion_;
    opened.job.index = 0;
    emit wantedChanged();
    take(std::move(opened));
    emit selectionChanged();
    emit pathChanged();
}

void Document::savedAs(const QString& path)
{
    path_ = path;
    kept_ = wanted_.piece;
    unsaved_ = false;
    emit pathChanged();
}

void Document::neverSaved()
{
    unsaved_ = true;
    emit pathChanged();
}

}  // namespace vl::app
