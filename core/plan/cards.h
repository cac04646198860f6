#pragma once

#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"

namespace vl {

/// One step as it is read at the machine, from across the shop.
struct Card {
    size_t step = 0;                    ///< place in the recipe
    Resource machine = Resource::None;  ///< none: the bench
    std::optional<Setting> number;      ///< the one to set, as large as it can be
    std::vector<Setting> others;
    std::vector<Text> hazards;  ///< of this step, every time
    double waitMinutes = 0;     ///< a timer runs
    /// What runs out while it is done, from the first press: a glue's open time, a mixture's pot life.
    struct Clock {
        Text what{};
        double minutes = 0;  ///< 0: nothing does
    } clock{};
    Rounds rounds{};          ///< repeated until something is seen: "again or done"
    double untilPercent = 0;  ///< a reading of no more than this ends its wait
    bool done = false;
    /// The minutes that run when a round of it is done.
    double roundMinutes() const { return rounds.planned > 0 ? waitMinutes / rounds.planned : waitMinutes; }
};
/// Every step in its order.
std::vector<Card> cardsOf(const Plan& plan);
/// The first that is not done; cards.size() where all are.
size_t nextCard(const std::vector<Card>& cards);

/// The highest speed that the mount bears in which the work stands at a card, rpm; 0 where nothing is mounted yet.
double speedBorne(const Plan& plan, const std::vector<Card>& cards, size_t at);

/// The general cautions of a machine, said once a day.
std::optional<Text> dayCautionOf(Resource machine);

/// A list that is walked at the machine, one place after another.
struct Checklist {
    struct Place {
        std::string id;  ///< lasts as long as the plan gives it: what is ticked is kept by it
        Text what;
        Setting number;
        std::vector<Setting> others{};
        std::string step{};                ///< of the recipe, done once all its places are; empty: none
        std::optional<KeptStrip> strip{};  ///< that is cut there
        bool cut = false;                  ///< it is already
        double z = std::nan("");           ///< station of it on the piece
        std::optional<double> angleDeg{};  ///< from 12 o'clock, where it has one
        int layer = -1;                    ///< whose part it is
    };
    const char* id;    ///< "stations"
    const char* name;  ///< "Stations with their diameters"
    std::vector<Place> places;
};
/// How far the spindle has to turn on to a place's mark from where it stands, −180 … 180°; none where it has no angle.
std::optional<double> toMark(const Checklist::Place& place, double spindleDeg);

/// The lists of a piece, those that it has: set-ups at the saw, strips to rip, segments and other parts to cut,
/// stations with their diameters, index marks, drill points, coats of finish, a crack while sanding.
std::vector<Checklist> checklistsOf(const Piece& piece, const Plan& plan, const BoardPlan& boards);

/// Whether a place is done, and the piece with it done or no longer: a strip is cut from its board then, and the step
/// whose last place it was is ticked, at `now` by the shop's clock.
bool isDone(const Piece& piece, const Checklist::Place& place);
Piece withPlaceDone(Piece piece, const Plan& plan, const Checklist& list, size_t place, double now);

}  // namespace vl
