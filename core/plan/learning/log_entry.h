#pragma once

#include "core/piece/shop/log.h"
#include "core/piece/shop/shop.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"

namespace vl {

/// What the log takes of a piece as it is now: its number is the next one; wood and cost are those of the boards that
/// are cut for it, where there are any.
Logged logged(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, double now);

/// Whether an entry has all that is asked: words in its texts, whatever their case, and the year where one is named.
struct LogFilter {
    std::string words{};
    int year = 0;        ///< 0: any
    std::string made{};  ///< a construction or a wood that it is made of; empty: any
    bool wrong = false;  ///< only what something went wrong with
};
bool matches(const Logged& entry, const LogFilter& filter);
int yearOf(const Logged& entry);
/// Every construction and wood that entries are made of, each once, in order.
std::vector<std::string> madeOf(const std::vector<Logged>& log);

/// Entries side by side: a row for everything that can be compared, a value for each entry.
struct Compared {
    std::string what;
    std::vector<std::string> values;
};
std::vector<Compared> compared(const std::vector<Logged>& entries);

/// A kind of work, and how long it took: minutes planned and ticked.
struct KindOfWork {
    std::string kind;
    double planned = 0, worked = 0;
    /// How much longer it took: 1 as planned; NaN where nothing was planned or ticked.
    double ratio() const;
};
/// Of an entry of the log; what cannot be read of it is left out.
std::vector<KindOfWork> kindsOf(const Logged& entry);
/// Of all entries together, those that are off most first.
std::vector<KindOfWork> kindsOf(const std::vector<Logged>& log);

/// A year of the log in numbers.
struct LogYear {
    int year = 0, pieces = 0;
    double worked = 0, planned = 0;  ///< minutes
    double wood = 0, cost = 0;
    double cut = 0, waste = 0;  ///< litres, of those entries that say what was wasted
    /// Share of the wood that is in no part; NaN where nothing says so.
    double wasted() const;
    /// How much longer the work took than it was planned: 1 as planned; NaN where nothing was ticked.
    double ratio() const;
};
/// The years of a log, the latest first.
std::vector<LogYear> yearsOf(const std::vector<Logged>& log);

/// How much longer work takes in this shop than the plan says: the median of the pieces that were ticked, NaN with
/// fewer than three of them.
double learnedRatio(const std::vector<Logged>& log);

}  // namespace vl
