#pragma once

#include "app/document/planner.h"
#include "core/plan/boards/board_plan.h"

#include <QFutureWatcher>
#include <QObject>
#include <QPointer>
#include <QString>
#include <QTimer>
#include <QUndoStack>

#include <concepts>
#include <functional>
#include <memory>
#include <optional>
#include <set>
#include <utility>

namespace vl::app {

enum class Side { Outside, Inside };

/// What is chosen, shared by every view.
struct Selection {
    std::set<int> layers;  ///< chosen layers
    int layer = 0;         ///< the one whose figures are shown
    int segment = -1;
    Side side = Side::Outside;  ///< of the chosen node
    int node = -1;
    std::string step;   ///< of the recipe
    std::string board;  ///< on the rack
    int strip = -1;     ///< of that board in the cutting plan

    bool operator==(const Selection&) const = default;
};

/// The open piece, its plan, and the history of its changes.
///
/// What is *wanted* changes at once with every edit, and each edit is a step of the history; what is *shown* is the
/// last state whose plan stands. A small piece is planned within the edit, so that the two are the same; a large one is
/// planned beside everything else, the latest that is wanted next. A state that cannot be planned is taken back, and
/// refused() says why.
class Document : public QObject {
    Q_OBJECT
public:
    explicit Document(QObject* parent = nullptr);
    ~Document() override;

    /// What is shown: piece, shop and the plan that is made of them.
    const Piece& piece() const { return piece_; }
    const Plan& plan() const { return plan_; }
    const Shop& shop() const { return shop_; }
    /// What is wanted: ahead of what is shown while planning().
    const State& wanted() const { return wanted_; }
    /// What is chosen, as far as the wanted piece still has it.
    Selection wantedSelection() const { return trimmed(selection_, wanted_.piece); }
    /// The boards cut, worked out beside everything else: of an earlier piece while boardsBusy().
    const BoardPlan& boards() const { return boards_; }
    bool boardsBusy() const { return boardsWanted_ || boardsMaking_; }
    /// How far the cutting plan is, 0 … 1.
    double boardsShare() const { return share_ ? share_->load() : 1; }
    /// Ends the calculation of the boards with what it has.
    void cancelBoards();
    /// What the clock says, minutes since 1970-01-01 00:00; tests put another in its place.
    double now() const { return clock_(); }
    void setClock(std::function<double()> clock);
    LengthStyle style() const { return style_; }
    /// The same with what fractions are rounded by: for the cards that show the working.
    LengthStyle exact() const { return {style_.unit, style_.denominator, true}; }
    /// A length on the step that drags keep to, mm: the metric or the inch one as lengths are shown.
    double snapped(double mm) const;
    double snapStep() const { return style_.unit == LengthStyle::Unit::Millimeter ? snapMetric_ : snapImperial_; }
    void setSnap(double metric, double imperial);
    /// A price as the turner reads it: "12.50 €", or a bare number.
    QString price(double value) const;
    void setCurrency(const QString& currency);
    const Selection& selection() const { return selection_; }
    QUndoStack& history() { return history_; }
    /// Counts up whenever the plan is another.
    unsigned version() const { return version_; }
    /// True between the press and the release of a drag: views may draw quickly.
    bool live() const { return live_; }

    /// Changes the wanted piece, as one step of the history named `what`; steps with the same `merge` key (above 0)
    /// become one. `edit` gets the piece that is wanted and changes it, or returns another. A piece that cannot be is
    /// refused: the document stays as it was and refused() says why.
    template <class Edit> bool apply(const QString& what, Edit&& edit, int merge = 0)
    {
        return change(
            what, [&](State& s) { Document::edit(s.piece, edit); }, merge);
    }
    /// The same for the shop, and for both at once.
    template <class Edit> bool changeShop(const QString& what, Edit&& edit, int merge = 0)
    {
        return change(
            what, [&](State& s) { Document::edit(s.shop, edit); }, merge);
    }
    bool changeBoth(const QString& what, const std::function<void(State&)>& edit) { return change(what, edit, 0); }
    /// Puts a whole piece in place of the one that it was worked out from; refused where that is no longer wanted.
    bool applyInstead(const QString& what, const Piece& of, const Piece& next);
    /// Whether something that is wanted is not shown yet.
    bool planning() const { return wantedVersion_ != shownVersion_; }
    /// Runs `what` once all that is wanted now is shown: at once where it is. Not where it is refused or taken back, or
    /// `of` is gone.
    void whenShown(const QObject* of, std::function<void()> what);
    /// Waits until all that is wanted is shown, or taken back.
    void settle();
    /// Takes back what is wanted and not shown yet.
    void giveUp();
    /// Goes back or on in the history by one step.
    void undo() { history_.undo(); }
    void redo() { history_.redo(); }
    /// A key for apply() that no earlier drag had.
    static int newMergeKey();
    void beginDrag();
    void endDrag();

    /// Takes the shop that a book, a sample or a file holds: no change of the turner's, so no step of the history.
    void setShop(const Shop& shop);
    void setStyle(LengthStyle style);
    void select(Selection selection);
    void selectLayer(int layer, Qt::KeyboardModifiers modifiers = {}, int segment = -1);

    /// The layer that lies under the pointer somewhere, lit in every view; −1: none.
    int pointed() const { return pointed_; }
    int lit() const { return pointed_ < 0 ? selection_.layer : pointed_; }
    void pointAt(int layer);

    /// A piece that is to be opened in a shop, for the planner. A piece that is new gets an id of its own.
    Planner::Job opening(Piece piece, Shop shop) const;
    /// Puts another piece, and the shop that it was planned in, in place of this one and forgets the history. Throws
    /// InputError's words where it has no plan.
    void replace(Planner::Result opened, const QString& path);
    /// The same, planned now and in the shop that is wanted.
    void replace(Piece piece, const QString& path);
    const QString& path() const { return path_; }
    /// Whether the wanted piece differs from what was opened or saved last.
    bool edited() const { return unsaved_ || wanted_.piece != kept_; }
    /// Notes the piece as saved at `path`, or as saved nowhere.
    void savedAs(const QString& path);
    void neverSaved();

signals:
    void changed();        ///< what is shown: piece, plan, shop or style
    void wantedChanged();  ///< what is wanted
    void selectionChanged();
    void pointedChanged();
    void refused(const QString& why);
    void pathChanged();
    void boardsChanged();
    void planningChanged();

private:
    friend class Change;
    template <class T, class Edit> static void edit(T& what, Edit& edit)
    {
        if constexpr (std::is_void_v<std::invoke_result_t<Edit&, T&>>)
            edit(what);
        else
            what = edit(T(what));
    }
    bool change(const QString& what, const std::function<void(State&)>& edit, int merge);
    void push(const QString& what, State next, int merge);
    bool isLarge() const;
    Planner::Job job() const;
    void wantPlan();
    void finish(Planner::Result result);
    void take(Planner::Result result);
    void takeBack(const std::string& why);
    void showsWanted();
    static Selection trimmed(Selection selection, const Piece& piece);
    void trimSelection();
    void wantBoards();
    void startBoards();

    State wanted_;
    Piece piece_, kept_;  // kept_: as it was opened or saved last
    bool unsaved_ = false;
    Shop shop_;
    LengthStyle style_;
    QString currency_;
    double snapMetric_ = 0.5, snapImperial_ = mmPerInch / 32;  // mm
    Plan plan_;
    Selection selection_;
    BoardPlan boards_;
    std::function<double()> clock_;
    QTimer boardsTimer_;
    bool boardsWanted_ = false, boardsMaking_ = false;
    QFutureWatcher<BoardPlan> watcher_;
    std::shared_ptr<std::atomic<bool>> cancel_;
    std::shared_ptr<std::atomic<double>> share_;
    QUndoStack history_;
    Planner planner_;
    unsigned wantedVersion_ = 0, shownVersion_ = 0;
    int shownIndex_ = 0;     ///< where of the history the shown state is; −1: on a branch that is gone
    bool moved_ = false;     ///< the history has changed what is wanted
    bool dropping_ = false;  ///< what is taken back is no step to go to any more
    bool still_ = false;     ///< the history moves to what is shown already
    struct Later {
        unsigned version;
        QPointer<const QObject> of;
        std::function<void()> what;
    };
    std::vector<Later> later_;
    QString path_;
    unsigned version_ = 0;
    bool live_ = false, ending_ = false;  // ending_: the drag is over, its last state is still being planned
    int pointed_ = -1;
};

}  // namespace vl::app
