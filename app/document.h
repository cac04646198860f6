#pragma once

#include "core/measure/length.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"

#include <QFutureWatcher>
#include <QObject>
#include <QString>
#include <QTimer>
#include <QUndoStack>

#include <functional>
#include <memory>
#include <optional>
#include <set>

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

/// The open piece, its plan, and the history of its changes. Every change goes through apply(), so everything undoes.
class Document : public QObject {
    Q_OBJECT
public:
    explicit Document(QObject* parent = nullptr);
    ~Document() override;

    const Piece& piece() const { return piece_; }
    const Plan& plan() const { return plan_; }
    const Shop& shop() const { return shop_; }
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
    double snapStep() const { return style_.unit == LengthStyle::Unit::Millimetre ? snapMetric_ : snapImperial_; }
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

    /// Makes `next` the piece, as one step of the history named `what`; steps with the same `merge` key (above 0)
    /// become one. A piece that cannot be is refused: the document stays as it was and refused() says why.
    bool apply(const QString& what, Piece next, int merge = 0);
    /// The same for the shop, and for both at once.
    bool changeShop(const QString& what, Shop next, int merge = 0);
    bool changeBoth(const QString& what, Piece piece, Shop shop);
    /// Whether a change is still being planned: of a large piece beside everything else, where the latest wish wins and
    /// apply() has not changed anything yet when it returns. Then a refusal comes with refused() alone.
    bool planning() const { return planning_; }
    /// Goes back or on in the history by one step; of a large piece once its plan has been made beside.
    void undo() { travel(-1); }
    void redo() { travel(1); }
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

    /// Puts another piece in place of this one and forgets the history. A piece that is new gets an id of its own.
    void replace(Piece piece, const QString& path);
    const QString& path() const { return path_; }
    /// Whether the piece differs from what was opened or saved last.
    bool edited() const { return unsaved_ || piece_ != kept_; }
    /// Notes the piece as saved at `path`, or as saved nowhere.
    void savedAs(const QString& path);
    void neverSaved();

signals:
    void changed();  ///< piece, plan, shop or style
    void selectionChanged();
    void pointedChanged();
    void refused(const QString& why);
    void pathChanged();
    void boardsChanged();
    void planningChanged();

private:
    friend class Change;
    struct State {
        Piece piece;
        Shop shop;
    };
    /// A change that is wanted, and what its plan came to.
    struct Wish {
        QString what;
        Piece piece;
        Shop shop;
        int merge = 0;
        std::optional<int> index;  ///< of the history to go to, where it is no new change
        int opened = 0;            ///< of which piece: they are counted as they are opened
        std::optional<Plan> plan;
        std::string refused;

        void makePlan(LengthStyle style, double now);
    };
    bool isLarge() const;
    bool plan(Wish wish);
    bool carryOut(Wish wish);
    void travel(int steps);
    State stateAt(int index) const;
    void startPlanning();
    void planned();
    bool push(const QString& what, Piece piece, Shop shop, int merge);
    void take(const Piece& piece, const Shop& shop, Plan plan);
    void replan();
    void trimSelection();
    Plan planOf(const Piece& piece, const Shop& shop) const;
    void wantBoards();
    void startBoards();

    Piece piece_, kept_;  // kept_: as it was opened or saved last
    bool unsaved_ = false;
    Shop shop_;
    LengthStyle style_;
    QString currency_;
    double snapMetric_ = 0.5, snapImperial_ = mmPerInch / 32;  // mm
    Plan plan_;                                                // made of those above, in this order
    Selection selection_;
    BoardPlan boards_;
    std::function<double()> clock_;
    QTimer boardsTimer_;
    bool boardsWanted_ = false, boardsMaking_ = false;
    QFutureWatcher<BoardPlan> watcher_;
    std::shared_ptr<std::atomic<bool>> cancel_;
    std::shared_ptr<std::atomic<double>> share_;
    QUndoStack history_;
    bool travelling_ = false;  ///< the history is moved to what is there already
    QString path_;
    unsigned version_ = 0;
    bool live_ = false, ending_ = false;  // ending_: the drag is over, its last wish is still being planned
    int opened_ = 0;
    bool planning_ = false;
    std::optional<Wish> wish_;
    std::optional<int> goingTo_;  ///< where of the history the last wish leads, while it is planned
    QFutureWatcher<std::shared_ptr<Wish>> planner_;
    int pointed_ = -1;
};

}  // namespace vl::app
