#pragma once

#include "core/piece/log.h"
#include "core/piece/shop.h"
#include "core/plan/plan.h"

namespace vl {

/// What the log takes of a piece as it is now: its number is the next one.
Logged logged(const Piece& piece, const Shop& shop, const Plan& plan, double now);

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
    /// How much longer the work took than it was planned: 1 as planned; NaN where nothing was ticked.
    double ratio() const;
};
/// The years of a log, the latest first.
std::vector<LogYear> yearsOf(const std::vector<Logged>& log);

/// How much longer work takes in this shop than the plan says: the median of the pieces that were ticked, NaN with
/// fewer than three of them.
double learnedRatio(const std::vector<Logged>& log);

}  // namespace vl
