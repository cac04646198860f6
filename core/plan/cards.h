#pragma once

#include "core/plan/plan.h"

namespace vl {

/// One step as it is read at the machine, from across the shop.
struct Card {
    size_t step = 0;                ///< place in the recipe
    std::string machine;            ///< "lathe", "saw" …; empty: the bench
    std::optional<Setting> number;  ///< the one to set, as large as it can be
    std::vector<Setting> others;
    std::vector<Text> hazards;  ///< of this step, every time
    double waitMinutes = 0;     ///< a timer runs
    bool again = false;         ///< repeated until something is seen: "again or done"
    bool done = false;
};
/// Every step in its order.
std::vector<Card> cardsOf(const Plan& plan);
/// The first that is not done; cards.size() where all are.
size_t nextCard(const std::vector<Card>& cards);

/// The highest speed that the mount bears in which the work stands at a card, rpm; 0 where nothing is mounted yet.
double speedBorne(const Plan& plan, const std::vector<Card>& cards, size_t at);

/// The general cautions of a machine, said once a day: by what it is called in Step::uses.
std::optional<Text> dayCautionOf(const std::string& machine);

/// A list that is walked at the machine, one place after another.
struct Walk {
    struct Place {
        std::string id;  ///< lasts as long as the plan gives it: what is ticked is kept by it
        Text what;
        Setting number;
        std::vector<Setting> others{};
    };
    const char* id;    ///< "stations"
    const char* name;  ///< "Stations with their diameters"
    std::vector<Place> places;
};
/// How far the spindle has to turn on to a place's mark from where it stands, −180 … 180°; none where it has no angle.
std::optional<double> toMark(const Walk::Place& place, double spindleDeg);

/// Set-ups at the saw are with the boards; these are the lathe's and the drill's: stations, index marks, drill points,
/// coats of finish. Those that the piece has.
std::vector<Walk> walksOf(const Piece& piece, const Plan& plan);

}  // namespace vl
