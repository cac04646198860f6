#include "app/document.h"

#include "app/beside.h"
#include "core/measure/input_error.h"
#include "core/piece/edit.h"

#include <QDateTime>
#include <QUndoCommand>
#include <QUuid>

#include <tuple>
#include <utility>

namespace vl::app {

/// Piece and shop before and after one change of either.
class Change : public QUndoCommand {
public:
    Change(Document& document, const QString& what, Piece piece, Shop shop, Plan plan, int merge)
        : QUndoCommand(what),
          document_(document), before_{document.piece_, document.shop_}, after_{std::move(piece), std::move(shop)},
          plan_(std::move(plan)), merge_(merge)
    {
    }
    int id() const override { return merge_ > 0 ? merge_ : -1; }
    bool mergeWith(const QUndoCommand* other) override
    {
        after_ = static_cast<const Change*>(other)->after_;
        return true;
    }
    void undo() override { go(undone({document_.piece_, document_.shop_})); }
    void redo() override
    {
        if (!plan_) return go(done({document_.piece_, document_.shop_}));
        document_.take(after_.piece, after_.shop, std::move(*plan_));
        plan_.reset();
    }

    /// What `now` comes to. A shop that came from elsewhere meanwhile stays: only the turner's own change of it is
    /// taken back.
    Document::State undone(const Document::State& now) const
    {
        return {before_.piece, now.shop == after_.shop ? before_.shop : now.shop};
    }
    Document::State done(const Document::State& now) const
    {
        return {after_.piece, now.shop == before_.shop ? after_.shop : now.shop};
    }

private:
    void go(const Document::State& to)
    {
        if (!document_.travelling_) document_.take(to.piece, to.shop, document_.planOf(to.piece, to.shop));
    }

    Document& document_;
    Document::State before_, after_;
    std::optional<Plan> plan_;  ///< of the first redo, which push() has already made
    int merge_;
};

Document::Document(QObject* parent)
    : QObject(parent), piece_(starts()[0].make()), kept_(piece_), plan_(makePlan(piece_, shop_, style_)), clock_([] {
          const QDateTime now = QDateTime::currentDateTime();
          return static_cast<double>(now.date().toJulianDay() - QDate(1970, 1, 1).toJulianDay()) * 1440 +
                 now.time().msecsSinceStartOfDay() / 60000;
      })
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
    connect(&planner_, &QFutureWatcherBase::finished, this, &Document::planned);
    connect(this, &Document::changed, this, &Document::wantBoards);
}

Document::~Document()
{
    cancelBoards();
    watcher_.waitForFinished();
    planner_.waitForFinished();
}

Plan Document::planOf(const Piece& piece, const Shop& shop) const
{
    return makePlan(piece, shop, style_, piece.progress.start ? clock_() : 0);
}

void Document::setClock(std::function<double()> clock)
{
    clock_ = std::move(clock);
    replan();
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

bool Document::apply(const QString& what, Piece next, int merge)
{
    return next == piece_ || push(what, std::move(next), shop_, merge);
}

bool Document::changeShop(const QString& what, Shop next, int merge)
{
    return next == shop_ || push(what, piece_, std::move(next), merge);
}

bool Document::changeBoth(const QString& what, Piece piece, Shop shop)
{
    return push(what, std::move(piece), std::move(shop), 0);
}

/// Large pieces take longer to plan than a hand waits. Said by what there is to plan, not by a clock, so that a piece
/// is always handled in the same way.
bool Document::isLarge() const
{
    constexpr size_t steps = 300, cells = 10000;
    size_t all = 0;
    for (const BuiltLayer& l : plan_.assembly.layers) all += l.cells.size();
    return plan_.assembly.recipe.size() > steps || all > cells;
}

void Document::Wish::makePlan(LengthStyle style, double now)
{
    try {
        checkShop(shop);
        piece = withForms(std::move(piece));
        plan = vl::makePlan(piece, shop, style, piece.progress.start ? now : 0);
    } catch (const InputError& e) {
        refused = e.what();
    }
}

void Document::startPlanning()
{
    planner_.setFuture(beside(
        [wish = std::make_shared<Wish>(std::move(*wish_)), style = style_, now = clock_()]() -> std::shared_ptr<Wish> {
            wish->makePlan(style, now);
            return wish;
        }));
    wish_.reset();
    planning_ = true;
    emit planningChanged();
}

void Document::planned()
{
    const std::shared_ptr<Wish> done = planner_.result();
    // The next wish is planned while this one is drawn.
    const bool more = wish_.has_value();
    if (more) startPlanning();
    // What was still being planned when another piece was opened is nobody's wish any more.
    if (done->opened == opened_) carryOut(std::move(*done));
    if (more) return;
    if (wish_) return startPlanning();
    planning_ = false;
    emit planningChanged();
    if (ending_) endDrag();
}

bool Document::carryOut(Wish wish)
{
    const bool done = wish.plan.has_value();
    if (done && wish.index) {
        travelling_ = true;
        history_.setIndex(*wish.index);
        travelling_ = false;
        take(wish.piece, wish.shop, std::move(*wish.plan));
    } else if (done)
        history_.push(new Change(*this, wish.what, std::move(wish.piece), std::move(wish.shop), std::move(*wish.plan),
                                 wish.merge));
    else
        emit refused(QString::fromStdString(wish.refused));
    return done;
}

bool Document::push(const QString& what, Piece piece, Shop shop, int merge)
{
    return plan({what, std::move(piece), std::move(shop), merge, {}, opened_, {}, {}});
}

bool Document::plan(Wish wish)
{
    if (!isLarge()) {
        wish.makePlan(style_, clock_());
        return carryOut(std::move(wish));
    }
    goingTo_ = wish.index;
    wish_ = std::move(wish);
    if (!planning_) startPlanning();
    return true;
}

Document::State Document::stateAt(int index) const
{
    const auto change = [this](int k) { return static_cast<const Change*>(history_.command(k)); };
    State state{piece_, shop_};
    for (int k = history_.index(); k > index; --k) state = change(k - 1)->undone(state);
    for (int k = history_.index(); k < index; ++k) state = change(k)->done(state);
    return state;
}

void Document::travel(int steps)
{
    // Pressed again before the first is there, it goes on from where that one leads.
    const int to = (planning_ && goingTo_ ? *goingTo_ : history_.index() + (planning_ ? 1 : 0)) + steps;
    if (to < 0 || to > history_.count()) return;
    State state = stateAt(to);
    plan({{}, std::move(state.piece), std::move(state.shop), 0, to, opened_, {}, {}});
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
    if (ending_) return;  // planned() comes back here
    live_ = false;
    emit changed();
}

void Document::take(const Piece& piece, const Shop& shop, Plan plan)
{
    piece_ = piece;
    shop_ = shop;
    Plan old = std::exchange(plan_, std::move(plan));
    // What a large piece's plan held is given back beside: that alone takes longer than a millisecond.
    if (isLarge()) std::ignore = beside([gone = std::make_shared<Plan>(std::move(old))] {});
    ++version_;
    trimSelection();
    emit changed();
}

void Document::trimSelection()
{
    const int layers = static_cast<int>(piece_.layers.size());
    Selection s = selection_;
    std::erase_if(s.layers, [&](int i) { return i >= layers; });
    s.layer = std::clamp(s.layer, 0, layers - 1);
    if (s.layers.empty()) s.layers = {s.layer};
    if (s.segment >= plan_.assembly.layers[static_cast<size_t>(s.layer)].count()) s.segment = -1;
    const Outline& line = s.side == Side::Outside ? piece_.outside : piece_.hollow.inside;
    if (s.node >= static_cast<int>(line.size())) s.node = -1;
    select(s);
}

void Document::replan()
{
    plan_ = planOf(piece_, shop_);
    ++version_;
    emit changed();
}

void Document::setShop(const Shop& shop)
{
    try {
        checkShop(shop);
    } catch (const InputError& e) {
        emit refused(QString::fromStdString(e.what()));
        return;
    }
    shop_ = shop;
    replan();
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
    replan();
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

void Document::replace(Piece piece, const QString& path)
{
    if (piece.id.empty()) piece.id = QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString();
    Plan plan = planOf(piece, shop_);
    wish_.reset();
    ++opened_;
    history_.clear();
    path_ = path;
    kept_ = piece;
    unsaved_ = false;
    selection_ = {};
    // A ring has figures for every stage; the disc below it has not.
    if (piece.layers.size() > 1) selection_.layer = 1;
    selection_.layers = {selection_.layer};
    take(piece, shop_, std::move(plan));
    emit selectionChanged();
    emit pathChanged();
}

void Document::savedAs(const QString& path)
{
    path_ = path;
    kept_ = piece_;
    unsaved_ = false;
    emit pathChanged();
}

void Document::neverSaved()
{
    unsaved_ = true;
    emit pathChanged();
}

}  // namespace vl::app
